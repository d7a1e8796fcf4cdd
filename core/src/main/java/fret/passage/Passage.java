package fret.passage;

import fret.bowing.BowSetup;
import fret.instrument.InstrumentType;
import fret.mark.Marks;
import fret.mark.Place;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.Objects;
import java.util.Optional;

/**
 * A passage that is being prepared: what was decided about it, settings included. Its notes are
 * read from the file that is kept with it, or from the page that the player wrote.
 */
public final class Passage {
  /**
   * The player's settings for a passage.
   *
   * @param target target tempo
   * @param fullDigits a digit on every note, not only where the page needs one
   * @param details what else the player knows of the passage
   * @param bow the bow and what is cared about in a bowing
   */
  public record Settings(
      String title,
      Tempo target,
      Setup setup,
      Reading reading,
      boolean fullDigits,
      Details details,
      BowSetup bow) {
    /** What holds while nothing is said. */
    public static final Settings USUAL =
        new Settings(
            "",
            new Tempo(Beat.QUARTER, 80),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);

    public Settings(String title, Tempo target, Setup setup, Reading reading, boolean fullDigits) {
      this(title, target, setup, reading, fullDigits, Details.NONE, BowSetup.USUAL);
    }

    public Settings {
      Objects.requireNonNull(title);
      Objects.requireNonNull(target);
      Objects.requireNonNull(setup);
      Objects.requireNonNull(reading);
      Objects.requireNonNull(details);
      Objects.requireNonNull(bow);
    }

    public Settings withTitle(String other) {
      return new Settings(other, target, setup, reading, fullDigits, details, bow);
    }

    public Settings withTarget(Tempo other) {
      return new Settings(title, other, setup, reading, fullDigits, details, bow);
    }

    public Settings withSetup(Setup other) {
      return new Settings(title, target, other, reading, fullDigits, details, bow);
    }

    public Settings withReading(Reading other) {
      return new Settings(title, target, setup, other, fullDigits, details, bow);
    }

    public Settings withDetails(Details other) {
      return new Settings(title, target, setup, reading, fullDigits, other, bow);
    }

    public Settings withBow(BowSetup other) {
      return new Settings(title, target, setup, reading, fullDigits, details, other);
    }

    public Settings withFullDigits(boolean other) {
      return new Settings(title, target, setup, reading, other, details, bow);
    }
  }

  private final long id;
  private final long auditionId;
  private final String partName;
  private final Marks marks;
  private final Settings settings;

  /**
   * @param id 0 until stored
   * @param auditionId the audition it belongs to, 0 for none
   * @param partName name of the part in its file; empty for the first
   */
  public Passage(long id, long auditionId, String partName, Marks marks) {
    this.id = id;
    this.auditionId = auditionId;
    this.partName = Objects.requireNonNull(partName);
    this.marks = Objects.requireNonNull(marks);
    this.settings = SettingLayers.of(marks);
  }

  /** A passage of a file that is not stored yet, with nothing decided. */
  public static Passage of(String sourceName, String partName, Settings settings) {
    Marks marks =
        Marks.NONE.with(
            SourceLayer.SOURCE, Place.WHOLE, Optional.of(new SourceLayer.Source(0, sourceName)));
    return new Passage(0, 0, partName, SettingLayers.put(marks, settings));
  }

  public long id() {
    return id;
  }

  public long auditionId() {
    return auditionId;
  }

  public String partName() {
    return partName;
  }

  /** Everything that was decided. */
  public Marks marks() {
    return marks;
  }

  public Settings settings() {
    return settings;
  }

  /** The file it is read from. */
  public SourceLayer.Source source() {
    return marks.at(SourceLayer.SOURCE, Place.WHOLE).orElse(SourceLayer.Source.BY_HAND);
  }

  /** Name of the file it came from; empty when it was written by hand. */
  public String sourceName() {
    return source().name();
  }

  public Passage withId(long other) {
    return new Passage(other, auditionId, partName, marks);
  }

  public Passage withSettings(Settings other) {
    return withMarks(SettingLayers.put(marks, other));
  }

  public Passage withMarks(Marks other) {
    return new Passage(id, auditionId, partName, other);
  }

  public Passage withAudition(long other) {
    return new Passage(id, other, partName, marks);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Passage p
        && p.id == id
        && p.auditionId == auditionId
        && p.partName.equals(partName)
        && p.marks.equals(marks);
  }

  @Override
  public int hashCode() {
    return Objects.hash(id, auditionId, partName, marks);
  }

  @Override
  public String toString() {
    return "Passage " + id + " " + settings.title();
  }
}
