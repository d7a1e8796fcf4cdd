package fret.search;

import java.util.List;

/**
 * A directed graph whose nodes stand in layers and whose edges lead forwards over one layer or
 * more, each carrying a value: what happened between its ends.
 *
 * @param <N> a node: where something can be at a moment
 * @param <V> what an edge carries; terms and classes look at it
 */
public interface EdgeProblem<N, V> {
  /** The number of layers, 1 or more. */
  int layers();

  /** The nodes of a layer, in a fixed order; those of the first one are the starts. */
  List<N> nodes(int layer);

  /**
   * An edge.
   *
   * @param toLayer above the layer that it leaves
   * @param to place of the node that it reaches in its layer
   */
  record Edge<V>(int toLayer, int to, V value) {
    public Edge {
      if (to < 0) {
        throw new IllegalArgumentException("an edge to node " + to);
      }
    }
  }

  /** The edges that leave a node, in a fixed order; none from the last layer. */
  List<Edge<V>> from(int layer, int node);

  /** What makes an edge hard; its {@code from} is not asked. */
  List<Weighted<V>> terms();
}
