package fret.session;

import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.ExcerptLayer;
import fret.drill.Frame;
import fret.mark.Anchor;
import fret.mark.Place;
import fret.passage.PracticeSetup;
import fret.plan.Goal;
import fret.plan.Unit;
import fret.score.Bar;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Slice;
import fret.session.Learning.Section;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/** Puts what is learned in a passage into sections: its excerpts, frames of their own, the rest. */
final class Sections {
  private static final int MOST_LEVELS = 8;

  /** With no two beats of more notes a second a line is slow. */
  private static final double SLOW = 2;

  private static final int BEATS_TOGETHER = 2;

  private final Session session;
  private final LadderKind kind;
  private final double start;
  private final PracticeSetup setup;
  private final Tempo target;

  Sections(Session session, LadderKind kind, double start) {
    this.session = session;
    this.kind = kind;
    this.start = start;
    this.setup = Learning.setup(session.passage());
    this.target = session.passage().settings().target();
  }

  /** An excerpt with the moments that it has. */
  private record Excerpt(ExcerptLayer.Excerpt excerpt, Anchor.Stretch stretch, int from, int to) {
    boolean holds(int first, int last) {
      return first >= from && last <= to;
    }
  }

  List<Section> of(List<Unit> units, List<Chunk> chunks, List<Frame> frames) {
    Map<String, Chunk> byId = new HashMap<>();
    chunks.forEach(c -> byId.put(c.id(), c));
    List<Excerpt> excerpts = excerpts();
    List<List<Unit>> in = new ArrayList<>();
    excerpts.forEach(e -> in.add(new ArrayList<>()));
    List<Unit> rest = new ArrayList<>();
    for (Unit u : units) {
      Chunk c = byId.get(u.id());
      int which = excerpt(excerpts, c);
      double share = which < 0 ? 1 : share(excerpts.get(which));
      boolean usualStart = which < 0 || excerpts.get(which).excerpt().perMinute() == 0;
      (which < 0 ? rest : in.get(which)).add(u.times(over(c)).with(ladder(c, share, usualStart)));
    }
    double silent = 0;
    List<Section> own = new ArrayList<>();
    for (int i = 0; i < excerpts.size(); i++) {
      own.add(section(excerpts.get(i), in.get(i)));
    }
    for (Frame f : frames) {
      boolean apart = f.perMinute() > 0 && f.perMinute() != target.perMinute();
      if (apart) {
        own.add(section(f));
      } else {
        rest.add(unit(f));
        silent += f.length().doubleValue();
      }
    }
    List<Section> all = new ArrayList<>();
    if (!rest.isEmpty() || own.isEmpty()) {
      double notes = frames.isEmpty() ? outside(excerpts) : silent + written();
      all.add(
          new Section(
              Goal.Id.of(session.passage().id()),
              "",
              target,
              whole(rest, climbing(target, true, Double.POSITIVE_INFINITY)),
              rest,
              notes,
              0,
              Optional.empty()));
    }
    all.addAll(own);
    return all;
  }

  private List<Excerpt> excerpts() {
    ResolvedPassage p = session.resolved();
    List<Excerpt> all = new ArrayList<>();
    for (Map.Entry<Place, ExcerptLayer.Excerpt> e :
        session.passage().marks().of(ExcerptLayer.EXCERPT).entrySet()) {
      Anchor.Stretch s = (Anchor.Stretch) e.getKey().anchor();
      Optional<Integer> from = p.indexOf(s.from());
      Optional<Integer> to = p.indexOf(s.to());
      if (from.isPresent() && to.isPresent()) {
        int a = p.notes().get(from.get()).slice();
        all.add(new Excerpt(e.getValue(), s, a, p.notes().get(to.get()).slice()));
      }
    }
    all.sort(Comparator.comparingInt(Excerpt::from));
    return all;
  }

  private int excerpt(List<Excerpt> excerpts, Chunk c) {
    int from = slice(c.from());
    int to = slice(c.to());
    for (int i = 0; i < excerpts.size(); i++) {
      if (excerpts.get(i).holds(from, to)) {
        return i;
      }
    }
    return -1;
  }

  private int slice(NoteKey key) {
    ResolvedPassage p = session.resolved();
    return p.notes().get(p.indexOf(key).orElseThrow()).slice();
  }

  private Section section(Excerpt e, List<Unit> units) {
    Slice last = session.resolved().slices().get(e.to());
    Fraction from = session.resolved().slices().get(e.from()).onset();
    TempoMap page = session.task().tempo();
    Tempo there = page.at(from);
    double notes = page.durationMs(from, last.onset().add(last.duration())) / there.wholeNoteMs();
    double rate = e.excerpt().perMinute();
    Tempo own = there.at(there.perMinute() * share(e));
    return new Section(
        new Goal.Id(session.passage().id(), e.excerpt().id()),
        e.excerpt().name(),
        own,
        whole(units, climbing(own, rate == 0, Double.POSITIVE_INFINITY)),
        units,
        notes,
        e.excerpt().auditionId(),
        Optional.of(e.stretch()));
  }

  /** How much faster an excerpt is to go than the passage does there. */
  private double share(Excerpt e) {
    double rate = e.excerpt().perMinute();
    return rate > 0 ? rate / target.perMinute() : 1;
  }

  private Section section(Frame f) {
    Tempo own = target.at(f.perMinute());
    return new Section(
        new Goal.Id(session.passage().id(), f.id()),
        f.name(),
        own,
        climbing(own, false, Double.POSITIVE_INFINITY),
        List.of(unit(f)),
        f.length().doubleValue(),
        0,
        Optional.empty());
  }

  private static Unit unit(Frame f) {
    return new Unit(
        f.id(),
        Unit.Kind.CHUNK,
        Set.of(f.id()),
        Map.of(DrillKind.STRAIGHT, List.of(f.length().doubleValue())),
        1,
        LocalDate.MIN);
  }

  /** Whole notes of what no excerpt has, as long at the target as they last. */
  private double outside(List<Excerpt> excerpts) {
    double all = written();
    for (Excerpt e : excerpts) {
      Slice last = session.resolved().slices().get(e.to());
      all -=
          asTarget(
              session.resolved().slices().get(e.from()).onset(), last.onset().add(last.duration()));
    }
    return Math.max(1.0 / 64, all);
  }

  /** The same of the page as far as it is written. */
  private double written() {
    Score score = session.score();
    if (session.resolved().slices().isEmpty()) {
      return 0;
    }
    double cut =
        score.end().subtract(score.bars().get(0).start()).doubleValue()
            - Learning.wholeNotes(score, setup.restsCut());
    return Math.max(1.0 / 64, asTarget(score.bars().get(0).start(), score.end()) - cut);
  }

  /** Whole notes at the target that last as long as a stretch does at its own tempos. */
  private double asTarget(Fraction from, Fraction to) {
    return session.task().tempo().durationMs(from, to) / target.wholeNoteMs();
  }

  /** The tempo at the first note of a chunk. */
  private Tempo entering(Chunk c) {
    return session.task().tempo().at(c.from().onset());
  }

  /** How much longer a chunk lasts than it would at the tempo of its first note alone. */
  private double over(Chunk c) {
    TempoMap tempo = session.task().tempo();
    double steady = c.length().doubleValue() * entering(c).wholeNoteMs();
    double times = tempo.durationMs(c.fromOnset(), c.toOnset()) / steady;
    return Math.abs(times - 1) < 1e-9 ? 1 : times;
  }

  /** The ladder of what is learned together: where all of it is slow, that of its beginning. */
  private static Ladder whole(List<Unit> units, Ladder climbing) {
    boolean slow =
        !units.isEmpty()
            && units.stream().allMatch(u -> u.ladder().filter(Ladder::isSlow).isPresent());
    return slow ? units.get(0).ladder().orElseThrow() : climbing;
  }

  // ---- the ladder of a chunk -------------------------------------------------------------------

  /** The ladder of a chunk in the value that its section counts. */
  private Ladder ladder(Chunk c, double share, boolean usualStart) {
    Tempo there = entering(c);
    Tempo to = there.at(there.perMinute() * share);
    if (isSlow(c, to)) {
      Bar bar = session.score().barAt(c.fromOnset());
      double beats = bar.time().barLength().divide(to.beat().length()).doubleValue();
      return Ladder.ofRungs(to, beats);
    }
    return climbing(to, usualStart, lowest(slice(c.from()), slice(c.to())));
  }

  private boolean isSlow(Chunk c, Tempo to) {
    if (setup.line() != PracticeSetup.Line.BY_NOTES) {
      return setup.line() == PracticeSetup.Line.SLOW;
    }
    Fraction two = to.beat().length().multiply(BEATS_TOGETHER);
    double seconds = two.doubleValue() * to.wholeNoteMs() / 1000;
    List<Slice> notes =
        session.resolved().slices().stream()
            .filter(s -> s.onset().compareTo(c.fromOnset()) >= 0)
            .filter(s -> s.onset().compareTo(c.toOnset()) < 0)
            .toList();
    for (int i = 0; i < notes.size(); i++) {
      Fraction end = notes.get(i).onset().add(two);
      int n = i;
      while (n < notes.size() && notes.get(n).onset().compareTo(end) < 0) {
        n++;
      }
      if ((n - i) / seconds > SLOW + 1e-9) {
        return false;
      }
    }
    return true;
  }

  private Ladder climbing(Tempo to, boolean usualStart, double lowest) {
    int top = (int) Math.max(2, Math.round(to.perMinute()));
    double share = to.perMinute() / target.perMinute();
    double own = usualStart ? setup.start() * share : 0;
    double from = own > 0 ? own : start * share;
    return Ladder.of(kind, from >= 1 && from < top ? from : under(to, lowest), top).in(to.beat());
  }

  /** The lowest share of its target at which some way within a chunk gives way. */
  private double lowest(int fromSlice, int toSlice) {
    return session.load().hardest().stream()
        .filter(s -> s.moment() > fromSlice && s.moment() <= toSlice)
        .mapToDouble(s -> s.ceiling(1))
        .min()
        .orElse(Double.POSITIVE_INFINITY);
  }

  /**
   * Where the usual start, half the target, lies above the lowest ceiling of a join: just under
   * that, but not under a third of the target, nor so low that even steps are more than eight; else
   * 0 for the usual.
   */
  private static double under(Tempo to, double lowest) {
    int top = (int) Math.round(to.perMinute());
    int usual = (int) Math.round(top / 2.0);
    double ceiling = Math.floor(lowest * to.perMinute());
    int from = (int) Math.max(Math.ceil(to.perMinute() / 3), ceiling);
    while (from < usual && Ladder.between(from, top).size() > MOST_LEVELS) {
      from++;
    }
    return from < usual ? from : 0;
  }
}
