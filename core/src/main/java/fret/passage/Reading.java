package fret.passage;

import fret.pitch.Interval;
import fret.score.Divided;
import fret.score.Score;
import java.util.Objects;

/**
 * How the page is read.
 *
 * @param soundsOctaveLow whether a part without its own word for it sounds an octave low
 * @param divided what two voices on the stave mean
 * @param fromBar printed number of the first bar asked for; empty for the beginning
 * @param toBar printed number of the last bar asked for; empty for the end
 * @param octaves octaves that the part is taken up or down, as when it is taken over from another
 *     instrument; -3 to 3
 */
public record Reading(
    boolean soundsOctaveLow, Divided divided, String fromBar, String toBar, int octaves) {
  public static final Reading PLAIN = new Reading(false, Divided.UNDECIDED, "", "", 0);

  public Reading {
    Objects.requireNonNull(divided);
    Objects.requireNonNull(fromBar);
    Objects.requireNonNull(toBar);
    if (octaves < -3 || octaves > 3) {
      throw new IllegalArgumentException(octaves + " octaves are outside -3 to 3");
    }
  }

  /**
   * The part as it is to be played. Bars that are not there are read as the beginning or the end,
   * as after a new import.
   */
  public Score of(Score page) {
    Score score = divided.of(page);
    if (soundsOctaveLow && score.transposition().equals(Interval.UNISON)) {
      score = score.withTransposition(Interval.OCTAVE_DOWN);
    }
    if (octaves != 0) {
      score = score.movedByOctaves(octaves);
    }
    if (score.bars().isEmpty() || fromBar.isEmpty() && toBar.isEmpty()) {
      return score;
    }
    String first = score.bars().get(0).number();
    String last = score.bars().get(score.bars().size() - 1).number();
    String from = score.barNumbered(fromBar).isPresent() ? fromBar : first;
    String to = score.barNumbered(toBar).isPresent() ? toBar : last;
    boolean upright =
        score.barNumbered(from).orElseThrow().index()
            <= score.barNumbered(to).orElseThrow().index();
    return upright ? score.range(from, to) : score;
  }

  public Reading withOctaveLow(boolean other) {
    return new Reading(other, divided, fromBar, toBar, octaves);
  }

  public Reading withDivided(Divided other) {
    return new Reading(soundsOctaveLow, other, fromBar, toBar, octaves);
  }

  public Reading withBars(String from, String to) {
    return new Reading(soundsOctaveLow, divided, from, to, octaves);
  }

  public Reading withOctaves(int other) {
    return new Reading(soundsOctaveLow, divided, fromBar, toBar, other);
  }
}
