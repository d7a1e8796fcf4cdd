package fret.session;

import fret.instrument.InstrumentType;
import fret.mark.Marks;
import fret.passage.MarksForm;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.score.Direction;
import fret.score.Score;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.Locale;

/** Settings for a passage that is new in the library, guessed from its page. */
public final class NewPassage {
  private static final double USUAL_QUARTERS = 80;

  private NewPassage() {}

  /** A passage of a file that is brought in. */
  public static Passage of(String file, String partName, Score score, Reading reading) {
    InstrumentType type = instrument(score);
    String title = score.title().isEmpty() ? file : score.title();
    return titled(of(file, partName, score, reading, Setup.usual(type)), title);
  }

  /** A passage of a file for an instrument and a hand that are known, at its printed tempo. */
  public static Passage of(
      String file, String partName, Score score, Reading reading, Setup setup) {
    boolean low =
        setup.instrument() == InstrumentType.BASS
            && score.transposition().equals(Interval.UNISON)
            && score.bars().stream().allMatch(b -> b.clef().octaveChange() == 0);
    Passage.Settings settings =
        new Passage.Settings(
            score.title(), target(score), setup, reading.withOctaveLow(low), false);
    return Passage.of(file, partName, settings);
  }

  /** A passage that is written by hand. */
  public static Passage byHand(Score empty, Setup setup) {
    Reading reading = Reading.PLAIN.withOctaveLow(setup.instrument() == InstrumentType.BASS);
    return Passage.of(
        "", "", new Passage.Settings(empty.title(), target(empty), setup, reading, false));
  }

  /**
   * A passage with what its file keeps of it, where this program wrote the file: settings and
   * decisions come back as they left.
   */
  public static Passage with(Passage fresh, Marks kept) {
    return fresh.withMarks(fresh.marks().over(MarksForm.travelling(kept)));
  }

  private static Passage titled(Passage passage, String title) {
    return passage.withSettings(passage.settings().withTitle(title));
  }

  private static InstrumentType instrument(Score score) {
    Clef clef = score.bars().get(0).clef();
    String part = score.partName().toLowerCase(Locale.ROOT);
    if (part.contains("viola") || clef.equals(Clef.ALTO)) {
      return InstrumentType.VIOLA;
    }
    boolean namedBass = part.contains("bass") && !part.contains("basso");
    if (namedBass || score.transposition().equals(Interval.OCTAVE_DOWN)) {
      return InstrumentType.BASS;
    }
    return clef.sign() == Clef.Sign.F || part.contains("cello")
        ? InstrumentType.CELLO
        : InstrumentType.VIOLIN;
  }

  private static Tempo target(Score score) {
    double quarters =
        score.bars().stream()
            .flatMap(b -> b.directions().stream())
            .filter(d -> d.kind() == Direction.Kind.TEMPO && d.number() > 0)
            .mapToDouble(Direction::number)
            .findFirst()
            .orElse(USUAL_QUARTERS);
    Beat beat = new Beat(score.bars().get(0).time().beatLength());
    double rate = new Tempo(Beat.QUARTER, quarters).perMinuteOf(beat);
    return new Tempo(beat, Math.max(2, Math.round(rate)));
  }
}
