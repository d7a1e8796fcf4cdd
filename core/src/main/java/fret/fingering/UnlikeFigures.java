package fret.fingering;

import fret.player.EffortKind;
import fret.search.Explanation;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What it costs that a figure is fingered otherwise in one place than in most of its like: one for
 * each such place, more in a swing that goes to another string. No single move tells it, so it is
 * added to a whole fingering.
 */
final class UnlikeFigures {
  /** Another string in a swing is a stumble: so much more is paid for the same (from memory). */
  static final double SWING = 3;

  private final List<Figures.Figure> figures;
  private final double weight;

  /**
   * @param figures by the layers at which they start
   * @param weight effort of one place
   */
  UnlikeFigures(List<Figures.Figure> figures, double weight) {
    this.figures = List.copyOf(figures);
    this.weight = weight;
  }

  /** The reasons of a fingering with what is unlike in it. */
  Explanation in(Explanation moves, List<HandState> states) {
    List<Explanation.Cause> causes = causes(states);
    double quantity = causes.stream().mapToDouble(Explanation.Cause::quantity).sum();
    EffortKind kind = EffortKind.UNLIKE;
    return moves.with(
        new Explanation.Share(kind.id(), kind.unit(), quantity, quantity * weight, causes));
  }

  /** How many figures are fingered alike wherever they come; a swing that goes on is none. */
  int alike(List<HandState> states) {
    int count = 0;
    for (Figures.Figure figure : figures) {
      long ways =
          figure.starts().stream().map(s -> FigureWay.of(states, figure, s)).distinct().count();
      count += ways == 1 && !figure.swing() ? 1 : 0;
    }
    return count;
  }

  private List<Explanation.Cause> causes(List<HandState> states) {
    List<Explanation.Cause> causes = new ArrayList<>();
    for (Figures.Figure figure : weight == 0 ? List.<Figures.Figure>of() : figures) {
      Map<FigureWay, List<Integer>> ways = new LinkedHashMap<>();
      for (int start : figure.starts()) {
        ways.computeIfAbsent(FigureWay.of(states, figure, start), w -> new ArrayList<>())
            .add(start);
      }
      FigureWay usual = most(ways);
      ways.forEach(
          (way, starts) -> {
            double each = way.equals(usual) ? 0 : amount(figure, way, usual);
            for (int start : each > 0 ? starts : List.<Integer>of()) {
              causes.add(new Explanation.Cause(start, each, each * weight));
            }
          });
    }
    return causes;
  }

  /** The way of most places, of equals the one that comes first. */
  private static FigureWay most(Map<FigureWay, List<Integer>> ways) {
    FigureWay most = null;
    for (Map.Entry<FigureWay, List<Integer>> e : ways.entrySet()) {
      most = most == null || e.getValue().size() > ways.get(most).size() ? e.getKey() : most;
    }
    return most;
  }

  static double amount(Figures.Figure figure, FigureWay way, FigureWay usual) {
    return figure.swing() && !way.strings().equals(usual.strings()) ? SWING : 1;
  }
}
