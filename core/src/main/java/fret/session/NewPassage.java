package fret.session;

import fret.instrument.InstrumentType;
import fret.mark.Marks;
import fret.mark.Place;
import fret.passage.MarksForm;
import fret.passage.Passage;
import fret.passage.PracticeLayer;
import fret.passage.PracticeSetup;
import fret.passage.PrintedTempos;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.score.Score;
import java.util.Locale;
import java.util.Optional;

/** Settings for a passage that is new in the library, guessed from its page. */
public final class NewPassage {
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
            score.title(),
            Passage.Settings.USUAL.target(),
            setup,
            reading.withOctaveLow(low),
            false);
    return timed(Passage.of(file, partName, settings), score);
  }

  /** With the tempos of its page. */
  private static Passage timed(Passage passage, Score page) {
    PrintedTempos.Found found = PrintedTempos.of(page);
    Score read = passage.settings().reading().of(page);
    double upper = found.at(read, page).upper();
    Passage timed = passage.withSettings(found.in(passage.settings(), read, page));
    return upper > 0
        ? timed.withMarks(
            timed
                .marks()
                .with(
                    PracticeLayer.PRACTICE,
                    Place.WHOLE,
                    Optional.of(PracticeSetup.USUAL.withUpper(upper))))
        : timed;
  }

  /** A passage that is written by hand. */
  public static Passage byHand(Score empty, Setup setup) {
    Reading reading = Reading.PLAIN.withOctaveLow(setup.instrument() == InstrumentType.BASS);
    return Passage.of(
        "",
        "",
        new Passage.Settings(
            empty.title(), PrintedTempos.of(empty).first(), setup, reading, false));
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
}
