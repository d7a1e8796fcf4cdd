package fret.bowing;

import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * One stroke of a bowing. Places are cm from the first usable hair at the frog; a down-bow grows.
 *
 * @param fromMoment first moment; {@code toMoment} the last one, included
 * @param hooked whether it goes on in the direction of the stroke before without leaving the string
 * @param retake how the bow came here, where it was lifted
 * @param bowCm path of the hair; but for tremolo it is the distance of the two places
 * @param missingCm hair that is missing for the least speed of its loudness, 0 for none
 * @param breaksSlur whether it begins inside a printed slur
 * @param notes one entry a moment
 */
public record Stroke(
    int fromMoment,
    int toMoment,
    String bar,
    boolean down,
    StrokeKind kind,
    boolean hooked,
    Optional<Retake> retake,
    double startCm,
    double endCm,
    double bowCm,
    double naturalCm,
    double missingCm,
    double timeMs,
    boolean breaksSlur,
    List<Note> notes) {
  /**
   * The bow is lifted and set down elsewhere.
   *
   * @param needsMs for its way; {@code hasMs} what rests give
   */
  public record Retake(double cm, double needsMs, double hasMs) {
    /** What the note before, or a hidden break, has to give. */
    public double lackingMs() {
      return Math.max(0, needsMs - hasMs);
    }
  }

  /** Weight on the string, told as a place between the least and the greatest that sounds. */
  public enum Weight {
    FEATHER,
    LIGHT,
    RESTING,
    LEANING,
    HEAVY
  }

  /**
   * One moment of a stroke.
   *
   * @param fromCm place where it begins; {@code toCm} where it ends
   * @param bowCm path of the hair
   * @param cmPerS its mean speed while it sounds
   * @param ofNatural share of the natural speed of its loudness
   * @param sounds share of its written length that it sounds
   * @param contactMm distance from the bridge
   * @param force place between least and greatest bow force, 0 to 1
   */
  public record Note(
      int moment,
      double fromCm,
      double toCm,
      double bowCm,
      double cmPerS,
      double ofNatural,
      double sounds,
      double contactMm,
      double level,
      boolean accent,
      double force) {
    private Note movedBy(int moments) {
      return new Note(
          moment + moments,
          fromCm,
          toCm,
          bowCm,
          cmPerS,
          ofNatural,
          sounds,
          contactMm,
          level,
          accent,
          force);
    }

    /** The weight as a word. */
    public Weight weight() {
      Weight[] all = Weight.values();
      return all[(int) Math.max(0, Math.min(all.length - 1, Math.floor(force * all.length)))];
    }
  }

  public Stroke {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(retake);
    notes = List.copyOf(notes);
  }

  /** The same stroke of another kind. */
  Stroke withKind(StrokeKind other) {
    return new Stroke(
        fromMoment,
        toMoment,
        bar,
        down,
        other,
        hooked,
        retake,
        startCm,
        endCm,
        bowCm,
        naturalCm,
        missingCm,
        timeMs,
        breaksSlur,
        notes);
  }

  /** As far as it lies in a stretch, its moments counted from there; it lies in it somewhere. */
  Stroke within(int from, int to) {
    List<Note> inside =
        notes.stream()
            .filter(n -> n.moment() >= from && n.moment() <= to)
            .map(n -> n.movedBy(-from))
            .toList();
    return new Stroke(
        Math.max(fromMoment, from) - from,
        Math.min(toMoment, to) - from,
        bar,
        down,
        kind,
        hooked,
        fromMoment < from ? Optional.empty() : retake,
        inside.get(0).fromCm(),
        inside.get(inside.size() - 1).toCm(),
        inside.stream().mapToDouble(Note::bowCm).sum(),
        naturalCm,
        missingCm,
        timeMs,
        breaksSlur,
        inside);
  }

  public boolean has(int moment) {
    return moment >= fromMoment && moment <= toMoment;
  }

  /** The entry of a moment. */
  public Note at(int moment) {
    return notes.get(moment - fromMoment);
  }
}
