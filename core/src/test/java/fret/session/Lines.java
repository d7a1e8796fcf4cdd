package fret.session;

import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import org.apache.commons.numbers.fraction.Fraction;

/** Eighths on a violin, in C major and common time, at 80 quarters a minute. */
public final class Lines {
  private Lines() {}

  /**
   * A page.
   *
   * @param notes such as {@code "B4 C5"}
   */
  public static Score page(String notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : notes.split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(p));
    }
    return line.build("line", Interval.UNISON);
  }

  /** A passage without decisions. */
  public static Passage passage() {
    Passage.Settings settings =
        new Passage.Settings(
            "line",
            new Tempo(Beat.QUARTER, 80),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return Passage.of("line.xml", "", settings).withId(1);
  }

  /** The passage with a page, all computed. */
  public static Session session(String notes) {
    return Session.of(passage(), page(notes));
  }
}
