package fret.bowing;

import fret.search.Explanation;
import fret.search.Explanation.Cause;
import fret.search.Explanation.Share;
import fret.search.RulerProblem;
import fret.search.RulerSearch.Join;
import fret.search.RulerSearch.Step;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Makes a bowing of the steps of a search: strokes, the share of every note, the reasons. */
final class Bowings {
  private static final double GRID_CM = 0.1;

  private final BowTask task;
  private final BowProblem problem;

  Bowings(BowTask task, BowProblem problem) {
    this.task = task;
    this.problem = problem;
  }

  Bowing of(List<Step<BowSpan>> steps) {
    List<Stroke> strokes = new ArrayList<>();
    Map<BowEffort, List<Cause>> causes = new EnumMap<>(BowEffort.class);
    double before = 0;
    for (Step<BowSpan> step : steps) {
      strokes.add(stroke(step, before));
      explain(step, before, causes);
      before = step.end();
    }
    nameHooks(strokes);
    Bowing free = bowing(strokes, causes);
    problem.alike().otherwise(free).forEach((at, bars) -> add(causes, BowEffort.UNLIKE, at, bars));
    return bowing(strokes, causes);
  }

  private Bowing bowing(List<Stroke> strokes, Map<BowEffort, List<Cause>> causes) {
    return new Bowing(problem.moments(), strokes, explanation(causes), problem.unhooked());
  }

  /** Both strokes of a hooked pair go by that name. */
  private static void nameHooks(List<Stroke> strokes) {
    for (int i = 1; i < strokes.size(); i++) {
      if (strokes.get(i).hooked()) {
        strokes.set(i, hooked(strokes.get(i)));
        strokes.set(i - 1, hooked(strokes.get(i - 1)));
      }
    }
  }

  private static Stroke hooked(Stroke s) {
    boolean own =
        s.kind() == StrokeKind.TREMOLO
            || s.kind() == StrokeKind.CHORD
            || s.kind() == StrokeKind.DOUBLE_UP
            || s.kind() == StrokeKind.FLYING_STACCATO
            || s.notes().size() > 1;
    return own ? s : s.withKind(StrokeKind.HOOKED);
  }

  // ---- strokes ---------------------------------------------------------------------------------

  private Stroke stroke(Step<BowSpan> step, double before) {
    BowSpan span = step.span();
    boolean down = step.side() == RulerProblem.DOWN;
    boolean tremolo = span.kind() == StrokeKind.TREMOLO;
    boolean hooked = step.layer() > 0 && step.join() == Join.AGAIN;
    double cm = tremolo ? span.naturalCm() : step.length();
    double missing = span.naturalCm() * BowSpeed.LEAST - cm;
    double timeMs = span.last().endMs() - span.first().startMs();
    return new Stroke(
        span.first().slice().index(),
        span.last().slice().index(),
        span.first().bar(),
        down,
        span.kind(),
        hooked,
        retake(step, before),
        step.start(),
        step.end(),
        cm,
        span.naturalCm(),
        missing > GRID_CM ? missing : 0,
        timeMs,
        span.breaksSlur(),
        notes(step, cm, tremolo));
  }

  private Optional<Stroke.Retake> retake(Step<BowSpan> step, double before) {
    if (step.layer() == 0 || step.join() != Join.LIFT) {
      return Optional.empty();
    }
    double way = Math.abs(step.start() - before);
    return Optional.of(
        new Stroke.Retake(way, BowJoins.needsMs(way), problem.join(step.layer()).has()));
  }

  private List<Stroke.Note> notes(Step<BowSpan> step, double cm, boolean tremolo) {
    BowSpan span = step.span();
    double[] shares = shares(span, cm);
    List<Stroke.Note> notes = new ArrayList<>();
    double at = step.start();
    double way = tremolo ? 0 : step.side() == RulerProblem.DOWN ? 1 : -1;
    for (int i = 0; i < shares.length; i++) {
      BowMoment m = span.moments().get(i);
      double sounds = problem.sounds(m, span.kind(), i > 0 && i + 1 == shares.length);
      double to = i + 1 == shares.length ? step.end() : at + way * shares[i];
      double ofNatural = Math.max(1e-3, shares[i] / Math.max(1e-9, span.naturalCm(i)));
      double share = SoundWish.share(task, m, problem.moments());
      double ofUsual = ofNatural * share;
      notes.add(
          new Stroke.Note(
              m.slice().index(),
              at,
              to,
              shares[i],
              shares[i] / Math.max(1e-6, m.timeMs() / 1000 * sounds),
              ofNatural,
              sounds,
              contactMm(m, ofUsual),
              m.level(),
              m.isAccented(),
              task.habits()
                  .force(
                      m,
                      problem.isBeforeShift(m),
                      task.instrument().stringCount(),
                      Contact.force(m, ofUsual) + Contact.lean(Math.max(1, share)))));
      at = to;
    }
    return notes;
  }

  private double contactMm(BowMoment m, double ofNatural) {
    ContactWish wish = task.rules().contacts().get(m.slice().index());
    double planned = Contact.mm(task.instrument(), m, ofNatural);
    return wish == null ? planned : wish.middle() * planned;
  }

  /**
   * The cm of a stroke shared over its notes by what they would naturally take; what leaves its
   * bounds is cut there and shared over the others.
   */
  static double[] shares(BowSpan span, double cm) {
    int n = span.moments().size();
    double[] share = new double[n];
    boolean[] cut = new boolean[n];
    double left = cm;
    boolean again = true;
    while (again) {
      again = false;
      double sum = 0;
      for (int i = 0; i < n; i++) {
        sum += cut[i] ? 0 : span.naturalCm(i);
      }
      for (int i = 0; i < n && sum > 0; i++) {
        if (!cut[i]) {
          share[i] = left * span.naturalCm(i) / sum;
        }
      }
      double scale = cm / Math.max(1e-9, span.naturalCm());
      for (int i = 0; i < n; i++) {
        double least = span.naturalCm(i) * BowSpeed.LEAST;
        double most = span.naturalCm(i) * BowSpeed.MOST;
        boolean out = share[i] < least - 1e-9 || share[i] > most + 1e-9;
        if (!cut[i] && out && scale >= BowSpeed.LEAST && scale <= BowSpeed.MOST) {
          share[i] = Math.max(least, Math.min(most, share[i]));
          cut[i] = true;
          left -= share[i];
          again = true;
        }
      }
    }
    return share;
  }

  // ---- reasons ---------------------------------------------------------------------------------

  private void explain(Step<BowSpan> step, double before, Map<BowEffort, List<Cause>> into) {
    BowSpan span = step.span();
    int layer = span.first().slice().index();
    double length = span.rounded(step.length(), GRID_CM);
    for (BowTerms.Term t : problem.terms().all()) {
      double at =
          switch (t.on()) {
            case SIDE -> step.side();
            case LENGTH -> length;
            case OCTAVES -> BowTerms.log2(length);
            case START, UP_START -> step.start();
            case MIDDLE -> (step.start() + step.end()) / 2;
            case END -> step.end();
          };
      boolean counts = t.on() != BowTerms.On.UP_START || step.side() == RulerProblem.UP;
      add(into, t.kind(), layer, counts ? t.amount().of(span, at) : 0);
    }
    if (step.layer() > 0) {
      problem
          .join(step.layer())
          .amounts(step.join(), Math.abs(step.start() - before))
          .orElseThrow()
          .forEach((kind, amount) -> add(into, kind, layer, amount));
    }
  }

  private void add(Map<BowEffort, List<Cause>> into, BowEffort kind, int layer, double amount) {
    if (amount > 0) {
      into.computeIfAbsent(kind, k -> new ArrayList<>())
          .add(new Cause(layer, amount, amount * task.preset().weight(kind)));
    }
  }

  private static Explanation explanation(Map<BowEffort, List<Cause>> causes) {
    List<Share> shares = new ArrayList<>();
    double total = 0;
    for (BowEffort kind : BowEffort.values()) {
      List<Cause> all = causes.getOrDefault(kind, List.of());
      double quantity = all.stream().mapToDouble(Cause::quantity).sum();
      double effort = all.stream().mapToDouble(Cause::effort).sum();
      total += effort;
      shares.add(new Share(kind.id(), kind.unit(), quantity, effort, all));
    }
    return new Explanation(total, shares);
  }
}
