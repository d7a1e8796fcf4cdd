package fret.bowing;

/**
 * How the speed of the bow goes within one note: evenly along its hairpin, and on an accent fast at
 * the start and let go at once. Over the sounding time it adds up to the note's cm.
 *
 * @param from cm/s at the start without the accent, {@code to} at the end
 * @param accent what an accent adds at the start, in cm/s; 0 for none
 */
public record NoteSpeeds(double from, double to, double accent) {
  /** Share of an accented note in which its speed falls to what follows (from memory). */
  public static final double ACCENT_SHARE = 0.6;

  /**
   * A connected new stroke starts at most at this share of the speed with which the one before
   * ended (common practice, no source; the share from memory).
   */
  public static final double CONNECTED = 0.8;

  /**
   * The speeds in a note.
   *
   * @param moment where the note lies, with its loudness at both ends
   * @param times what an accent adds to the bow of its note, 1 for nothing
   */
  static NoteSpeeds of(Stroke.Note note, BowMoment moment, BowSpeed speed, double times) {
    double from = speed.natural(moment.fromLevel());
    double to = speed.natural(moment.toLevel());
    double plain = note.cmPerS() / (note.accent() ? times : 1);
    double scale = plain / ((from + to) / 2);
    // The bow that an accent adds is a triangle over the first part of its note.
    double accent = note.accent() ? 2 * plain * (times - 1) / ACCENT_SHARE : 0;
    return new NoteSpeeds(from * scale, to * scale, accent);
  }

  /** The speeds in a note of a bowing. */
  public static NoteSpeeds of(BowTask task, Bowing bowing, Stroke.Note note) {
    return of(note, bowing.moments().get(note.moment()), task.speed(), task.habits().onAccent());
  }

  /** Speed in cm/s where the note begins. */
  public double start() {
    return from + accent;
  }

  /**
   * Speed in cm/s.
   *
   * @param share of the sounding time, 0 to 1
   */
  public double at(double share) {
    return from + (to - from) * share + accent * Math.max(0, 1 - share / ACCENT_SHARE);
  }
}
