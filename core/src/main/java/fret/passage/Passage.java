package fret.passage;

import fret.mark.Marks;
import fret.tempo.Tempo;
import java.util.Objects;

/**
 * A passage that is being prepared: what was decided about it. Its notes are read from the file
 * that is kept with it.
 *
 * @param id 0 until stored
 * @param auditionId the audition it belongs to, 0 for none
 * @param sourceName name of the file it came from; empty when it was written by hand
 * @param sourceId which of the files that were brought in for it counts; 0 for the first
 */
public record Passage(
    long id,
    long auditionId,
    String sourceName,
    String partName,
    long sourceId,
    Settings settings,
    Marks marks) {
  /**
   * The player's settings for a passage.
   *
   * @param target target tempo
   * @param fullDigits a digit on every note, not only where the page needs one
   * @param details what else the player knows of the passage
   */
  public record Settings(
      String title,
      Tempo target,
      Setup setup,
      Reading reading,
      boolean fullDigits,
      Details details) {
    public Settings(String title, Tempo target, Setup setup, Reading reading, boolean fullDigits) {
      this(title, target, setup, reading, fullDigits, Details.NONE);
    }

    public Settings {
      Objects.requireNonNull(title);
      Objects.requireNonNull(target);
      Objects.requireNonNull(setup);
      Objects.requireNonNull(reading);
      Objects.requireNonNull(details);
    }

    public Settings withTitle(String other) {
      return new Settings(other, target, setup, reading, fullDigits, details);
    }

    public Settings withTarget(Tempo other) {
      return new Settings(title, other, setup, reading, fullDigits, details);
    }

    public Settings withSetup(Setup other) {
      return new Settings(title, target, other, reading, fullDigits, details);
    }

    public Settings withReading(Reading other) {
      return new Settings(title, target, setup, other, fullDigits, details);
    }

    public Settings withDetails(Details other) {
      return new Settings(title, target, setup, reading, fullDigits, other);
    }

    public Settings withFullDigits(boolean other) {
      return new Settings(title, target, setup, reading, other, details);
    }
  }

  public Passage {
    Objects.requireNonNull(settings);
    Objects.requireNonNull(marks);
  }

  public Passage withId(long other) {
    return new Passage(other, auditionId, sourceName, partName, sourceId, settings, marks);
  }

  public Passage withSettings(Settings other) {
    return new Passage(id, auditionId, sourceName, partName, sourceId, other, marks);
  }

  public Passage withMarks(Marks other) {
    return new Passage(id, auditionId, sourceName, partName, sourceId, settings, other);
  }

  public Passage withSource(long other) {
    return new Passage(id, auditionId, sourceName, partName, other, settings, marks);
  }

  public Passage withAudition(long other) {
    return new Passage(id, other, sourceName, partName, sourceId, settings, marks);
  }
}
