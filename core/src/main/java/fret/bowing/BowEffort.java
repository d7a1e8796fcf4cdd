package fret.bowing;

/** The named reasons for which a bowing takes effort. */
public enum BowEffort {
  UP_BEGIN("up-begin", "strokes", "an up-bow to begin with, where all else is equal"),
  UP_FIRST("up-first", "strokes", "an up-bow on the first beat of a bar"),
  UP_HALF("up-half", "strokes", "an up-bow on the half bar"),
  UP_BEAT("up-beat", "strokes", "an up-bow on another beat"),
  UP_CHORD("up-chord", "chords", "an up-bow on a chord of three strings or more"),
  UP_ACCENT("up-accent", "accents", "an up-bow on an accent"),
  DOWN_SWELL("down-swell", "levels", "a down-bow in a crescendo"),
  UP_FADE("up-fade", "levels", "an up-bow in a diminuendo: it ends at the heavy end"),
  DOWN_PLUCK("down-pluck", "strokes", "a down-bow before plucking: the hand has the way back"),
  HOOK("hook", "strokes", "the same direction again without leaving the string"),
  HOOK_DOTTED("hook-dotted", "strokes", "the same direction again in a dotted or lilting rhythm"),
  HOOK_LEAP("hook-leap", "strokes", "the same direction again after a lift over a string"),
  RETAKE("retake", "retakes", "lifting the bow and setting it down elsewhere, in time enough"),
  RETAKE_PAID("retake-paid", "retakes", "a retake that the note before pays for"),
  RETAKE_LATE("retake-late", "retakes", "a retake for which there is no time"),
  RETAKE_WAY("retake-way", "cm", "the way of a retake through the air"),
  BROKEN("broken", "slurs", "a printed slur that is broken"),
  JOINED("joined", "notes", "notes slurred that are not slurred on the page"),
  SLUR_SHIFT("slur-shift", "shifts", "the hand shifts inside a stroke"),
  SLUR_CROSS("slur-cross", "strings", "strings crossed inside a stroke"),
  SAVE("save", "octaves", "less bow than comes naturally for the loudness"),
  SPEND("spend", "octaves", "more bow than comes naturally for the loudness"),
  THIN("thin", "octaves", "so little bow that weight and contact point must take over"),
  SHORT("short", "cm", "the bow runs out: hair that is missing for the least speed"),
  FAST("fast", "octaves", "faster than the loudness bears"),
  CROSS_HAND("cross-hand", "cm", "way of the hand at a crossing where it is planned"),
  KIND_PLACE("kind-place", "cm", "away from where the kind of stroke lives"),
  WEIGHT_PLACE("weight-place", "cm", "an accent or a chord begun away from the weight of the frog"),
  LOUD_PLACE("loud-place", "cm", "loud towards the tip, or soft at the frog"),
  RESERVE("reserve", "cm", "an end of the bow used up"),
  UNLIKE("unlike", "bars", "a bar bowed otherwise than most of its like");

  private final String id;
  private final String unit;
  private final String description;

  BowEffort(String id, String unit, String description) {
    this.id = id;
    this.unit = unit;
    this.description = description;
  }

  public String id() {
    return id;
  }

  public String unit() {
    return unit;
  }

  /** What it means, in players' words. */
  public String description() {
    return description;
  }
}
