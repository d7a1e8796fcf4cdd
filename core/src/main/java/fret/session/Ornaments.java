package fret.session;

import fret.base.Fractions;
import fret.base.Said;
import fret.drill.Chunk;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.mark.Marks;
import fret.mark.OrnamentLayer;
import fret.mark.Place;
import fret.pitch.Pitch;
import fret.player.HandModel;
import fret.player.Placement;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.OrnamentForm;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.score.WrittenOut;
import fret.sound.Performance;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.apache.commons.numbers.fraction.Fraction;

/** Ornaments as they are played: their form, their notes and fingers, how they are practised. */
public final class Ornaments {
  private static final int MOST_IN_A_CHUNK = 4;

  private static final Fraction SHORTEST = Fraction.of(1, 128);

  /** Notes of a trill in a beat, before it is played as it goes. */
  private static final int[] PULSES = {2, 3, 4};

  private Ornaments() {}

  /** How an ornament is played. */
  public static OrnamentForm form(Session s, SoundingNote note) {
    return s.passage().marks().at(OrnamentLayer.ORNAMENT, note.key()).orElse(OrnamentForm.USUAL);
  }

  /** What is played on a note at the passage's tempo; empty where it is played as it stands. */
  public static Optional<WrittenOut> of(Session s, int note) {
    SoundingNote n = s.resolved().notes().get(note);
    return WrittenOut.of(s.resolved(), n, form(s, n), seconds(s, n));
  }

  private static double seconds(Session s, SoundingNote n) {
    return s.task().tempo().durationMs(n.onset(), n.end()) / 1000;
  }

  /** The passage as it is heard at a tempo, with the player's ornaments. */
  public static Performance heard(Session s, TempoMap tempo, double a4) {
    return new Performance(s.resolved(), s.bowTask().loudness(), tempo, a4)
        .ornamented(n -> form(s, n));
  }

  /** An ornament is played in another form; empty where it is already. */
  public static Optional<Change> change(Session s, int note, UnaryOperator<OrnamentForm> edit) {
    SoundingNote n = s.resolved().notes().get(note);
    OrnamentForm after = edit.apply(form(s, n));
    Marks marks = s.passage().marks();
    Optional<OrnamentForm> own =
        after.equals(OrnamentForm.USUAL) ? Optional.empty() : Optional.of(after);
    Change change =
        Change.of(
            Said.of("ornament.set", n.pitch(), n.bar()),
            marks,
            marks.with(OrnamentLayer.ORNAMENT, Place.of(n.key()), own));
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  // ---- fingers -------------------------------------------------------------------------------

  /** The finger of a note of an ornament, in the hand that plays its main note. */
  public static Optional<Finger> finger(Session s, NoteFinger main, Pitch pitch) {
    int semitone = main.semitone() + pitch.midi() - main.sounding().midi();
    if (main.harmonic() || semitone < 0) {
      return Optional.empty();
    }
    if (semitone == 0) {
      return Optional.of(Finger.OPEN);
    }
    if (semitone == main.semitone()) {
      return Optional.of(main.finger());
    }
    HandModel hand = s.task().hand();
    return hand.placements(semitone).stream()
        .filter(p -> p.base() == main.base() && p.region() == main.region())
        .filter(p -> p.finger() != main.finger())
        .filter(p -> fits(hand, main, p, semitone))
        .min(Comparator.comparingDouble(Placement::strain))
        .map(Placement::finger);
  }

  private static boolean fits(HandModel hand, NoteFinger main, Placement p, int semitone) {
    return main.isOpen()
        || hand.canFollow(main.finger(), main.semitone(), p.finger(), semitone, main.region());
  }

  // ---- drills --------------------------------------------------------------------------------

  /** The ornaments of a chunk, each first in pulses where it is a trill, then as it goes. */
  static List<Score> drills(Session s, Chunk chunk) {
    ResolvedPassage passage = s.resolved();
    List<Score> all = new ArrayList<>();
    int count = 0;
    for (int i = 0; i < passage.notes().size() && count < MOST_IN_A_CHUNK; i++) {
      SoundingNote n = passage.notes().get(i);
      boolean in =
          n.onset().compareTo(chunk.fromOnset()) >= 0 && n.onset().compareTo(chunk.toOnset()) < 0;
      if (in && n.ornament() != Signs.Ornament.NONE && !n.isGrace()) {
        all.addAll(drill(s, i));
        count++;
      }
    }
    return all;
  }

  /** The same of one note; none where it has no ornament that is fingered. */
  public static List<Score> drill(Session s, int note) {
    SoundingNote n = s.resolved().notes().get(note);
    Optional<NoteFinger> main = s.fingering().notes().get(note);
    if (main.isEmpty() || n.ornament() == Signs.Ornament.NONE || n.isGrace()) {
      return List.of();
    }
    List<Score> parts = new ArrayList<>();
    List<Pitch> turn = printedTurn(s.resolved(), note);
    SoundingNote played = turn.isEmpty() ? n : n.ornamented(Signs.Ornament.TRILL_WITH_TERMINATION);
    if (n.trill()) {
      for (int pulses : PULSES) {
        parts.add(inPulses(s, main.get(), n, pulses, turn));
      }
    }
    measured(s, main.get(), played, turn).ifPresent(parts::add);
    return parts;
  }

  /** The two small notes that are printed behind a trill and end on its note; none otherwise. */
  private static List<Pitch> printedTurn(ResolvedPassage passage, int trill) {
    List<SoundingNote> notes = passage.notes();
    SoundingNote n = notes.get(trill);
    int after = trill + 1;
    while (after < notes.size() && notes.get(after).isGrace()) {
      after++;
    }
    boolean two = n.trill() && after - trill == 3;
    return two && notes.get(after - 1).pitch().equals(n.pitch())
        ? List.of(notes.get(trill + 1).pitch(), n.pitch())
        : List.of();
  }

  /** Four beats of a trill, so many notes in each, its printed turn, the main note at its end. */
  private static Score inPulses(
      Session s, NoteFinger main, SoundingNote n, int pulses, List<Pitch> turn) {
    Fraction beat = Fraction.of(1, 4);
    int count = 4 * pulses;
    int first = form(s, n).start() == OrnamentForm.Start.MAIN ? 0 : 1;
    Pitch upper = WrittenOut.above(s.resolved(), n);
    int turns = count - (first == 0 ? 1 : 2);
    LineBuilder line = LineBuilder.about(s.resolved().score(), n.key());
    for (int i = 0; i < count; i++) {
      int inTurn = i - turns; // It is come into from the main note, which may be its last too.
      boolean trilled = turn.isEmpty() || inTurn < 0;
      Pitch pitch = !trilled ? turn.get(inTurn) : i % 2 == first ? n.pitch() : upper;
      List<Head> heads = head(s, main, pitch);
      Signs signs = slurred(i % pulses == 0, i % pulses == pulses - 1);
      if (pulses == 3) {
        line.add(inTriplet(heads, signs, i % 3));
      } else {
        line.add(beat.divide(pulses), heads, signs);
      }
    }
    line.add(Fraction.ONE, head(s, main, n.pitch()), Signs.PLAIN);
    return line.build("", s.resolved().score().transposition());
  }

  /** Notes that an ornament must have. */
  private static int fewest(SoundingNote n, OrnamentForm form) {
    return switch (n.ornament()) {
      case TURN, INVERTED_TURN -> 4;
      case TRILL, TRILL_WITH_TERMINATION -> WrittenOut.isTurned(n, form) ? 5 : 3;
      default -> 3;
    };
  }

  private static int count(SoundingNote n, Fraction value) {
    return (int) Math.floor(n.duration().divide(value).doubleValue() + 1e-9);
  }

  private static Event inTriplet(List<Head> heads, Signs signs, int place) {
    Signs.Tuplet triplet = new Signs.Tuplet(3, 2, place == 0, place == 2);
    return new Event(
        "1",
        Fraction.ZERO,
        Fraction.of(1, 12),
        new NoteValue(8, 0),
        heads,
        Event.Grace.NONE,
        false,
        signs.withTuplet(triplet));
  }

  private static Signs slurred(boolean starts, boolean stops) {
    return Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of());
  }

  private static List<Head> head(Session s, NoteFinger main, Pitch sounding) {
    Head plain = Head.of(sounding.plus(s.resolved().score().transposition().negated()));
    return List.of(
        finger(s, main, sounding).map(f -> plain.withPrintedFinger(f.digit())).orElse(plain));
  }

  /** The ornament in the value that comes nearest to its speed, within the time of its note. */
  private static Optional<Score> measured(
      Session s, NoteFinger main, SoundingNote n, List<Pitch> turn) {
    OrnamentForm form = form(s, n);
    double whole = seconds(s, n) / n.duration().doubleValue();
    Fraction value = Fraction.of(1, 8);
    for (int of : new int[] {16, 32, 64}) {
      Fraction finer = Fraction.of(1, of);
      double now = Math.abs(Math.log(form.perSecond() * value.doubleValue() * whole));
      if (Math.abs(Math.log(form.perSecond() * finer.doubleValue() * whole)) < now) {
        value = finer;
      }
    }
    int fewest = fewest(n, form);
    while (count(n, value) < fewest && value.compareTo(SHORTEST) > 0) {
      value = value.divide(2); // The ornament must find its place in a short note too.
    }
    int count = count(n, value);
    if (count < fewest) {
      return Optional.empty();
    }
    Fraction time = value.multiply(count);
    Optional<WrittenOut> out =
        WrittenOut.of(s.resolved(), n.lasting(time), form, count / form.perSecond());
    LineBuilder line = LineBuilder.about(s.resolved().score(), n.key());
    Fraction left = time;
    List<WrittenOut.Tone> tones = out.map(WrittenOut::tones).orElse(List.of());
    for (int i = 0; i < tones.size() && left.signum() > 0; i++) {
      boolean last = i == tones.size() - 1;
      Fraction lasts = last ? left : Fractions.min(value, left);
      int inTurn = i - (tones.size() - turn.size());
      Pitch pitch = inTurn >= 0 ? turn.get(inTurn) : tones.get(i).pitch();
      line.add(lasts, head(s, main, pitch), slurred(i == 0, last));
      left = left.subtract(lasts);
    }
    line.fillBar();
    return tones.isEmpty()
        ? Optional.empty()
        : Optional.of(line.build("", s.resolved().score().transposition()));
  }
}
