package fret.session;

import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** Eighths on a violin, in C major and common time, at 80 quarters a minute. */
public final class Lines {
  private Lines() {}

  /**
   * A page.
   *
   * @param notes such as {@code "B4 (C5 D5) D4+B4"}, slurs in brackets, double stops with a plus
   */
  public static Score page(String notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : notes.split(" ")) {
      Signs signs =
          Signs.PLAIN.withSlurs(
              p.startsWith("(") ? List.of(1) : List.of(), p.endsWith(")") ? List.of(1) : List.of());
      List<Head> heads =
          Arrays.stream(p.replaceAll("[()]", "").split("\\+"))
              .map(name -> Head.of(Pitch.parse(name)))
              .toList();
      line.add(Fraction.of(1, 8), heads, signs);
    }
    return line.build("line", Interval.UNISON);
  }

  /** A passage without decisions. */
  public static Passage passage() {
    return passage(InstrumentType.VIOLIN);
  }

  private static Passage passage(InstrumentType type) {
    Passage.Settings settings =
        new Passage.Settings(
            "line", new Tempo(Beat.QUARTER, 80), Setup.usual(type), Reading.PLAIN, false);
    return Passage.of("line.xml", "", settings).withId(1);
  }

  /** The passage with a page, all computed. */
  public static Session session(String notes) {
    return Session.of(passage(), page(notes));
  }

  /** A session once a change is made and all is computed. */
  static Session after(Session s, Change change) {
    return s.after(s.step(change)).computed(Token.NEVER);
  }

  /** The same on another instrument. */
  public static Session session(InstrumentType type, String notes) {
    return Session.of(passage(type), page(notes));
  }
}
