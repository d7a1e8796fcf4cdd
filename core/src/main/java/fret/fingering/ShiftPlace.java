package fret.fingering;

/** Where a shift falls: what hides it, whether it arrives on a beat and on a note long enough. */
final class ShiftPlace {
  /** A note at least this long can be heard and mended after a shift (from memory). */
  private static final double LANDING_S = 0.15;

  private static final double ADJACENT = 0.3;
  private static final double BOW_CHANGE = 0.6;

  /** What covers a shift, the best cover first (common practice, no source). */
  enum Cover {
    OPEN_STRING("open string"),
    REST("rest"),
    HELD_NOTE("held note"),
    HARMONIC("harmonic"),
    REPEATED_NOTE("repeated note"),
    NEIGHBOURS("semitone between neighbouring fingers"),
    BOW_CHANGE("bow change"),
    NOTHING("");

    private final String words;

    Cover(String words) {
      this.words = words;
    }

    /** In players' words; empty for nothing. */
    String words() {
      return words;
    }
  }

  private ShiftPlace() {}

  /**
   * What covers the way from one hand to another.
   *
   * @param from the moment before, which may be an open string
   */
  static Cover cover(HandState from, HandState to) {
    if (to.takesOver()) {
      return Cover.HELD_NOTE;
    }
    if (!from.isStopped()) {
      return Cover.OPEN_STRING;
    }
    if (from.moment().slice().restAfter().signum() > 0) {
      return Cover.REST;
    }
    if (from.isStation()) {
      return Cover.HARMONIC;
    }
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean sameString = a != null && b != null && a.string() == b.string() && !b.isOpen();
    int step = sameString ? Math.abs(a.semitone() - b.semitone()) : 99;
    if (step == 0) {
      return Cover.REPEATED_NOTE;
    }
    boolean neighbours = step == 1 && Math.abs(a.finger().rank() - b.finger().rank()) == 1;
    if (neighbours) {
      return Cover.NEIGHBOURS;
    }
    return to.moment().slice().slurredInto() ? Cover.NOTHING : Cover.BOW_CHANGE;
  }

  /** 0 for a shift that is hidden, 1 for one in the open. */
  static double uncovered(HandState from, HandState to) {
    if (!to.isShiftFrom(from)) {
      return 0;
    }
    double open =
        switch (cover(from, to)) {
          case OPEN_STRING, REST, HELD_NOTE, HARMONIC, REPEATED_NOTE -> 0;
          case NEIGHBOURS -> ADJACENT;
          case BOW_CHANGE -> BOW_CHANGE;
          case NOTHING -> 1;
        };
    return open * to.moment().slide();
  }

  /** 1 for a shift in mid-phrase that arrives between two beats. */
  static double offBeat(HandState from, HandState to) {
    boolean rests = from.moment().slice().restAfter().signum() > 0;
    boolean free = !from.isStopped() || rests || to.takesOver();
    return to.isShiftFrom(from) && !free && !to.moment().onBeat() ? 1 : 0;
  }

  /** How much too short the note reached is: 0 from 0.15 s on, 1 for no time at all. */
  static double shortLanding(HandState from, HandState to) {
    return to.isShiftFrom(from) ? Math.max(0, 1 - to.moment().seconds() / LANDING_S) : 0;
  }
}
