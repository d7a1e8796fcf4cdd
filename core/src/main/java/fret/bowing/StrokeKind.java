package fret.bowing;

/**
 * Kinds of stroke, with what each needs. Places are shares of the hair from the frog; windows are
 * notes a second. All figures are common practice, no source, from memory; they are data.
 */
public enum StrokeKind {
  LEGATO("legato", 0, 1, 0, 99, 1, false, Mover.ARM),
  DETACHE("detache", 0, 1, 0, 14, 1, false, Mover.FOREARM),
  ARTICULATED("articulated", 0.75, 0.95, 0, 10, 0.9, false, Mover.FOREARM),
  MARTELE("martele", 0.5, 0.9, 0, 4.5, 0.6, true, Mover.FOREARM),
  PORTATO("portato", 0, 1, 0, 5, 0.85, false, Mover.ARM),
  HOOKED("hooked", 0.3, 1, 0, 10, 0.75, false, Mover.FOREARM),
  BRUSHED("brushed", 0.3, 0.5, 1, 4, 0.7, false, Mover.FOREARM),
  SPICCATO("spiccato", 0.3, 0.45, 2.5, 8, 0.5, true, Mover.WRIST),
  /** The form of a loud spiccato that is too quick to leave the string. */
  CLOSE_SPICCATO("spiccato-close", 0.4, 0.55, 8, 11, 0.7, true, Mover.WRIST),
  SAUTILLE("sautille", 0.45, 0.55, 8, 14, 0.6, true, Mover.FINGERS),
  RICOCHET("ricochet", 0.5, 0.7, 5, 14, 0.5, true, Mover.FINGERS),
  ARPEGGIO("arpeggio", 0.4, 0.65, 6, 14, 0.5, true, Mover.WRIST),
  FLYING_STACCATO("flying-staccato", 0.4, 0.9, 3, 10, 0.5, false, Mover.WRIST),
  /** Two up-bows in a row, each thrown. */
  DOUBLE_UP("double-up", 0.3, 0.6, 0, 8, 0.5, false, Mover.WRIST),
  TREMOLO("tremolo", 0.5, 1, 0, 99, 1, false, Mover.WRIST),
  FLAUTANDO("flautando", 0.2, 1, 0, 8, 1, false, Mover.ARM),
  CHORD("chord", 0, 0.6, 0, 3, 1, true, Mover.ARM);

  /** What moves. */
  public enum Mover {
    ARM,
    FOREARM,
    WRIST,
    FINGERS
  }

  private final String id;
  private final double from;
  private final double to;
  private final double leastRate;
  private final double mostRate;
  private final double sounds;
  private final boolean hairFlat;
  private final Mover mover;

  StrokeKind(
      String id,
      double from,
      double to,
      double leastRate,
      double mostRate,
      double sounds,
      boolean hairFlat,
      Mover mover) {
    this.id = id;
    this.from = from;
    this.to = to;
    this.leastRate = leastRate;
    this.mostRate = mostRate;
    this.sounds = sounds;
    this.hairFlat = hairFlat;
    this.mover = mover;
  }

  /** Stable name. */
  public String id() {
    return id;
  }

  /** The stroke that it is a form of; itself for most. */
  public StrokeKind family() {
    return this == CLOSE_SPICCATO ? SPICCATO : this;
  }

  /** Where it lives at its frog side, as a share of the hair. */
  public double from() {
    return from;
  }

  public double to() {
    return to;
  }

  /** Notes a second below which it does not exist: a bounce needs speed. */
  public double leastRate() {
    return leastRate;
  }

  public double mostRate() {
    return mostRate;
  }

  /** Share of the written length that sounds. */
  public double sounds() {
    return sounds;
  }

  /** Flat to bounce and to bite, tilted to sing. */
  public boolean hairFlat() {
    return hairFlat;
  }

  public Mover mover() {
    return mover;
  }

  /** Whether it fits a number of notes a second. */
  public boolean fits(double notesPerSecond) {
    return notesPerSecond >= leastRate && notesPerSecond <= mostRate;
  }
}
