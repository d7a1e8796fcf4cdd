package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.player.Hand;
import fret.search.LayeredProblem;
import fret.search.LayeredSearch;
import fret.search.Path;
import fret.search.Token;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.ObjDoubleConsumer;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Laws of the search, against brute force and an independent library. */
class SearchLawsTest {
  private static final String[] NAMES = {
    "C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"
  };

  private static FingeringTask random(InstrumentType type, int count, long seed) {
    return random(type, count, seed, count + 1);
  }

  /**
   * Every other hand creeps.
   *
   * @param rested after so many notes a rest
   */
  private static FingeringTask random(InstrumentType type, int count, long seed, int rested) {
    Random random = new Random(seed);
    int low = fret.instrument.Instrument.standard(type).open(4).midi();
    StringBuilder line = new StringBuilder();
    for (int i = 0; i < count; i++) {
      int midi = low + random.nextInt(30);
      line.append(NAMES[midi % 12]).append(midi / 12 - 1).append(' ');
      line.append((i + 1) % rested == 0 ? "- - " : "");
    }
    return Exercises.task(
        Exercises.hand(type, Hand.MEDIUM.withCreeping(seed % 2 == 0)),
        Exercises.line(line.toString(), Fraction.of(1, 8)),
        60 + random.nextInt(80));
  }

  /** Hands every allowed path to a visitor; the list is reused. */
  private static void everyPath(
      LayeredProblem<HandState> problem,
      int layer,
      List<HandState> soFar,
      double effort,
      ObjDoubleConsumer<List<HandState>> visitor) {
    if (layer == problem.layers().size()) {
      visitor.accept(soFar, effort);
      return;
    }
    HandState from = soFar.isEmpty() ? null : soFar.get(soFar.size() - 1);
    for (HandState to : problem.layers().get(layer)) {
      if (from == null || problem.allowed().mayFollow(from, to)) {
        soFar.add(to);
        everyPath(
            problem,
            layer + 1,
            soFar,
            effort + problem.ownEffort(to) + problem.moveEffort(from, to),
            visitor);
        soFar.remove(soFar.size() - 1);
      }
    }
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void bestAndKBestEqualBruteForce(InstrumentType type) {
    for (long seed = 1; seed <= 3; seed++) {
      LayeredProblem<HandState> problem =
          new FingeringSolver(random(type, 3, seed, (int) seed)).problem();
      Map<List<Object>, Double> byClass = new HashMap<>();
      everyPath(
          problem,
          0,
          new ArrayList<>(),
          0,
          (states, effort) ->
              byClass.merge(
                  states.stream().map(HandState::noticeable).collect(Collectors.toList()),
                  effort,
                  Math::min));
      LayeredSearch<HandState> search = new LayeredSearch<>(problem);
      double least = byClass.values().stream().mapToDouble(d -> d).min().orElseThrow();
      assertThat(search.best().orElseThrow().effort()).isCloseTo(least, within(1e-9));
      List<Double> expected = byClass.values().stream().sorted().limit(8).toList();
      List<Double> found =
          search.kBest(8, HandState::noticeable, p -> true, 8).stream().map(Path::effort).toList();
      assertThat(found)
          .usingElementComparator(Comparator.comparingDouble((Double d) -> Math.round(d * 1e7)))
          .containsExactlyElementsOf(expected);
    }
  }

  /** The least effort through every single decision, from all paths through a graph of weights. */
  private static final class AllPaths {
    private static final double MOST_PATHS = 3e7;
    private final double[][][] weights;
    private final int[] chosen;
    private final double[][] leastThrough;

    AllPaths(double[][][] weights) {
      this.weights = weights;
      this.chosen = new int[weights.length];
      this.leastThrough = new double[weights.length][];
      for (int i = 0; i < weights.length; i++) {
        leastThrough[i] = new double[weights[i][0].length];
        Arrays.fill(leastThrough[i], Double.POSITIVE_INFINITY);
      }
    }

    static boolean isSmall(double[][][] weights) {
      double paths = 1;
      for (double[][] layer : weights) {
        paths *= layer[0].length;
      }
      return paths <= MOST_PATHS;
    }

    void walk(int layer, int from, double effort) {
      if (layer == weights.length) {
        for (int i = 0; i < layer; i++) {
          leastThrough[i][chosen[i]] = Math.min(leastThrough[i][chosen[i]], effort);
        }
        return;
      }
      double[] next = weights[layer][from];
      for (int to = 0; to < next.length; to++) {
        if (next[to] < Double.POSITIVE_INFINITY) {
          chosen[layer] = to;
          walk(layer + 1, to, effort + next[to]);
        }
      }
    }
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void sixNotesEqualBruteForceThroughEveryDecision(InstrumentType type) {
    int checked = 0;
    for (long seed = 1; checked < 3 && seed < 400; seed++) {
      FingeringSolver solver = new FingeringSolver(random(type, 6, seed));
      double[][][] weights = solver.weights();
      if (!AllPaths.isSmall(weights)) {
        continue;
      }
      checked++;
      AllPaths all = new AllPaths(weights);
      all.walk(0, 0, 0);
      double least = Arrays.stream(all.leastThrough[0]).min().orElseThrow();
      assertThat(solver.best().effort()).isCloseTo(least, within(1e-9));
      LayeredProblem<HandState> problem = solver.problem();
      LayeredSearch<HandState> search = new LayeredSearch<>(problem);
      for (int layer = 0; layer < 6; layer++) {
        for (int s = 0; s < all.leastThrough[layer].length; s++) {
          HandState state = problem.layers().get(layer).get(s);
          double through =
              search
                  .bestThrough(layer, h -> h.equals(state))
                  .map(Path::effort)
                  .orElse(Double.POSITIVE_INFINITY);
          assertThat(through).isCloseTo(all.leastThrough[layer][s], within(1e-9));
        }
      }
    }
    assertThat(checked).as("lines small enough for all their paths").isEqualTo(3);
  }

  /**
   * Dijkstra's algorithm of JGraphT (D. Michail and others, "JGraphT", ACM TOMS 46, 2020) on the
   * same graph.
   */
  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void longLinesEqualAnIndependentShortestPath(InstrumentType type) {
    LayeredProblem<HandState> problem = new FingeringSolver(random(type, 40, 11)).problem();
    var graph =
        new SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge>(DefaultWeightedEdge.class);
    graph.addVertex(-1);
    graph.addVertex(-2);
    for (int i = 0; i < problem.layers().size(); i++) {
      for (int s = 0; s < problem.layers().get(i).size(); s++) {
        int id = i * 1000 + s;
        HandState to = problem.layers().get(i).get(s);
        graph.addVertex(id);
        if (i == 0) {
          graph.setEdgeWeight(
              graph.addEdge(-1, id), problem.ownEffort(to) + problem.moveEffort(null, to));
        }
        for (int p = 0; i > 0 && p < problem.layers().get(i - 1).size(); p++) {
          HandState from = problem.layers().get(i - 1).get(p);
          if (problem.allowed().mayFollow(from, to)) {
            graph.setEdgeWeight(
                graph.addEdge((i - 1) * 1000 + p, id),
                problem.ownEffort(to) + problem.moveEffort(from, to));
          }
        }
        if (i == problem.layers().size() - 1) {
          graph.setEdgeWeight(graph.addEdge(id, -2), 0);
        }
      }
    }
    double other = new DijkstraShortestPath<>(graph).getPathWeight(-1, -2);
    assertThat(new LayeredSearch<>(problem).best().orElseThrow().effort())
        .isCloseTo(other, within(1e-9));
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void termsSumToTheTotalAndChoicesAreRealised(InstrumentType type) {
    FingeringSolver solver = new FingeringSolver(random(type, 12, 5));
    Fingering best = solver.best();
    assertThat(best.explanation().shares().stream().mapToDouble(s -> s.effort()).sum())
        .isCloseTo(best.effort(), within(1e-9));
    for (Fingering f : solver.choicesAt(6)) {
      assertThat(f.effort()).isGreaterThanOrEqualTo(best.effort() - 1e-9);
      NoteFinger place = f.notes().get(6).orElseThrow();
      double least =
          solver.choicesAt(6).stream()
              .filter(o -> o.notes().get(6).orElseThrow().string() == place.string())
              .filter(o -> o.notes().get(6).orElseThrow().finger() == place.finger())
              .mapToDouble(Fingering::effort)
              .min()
              .orElseThrow();
      assertThat(
              solver
                  .bestWith(6, Optional.of(place.finger()), place.string())
                  .orElseThrow()
                  .effort())
          .isCloseTo(least, within(1e-9));
      if (!place.isOpen()) {
        Fingering there = solver.bestInPosition(6, place.base()).orElseThrow();
        assertThat(there.effort()).isLessThanOrEqualTo(f.effort() + 1e-9);
        assertThat(there.notes().get(6).orElseThrow().base()).isEqualTo(place.base());
      }
    }
  }

  @Test
  void aPinIsKeptAndNeverLowersTheEffort() {
    FingeringTask task = random(InstrumentType.CELLO, 14, 3);
    FingeringSolver solver = new FingeringSolver(task);
    Fingering best = solver.best();
    for (Fingering choice : solver.choicesAt(7)) {
      NoteFinger place = choice.notes().get(7).orElseThrow();
      if (place.harmonic()) {
        continue; // A pinned finger presses the string.
      }
      Fingering pinned =
          new FingeringSolver(
                  task.withRules(List.of(NoteRule.pin(7, place.finger(), place.string()))))
              .best();
      assertThat(pinned.notes().get(7).orElseThrow().samePlace(place)).isTrue();
      assertThat(pinned.effort()).isBetween(best.effort() - 1e-9, choice.effort() + 1e-9);
    }
  }

  @Test
  void anImpossiblePinIsNamedAndTheRestIsFingered() {
    FingeringTask task =
        Exercises.task(InstrumentType.VIOLIN, Exercises.line("A4 B4 C5", Fraction.of(1, 4)), 80);
    Fingering f =
        new FingeringSolver(task.withRules(List.of(NoteRule.pin(1, Finger.SECOND, 1)))).best();
    assertThat(f.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.message().toString()).contains("B4"));
    assertThat(f.notes()).allMatch(Optional::isPresent);
  }

  @Test
  void refingeringAroundANoteLeavesTheRestAlone() {
    FingeringTask task =
        Exercises.task(
            InstrumentType.VIOLIN,
            Exercises.line("B4 C5 D5 F5 - B4 D5 F5 G5 - D5 B4 G4 F4", Fraction.of(1, 8)),
            90);
    Decided pin = new Decided(List.of(NoteRule.pin(5, Finger.FOURTH, 3)), List.of(), Wishes.NONE);
    Fingering now = Standing.of(task, Decided.NOTHING, Token.NEVER).fingering();
    Fingering after = Standing.of(task, pin, Token.NEVER).fingering();
    for (int i = 0; i < now.notes().size(); i++) {
      if (i < 4 || i > 7) {
        assertThat(after.notes().get(i)).as("note " + i).isEqualTo(now.notes().get(i));
      }
    }
    assertThat(after.notes().get(5).orElseThrow().finger()).isEqualTo(Finger.FOURTH);
  }

  @Test
  void alternativesDifferInWhatAPlayerNotices() {
    List<Fingering> all = new FingeringSolver(random(InstrumentType.VIOLIN, 24, 8)).alternatives(4);
    assertThat(all).hasSize(4).isSortedAccordingTo(Comparator.comparingDouble(Fingering::effort));
    for (int i = 0; i < all.size(); i++) {
      for (int j = 0; j < i; j++) {
        assertThat(all.get(i).notesUnlike(all.get(j))).isGreaterThanOrEqualTo(3);
      }
    }
  }

  @Test
  void fasterNeverLowersHaste() {
    var passage = Exercises.line("A3 D4 F4 A4 D5 F5 D5 A4", Fraction.of(1, 8));
    double before = 0;
    for (int tempo = 40; tempo <= 160; tempo += 30) {
      FingeringTask task = Exercises.task(InstrumentType.CELLO, passage, tempo);
      Fingering slow =
          new FingeringSolver(Exercises.task(InstrumentType.CELLO, passage, 40)).best();
      Map<Integer, NoteFinger> fixed = new HashMap<>();
      slow.notes().forEach(n -> fixed.put(n.orElseThrow().note(), n.orElseThrow()));
      double haste =
          new FingeringSolver(task.withFixed(fixed))
              .best().explanation().shares().stream()
                  .filter(s -> s.id().equals("rush"))
                  .findFirst()
                  .orElseThrow()
                  .quantity();
      assertThat(haste).isGreaterThanOrEqualTo(before);
      before = haste;
    }
  }

  /** Long notes, whose fingers may be replaced while they sound. */
  private static FingeringTask slow(InstrumentType type, int count, long seed) {
    Random random = new Random(seed);
    int low = fret.instrument.Instrument.standard(type).open(3).midi();
    StringBuilder line = new StringBuilder();
    for (int i = 0; i < count; i++) {
      int midi = low + 2 + random.nextInt(12);
      line.append(NAMES[midi % 12]).append(midi / 12 - 1).append(' ');
    }
    return Exercises.task(type, Exercises.line(line.toString(), Fraction.of(1, 2)), 60);
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void longNotesEqualBruteForceWithTheirReplacedFingers(InstrumentType type) {
    LayeredProblem<HandState> problem = new FingeringSolver(slow(type, 3, 4)).problem();
    assertThat(problem.layers().get(1)).anyMatch(HandState::handsOver);
    double[] least = {Double.POSITIVE_INFINITY};
    everyPath(problem, 0, new ArrayList<>(), 0, (path, e) -> least[0] = Math.min(least[0], e));
    assertThat(new LayeredSearch<>(problem).best().orElseThrow().effort())
        .isCloseTo(least[0], within(1e-9));
  }

  /** What spares the search most of its work must never rule out a way that could be best. */
  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void theLeastMoveIsNeverMoreThanTheMove(InstrumentType type) {
    for (FingeringTask task :
        List.of(random(type, 12, 8), random(type, 12, 7, 2), slow(type, 5, 9))) {
      LayeredProblem<HandState> problem = new FingeringSolver(task).problem();
      LeastMove bound = new LeastMove(task.hand(), new Terms(task.hand()).weighted(task.preset()));
      int close = 0;
      for (int i = 1; i < problem.layers().size(); i++) {
        Map<Long, HandState> leaving = new HashMap<>();
        Map<Long, HandState> entering = new HashMap<>();
        for (HandState from : problem.layers().get(i - 1)) {
          HandState likeFrom = leaving.computeIfAbsent(bound.leaving(from), k -> from);
          for (HandState to : problem.layers().get(i)) {
            HandState likeTo = entering.computeIfAbsent(bound.entering(to), k -> to);
            double least = bound.atLeast(from, to);
            assertThat(bound.atLeast(likeFrom, to)).as("one key").isEqualTo(least);
            assertThat(bound.atLeast(from, likeTo)).as("one key").isCloseTo(least, within(1e-6));
            if (problem.allowed().mayFollow(from, to)) {
              double move = problem.moveEffort(from, to);
              assertThat(least).isLessThanOrEqualTo(move).isNotNegative();
              close += least > 0.5 * move && move > 0 ? 1 : 0;
            }
          }
        }
      }
      assertThat(close).as("it rules something out").isPositive();
    }
  }

  /** A hand remembers the string and the place it came from, and can only follow those. */
  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void everyHandHasThePastOfTheHandBefore(InstrumentType type) {
    FingeringTask task =
        Exercises.task(
            type,
            Exercises.line(
                switch (type) {
                  case VIOLIN -> "A3 E4 C5 G5 C5 E4";
                  case VIOLA -> "D3 A3 F4 C5 F4 A3";
                  case CELLO -> "D2 A2 F3 C4 F3 A2";
                  case BASS -> "F1 C2 F2 A2 F2 C2";
                },
                Fraction.of(1, 4)),
            80);
    FingeringSolver solver = new FingeringSolver(task);
    LayeredProblem<HandState> problem = solver.problem();
    for (int i = 1; i < problem.layers().size(); i++) {
      for (HandState from : problem.layers().get(i - 1)) {
        for (HandState to : problem.layers().get(i)) {
          if (problem.allowed().mayFollow(from, to) && to.moment().remembers()) {
            assertThat(to.past()).isEqualTo(HandState.Past.between(from.out(), to));
          }
        }
      }
    }
    assertThat(problem.layers().get(3))
        .as("the highest note, crossed to or not")
        .anyMatch(h -> h.past().crossed())
        .anyMatch(h -> !h.past().crossed());
    assertThat(problem.layers().get(1).get(0).moment().contour().arpeggio()).isEqualTo(1);
    assertThat(problem.layers().get(4).get(0).moment().contour().arpeggio()).isZero();
  }

  /** Moving everything an octave of time apart changes no choice: onsets are relative. */
  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void restsBeforeThePassageChangeNothing(InstrumentType type) {
    String line =
        switch (type) {
          case VIOLIN -> "A4 B4 C5 D5 E5 F5";
          case VIOLA -> "D4 E4 F4 G4 A4 B4";
          case CELLO -> "D3 E3 F3 G3 A3 B3";
          case BASS -> "A1 B1 C2 D2 E2 F2";
        };
    Fingering now =
        new FingeringSolver(Exercises.task(type, Exercises.line(line, Fraction.of(1, 8)), 90))
            .best();
    Fingering later =
        new FingeringSolver(
                Exercises.task(
                    type, Exercises.line("- - - - - - - - " + line, Fraction.of(1, 8)), 90))
            .best();
    assertThat(Exercises.digits(later)).isEqualTo(Exercises.digits(now));
    assertThat(later.effort()).isCloseTo(now.effort(), within(1e-9));
  }
}
