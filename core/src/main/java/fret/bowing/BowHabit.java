package fret.bowing;

import java.util.List;

/**
 * Where good players use the bow differently. Each has a few ways; the first is what is taken where
 * the player says nothing. All are common practice, no source.
 */
public enum BowHabit {
  /** A sound grows by speed or by weight. */
  SOUND(Way.BY_SPEED, Way.BY_WEIGHT),
  /** What the bow does while the hand shifts inside a stroke. */
  SHIFT(Way.KEPT, Way.LIGHTENED, Way.STOPPED),
  /** How the bow lies on a chord. */
  CHORD(Way.SQUARE, Way.TURNED),
  /** Where wide and soft crossings are made. */
  WIDE(Way.MIDDLE, Way.TIP),
  /** How a note after a silence begins. */
  START(Way.STRING, Way.AIR),
  /** Which string of a double stop gets the weight. */
  PAIR(Way.EVEN, Way.UPPER, Way.LOWER),
  /** How long the last note of a bow or before a silence sounds. */
  LAST(Way.AS_WRITTEN, Way.OVER, Way.EACH_BOW),
  /** A loud note on an inner string, whose neighbours are near. */
  INNER(Way.POWER, Way.CLEAN),
  /** What an accent is made of: more bow on it, or less on the notes around it. */
  ACCENT(Way.ON_IT, Way.AROUND_IT),
  /** Where plain short strokes are played. */
  PLACE(Way.WHERE_IT_SOUNDS, Way.UPPER_HALF, Way.LOWER_HALF),
  /** How the hair lies. */
  HAIR(Way.BY_STROKE, Way.FLAT, Way.TILTED);

  /** Ways of doing it. */
  public enum Way {
    BY_SPEED,
    BY_WEIGHT,
    KEPT,
    LIGHTENED,
    STOPPED,
    SQUARE,
    TURNED,
    MIDDLE,
    TIP,
    STRING,
    AIR,
    EVEN,
    UPPER,
    LOWER,
    AS_WRITTEN,
    OVER,
    /** The last note of every slur is full, with a tenth more bow; the next one is in time. */
    EACH_BOW,
    POWER,
    CLEAN,
    ON_IT,
    AROUND_IT,
    WHERE_IT_SOUNDS,
    UPPER_HALF,
    LOWER_HALF,
    BY_STROKE,
    FLAT,
    TILTED
  }

  private final List<Way> ways;

  BowHabit(Way... ways) {
    this.ways = List.of(ways);
  }

  /** All ways, the usual one first. */
  public List<Way> ways() {
    return ways;
  }
}
