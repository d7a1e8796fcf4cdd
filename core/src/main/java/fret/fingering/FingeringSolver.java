package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.mark.ReturnsWish;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.search.Explanation;
import fret.search.LayeredProblem;
import fret.search.LayeredSearch;
import fret.search.Path;
import fret.search.Token;
import fret.search.WeightRange;
import fret.search.Weighted;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Predicate;

/**
 * Finds the fingering of least effort, others that really differ, and the price of any single
 * choice. Exact within the hand model; the same task always gives the same answers.
 *
 * <p>A note or chord that cannot be played is reported and left out; the rest is fingered around
 * it.
 */
public final class FingeringSolver {
  private static final int MOST_TRIED = 10;

  /** Notes on another string or with another finger that make another fingering. */
  private static final int MOST_DIFFERENCE = 8;

  private static final int LEAST_DIFFERENCE = 2;

  private static final int LONGEST_ALIKE = 3000;
  private static final Comparator<Fingering> BY_EFFORT =
      Comparator.comparingDouble(Fingering::effort);

  private static final int MOST_REPLACED = 6;

  private final FingeringTask task;
  private final Token token;
  private final Instrument instrument;
  private final List<Weighted<HandState>> terms;
  private final HandLayers hands;
  private final LayeredSearch<HandState> search;
  private List<Figures.Figure> figures;

  public FingeringSolver(FingeringTask task) {
    this(task, Token.NEVER);
  }

  /**
   * @param token ends the work where its answer is not wanted any more
   */
  public FingeringSolver(FingeringTask task, Token token) {
    this(task, 0, task.passage().slices().size() - 1, token);
  }

  /** Fingers only the moments from one to another; what lies outside is left without a place. */
  FingeringSolver(FingeringTask task, int fromSlice, int toSlice, Token token) {
    this.task = task;
    this.token = token;
    this.instrument = task.hand().instrument();
    this.terms = new Terms(task.hand()).weighted(task.preset());
    this.hands = new HandLayers(task, terms, fromSlice, toSlice, token);
    this.search = hands.search();
  }

  /** The fingering of least effort. */
  public Fingering best() {
    return search.best().map(this::fingering).orElseGet(() -> fingering(new Path<>(List.of(), 0)));
  }

  /**
   * The best fingering and others that really differ from it and from each other, best first.
   *
   * @param count how many at most, the best included; fewer come back when there are no more
   */
  public List<Fingering> alternatives(int count) {
    return alternatives(List.of(), count);
  }

  /**
   * Fingerings that really differ from one that stands and from each other, best first.
   *
   * @param count how many at most
   */
  public List<Fingering> alternativesTo(Fingering standing, int count) {
    return alternatives(List.of(standing), count + 1).stream().skip(1).toList();
  }

  private List<Fingering> alternatives(List<Fingering> standing, int count) {
    List<Fingering> chosen = new ArrayList<>(standing);
    if (hands.layers().isEmpty()) {
      return standing.isEmpty() ? List.of(best()) : standing;
    }
    int fewest = Math.max(1, Math.min(MOST_DIFFERENCE, hands.layers().size() / 6));
    Predicate<Path<HandState>> differs = p -> offer(chosen, p, fewest, count);
    search.kBest(
        count,
        HandState::noticeable,
        differs,
        Math.min(MOST_TRIED, 4000 / hands.layers().size() + 4));
    if (chosen.size() < count) {
      fillFromDecisions(chosen, fewest, count);
    }
    // What stands is the first; what is unlike in the others is known only now.
    chosen.subList(standing.size(), chosen.size()).sort(BY_EFFORT);
    return List.copyOf(chosen);
  }

  /**
   * The fingering of least effort in which figures that come back are fingered alike wherever that
   * costs little; what it gives up for that is told.
   */
  public Fingering consistent() {
    Optional<Path<HandState>> found = search.best();
    ReturnsWish returns = task.wishes().returns();
    if (found.isEmpty() || returns == ReturnsWish.VARIED || figures().isEmpty()) {
      return best();
    }
    Fingering free = fingering(found.get());
    double price = returns == ReturnsWish.ALIKE ? Alike.WANTED : weightOfUnlike();
    Alike alike = new Alike(hands.problem(), search, found.get(), price);
    for (Figures.Figure figure : figures()) {
      token.check();
      if (returns == ReturnsWish.OTHERWISE) {
        alike.vary(figure);
      } else {
        alike.unify(figure);
      }
    }
    Fingering made = fingering(new Path<>(alike.states(), 0));
    boolean wanted = returns != ReturnsWish.USUAL;
    return wanted || made.effort() < free.effort() - 1e-9
        ? alike(made, alike.states(), Math.max(0, made.handEffort() - free.handEffort()))
        : alike(free, found.get().states(), 0);
  }

  private Fingering alike(Fingering found, List<HandState> states, double over) {
    return new Fingering(
        found.notes(),
        found.shifts(),
        found.explanation(),
        found.layerOfSlice(),
        found.problems(),
        new Fingering.Likeness(new UnlikeFigures(figures(), weightOfUnlike()).alike(states), over),
        found.releases());
  }

  /** The figures that come back, by the layers at which they start. */
  private List<Figures.Figure> figures() {
    if (figures == null) {
      boolean tooLong = hands.layers().size() > LONGEST_ALIKE;
      figures = new ArrayList<>();
      for (Figures.Figure figure :
          tooLong ? List.<Figures.Figure>of() : Figures.of(task.passage(), hands.timed())) {
        List<Integer> starts = new ArrayList<>();
        for (int slice : figure.starts()) {
          int first = hands.layerOfSlice().get(slice);
          int last = hands.layerOfSlice().get(slice + figure.length() - 1);
          if (first >= 0 && last - first == figure.length() - 1) {
            starts.add(first);
          }
        }
        if (starts.size() > 1) {
          figures.add(figure.at(starts));
        }
      }
    }
    return figures;
  }

  /** Nothing where the player wants each place as is easiest there, or unlike. */
  private double weightOfUnlike() {
    return switch (task.wishes().returns()) {
      case USUAL, ALIKE -> task.preset().weight(EffortKind.UNLIKE);
      case VARIED, OTHERWISE -> 0;
    };
  }

  /**
   * Between which weights a fingering stays the best, everything else left as it is.
   *
   * @param chosen a fingering of this task
   * @return the lowest and the highest weight, the highest infinite when nothing heavier was found
   *     to change it up to four times its present height
   */
  public WeightRange weightRange(Fingering chosen, EffortKind kind) {
    double now = task.preset().weight(kind);
    if (kind == EffortKind.UNLIKE) {
      return now == 0
          ? new WeightRange(0, Double.POSITIVE_INFINITY)
          : WeightRange.halving(now, w -> likeAt(w).notes().equals(chosen.notes()));
    }
    return WeightRange.of(
        now,
        chosen.explanation(),
        kind.id(),
        weight -> {
          List<Weighted<HandState>> other =
              new Terms(task.hand())
                  .weighted(task.preset().with(task.preset().id(), Map.of(kind, weight)));
          Path<HandState> path =
              new LayeredSearch<>(hands.weighed(other), token).best().orElseThrow();
          return Explanation.of(other, path.states());
        });
  }

  private Fingering likeAt(double weight) {
    Preset other = task.preset().with(task.preset().id(), Map.of(EffortKind.UNLIKE, weight));
    return new FingeringSolver(task.withPreset(other), token).consistent();
  }

  /** The best fingerings in order, each with another string or finger on some note. */
  public List<Fingering> nearest(int count) {
    return search.kBest(count, HandState::places, p -> true, count).stream()
        .map(this::fingering)
        .toList();
  }

  private boolean offer(List<Fingering> chosen, Path<HandState> next, int fewest, int count) {
    boolean room = chosen.size() < count;
    boolean differs = room && chosen.stream().allMatch(f -> differs(next, f, fewest));
    if (differs) {
      chosen.add(fingering(next));
    }
    return differs;
  }

  /** Whether at least {@code fewest} notes lie on another string or under another finger. */
  private static boolean differs(Path<HandState> path, Fingering other, int fewest) {
    int unlike = 0;
    for (HandState state : path.states()) {
      for (HandState.Touch t : state.touches()) {
        Optional<NoteFinger> there = other.notes().get(t.note());
        boolean same =
            there.isPresent()
                && there.get().string() == t.string()
                && there.get().finger() == t.finger()
                && there.get().harmonic() == t.harmonic()
                && (!state.handsOver() || there.get().lastFinger() == state.out().lead().finger());
        unlike += t.held() || same ? 0 : 1;
      }
    }
    return unlike >= fewest;
  }

  /** A state of a layer with the effort of the best fingering through it. */
  private record Through(int layer, int state, double effort) {}

  /**
   * Tries the best fingering through every decision, cheapest first. Where a passage is as good as
   * decided, others may differ in fewer notes.
   */
  private void fillFromDecisions(List<Fingering> chosen, int fewest, int count) {
    List<Through> ways = throughEveryDecision();
    int least = fewest;
    do {
      double previous = -1;
      for (Through way : ways) {
        if (way.effort == previous) {
          continue; // Another decision on the same fingering.
        }
        token.check();
        previous = way.effort;
        offer(chosen, search.pathThrough(way.layer, way.state), least, count);
        if (chosen.size() == count) {
          return;
        }
      }
      least /= 2;
    } while (least >= LEAST_DIFFERENCE);
  }

  private List<Through> throughEveryDecision() {
    List<Through> ways = new ArrayList<>();
    int stride = Math.max(1, hands.layers().size() / 400);
    for (int layer = 0; layer < hands.layers().size(); layer += stride) {
      Map<Object, Through> best = new LinkedHashMap<>();
      double[] efforts = search.effortsThrough(layer);
      for (int s = 0; s < efforts.length; s++) {
        Through here = new Through(layer, s, efforts[s]);
        if (efforts[s] < Double.POSITIVE_INFINITY) {
          best.merge(
              hands.layers().get(layer).get(s).noticeable(),
              here,
              (a, b) -> a.effort <= b.effort ? a : b);
        }
      }
      ways.addAll(best.values());
    }
    ways.sort(Comparator.comparingDouble(Through::effort));
    return ways;
  }

  /**
   * The best fingering that plays a note in a given way: the answer to "why not?".
   *
   * @param finger empty for any
   * @param string 0 for any
   * @return empty if the note cannot be played so
   */
  public Optional<Fingering> bestWith(int note, Optional<Finger> finger, int string) {
    return bestWith(
        note,
        (s, t) ->
            (finger.isEmpty() || finger.get() == t.finger())
                && (string == 0 || string == t.string()));
  }

  /**
   * The best fingering that stops a note with the hand in a given place: the answer to "why not
   * third position?".
   *
   * @param base semitones above the open string where the first finger would stand
   * @return empty if the note cannot be played from there
   */
  public Optional<Fingering> bestInPosition(int note, int base) {
    return bestWith(note, (s, t) -> !t.isOpen() && s.base() == base);
  }

  private Optional<Fingering> bestWith(int note, BiPredicate<HandState, HandState.Touch> suits) {
    int layer = hands.layerOfNote(note);
    if (layer < 0) {
      return Optional.empty();
    }
    return search
        .bestThrough(
            layer, s -> s.touches().stream().anyMatch(t -> t.note() == note && suits.test(s, t)))
        .map(this::fingering);
  }

  /**
   * Every way of playing one note (string, finger, place of the hand, pressed or touched), each
   * with the best whole fingering that has it, cheapest first. Of the ways that put another finger
   * on the note while it sounds only the cheapest few are given, one with the thumb among them.
   */
  public List<Fingering> choicesAt(int note) {
    int layer = hands.layerOfNote(note);
    if (layer < 0) {
      return List.of();
    }
    Map<Way, Path<HandState>> paths = search.bestThroughEach(layer, state -> wayOf(state, note));
    List<Way> replaced =
        paths.keySet().stream()
            .filter(Way::isReplaced)
            .sorted(Comparator.comparingDouble(w -> paths.get(w).effort()))
            .toList();
    Optional<Way> thumb = replaced.stream().filter(w -> w.last() == Finger.THUMB).findFirst();
    replaced.stream()
        .skip(MOST_REPLACED)
        .filter(w -> !thumb.equals(Optional.of(w)))
        .forEach(paths::remove);
    return paths.values().stream()
        .map(this::fingering)
        .sorted(
            (a, b) -> {
              NoteFinger p = a.notes().get(note).orElseThrow();
              NoteFinger q = b.notes().get(note).orElseThrow();
              int byEffort = Double.compare(a.effort(), b.effort());
              int byString = Integer.compare(p.string(), q.string());
              return byEffort != 0
                  ? byEffort
                  : byString != 0 ? byString : Integer.compare(p.base(), q.base());
            })
        .toList();
  }

  /** How many notes on it is asked whether one of them decided. */
  private static final int LOOK_AHEAD = 16;

  /**
   * Which later note decided how a note is played: the passage is cut after each of the next 16
   * notes and its end left free; the first cut from which on the choice stays as it is names the
   * note.
   *
   * @return the index of the note; empty when the note, with what comes before it, decides alone,
   *     or when something beyond the sixteen does
   */
  public Optional<Integer> decidedBy(int note) {
    int layer = hands.layerOfNote(note);
    if (layer < 0) {
      return Optional.empty();
    }
    Way chosen = wayOf(search.best().orElseThrow().states().get(layer), note);
    int decides = -1;
    for (int cut = Math.min(layer + LOOK_AHEAD, hands.layers().size() - 1); cut >= layer; cut--) {
      HandState there = search.bestUpTo(cut).orElseThrow().states().get(layer);
      if (!wayOf(there, note).equals(chosen)) {
        break;
      }
      decides = cut;
    }
    return decides <= layer
        ? Optional.empty()
        : Optional.of(hands.layers().get(decides).get(0).moment().slice().starting().get(0));
  }

  /** String, finger, place of the hand, pressed or touched; finger and place at the note's end. */
  private record Way(
      int string, Finger finger, int base, boolean harmonic, Finger last, int lastBase) {
    boolean isReplaced() {
      return finger != last || base != lastBase;
    }
  }

  private static Way wayOf(HandState state, int note) {
    for (HandState.Touch t : state.touches()) {
      if (t.note() == note) {
        HandState out = state.out();
        Finger last = state.handsOver() ? out.lead().finger() : t.finger();
        int base = t.isOpen() ? 0 : state.base();
        return new Way(
            t.string(), t.finger(), base, t.harmonic(), last, t.isOpen() ? 0 : out.base());
      }
    }
    throw new IllegalArgumentException("note " + note + " does not sound there");
  }

  /** The whole problem, for checking the search against other implementations. */
  LayeredProblem<HandState> problem() {
    return hands.problem();
  }

  /**
   * The whole graph of choices as plain numbers, for other implementations to be measured against:
   * {@code [layer][from][to]}, infinite where {@code to} may not follow; layer 0 has one {@code
   * from}.
   */
  public double[][][] weights() {
    LayeredProblem<HandState> problem = problem();
    List<List<HandState>> layers = problem.layers();
    double[][][] all = new double[layers.size()][][];
    for (int i = 0; i < all.length; i++) {
      List<HandState> before =
          i == 0 ? java.util.Collections.singletonList(null) : layers.get(i - 1);
      all[i] = new double[before.size()][layers.get(i).size()];
      for (int p = 0; p < before.size(); p++) {
        HandState from = before.get(p);
        for (int s = 0; s < layers.get(i).size(); s++) {
          HandState to = layers.get(i).get(s);
          boolean allowed = from == null || problem.allowed().mayFollow(from, to);
          all[i][p][s] =
              allowed
                  ? problem.ownEffort(to) + problem.moveEffort(from, to)
                  : Double.POSITIVE_INFINITY;
        }
      }
    }
    return all;
  }

  private Fingering fingering(Path<HandState> path) {
    List<HandState> states = path.states();
    List<Optional<NoteFinger>> notes = new ArrayList<>();
    for (int i = 0; i < task.passage().notes().size(); i++) {
      notes.add(Optional.empty());
    }
    for (int i = 0; i < states.size(); i++) {
      HandState state = states.get(i);
      int base = state.base() == HandState.FREE ? nextBase(states, i) : state.base();
      for (HandState.Touch t : state.touches()) {
        if (!t.held()) {
          notes.set(t.note(), Optional.of(noteFinger(t, base, state)));
        } else {
          notes.set(t.note(), notes.get(t.note()).map(n -> takenOver(n, t, state)));
        }
      }
    }
    return new Fingering(
        notes,
        new ShiftFinder(task.passage(), task.hand()).shifts(states),
        new UnlikeFigures(figures(), weightOfUnlike()).in(Explanation.of(terms, states), states),
        hands.layerOfSlice(),
        hands.problems(),
        Fingering.Likeness.NONE,
        releases(states));
  }

  private static List<Release> releases(List<HandState> states) {
    List<Release> all = new ArrayList<>();
    for (int i = 1; i < states.size(); i++) {
      HandState to = states.get(i);
      for (int note : to.moment().slice().held()) {
        HandState.Touch ended = LetGo.touch(states.get(i - 1), note);
        if (ended != null && LetGo.touch(to, note) == null) {
          all.add(new Release(note, to.moment().slice().index(), LetGo.isByBow(ended, to)));
        }
      }
    }
    return all;
  }

  private static int nextBase(List<HandState> states, int from) {
    for (int i = from; i < states.size(); i++) {
      if (states.get(i).base() != HandState.FREE) {
        return states.get(i).base();
      }
    }
    return 2;
  }

  private NoteFinger noteFinger(HandState.Touch t, int base, HandState state) {
    var pitch = task.passage().notes().get(t.note()).pitch();
    if (t.harmonic()) {
      pitch = NaturalHarmonics.sounding(instrument, t.string(), t.semitone());
    }
    return new NoteFinger(
        t.note(),
        t.string(),
        t.finger(),
        t.semitone(),
        base,
        state.region(),
        state.shape(),
        t.harmonic(),
        pitch,
        instrument.mmFromNut(t.semitone()),
        state.handsOver()
            ? Optional.of(
                new NoteFinger.Replacement(
                    state.out().lead().finger(), state.out().base(), state.out().region()))
            : Optional.empty());
  }

  /** A note that sounds on, perhaps under another finger. */
  private static NoteFinger takenOver(NoteFinger n, HandState.Touch held, HandState state) {
    boolean same = held.finger() == n.lastFinger();
    return same
        ? n
        : n.replacedBy(new NoteFinger.Replacement(held.finger(), state.base(), state.region()));
  }
}
