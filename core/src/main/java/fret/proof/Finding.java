package fret.proof;

import fret.base.Said;
import fret.score.Score;
import java.util.Objects;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A place that may have been misread.
 *
 * @param kind what it may be
 * @param bar printed number
 * @param message what stands there
 * @param fix what mending does; nothing when it cannot be mended at one press
 * @param mended the page after mending
 */
public record Finding(
    Kind kind, String bar, Fraction onset, Said message, Said fix, Optional<Score> mended) {
  /** What may be wrong. */
  public enum Kind {
    BAR_LENGTH,
    OUT_OF_RANGE,
    CHORD,
    CLEF_MISSED,
    OCTAVE_LINE,
    TIE_OR_SLUR,
    CARRIED_ACCIDENTAL,
    KEY_SIGNATURE,
    FAR_FROM_KEY,
    FIGURE_DIFFERS
  }

  public Finding {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(bar);
    Objects.requireNonNull(onset);
    Objects.requireNonNull(message);
    Objects.requireNonNull(fix);
  }

  /** Whether it can be mended at one press. */
  public boolean canBeMended() {
    return mended.isPresent();
  }

  /** Stable for the same thing at the same place, so that it can be accepted for good. */
  public String id() {
    return kind + "|" + bar + "|" + onset + "|" + message.id() + message.args();
  }
}
