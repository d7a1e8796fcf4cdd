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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Puts what is learned in a passage into sections: its excerpts, frames of their own, the rest. */
final class Sections {
  private static final int MOST_LEVELS = 8;

  /** Below this many notes a second a line is slow. */
  private static final double SLOW = 2;

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
    List<Excerpt> excerpts = excerpts();
    List<List<Unit>> in = new ArrayList<>();
    excerpts.forEach(e -> in.add(new ArrayList<>()));
    List<Unit> rest = new ArrayList<>();
    for (Unit u : units) {
      Chunk c = chunks.stream().filter(x -> x.id().equals(u.id())).findFirst().orElseThrow();
      int which = excerpt(excerpts, c);
      (which < 0 ? rest : in.get(which)).add(u);
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
              ladder(
                  target,
                  rate(0, session.resolved().slices().size() - 1, notes, target),
                  true,
                  0,
                  session.resolved().slices().size() - 1),
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
    double notes =
        last.onset()
            .add(last.duration())
            .subtract(session.resolved().slices().get(e.from()).onset())
            .doubleValue();
    double rate = e.excerpt().perMinute();
    Tempo own = rate > 0 ? target.at(rate) : target;
    return new Section(
        new Goal.Id(session.passage().id(), e.excerpt().id()),
        e.excerpt().name(),
        own,
        ladder(own, rate(e.from(), e.to(), notes, own), rate == 0, e.from(), e.to()),
        units,
        notes,
        e.excerpt().auditionId(),
        Optional.of(e.stretch()));
  }

  private Section section(Frame f) {
    Tempo own = target.at(f.perMinute());
    return new Section(
        new Goal.Id(session.passage().id(), f.id()),
        f.name(),
        own,
        ladder(own, SLOW, false, 0, -1),
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

  /** Whole notes of what no excerpt has, long rests cut. */
  private double outside(List<Excerpt> excerpts) {
    double all = Learning.wholeNotes(session.score());
    for (Excerpt e : excerpts) {
      Slice last = session.resolved().slices().get(e.to());
      all -=
          last.onset()
              .add(last.duration())
              .subtract(session.resolved().slices().get(e.from()).onset())
              .doubleValue();
    }
    return Math.max(1.0 / 64, all);
  }

  /** Whole notes of the page as far as it is written. */
  private double written() {
    Score score = session.score();
    return session.resolved().slices().isEmpty() ? 0 : Learning.wholeNotes(score);
  }

  /** Notes a second at a target; those of frames without notes are not known. */
  private double rate(int from, int to, double notes, Tempo at) {
    if (session.resolved().slices().isEmpty()) {
      return SLOW;
    }
    return (to - from + 1) / Math.max(1e-9, notes * at.wholeNoteMs() / 1000);
  }

  private Ladder ladder(Tempo to, double rate, boolean usualStart, int fromSlice, int toSlice) {
    boolean slow =
        setup.line() == PracticeSetup.Line.SLOW
            || setup.line() == PracticeSetup.Line.BY_NOTES && rate < SLOW;
    if (slow) {
      Bar first = session.score().bars().get(0);
      double beats = first.time().barLength().divide(to.beat().length()).doubleValue();
      return Ladder.ofRungs(to.perMinute(), beats);
    }
    int top = (int) Math.max(2, Math.round(to.perMinute()));
    double own = usualStart ? setup.start() : 0;
    double from = own > 0 ? own : start;
    return Ladder.of(kind, from >= 1 && from < top ? from : under(to, fromSlice, toSlice), top);
  }

  /**
   * Where the usual start, half the target, lies above the lowest ceiling of a join: just under
   * that, but not under a third of the target, nor so low that even steps are more than eight; else
   * 0 for the usual.
   */
  private double under(Tempo to, int fromSlice, int toSlice) {
    double lowest =
        session.load().hardest().stream()
            .filter(s -> s.moment() > fromSlice && s.moment() <= toSlice)
            .mapToDouble(s -> s.ceiling(target.perMinute()))
            .min()
            .orElse(Double.POSITIVE_INFINITY);
    int top = (int) Math.round(to.perMinute());
    int usual = (int) Math.round(top / 2.0);
    int from = (int) Math.max(Math.ceil(to.perMinute() / 3), Math.floor(lowest));
    while (from < usual && Ladder.between(from, top).size() > MOST_LEVELS) {
      from++;
    }
    return from < usual ? from : 0;
  }
}
