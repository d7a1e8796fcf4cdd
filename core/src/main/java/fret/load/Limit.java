package fret.load;

/** What a join can fail at when the tempo rises. */
public enum Limit {
  /** A shift has to be aimed. */
  SHIFT("shift", "bits/s"),
  /** One finger goes to another pitch or string of the same hand. */
  FINGER("finger", "1/s"),
  /** The bow changes string. */
  CROSSING("crossing", "1/s"),
  /** A kind of stroke is too slow for the notes. */
  STROKE("stroke", "notes/s"),
  /** The bow is lifted and set down elsewhere. */
  RETAKE("retake", "ms");

  private final String id;
  private final String unit;

  Limit(String id, String unit) {
    this.id = id;
    this.unit = unit;
  }

  /** Stable name. */
  public String id() {
    return id;
  }

  public String unit() {
    return unit;
  }
}
