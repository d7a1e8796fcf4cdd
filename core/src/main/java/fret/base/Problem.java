package fret.base;

import java.util.Objects;

/**
 * Something that went wrong or deserves a second look, told for the player.
 *
 * @param where the file, bar or note concerned; nothing when it concerns everything
 * @param message what happened, a full sentence
 * @param nextStep what the player can do about it; may be nothing
 */
public record Problem(Said where, Said message, Said nextStep) {
  private static final String BAR = "where.bar";

  public Problem {
    Objects.requireNonNull(where);
    Objects.requireNonNull(message);
    Objects.requireNonNull(nextStep);
  }

  /** A problem of everything. */
  public static Problem of(Said message, Said nextStep) {
    return new Problem(Said.NOTHING, message, nextStep);
  }

  /** A problem at a printed bar. */
  public static Problem atBar(String bar, Said message, Said nextStep) {
    return new Problem(Said.of(BAR, bar), message, nextStep);
  }

  /** The printed bar number when {@link #where} names a bar, else the empty string. */
  public String bar() {
    return where.id().equals(BAR) ? (String) where.args().get(0) : "";
  }
}
