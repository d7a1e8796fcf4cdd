package fret.player;

/** The named reasons for which a fingering takes effort. */
public enum EffortKind {
  SHIFT("shift", "bits"),
  RUSH("rush", "bits/s"),
  THROWN("thrown", "shifts"),
  FAR_FINGERS("far-fingers", "shifts"),
  CREEP("creep", "semitones"),
  TRAVEL("travel", "mm"),
  SLUR_SHIFT("slur-shift", "shifts"),
  UNCOVERED("uncovered", "shifts"),
  OFF_BEAT("off-beat", "shifts"),
  LANDING("landing", "shifts"),
  SLIDE_HEARD("slide-heard", "dm"),
  UNEVEN("uneven", "shifts"),
  CROSSING("crossing", "strings"),
  SLUR_CROSSING("slur-crossing", "strings"),
  CROSS_BACK("cross-back", "strings"),
  TURN_BACK("turn-back", "strings"),
  PEDAL("pedal", "notes"),
  BOUNCED("bounced", "notes"),
  COLOUR("colour", "strings"),
  THEME("theme", "strings"),
  BRILLIANCE("brilliance", "strings"),
  SKIP("skip", "strings"),
  SAME_FINGER("same-finger", "1/s"),
  SLIDE("slide", "semitones/s"),
  WEAK_PAIR("weak-pair", "1/s"),
  STRETCH("stretch", "semitones"),
  START("start", "doublings"),
  PAIR("pair", "pairs"),
  SWAP("swap", "notes"),
  TAKE_OVER("take-over", "notes"),
  LET_GO("let-go", "share"),
  ANCHOR("anchor", "notes"),
  CHORD_HOP("chord-hop", "fingers"),
  CHORD_LOST("chord-lost", "chords"),
  OPEN_LONG("open-long", "s"),
  OPEN_STRING("open-string", "notes"),
  OPEN_LOUD("open-loud", "notes"),
  VIBRATO("vibrato", "notes"),
  HARMONIC("harmonic", "notes"),
  FOURTH("fourth", "notes"),
  FOURTH_LONG("fourth-long", "s"),
  HIGH_ON_LOW("high-on-low", "semitones"),
  HEIGHT("height", "semitones"),
  THUMB("thumb", "notes"),
  THUMB_CHANGE("thumb-change", "changes"),
  BARRE("barre", "strings"),
  WEAK_TRILL("weak-trill", "trills"),
  TRILL_EXIT("trill-exit", "trills"),
  UNLIKE("unlike", "places"),
  PRINTED("printed", "notes");

  private final String id;
  private final String unit;

  EffortKind(String id, String unit) {
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
