package fret.care;

import java.util.Objects;

/** What the player says of a try that hurt. */
public record Ache(BodyPart part, HowMuch much) {
  /** Where nothing was said of it yet. */
  public static final Ache UNSAID = new Ache(BodyPart.ELSEWHERE, HowMuch.CLEARLY);

  public Ache {
    Objects.requireNonNull(part);
    Objects.requireNonNull(much);
  }
}
