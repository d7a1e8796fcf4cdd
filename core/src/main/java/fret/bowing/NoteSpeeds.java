package fret.bowing;

import java.util.Optional;

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

  /** The speeds in a note of a bowing; a connected new stroke starts slower and makes up for it. */
  public static NoteSpeeds of(BowTask task, Bowing bowing, Stroke.Note note) {
    NoteSpeeds alone = alone(task, bowing, note);
    double start =
        connected(task, bowing, note.moment())
            .map(before -> Math.min(alone.from, CONNECTED * before))
            .orElse(alone.from);
    return new NoteSpeeds(start, alone.to + alone.from - start, alone.accent);
  }

  private static NoteSpeeds alone(BowTask task, Bowing bowing, Stroke.Note note) {
    BowMoment moment = bowing.moments().get(note.moment());
    NoteSpeeds swelling = of(note, moment, task.speed(), task.habits().onAccent());
    double even = (swelling.from + swelling.to) / 2;
    return SoundWish.isEven(task, note.moment())
        ? new NoteSpeeds(even, even, swelling.accent)
        : swelling;
  }

  /**
   * With what speed in cm/s the stroke before ended, where a stroke begins at a moment that is
   * connected with it: on the string, in the other direction, without a silence; else empty.
   */
  public static Optional<Double> connected(BowTask task, Bowing bowing, int moment) {
    int index = bowing.indexAt(moment);
    if (index < 1) {
      return Optional.empty();
    }
    Stroke stroke = bowing.strokes().get(index);
    boolean changes =
        stroke.fromMoment() == moment && stroke.retake().isEmpty() && !stroke.hooked();
    boolean accented = bowing.moments().get(moment).isAccented();
    if (!changes || accented || bowing.moments().get(moment - 1).restMs() > 1) {
      return Optional.empty();
    }
    return bowing
        .strokeAt(moment - 1)
        .map(before -> before.at(moment - 1))
        .filter(n -> n.sounds() >= 1 && stroke.at(moment).sounds() >= 1)
        .map(n -> alone(task, bowing, n).to);
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
