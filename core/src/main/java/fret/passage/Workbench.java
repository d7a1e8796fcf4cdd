package fret.passage;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteFinger;
import fret.fingering.NoteRule;
import fret.fingering.PrintedWishes;
import fret.fingering.Refinger;
import fret.fingering.WishRules;
import fret.fingering.Wishes;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.mark.Wish;
import fret.player.HandModel;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;

/**
 * Everything computed from a passage and its notes: an immutable snapshot, made anew after every
 * change. Heavy to make; make it off the interface thread.
 *
 * @param fingering what stands on the page: pins and adopted marks kept, the rest proposed
 */
public record Workbench(
    Passage passage,
    Score score,
    ResolvedPassage resolved,
    FingeringTask task,
    Fingering fingering) {
  /** Computes a snapshot. */
  public static Workbench of(Passage passage, Score read) {
    Score score = bowed(passage.settings().reading().of(read), passage.marks());
    ResolvedPassage resolved = Resolver.resolve(score);
    TempoMap tempo =
        TempoPlan.of(score, passage.settings().target(), passage.settings().details().tempoMarks());
    HandModel hand = passage.settings().setup().handModel();
    FingeringTask task =
        new FingeringTask(
            resolved,
            tempo,
            hand,
            passage.settings().setup().preset(),
            wishes(passage.marks(), resolved, tempo, hand.instrument()),
            Map.of());
    return new Workbench(passage, score, resolved, task, new FingeringSolver(task).consistent());
  }

  /**
   * The snapshot after one note was decided: only the stretch around it, up to the nearest open
   * string, rest or decided note, is fingered anew.
   */
  public Workbench after(Passage changed, int note) {
    FingeringTask next = task.withWishes(wishes(changed.marks()));
    return new Workbench(changed, score, resolved, next, Refinger.around(next, fingering, note));
  }

  /** This snapshot with newer decisions that are not computed yet. */
  public Workbench with(Passage newer) {
    return new Workbench(newer, score, resolved, task, fingering);
  }

  /** The bow mark that stands on a note. */
  public Signs.Bow bowAt(int note) {
    NoteKey key = resolved.notes().get(note).key();
    return score.events().stream()
        .filter(e -> !e.isGrace() && e.onset().equals(key.onset()))
        .filter(e -> e.voice().equals(key.voice()))
        .map(e -> e.signs().bow())
        .findFirst()
        .orElse(Signs.Bow.NONE);
  }

  /** The part with the player's bow marks in place of the printed ones. */
  private static Score bowed(Score score, Marks marks) {
    if (marks.bows().isEmpty()) {
      return score;
    }
    return score.withBars(
        score.bars().stream()
            .map(b -> b.withEvents(b.events().stream().map(e -> bowed(b, e, marks)).toList()))
            .toList());
  }

  private static Event bowed(Bar bar, Event event, Marks marks) {
    Event bowed = event;
    for (Head head : event.isGrace() ? List.<Head>of() : event.heads()) {
      Signs.Bow bow =
          marks.bows().get(new NoteKey(bar.index(), event.voice(), event.onset(), 0, head.pitch()));
      bowed = bow == null ? bowed : bowed.withSigns(bowed.signs().withBow(bow));
    }
    return bowed;
  }

  /** The change that sets, changes or takes away the bow mark on a note's chord. */
  public Change bow(int note, Signs.Bow bow) {
    SoundingNote n = resolved.notes().get(note);
    Map<NoteKey, Signs.Bow> bows = new HashMap<>(passage.marks().bows());
    for (int i : resolved.slices().get(n.slice()).starting()) {
      bows.remove(resolved.notes().get(i).key());
    }
    bows.put(n.key(), bow);
    String what =
        switch (bow) {
          case DOWN -> "Down-bow";
          case UP -> "Up-bow";
          case NONE -> "No bow mark";
        };
    return new Change.MarksChange(
        what + " on " + n.pitch() + ", bar " + n.bar(),
        passage.marks(),
        passage.marks().withBows(bows));
  }

  private Wishes wishes(Marks marks) {
    return wishes(marks, resolved, task.tempo(), task.hand().instrument());
  }

  /** Pins and adopted places, the player's wishes and those that are printed. */
  private static Wishes wishes(
      Marks marks, ResolvedPassage resolved, TempoMap tempo, Instrument instrument) {
    List<Wish> all = new ArrayList<>(PrintedWishes.of(resolved, instrument));
    all.addAll(marks.wishes());
    Set<Integer> vibrato = new HashSet<>();
    for (int i = 0; i < resolved.notes().size(); i++) {
      if (marks.vibrato().contains(resolved.notes().get(i).key())) {
        vibrato.add(i);
      }
    }
    return WishRules.of(resolved, tempo, rules(marks, resolved), all, vibrato);
  }

  /** Pins first; an adopted place counts where no pin stands. */
  private static List<NoteRule> rules(Marks marks, ResolvedPassage resolved) {
    List<NoteRule> rules = new ArrayList<>();
    for (int i = 0; i < resolved.notes().size(); i++) {
      int note = i;
      var key = resolved.notes().get(i).key();
      marks
          .pin(key)
          .or(() -> marks.adopted(key))
          .ifPresent(
              m ->
                  rules.add(
                      new NoteRule(
                          note, m.finger(), m.replacedBy(), m.string(), 0, m.harmonic(), false)));
    }
    return rules;
  }

  /** The change that pins a note as it is played elsewhere. */
  public Change pin(NoteFinger place) {
    return pin(place.note(), mark(place, Mark.Standing.PINNED), "finger " + place.digits());
  }

  /** The change that pins a finger, a string or both on a note; a pin replaces the one before. */
  public Change pin(int note, Optional<Finger> finger, int string) {
    SoundingNote n = resolved.notes().get(note);
    String what =
        finger
            .map(f -> "finger " + f.digit())
            .orElse("string " + task.hand().instrument().stringName(string));
    return pin(note, new Mark(n.key(), finger, string, Mark.Standing.PINNED), what);
  }

  private Change pin(int note, Mark mark, String what) {
    SoundingNote n = resolved.notes().get(note);
    return new Change.MarksChange(
        "Pin " + what + " on " + n.pitch() + ", bar " + n.bar(),
        passage.marks(),
        passage.marks().with(mark));
  }

  /** The change that takes a note's pin away; empty if it has none. */
  public Optional<Change> unpin(int note) {
    SoundingNote n = resolved.notes().get(note);
    return passage
        .marks()
        .pin(n.key())
        .map(
            m ->
                new Change.MarksChange(
                    "Take the pin off " + n.pitch() + ", bar " + n.bar(),
                    passage.marks(),
                    passage.marks().withoutPin(n.key())));
  }

  /** The change that makes a fingering the player's own. */
  public Change adopt(Fingering chosen) {
    return marked(
        "Adopt the fingering", passage.marks().withAdopted(marks(chosen, Mark.Standing.ADOPTED)));
  }

  private List<Mark> marks(Fingering chosen, Mark.Standing standing) {
    List<Mark> marks = new ArrayList<>();
    for (int i = 0; i < chosen.notes().size(); i++) {
      chosen.notes().get(i).ifPresent(p -> marks.add(mark(p, standing)));
    }
    return marks;
  }

  private Mark mark(NoteFinger p, Mark.Standing standing) {
    boolean touched = p.harmonic() && !p.isPrintedHarmonic(resolved);
    return new Mark(
        resolved.notes().get(p.note()).key(),
        Optional.of(p.finger()),
        p.replaced().map(NoteFinger.Replacement::by),
        p.string(),
        touched,
        standing);
  }

  private Change marked(String name, Marks after) {
    return new Change.MarksChange(name, passage.marks(), after);
  }

  /** The change that keeps a whole fingering under a name, to come back to. */
  public Change keep(String name, Fingering chosen) {
    return marked(
        "Keep the fingering as " + name,
        passage.marks().keeping(name, marks(chosen, Mark.Standing.ADOPTED)));
  }

  /** The change that forgets a kept fingering. */
  public Change forget(String name) {
    return marked("Forget the fingering " + name, passage.marks().forgetting(name));
  }

  /** A kept fingering with its reasons at the present tempo and weights. */
  public Fingering kept(String name) {
    Marks marks =
        Marks.of(passage.marks().kept().getOrDefault(name, List.of()))
            .withVibrato(passage.marks().vibrato());
    return new FingeringSolver(task.withWishes(wishes(marks))).best();
  }

  /**
   * The change that asks something of a stretch of notes, or takes it back when just that was asked
   * of the same notes.
   *
   * @param value the string or the place of the hand, see {@link Wish}
   */
  public Change wish(Wish.Kind kind, int fromNote, int toNote, int value) {
    SoundingNote first = resolved.notes().get(Math.min(fromNote, toNote));
    SoundingNote last = resolved.notes().get(Math.max(fromNote, toNote));
    Wish wish = new Wish(kind, first.key(), last.key(), value);
    List<Wish> all = new ArrayList<>(passage.marks().wishes());
    boolean there = all.remove(wish);
    if (!there) {
      all.add(wish);
    }
    String bars =
        first.bar().equals(last.bar())
            ? "bar " + first.bar()
            : "bars " + first.bar() + " to " + last.bar();
    return marked(
        (there ? "No longer: " : "Ask for: ") + kind.displayName() + ", " + bars,
        passage.marks().withWishes(all));
  }

  /** The change that takes a wish back. */
  public Change withoutWish(Wish wish) {
    List<Wish> all = new ArrayList<>(passage.marks().wishes());
    all.remove(wish);
    return marked("No longer: " + wish.kind().displayName(), passage.marks().withWishes(all));
  }

  /** The wishes that are printed on the page as words. */
  public List<Wish> printedWishes() {
    return PrintedWishes.of(resolved, task.hand().instrument());
  }

  /** The change that marks a note for vibrato, or takes the mark off. */
  public Change vibrato(int note) {
    SoundingNote n = resolved.notes().get(note);
    Set<NoteKey> all = new HashSet<>(passage.marks().vibrato());
    boolean there = all.remove(n.key());
    if (!there) {
      all.add(n.key());
    }
    return marked(
        (there ? "No vibrato mark on " : "Vibrato on ") + n.pitch() + ", bar " + n.bar(),
        passage.marks().withVibrato(all));
  }

  /** The change that lets the program propose again; pins stay. */
  public Change release() {
    return new Change.MarksChange(
        "Let go of the adopted fingering", passage.marks(), passage.marks().withAdopted(List.of()));
  }

  /**
   * The part with digits printed on the notes that {@code shown} admits, so that drills made from
   * it carry the fingering of the target tempo.
   */
  public Score fingered(IntPredicate shown) {
    Map<NoteKey, NoteFinger> places = new HashMap<>();
    for (int i = 0; i < resolved.notes().size(); i++) {
      if (shown.test(i) && fingering.notes().get(i).isPresent()) {
        places.put(resolved.notes().get(i).key(), fingering.notes().get(i).get());
      }
    }
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : score.bars()) {
      bars.add(
          bar.withEvents(
              bar.events().stream()
                  .map(
                      e ->
                          e.isGrace()
                              ? e
                              : e.withHeads(
                                  e.heads().stream().map(h -> printed(bar, e, h, places)).toList()))
                  .toList()));
    }
    return new Score(
        score.title(), score.composer(), score.partName(), score.transposition(), bars);
  }

  private static Head printed(Bar bar, Event e, Head h, Map<NoteKey, NoteFinger> places) {
    NoteFinger place = places.get(new NoteKey(bar.index(), e.voice(), e.onset(), 0, h.pitch()));
    return new Head(
        h.pitch(),
        h.accidental(),
        h.tieStart(),
        h.tieStop(),
        place != null && place.harmonic() && h.harmonic() == Head.Harmonic.NONE
            ? Head.Harmonic.NATURAL_SOUNDING
            : h.harmonic(),
        place == null ? "" : place.fingers(),
        place == null ? 0 : place.string());
  }

  /** A solver that may move every note that is not pinned, for comparing alternatives. */
  public FingeringSolver freeSolver() {
    return new FingeringSolver(freeTask());
  }

  /** A solver that may move every note that is not pinned, and one note even if it is. */
  public FingeringSolver solverFreeAt(int note) {
    Marks free = passage.marks().withAdopted(List.of());
    return new FingeringSolver(
        task.withWishes(wishes(free.withoutPin(resolved.notes().get(note).key()))));
  }

  private FingeringTask freeTask() {
    return task.withWishes(wishes(passage.marks().withAdopted(List.of())));
  }

  /** A solver that may move only some notes that follow each other; the rest stays as it is. */
  public FingeringSolver freeSolver(int fromNote, int toNote) {
    Map<Integer, NoteFinger> fixed = new HashMap<>();
    for (int i = 0; i < fingering.notes().size(); i++) {
      int note = i;
      boolean outside = i < Math.min(fromNote, toNote) || i > Math.max(fromNote, toNote);
      if (outside) {
        fingering.notes().get(i).ifPresent(p -> fixed.put(note, p));
      }
    }
    return new FingeringSolver(freeTask().withFixed(fixed));
  }
}
