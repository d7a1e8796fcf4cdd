package fret.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.DirectedWeightedMultigraph;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The ruler's search against every way there is, and against a library's shortest path. */
class RulerSearchTest {
  private static final int PLACES = 7;

  /** A random ruler of whole steps; prices are drawn once and stay. */
  private static final class Drawn implements RulerProblem<Drawn.Piece> {
    private final List<List<Piece>> spans = new ArrayList<>();
    private final double[] turn;
    private final double[] again;
    private final double[] lift;
    private final boolean[] free;

    Drawn(long seed, int layers, boolean open) {
      Random random = new Random(seed);
      for (int l = 0; l + 1 < layers; l++) {
        List<Piece> here = new ArrayList<>();
        int most = open ? Math.min(layers - 1, l + 3) : l + 1;
        for (int to = l + 1; to <= most; to++) {
          here.add(new Piece(random, to));
        }
        spans.add(here);
      }
      turn = random.doubles(layers, 0, 0.3).toArray();
      again = random.doubles(layers, 0, 2).toArray();
      lift = random.doubles(layers, 0.5, 2).toArray();
      free = new boolean[layers];
      for (int l = 0; l < layers; l++) {
        free[l] = random.nextInt(4) == 0;
      }
    }

    private Drawn(Drawn other) {
      other.spans.forEach(here -> spans.add(new ArrayList<>(here)));
      turn = other.turn.clone();
      again = other.again;
      lift = other.lift;
      free = other.free;
    }

    /** Another ruler with the same pieces. */
    Drawn copy() {
      return new Drawn(this);
    }

    static final class Piece implements RulerProblem.Span {
      private final int to;
      private final double[] prices;
      private final int least;
      private final int most;

      Piece(Random random, int to) {
        this.to = to;
        this.prices = random.doubles(2 + 5 * 2 * PLACES, 0, 1).toArray();
        this.least = random.nextInt(3);
        this.most = least + 1 + random.nextInt(3);
      }

      private double price(int row, double at) {
        return prices[2 + row * 2 * PLACES + (int) Math.round(2 * at)];
      }

      @Override
      public int to() {
        return to;
      }

      @Override
      public double bySide(int side) {
        return prices[side];
      }

      @Override
      public double byLength(double length, double step) {
        return price(0, length);
      }

      @Override
      public double byStart(int side, double place) {
        return price(side == 0 ? 1 : 4, place);
      }

      @Override
      public boolean startsBySide() {
        return true;
      }

      @Override
      public double byMiddle(double place) {
        return price(2, place);
      }

      @Override
      public double byEnd(double place) {
        return price(3, place);
      }

      @Override
      public double least() {
        return least;
      }

      @Override
      public double most() {
        return most;
      }
    }

    @Override
    public int layers() {
      return spans.size() + 1;
    }

    @Override
    public double length() {
      return PLACES - 1;
    }

    @Override
    public List<Piece> spans(int layer) {
      return spans.get(layer);
    }

    @Override
    public double turn(int layer) {
      return turn[layer];
    }

    @Override
    public double again(int layer) {
      return again[layer];
    }

    @Override
    public double lift(int layer, double distance) {
      return lift[layer] + 0.1 * distance;
    }

    @Override
    public boolean isFree(int layer) {
      return free[layer];
    }
  }

  /** Every way, with its class sequence and effort. */
  private static final class Every {
    private final Drawn ruler;
    private final Map<String, Double> byClass = new HashMap<>();

    Every(Drawn ruler) {
      this.ruler = ruler;
      for (int p = 0; p < PLACES; p++) {
        go(0, -1, p, 0, "");
      }
    }

    private void go(int layer, int side, int place, double sum, String path) {
      if (layer == ruler.layers() - 1) {
        byClass.merge(path, sum, Math::min);
        return;
      }
      for (int s = 0; s < 2; s++) {
        if (layer == 0) {
          slide(layer, s, place, sum, path + "s");
          continue;
        }
        boolean free = ruler.isFree(layer);
        boolean turns = s != side;
        slide(
            layer,
            s,
            place,
            sum + (turns ? ruler.turn(layer) : ruler.again(layer)),
            path + (free ? "f" : turns ? "t" : "a"));
        for (int q = 0; q < PLACES; q++) {
          double price = ruler.lift(layer, Math.abs(q - place));
          slide(layer, s, q, sum + price, path + (free ? "f" : "l"));
        }
      }
    }

    private void slide(int layer, int side, int start, double sum, String path) {
      for (Drawn.Piece piece : ruler.spans(layer)) {
        int way = side == 0 ? 1 : -1;
        int room = side == 0 ? PLACES - 1 - start : start;
        for (int l = Math.min(piece.least, room); l <= Math.min(piece.most, room); l++) {
          int end = start + way * l;
          double price =
              piece.bySide(side)
                  + piece.byLength(l, 1)
                  + piece.byStart(side, start)
                  + piece.byMiddle((start + end) / 2.0)
                  + piece.byEnd(end);
          go(piece.to(), side, end, sum + price, path + side + ">" + piece.to() + " ");
        }
      }
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void theBestWaysOfEachClassAreThoseOfAllWays(long seed) {
    Drawn ruler = new Drawn(seed, 5, true);
    List<Double> all = new Every(ruler).byClass.values().stream().sorted().toList();
    RulerSearch<Drawn.Piece> search = new RulerSearch<>(ruler, 1, Token.NEVER);
    List<RulerSearch.Way<Drawn.Piece>> found = search.kBest(12, w -> true, 100);
    assertThat(found).hasSize(12);
    for (int i = 0; i < 12; i++) {
      assertThat(found.get(i).effort()).as("way " + i).isCloseTo(all.get(i), within(1e-9));
      assertThat(priced(ruler, found.get(i))).isCloseTo(found.get(i).effort(), within(1e-9));
    }
  }

  /** The effort of a way, added up from its steps. */
  private static double priced(Drawn ruler, RulerSearch.Way<Drawn.Piece> way) {
    double sum = 0;
    double at = 0;
    for (RulerSearch.Step<Drawn.Piece> s : way.steps()) {
      if (s.layer() > 0) {
        sum +=
            switch (s.join()) {
              case TURN -> ruler.turn(s.layer());
              case AGAIN -> ruler.again(s.layer());
              case LIFT -> ruler.lift(s.layer(), Math.abs(s.start() - at));
            };
      }
      sum +=
          s.span().bySide(s.side())
              + s.span().byLength(s.length(), 1)
              + s.span().byStart(s.side(), s.start())
              + s.span().byMiddle((s.start() + s.end()) / 2)
              + s.span().byEnd(s.end());
      at = s.end();
    }
    return sum;
  }

  @ParameterizedTest
  @ValueSource(longs = {11, 12, 13, 14})
  void whyNotSoIsAnsweredByTheBestOfAllWaysThatDoIt(long seed) {
    Drawn ruler = new Drawn(seed, 5, true);
    RulerSearch<Drawn.Piece> search = new RulerSearch<>(ruler, 1, Token.NEVER);
    for (int to = 2; to <= 4; to++) {
      int reached = to;
      double least =
          new Every(ruler)
              .byClass.entrySet().stream()
                  .filter(e -> e.getKey().contains("1>" + reached + " "))
                  .mapToDouble(Map.Entry::getValue)
                  .min()
                  .orElseThrow();
      assertThat(
              search
                  .bestThrough((l, span, side) -> side == 1 && span.to() == reached)
                  .orElseThrow()
                  .effort())
          .isCloseTo(least, within(1e-9));
    }
  }

  /** What is taken over from one ruler to the next: the answer is as if nothing were. */
  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23, 24, 25, 26})
  void theNextSearchAnswersAsIfThereWereNoneBefore(long seed) {
    Random random = new Random(seed);
    Drawn ruler = new Drawn(seed, 61, true);
    RulerSearch<Drawn.Piece> search = new RulerSearch<>(ruler, 1, Token.NEVER);
    for (int change = 0; change < 40; change++) {
      int layer = 1 + random.nextInt(59);
      if (random.nextBoolean()) {
        List<Drawn.Piece> here = ruler.spans.get(layer);
        int which = random.nextInt(here.size());
        ruler = ruler.copy();
        ruler.spans.get(layer).set(which, new Drawn.Piece(random, here.get(which).to()));
      } else {
        ruler = ruler.copy();
        ruler.turn[layer] = random.nextDouble();
      }
      search = search.near(ruler, Token.NEVER);
      var anew = new RulerSearch<>(ruler, 1, Token.NEVER).best().orElseThrow();
      assertThat(search.best().orElseThrow().steps())
          .as("change " + change)
          .isEqualTo(anew.steps());
      assertThat(search.best().orElseThrow().effort()).isCloseTo(anew.effort(), within(1e-9));
    }
  }

  /** Sixty notes, one stroke each: the same graph given to a library. */
  @Test
  void aLongRulerAgreesWithJGraphT() {
    Drawn ruler = new Drawn(99, 61, false);
    var graph =
        new DirectedWeightedMultigraph<String, DefaultWeightedEdge>(DefaultWeightedEdge.class);
    graph.addVertex("start");
    graph.addVertex("end");
    Set<String> known = new HashSet<>();
    for (int layer = 0; layer < ruler.layers() - 1; layer++) {
      Drawn.Piece piece = ruler.spans(layer).get(0);
      for (int side = 0; side < 2; side++) {
        for (int p = 0; p < PLACES; p++) {
          String ready = "ready " + layer + " " + side + " " + p;
          vertex(graph, known, ready);
          joins(graph, known, ruler, layer, side, p, ready);
          int room = side == 0 ? PLACES - 1 - p : p;
          for (int l = Math.min(piece.least, room); l <= Math.min(piece.most, room); l++) {
            int q = side == 0 ? p + l : p - l;
            String to = "at " + piece.to() + " " + side + " " + q;
            vertex(graph, known, to);
            double price =
                piece.bySide(side)
                    + piece.byLength(l, 1)
                    + piece.byStart(side, p)
                    + piece.byMiddle((p + q) / 2.0)
                    + piece.byEnd(q);
            edge(graph, ready, to, price);
            if (piece.to() == ruler.layers() - 1) {
              edge(graph, to, "end", 0);
            }
          }
        }
      }
    }
    double least = new DijkstraShortestPath<>(graph).getPathWeight("start", "end");
    RulerSearch<Drawn.Piece> search = new RulerSearch<>(ruler, 1, Token.NEVER);
    assertThat(search.best().orElseThrow().effort()).isCloseTo(least, within(1e-9));
  }

  private static void joins(
      DirectedWeightedMultigraph<String, DefaultWeightedEdge> graph,
      Set<String> known,
      Drawn ruler,
      int layer,
      int side,
      int p,
      String ready) {
    if (layer == 0) {
      edge(graph, "start", ready, 0);
      return;
    }
    for (int before = 0; before < 2; before++) {
      for (int q = 0; q < PLACES; q++) {
        String from = "at " + layer + " " + before + " " + q;
        vertex(graph, known, from);
        edge(graph, from, ready, ruler.lift(layer, Math.abs(p - q)));
        if (p == q) {
          edge(graph, from, ready, before == side ? ruler.again(layer) : ruler.turn(layer));
        }
      }
    }
  }

  private static void vertex(
      DirectedWeightedMultigraph<String, DefaultWeightedEdge> graph, Set<String> known, String v) {
    if (known.add(v)) {
      graph.addVertex(v);
    }
  }

  private static void edge(
      DirectedWeightedMultigraph<String, DefaultWeightedEdge> graph,
      String from,
      String to,
      double price) {
    graph.setEdgeWeight(graph.addEdge(from, to), price);
  }
}
