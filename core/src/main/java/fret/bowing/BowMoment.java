package fret.bowing;

import fret.instrument.Instrument;
import fret.score.Signs;
import fret.score.Slice;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * One moment of the passage as the bow sees it.
 *
 * @param endMs when its notes end, before any release
 * @param fromLevel loudness where it starts; {@code toLevel} just before it ends
 * @param beat how strong the place in the bar is
 * @param strings that sound, 1 the highest, ascending; never empty
 * @param stopped highest semitone above the open string that a finger stops, 0 for open strings
 * @param bar printed number
 * @param printed the bow mark that binds, printed or the player's
 * @param articulations printed on it
 * @param tremolo strokes through the stem
 * @param words of playing in force from here ("spiccato"), lower case, empty for none
 * @param place where the page asks the stroke to begin, 0 the frog to 1 the tip
 * @param wholes written length in whole notes
 * @param restMs silence after it
 * @param shiftInto whether the left hand shifts into it
 */
public record BowMoment(
    Slice slice,
    double startMs,
    double endMs,
    double fromLevel,
    double toLevel,
    Beat beat,
    List<Integer> strings,
    int stopped,
    String bar,
    Signs.Bow printed,
    Set<Signs.Articulation> articulations,
    int tremolo,
    String words,
    Optional<Double> place,
    double wholes,
    double restMs,
    boolean shiftInto) {
  /** Strength of a place in the bar. */
  public enum Beat {
    FIRST,
    HALF,
    BEAT,
    OFF
  }

  public BowMoment {
    Objects.requireNonNull(beat);
    Objects.requireNonNull(place);
    strings = List.copyOf(strings);
    articulations = Set.copyOf(articulations);
    if (!(endMs > startMs)) {
      throw new IllegalArgumentException("a moment from " + startMs + " to " + endMs + " ms");
    }
  }

  public double timeMs() {
    return endMs - startMs;
  }

  public double level() {
    return (fromLevel + toLevel) / 2;
  }

  public boolean isAccented() {
    return articulations.contains(Signs.Articulation.ACCENT)
        || articulations.contains(Signs.Articulation.MARCATO);
  }

  /** It begins on three strings or more: the bow rolls or breaks it. */
  public boolean isChord() {
    return strings.size() >= 3 && slice.starting().size() >= 3;
  }

  public boolean isBowed() {
    return slice.bowed();
  }

  public boolean isGrace() {
    return slice.grace() > 0;
  }

  public boolean isDotted() {
    return articulations.contains(Signs.Articulation.STACCATO)
        || articulations.contains(Signs.Articulation.STACCATISSIMO);
  }

  /** Sounding length of the string that is stopped highest, in mm. */
  public double soundingMm(Instrument instrument) {
    return instrument.stringLengthMm() * Math.pow(2, -stopped / 12.0);
  }

  /** Strings between this moment and another one; 0 where they share one. */
  public int stringsTo(BowMoment other) {
    int mine = strings.get(0);
    int mineLow = strings.get(strings.size() - 1);
    int his = other.strings.get(0);
    int hisLow = other.strings.get(other.strings.size() - 1);
    return his > mineLow ? his - mineLow : mine > hisLow ? mine - hisLow : 0;
  }
}
