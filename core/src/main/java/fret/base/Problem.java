package fret.base;

import java.util.Objects;

/**
 * Something that went wrong or deserves a second look, told for the player.
 *
 * @param where the file, bar or note concerned, such as "bar 5"; empty when it concerns everything
 * @param message what happened, a full sentence
 * @param nextStep what the player can do about it; may be empty
 */
public record Problem(String where, String message, String nextStep) {
  public Problem {
    Objects.requireNonNull(where);
    Objects.requireNonNull(message);
    Objects.requireNonNull(nextStep);
  }

  /** A problem at a printed bar. */
  public static Problem atBar(String bar, String message, String nextStep) {
    return new Problem("bar " + bar, message, nextStep);
  }

  /** The printed bar number when {@link #where} names a bar, else the empty string. */
  public String bar() {
    return where.startsWith("bar ") ? where.substring(4) : "";
  }

  @Override
  public String toString() {
    StringBuilder text = new StringBuilder();
    if (!where.isEmpty()) {
      text.append(where).append(": ");
    }
    text.append(message);
    if (!nextStep.isEmpty()) {
      text.append(' ').append(nextStep);
    }
    return text.toString();
  }
}
