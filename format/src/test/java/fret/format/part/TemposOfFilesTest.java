package fret.format.part;

import static org.assertj.core.api.Assertions.assertThat;

import fret.format.abc.AbcReader;
import fret.format.midi.MidiReader;
import fret.format.midi.MidiWriter;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.musicxml.MusicXmlWriter;
import fret.passage.PrintedTempos;
import fret.passage.TempoMark;
import fret.passage.TempoPlan;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Every tempo of a file is a section, whatever the format. */
class TemposOfFilesTest {
  private static String told(Score score) {
    return PrintedTempos.of(score).marks().stream()
        .map(
            m ->
                m.bar()
                    + (m.kind() == TempoMark.Kind.GRADUAL ? " to " : " ")
                    + m.counted().orElseThrow().displayName()
                    + " "
                    + Math.round(m.value() * 10) / 10.0
                    + (m.upper() > 0 ? "-" + Math.round(m.upper()) : ""))
        .collect(Collectors.joining(", "));
  }

  private static String measure(int number, String above) {
    return "<measure number='"
        + number
        + "'>"
        + (number == 1
            ? "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type>"
                + "</time></attributes>"
            : "")
        + above
        + "<note><pitch><step>G</step><octave>4</octave></pitch><duration>4</duration>"
        + "<type>whole</type></note></measure>";
  }

  private static String mark(String inner) {
    return "<direction><direction-type><metronome>"
        + inner
        + "</metronome></direction-type></direction>";
  }

  private static Score xml(String... above) throws Exception {
    StringBuilder text =
        new StringBuilder(
            "<score-partwise><part-list><score-part id='P'><part-name>Violin</part-name>"
                + "</score-part></part-list><part id='P'>");
    for (int i = 0; i < above.length; i++) {
      text.append(measure(i + 1, above[i]));
    }
    byte[] bytes =
        text.append("</part></score-partwise>").toString().getBytes(StandardCharsets.UTF_8);
    return MusicXmlReader.read("t", MusicXmlFile.open("t", bytes), "").value();
  }

  /** Elements of metronome marks as MusicXML 4.0 (W3C, 2021) has them. */
  private static Score marked() throws Exception {
    return xml(
        mark("<beat-unit>quarter</beat-unit><per-minute>70 to 80</per-minute>"),
        mark("<beat-unit>quarter</beat-unit><beat-unit>quarter</beat-unit><beat-unit-dot/>"),
        mark("<beat-unit>half</beat-unit><beat-unit-dot/><per-minute>c. 40</per-minute>"),
        "<sound tempo='90'/>",
        "<direction><direction-type><words>rit.</words></direction-type></direction>");
  }

  @Test
  void ofMusicXml() throws Exception {
    assertThat(told(marked()))
        .isEqualTo(
            "1 quarter 70.0-80, 2 dotted-quarter 70.0, 3 dotted-half 40.0, 4 quarter 90.0, 5 to"
                + " quarter 68.0");
  }

  /** Two parts, the tempo and the letter only over the upper one. */
  @Test
  void ofTheUppermostPartWhereAPartHasNoneOfItsOwn() throws Exception {
    String letter =
        "<direction><direction-type><rehearsal>B</rehearsal></direction-type></direction>";
    String fast = mark("<beat-unit>half</beat-unit><per-minute>66</per-minute>");
    String text =
        "<score-partwise><part-list><score-part id='P'><part-name>Flute</part-name></score-part>"
            + "<score-part id='Q'><part-name>Violin</part-name></score-part></part-list>"
            + "<part id='P'>"
            + measure(1, "<sound tempo='90'/>")
            + measure(2, letter + fast)
            + "</part><part id='Q'>"
            + measure(1, "")
            + measure(2, "")
            + "</part></score-partwise>";
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    Score score = MusicXmlReader.read("t", MusicXmlFile.open("t", bytes), "Violin").value();
    assertThat(told(score)).isEqualTo("1 quarter 90.0, 2 half 66.0");
    assertThat(score.bars().get(1).directions()).extracting(d -> d.text()).contains("B");
  }

  @Test
  void andTheyAreWrittenBack() throws Exception {
    byte[] bytes = MusicXmlWriter.write(marked());
    Score again = MusicXmlReader.read("t", MusicXmlFile.open("t", bytes), "").value();
    assertThat(told(again)).isEqualTo(told(marked()));
  }

  /** Tempo fields as "The abc music standard 2.1" (2011), section 3.1.8, has them. */
  @Test
  void ofAbcInTheBodyAndWithWords() throws Exception {
    String tune =
        "X:1\nT:t\nM:4/4\nL:1/4\nQ:\"Andante sostenuto\" 1/4=52\nK:C\nCDEF|GABc|\n"
            + "Q:\"Allegro\"\ncBAG|[Q:3/8=60]FEDC|\n";
    Score score = AbcReader.read("t.abc", tune).value();
    assertThat(told(score)).isEqualTo("1 quarter 52.0, 3 quarter 132.0, 4 dotted-quarter 60.0");
    assertThat(PrintedTempos.of(score).marks().get(0).words()).isEqualTo("Andante sostenuto");
  }

  @Test
  void ofMidiAsTheyWereWritten() throws Exception {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 12; i++) {
      line.add(Fraction.ONE, Pitch.parse("G4"));
    }
    Score score = line.build("", Interval.UNISON);
    Tempo t = new Tempo(Beat.QUARTER, 72);
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Section(Fraction.ZERO, t, t),
                new TempoMap.Section(Fraction.of(4), t.at(126), t.at(126)),
                new TempoMap.Section(Fraction.of(8), t.at(112), t.at(112))),
            List.of());
    byte[] bytes = MidiWriter.write(Resolver.resolve(score), map, 40);
    Score again = MidiReader.read("t.mid", bytes, "").value();
    assertThat(told(again)).isEqualTo("1 quarter 72.0, 5 quarter 126.0, 9 quarter 112.0");
    PrintedTempos.Found found = PrintedTempos.of(again);
    TempoMap read = TempoPlan.of(again, found.first(), found.marks());
    assertThat(read.msAt(Fraction.of(12))).isEqualTo(map.msAt(Fraction.of(12)));
  }
}
