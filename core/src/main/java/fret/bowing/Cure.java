package fret.bowing;

import fret.base.Said;
import java.util.Objects;

/**
 * What mends a warning or a drift, with its figures; what does not apply is 0.
 *
 * @param kind what to do
 * @param moment where
 * @param cm of bow
 * @param ms that it takes
 * @param cmPerS speed that it needs
 */
public record Cure(Kind kind, int moment, double cm, double ms, double cmPerS) {
  /** Ways of mending. */
  public enum Kind {
    SAVE_EARLIER("save-earlier"),
    BREAK("break"),
    START_NEARER("start-nearer"),
    SOFTER("softer"),
    HIDDEN_BREAK("hidden-break"),
    ODD_FASTER("odd-faster"),
    LIFT_BACK("lift-back"),
    LIFT_AND_TRAVEL("lift-and-travel"),
    START_ELSEWHERE("start-elsewhere"),
    TURN_ROUND("turn-round"),
    SHORTEN_BEFORE("shorten-before"),
    OTHER_STROKE("other-stroke"),
    NO_START("no-start"),
    EVEN_OUT("even-out");

    private final String id;

    Kind(String id) {
      this.id = id;
    }

    public String id() {
      return id;
    }
  }

  public Cure {
    Objects.requireNonNull(kind);
  }

  /** What it says. */
  public Said told() {
    return Said.of("cure." + kind.id(), Math.round(cm), Math.round(ms), Math.round(cmPerS));
  }
}
