package fret.search;

import java.util.List;

/**
 * One choice per layer.
 *
 * @param effort sum over all terms
 * @param <S> a choice made at one moment
 */
public record Path<S>(List<S> states, double effort) {
  public Path {
    states = List.copyOf(states);
  }
}
