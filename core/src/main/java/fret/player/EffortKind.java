package fret.player;

/** The named reasons for which a fingering takes effort. */
public enum EffortKind {
  SHIFT("shift", "bits", "moving the hand: how small the target is for the distance"),
  RUSH("rush", "bits/s", "how little time there is for a shift"),
  TRAVEL("travel", "mm", "distance the hand travels"),
  SLUR_SHIFT("slur-shift", "shifts", "a shift inside a slur, where the bow cannot hide it"),
  CROSSING("crossing", "strings", "changing string"),
  SLUR_CROSSING("slur-crossing", "strings", "changing string inside a slur"),
  SKIP("skip", "strings", "passing over a string that is not played"),
  SAME_FINGER("same-finger", "1/s", "the same finger hopping to another string"),
  SLIDE("slide", "1/s", "the same finger sliding to another note within the hand"),
  WEAK_PAIR("weak-pair", "1/s", "third, fourth and second fingers following each other fast"),
  STRETCH("stretch", "semitones", "leaving the easy shape of the hand"),
  OPEN_LONG("open-long", "s", "a long note on an open string, which cannot be vibrated"),
  OPEN_STRING("open-string", "notes", "an open string standing out"),
  FOURTH("fourth", "notes", "using the fourth finger"),
  FOURTH_LONG("fourth-long", "s", "a long note on the fourth finger"),
  HIGH_ON_LOW("high-on-low", "semitones", "high on a lower string, where it speaks poorly"),
  HEIGHT("height", "semitones", "standing away from the home position"),
  THUMB("thumb", "notes", "thumb position"),
  THUMB_CHANGE("thumb-change", "changes", "bringing the thumb up or taking it away"),
  BARRE("barre", "strings", "one finger across two strings"),
  WEAK_TRILL("weak-trill", "trills", "a trill with a weak pair of fingers"),
  PRINTED("printed", "notes", "another finger or string than the one printed");

  private final String id;
  private final String unit;
  private final String description;

  EffortKind(String id, String unit, String description) {
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
