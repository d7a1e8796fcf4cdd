package fret.session;

import fret.drill.Chunk;
import fret.drill.Chunker;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Learned;
import fret.mark.Place;
import fret.passage.Passage;
import fret.passage.PracticeLayer;
import fret.passage.PracticeSetup;
import fret.plan.Goal;
import fret.plan.Unit;
import fret.score.Bar;
import fret.score.Score;
import fret.score.Slice;
import fret.search.Explanation;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What there is to learn in a passage: its chunks and joins, each with its drills, and its ladder.
 *
 * @param learned what is learned once, in order
 * @param units of the same, for the plan
 * @param wholeNotes length of a run-through, long rests cut
 * @param stretched ids of the chunks in which the hand stretches
 */
public record Learning(
    long passageId,
    Tempo target,
    PracticeSetup setup,
    List<Chunk> chunks,
    List<Learned> learned,
    List<Unit> units,
    Ladder ladder,
    double wholeNotes,
    Set<String> stretched) {
  /** Below this many notes a second a line is slow. */
  private static final double SLOW = 2;

  /** Whole bars of rest from which on they are cut. */
  private static final int LONG_REST_BARS = 2;

  /** The drills that a plan may ask for beside straight work. */
  private static final List<DrillKind> PLANNED =
      List.of(
          DrillKind.STRAIGHT,
          DrillKind.ADD_A_NOTE,
          DrillKind.RHYTHMS,
          DrillKind.SHIFT,
          DrillKind.STRETCH,
          DrillKind.BOW);

  public Learning {
    chunks = List.copyOf(chunks);
    learned = List.copyOf(learned);
    units = List.copyOf(units);
    stretched = Set.copyOf(stretched);
  }

  /** What there is to learn in an open passage. */
  public static Learning of(Session s, LadderKind kind, double start) {
    List<Chunk> chunks = chunks(s);
    List<Learned> learned = Learned.of(s.resolved(), s.fingering(), chunks);
    DrillBook book = new DrillBook(s);
    double usual = effortPerNote(s, s.score().bars().get(0).start(), s.score().end());
    List<Unit> units = new ArrayList<>();
    for (Learned l : learned) {
      Chunk c = l.chunk();
      Map<DrillKind, List<Double>> parts = new EnumMap<>(DrillKind.class);
      for (DrillKind k : PLANNED) {
        book.of(c, k).map(Drill::lengths).ifPresent(x -> parts.put(k, x));
      }
      double hard = effortPerNote(s, c.fromOnset(), c.toOnset());
      double difficulty = usual <= 0 ? 1 : Math.max(0.5, Math.min(2, hard / usual));
      units.add(
          new Unit(
              c.id(),
              c.isJoin() ? Unit.Kind.JOIN : Unit.Kind.CHUNK,
              l.ids(),
              parts,
              difficulty,
              false));
    }
    double wholeNotes = wholeNotes(s.score());
    Tempo target = s.passage().settings().target();
    double seconds = wholeNotes * target.wholeNoteMs() / 1000;
    double rate = s.resolved().slices().size() / Math.max(1e-9, seconds);
    return new Learning(
        s.passage().id(),
        target,
        setup(s.passage()),
        chunks,
        learned,
        units,
        ladder(s, kind, start, rate),
        wholeNotes,
        Chunker.withStretch(s.resolved(), s.fingering(), chunks));
  }

  /** The chunks of an open passage. */
  public static List<Chunk> chunks(Session s) {
    return Chunker.chunks(
        s.resolved(), s.fingering(), s.task().hand().instrument(), s.passage().marks());
  }

  /** How the passage is practised. */
  public static PracticeSetup setup(Passage passage) {
    return passage.marks().at(PracticeLayer.PRACTICE, Place.WHOLE).orElse(PracticeSetup.USUAL);
  }

  private static Ladder ladder(Session s, LadderKind kind, double start, double rate) {
    PracticeSetup own = setup(s.passage());
    Tempo target = s.passage().settings().target();
    boolean slow =
        own.line() == PracticeSetup.Line.SLOW
            || own.line() == PracticeSetup.Line.BY_NOTES && rate < SLOW;
    if (slow) {
      Bar first = s.score().bars().get(0);
      double beats = first.time().barLength().divide(target.beat().length()).doubleValue();
      return Ladder.ofRungs(target.perMinute(), beats);
    }
    int top = (int) Math.max(2, Math.round(target.perMinute()));
    double from = own.start() > 0 ? own.start() : start;
    return Ladder.of(kind, from >= 1 && from < top ? from : 0, top);
  }

  /** Whole notes of the part, rests of two bars or more left out but for one. */
  static double wholeNotes(Score score) {
    double all = score.end().subtract(score.bars().get(0).start()).doubleValue();
    int run = 0;
    double length = 0;
    for (int i = 0; i <= score.bars().size(); i++) {
      boolean rests =
          i < score.bars().size()
              && score.bars().get(i).events().stream().allMatch(fret.score.Event::isRest);
      if (rests) {
        run++;
        length += score.bars().get(i).length().doubleValue();
      } else {
        all -= run >= LONG_REST_BARS ? length : 0;
        run = 0;
        length = 0;
      }
    }
    return all;
  }

  private static double effortPerNote(
      Session s,
      org.apache.commons.numbers.fraction.Fraction from,
      org.apache.commons.numbers.fraction.Fraction to) {
    double sum = 0;
    int count = 0;
    for (Slice x : s.resolved().slices()) {
      if (x.onset().compareTo(from) >= 0 && x.onset().compareTo(to) < 0) {
        for (Explanation.Share share : s.fingering().reasonsAt(x.index())) {
          sum += share.effort();
        }
        count++;
      }
    }
    return count == 0 ? 0 : sum / count;
  }

  /**
   * The passage as a goal of the plan.
   *
   * @param held ids of chunks that wait because something hurts
   */
  public Goal goal(LocalDate ready, LocalDate audition, Set<String> held) {
    List<Unit> all =
        units.stream()
            .map(
                u ->
                    new Unit(
                        u.id(),
                        u.kind(),
                        u.ids(),
                        u.parts(),
                        u.difficulty(),
                        u.ids().stream().anyMatch(held::contains)))
            .toList();
    return new Goal(
        passageId,
        setup.weight(),
        ready,
        audition,
        target,
        ladder,
        all,
        wholeNotes,
        setup.upper() > ladder.target() ? setup.upper() : 0);
  }

  /** A chunk by its id. */
  public Optional<Chunk> chunk(String id) {
    return chunks.stream().filter(c -> c.id().equals(id)).findFirst();
  }

  /** What a chunk is learned with, by its id or that of one like it. */
  public Optional<Learned> learned(String id) {
    return learned.stream().filter(l -> l.ids().contains(id)).findFirst();
  }
}
