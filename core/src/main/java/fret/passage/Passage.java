package fret.passage;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.Marks;
import fret.player.HandModel;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.tempo.Tempo;
import java.util.Objects;

/**
 * A passage that is being prepared: what was decided about it. Its notes are read from the file
 * that is kept with it.
 *
 * @param id 0 until stored
 * @param auditionId the audition it belongs to, 0 for none
 * @param sourceName name of the file it came from
 */
public record Passage(
    long id, long auditionId, String sourceName, String partName, Settings settings, Marks marks) {
  /**
   * The player's settings for a passage.
   *
   * @param target target tempo
   * @param soundsOctaveLow whether a bass part without its own word for it sounds an octave low
   * @param fullDigits a digit on every note, not only where the page needs one
   */
  public record Settings(
      String title,
      InstrumentType instrument,
      Tempo target,
      String presetId,
      School school,
      HandSize hand,
      boolean soundsOctaveLow,
      boolean fullDigits) {
    public Settings {
      Objects.requireNonNull(title);
      Objects.requireNonNull(instrument);
      Objects.requireNonNull(target);
    }

    public HandModel handModel() {
      return new HandModel(Instrument.standard(instrument), school, hand);
    }

    public Preset preset() {
      return Preset.named(presetId).orElse(Preset.SURE);
    }

    public Settings withTarget(Tempo other) {
      return new Settings(
          title, instrument, other, presetId, school, hand, soundsOctaveLow, fullDigits);
    }

    public Settings withInstrument(InstrumentType other) {
      return new Settings(
          title, other, target, presetId, school, hand, soundsOctaveLow, fullDigits);
    }

    public Settings withPreset(String other) {
      return new Settings(
          title, instrument, target, other, school, hand, soundsOctaveLow, fullDigits);
    }

    public Settings withHand(HandSize otherHand, School otherSchool) {
      return new Settings(
          title, instrument, target, presetId, otherSchool, otherHand, soundsOctaveLow, fullDigits);
    }

    public Settings withFullDigits(boolean other) {
      return new Settings(
          title, instrument, target, presetId, school, hand, soundsOctaveLow, other);
    }
  }

  public Passage {
    Objects.requireNonNull(settings);
    Objects.requireNonNull(marks);
  }

  public Passage withId(long other) {
    return new Passage(other, auditionId, sourceName, partName, settings, marks);
  }

  public Passage withSettings(Settings other) {
    return new Passage(id, auditionId, sourceName, partName, other, marks);
  }

  public Passage withMarks(Marks other) {
    return new Passage(id, auditionId, sourceName, partName, settings, other);
  }
}
