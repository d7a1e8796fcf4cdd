package fret.session;

import java.util.Map;

/**
 * What another pass of a repeat is bowed otherwise than the first.
 *
 * @param pass counted from 1; 2 or more
 * @param down direction of each stroke that begins at a written moment and differs
 */
public record PassBow(int pass, Map<Integer, Boolean> down) {
  public PassBow {
    down = Map.copyOf(down);
  }
}
