package fret.player;

/** The named reasons for which a fingering takes effort. */
public enum EffortKind {
  SHIFT("shift", "bits", "aim of the shift: how small the target is for the distance"),
  RUSH("rush", "bits/s", "haste of the shift: how little time there is for it"),
  TRAVEL("travel", "mm", "distance: how far the hand travels"),
  SLUR_SHIFT("slur-shift", "shifts", "shift inside a slur: the bow cannot hide it"),
  UNCOVERED(
      "uncovered",
      "shifts",
      "shift in the open: no open string, rest, repeated note or bow change hides it"),
  OFF_BEAT("off-beat", "shifts", "shift off the beat: it arrives on a weak part of the bar"),
  LANDING("landing", "shifts", "shift to a short note: no time to hear whether it is in tune"),
  SLIDE_HEARD("slide-heard", "dm", "slide in a slur on one finger: it can be heard"),
  UNEVEN(
      "uneven",
      "shifts",
      "uneven shifts: two in a row within an arpeggio go unlike distances, which is hard to learn"),
  CROSSING("crossing", "strings", "changing string"),
  SLUR_CROSSING("slur-crossing", "strings", "changing string inside a slur"),
  CROSS_BACK("cross-back", "strings", "another string for one note and back"),
  TURN_BACK(
      "turn-back", "strings", "line turned back: it rises and the string gets lower, or falls"),
  COLOUR("colour", "strings", "change of colour: another string within a sung phrase"),
  BRILLIANCE("brilliance", "strings", "brilliance lost: the line rises and the string gets lower"),
  SKIP("skip", "strings", "skipped string: passing over one that is not played"),
  SAME_FINGER("same-finger", "1/s", "finger hops: the same one on another string"),
  SLIDE("slide", "semitones/s", "finger slides: the same one to another note within the hand"),
  WEAK_PAIR(
      "weak-pair",
      "1/s",
      "weak pair of fingers: third, fourth and second following each other fast"),
  STRETCH("stretch", "semitones", "stretch: leaving the easy shape of the hand"),
  START("start", "doublings", "beginning out of the home position"),
  PAIR("pair", "pairs", "other fingers for the same double stop moved on"),
  SWAP("swap", "notes", "finger replaced on a repeated note"),
  TAKE_OVER("take-over", "notes", "finger replaced in mid-note"),
  LET_GO("let-go", "share", "held note let go: another voice loses a part of its length"),
  ANCHOR("anchor", "notes", "place let go: the note comes straight back, its finger cannot stay"),
  CHORD_HOP("chord-hop", "fingers", "hop between chords: a finger goes to another string"),
  CHORD_LOST("chord-lost", "chords", "nothing stays between chords: the place can be lost"),
  OPEN_LONG("open-long", "s", "long open string: it cannot be vibrated"),
  OPEN_STRING("open-string", "notes", "open string: it stands out"),
  OPEN_LOUD("open-loud", "notes", "open top string in a quiet passage: it sticks out"),
  VIBRATO(
      "vibrato",
      "notes",
      "vibrato asked for: an open string, a harmonic or the weakest finger plays it"),
  HARMONIC("harmonic", "notes", "harmonic in place of a stopped note: sure, but plain"),
  FOURTH("fourth", "notes", "fourth finger: weaker than the others"),
  FOURTH_LONG("fourth-long", "s", "long fourth finger: the weakest one holds a long note"),
  HIGH_ON_LOW("high-on-low", "semitones", "high on a low string: it speaks poorly there"),
  HEIGHT("height", "semitones", "away from home: the hand stands off its home position"),
  THUMB("thumb", "notes", "thumb position"),
  THUMB_CHANGE("thumb-change", "changes", "bringing the thumb up or taking it away"),
  BARRE("barre", "strings", "one finger across two strings"),
  WEAK_TRILL("weak-trill", "trills", "a trill with a weak pair of fingers"),
  TRILL_EXIT("trill-exit", "trills", "way out of a trill: its finger is needed elsewhere at once"),
  PRINTED("printed", "notes", "not as printed: another finger or string than on the page");

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
