package fret.bowing;

/** The named reasons for which a bowing takes effort. */
public enum BowEffort {
  UP_BEGIN("up-begin", "strokes"),
  UP_FIRST("up-first", "strokes"),
  UP_HALF("up-half", "strokes"),
  UP_BEAT("up-beat", "strokes"),
  UP_CHORD("up-chord", "chords"),
  UP_ACCENT("up-accent", "accents"),
  DOWN_SWELL("down-swell", "levels"),
  UP_FADE("up-fade", "levels"),
  DOWN_PLUCK("down-pluck", "strokes"),
  HOOK("hook", "strokes"),
  HOOK_DOTTED("hook-dotted", "strokes"),
  HOOK_LEAP("hook-leap", "strokes"),
  RETAKE("retake", "retakes"),
  RETAKE_PAID("retake-paid", "retakes"),
  RETAKE_TIME("retake-time", "ms"),
  RETAKE_LATE("retake-late", "ms"),
  RETAKE_WAY("retake-way", "cm"),
  BROKEN("broken", "slurs"),
  JOINED("joined", "notes"),
  SLUR_SHIFT("slur-shift", "shifts"),
  SLUR_CROSS("slur-cross", "strings"),
  SAVE("save", "octaves"),
  SPEND("spend", "octaves"),
  THIN("thin", "octaves"),
  SHORT("short", "cm"),
  FAST("fast", "octaves"),
  CROSS_HAND("cross-hand", "cm"),
  KIND_PLACE("kind-place", "cm"),
  PLAIN_PLACE("plain-place", "cm"),
  WEIGHT_PLACE("weight-place", "cm"),
  LOUD_PLACE("loud-place", "cm"),
  SWEEP_PLACE("sweep-place", "cm"),
  RESERVE("reserve", "cm"),
  UNLIKE("unlike", "bars");

  private final String id;
  private final String unit;

  BowEffort(String id, String unit) {
    this.id = id;
    this.unit = unit;
  }

  public String id() {
    return id;
  }

  public String unit() {
    return unit;
  }
}
