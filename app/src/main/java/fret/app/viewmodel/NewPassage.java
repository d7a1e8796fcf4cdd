package fret.app.viewmodel;

import fret.instrument.InstrumentType;
import fret.mark.Marks;
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
final class NewPassage {
  private static final double USUAL_QUARTERS = 80;

  private NewPassage() {}

  static Passage of(String file, String partName, Score score, Reading reading) {
    InstrumentType type = instrument(score);
    boolean low = type == InstrumentType.BASS && score.transposition().equals(Interval.UNISON);
    String title = score.title().isEmpty() ? file : score.title();
    return new Passage(
        0,
        0,
        file,
        partName,
        0,
        new Passage.Settings(
            title, target(score), Setup.usual(type), reading.withOctaveLow(low), false),
        Marks.NONE);
  }

  static Passage byHand(Score empty, Setup setup) {
    return new Passage(
        0,
        0,
        "",
        "",
        0,
        new Passage.Settings(
            empty.title(),
            target(empty),
            setup,
            Reading.PLAIN.withOctaveLow(setup.instrument() == InstrumentType.BASS),
            false),
        Marks.NONE);
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
