package fret.format.part;

import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.engraving.FingerText;
import fret.fingering.NoteFinger;
import fret.fingering.StringDoubt;
import fret.format.musicxml.MarkWriter;
import fret.format.musicxml.MarkWriter.NoteMark;
import fret.mark.BowLayer;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.mark.Reminder;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.NoteKey;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.session.BowSigns;
import fret.session.Digits;
import fret.session.MarkedFileWriter.Proposed;
import fret.session.Session;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What was decided of a passage, as signs on the notes of its file. */
final class FileSigns {
  private final Session session;
  private final int octaves;
  private final Map<Integer, Signs.Bow> joints;

  FileSigns(Session session) {
    this.session = session;
    this.octaves = session.passage().settings().reading().octaves();
    this.joints = joints();
  }

  private List<SoundingNote> notes() {
    return session.resolved().notes();
  }

  /** The note as the file has it, where the part was taken to another octave. */
  private NoteKey inFile(NoteKey key) {
    Pitch pitch = key.pitch().plus(new Interval(-7 * octaves, -12 * octaves));
    return key.at(pitch);
  }

  // ---- fingers and bow marks -------------------------------------------------------------------

  /**
   * Fingers, strings and bow marks that were decided; what is only proposed on request, as such. A
   * string is written where a player would print it, or everywhere on request.
   */
  Map<NoteKey, NoteMark> marks(Proposed wanted) {
    Map<NoteKey, NoteMark> marks = new HashMap<>();
    boolean every = wanted == Proposed.EVERY_STRING;
    Set<Integer> doubts =
        StringDoubt.of(session.resolved(), session.task().hand().instrument(), session.fingering());
    for (int i = 0; i < notes().size(); i++) {
      Optional<Signs.Bow> bow = bow(i);
      Optional<FingerMark> decided = decided(i);
      NoteMark mark =
          decided.isPresent()
              ? mark(decided.get(), bow)
              : proposed(i, wanted != Proposed.LEFT_OUT, bow);
      boolean string = every || doubts.contains(i);
      marks.put(inFile(notes().get(i).key()), string ? mark : mark.withoutString());
    }
    return marks;
  }

  private Optional<FingerMark> decided(int note) {
    return session.at(FingerLayer.PINNED, note).or(() -> session.at(FingerLayer.ADOPTED, note));
  }

  private static NoteMark mark(FingerMark m, Optional<Signs.Bow> bow) {
    String first = m.finger().map(f -> f.digit()).orElse("");
    String digits = m.replacedBy().map(f -> first + "-" + f.digit()).orElse(first);
    return new NoteMark(digits, m.string(), m.harmonic(), bow);
  }

  private NoteMark proposed(int note, boolean wanted, Optional<Signs.Bow> bow) {
    Optional<NoteFinger> place = session.fingering().notes().get(note).filter(p -> wanted);
    return place
        .map(p -> new NoteMark(p.fingers(), p.string(), p.harmonic(), bow, true))
        .orElse(new NoteMark("", 0, false, bow));
  }

  /** The player's mark, or the one that a reader of what was decided needs. */
  private Optional<Signs.Bow> bow(int note) {
    NoteKey key = notes().get(note).key();
    return session
        .at(BowLayer.BOW, note)
        .or(() -> adopted(key))
        .or(() -> Optional.ofNullable(joints.get(notes().get(note).slice())));
  }

  private Optional<Signs.Bow> adopted(NoteKey key) {
    if (session.passage().marks().at(BowLayers.ADOPTED, key).isEmpty()) {
      return Optional.empty();
    }
    return event(session.score(), key).map(e -> e.signs().bow()).filter(b -> b != Signs.Bow.NONE);
  }

  /** A hook and a retake are read from the marks on both sides of them. */
  private Map<Integer, Signs.Bow> joints() {
    Map<Integer, Signs.Bow> marks = new HashMap<>();
    Bowing bowing = session.bowing();
    for (int i = 1; i < bowing.strokes().size(); i++) {
      Stroke s = bowing.strokes().get(i);
      boolean decided =
          session.resolved().slices().get(s.fromMoment()).starting().stream()
              .flatMap(n -> session.at(BowLayers.JOINT, n).stream())
              .anyMatch(j -> j == BowRules.Joint.HOOK || j == BowRules.Joint.RETAKE);
      if (decided && (s.hooked() || s.retake().isPresent())) {
        marks.put(bowing.strokes().get(i - 1).fromMoment(), mark(bowing.strokes().get(i - 1)));
        marks.put(s.fromMoment(), mark(s));
      }
    }
    return marks;
  }

  private static Signs.Bow mark(Stroke s) {
    return s.down() ? Signs.Bow.DOWN : Signs.Bow.UP;
  }

  // ---- slurs and the rest ----------------------------------------------------------------------

  /** Notes on which the player's slurs differ from the printed ones, one a chord. */
  Map<NoteKey, MarkWriter.Slurs> slurs() {
    Map<NoteKey, MarkWriter.Slurs> all = new HashMap<>();
    Score printed = session.bowTask().passage().score();
    for (Slice slice : session.resolved().slices()) {
      boolean first = true;
      for (int note : slice.starting()) {
        NoteKey key = notes().get(note).key();
        Optional<Event> was = slice.grace() > 0 ? Optional.empty() : event(printed, key);
        Optional<Event> is = event(session.score(), key);
        if (was.isPresent() && is.isPresent() && !sameSlurs(was.get(), is.get())) {
          Signs signs = is.get().signs();
          all.put(
              inFile(key),
              new MarkWriter.Slurs(
                  first && !signs.slurStarts().isEmpty(), first && !signs.slurStops().isEmpty()));
          first = false;
        }
      }
    }
    return all;
  }

  private static Optional<Event> event(Score score, NoteKey key) {
    return score.bar(key.barIndex()).events().stream()
        .filter(e -> !e.isGrace() && !e.isRest() && e.onset().equals(key.onset()))
        .filter(e -> e.voice().equals(key.voice()))
        .findFirst();
  }

  private static boolean sameSlurs(Event a, Event b) {
    return a.signs().slurStarts().equals(b.signs().slurStarts())
        && a.signs().slurStops().equals(b.signs().slurStops());
  }

  /** Articulations, dynamics and words. */
  List<BowSigns> signs() {
    return BowSigns.of(session).stream().map(b -> b.on(inFile(b.note()))).toList();
  }

  /** What is pencilled over the notes. */
  Map<NoteKey, List<Reminder>> pencilled() {
    Map<NoteKey, List<Reminder>> all = new HashMap<>();
    for (FingerText t : Digits.pencilled(session)) {
      all.put(inFile(notes().get(t.note()).key()), t.pencilled());
    }
    return all;
  }

  /** Slides that are meant to be heard: from the note before into the one that has the mark. */
  Map<NoteKey, NoteKey> slides() {
    Map<NoteKey, NoteKey> all = new HashMap<>();
    for (int i = 0; i < notes().size(); i++) {
      int slice = notes().get(i).slice();
      if (slice > 0
          && session.at(SlideLayer.SLIDE, i).filter(w -> w == SlideWish.HEARD).isPresent()) {
        int from = session.resolved().slices().get(slice - 1).starting().get(0);
        all.put(inFile(notes().get(from).key()), inFile(notes().get(i).key()));
      }
    }
    return all;
  }
}
