package fret.format.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.UnusableInput;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.musicxml.MusicXmlWriter;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.score.Direction;
import fret.score.Score;
import fret.session.MarkedFileWriter.Proposed;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class PartFilesTest {
  private static final PartFiles FILES = new PartFiles();

  private static byte[] part(String attributes, String notes) {
    return ("<?xml version=\"1.0\" encoding=\"UTF-8\"?><score-partwise version=\"4.0\"><part-list>"
            + "<score-part id=\"P1\"><part-name>x</part-name></score-part></part-list>"
            + "<part id=\"P1\"><measure number=\"7\"><attributes><divisions>1</divisions>"
            + attributes
            + "</attributes>"
            + notes
            + "</measure></part></score-partwise>")
        .getBytes(StandardCharsets.UTF_8);
  }

  private static String note(String step, int octave, String technical) {
    return "<note><pitch><step>"
        + step
        + "</step><octave>"
        + octave
        + "</octave></pitch><duration>4</duration><type>whole</type>"
        + (technical.isEmpty()
            ? ""
            : "<notations><technical>" + technical + "</technical></notations>")
        + "</note>";
  }

  /** A transposition may take a written note out of all octaves: told with its bar. */
  @Test
  void aNoteThatSoundsNowhereIsRefusedWithItsBar() {
    String down =
        "<transpose><chromatic>0</chromatic><octave-change>-3</octave-change></transpose>";
    assertThatThrownBy(() -> FILES.read("low.musicxml", part(down, note("C", 1, "")), ""))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("where.file-bar, args=[low.musicxml, 7]");
  }

  private static Session session(byte[] file) throws UnusableInput {
    Score score = FILES.read("x.musicxml", file, "").value();
    Passage.Settings s =
        new Passage.Settings(
            "x",
            new Tempo(Beat.QUARTER, 60),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return Session.of(Passage.of("x.musicxml", "", s), score);
  }

  /** What is printed stays in the file; the chosen finger stands before it and is the one read. */
  @Test
  void aPrintedFingeringStaysBesideTheChosenOne() throws UnusableInput {
    for (String printed :
        new String[] {
          "<fingering>4</fingering>",
          "<fingering>1</fingering><fingering substitution=\"yes\">3</fingering>"
        }) {
      byte[] file = part("", note("B", 4, printed + "<string>3</string>"));
      Session s = session(file);
      byte[] saved = FILES.write(s, file, Proposed.MARKED);
      String written = new String(saved, StandardCharsets.UTF_8);
      String finger = s.fingering().notes().get(0).orElseThrow().digit();
      assertThat(written).contains(printed).contains("<string>3</string>");
      Score elsewhere = MusicXmlReader.read("x", MusicXmlFile.open("x", saved), "").value();
      assertThat(elsewhere.events().get(0).heads().get(0).printedFinger()).isEqualTo(finger);
      Session again = session(saved);
      assertThat(again.page()).as("the page is as it came").isEqualTo(s.page());
      assertThat(new String(FILES.write(again, saved, Proposed.MARKED), StandardCharsets.UTF_8))
          .as("written twice")
          .isEqualTo(written);
    }
  }

  /** A dotted beat comes back from the file that is made of a tune. */
  @Test
  void aDottedBeatOfATuneIsExportedAsReadersTakeIt() throws UnusableInput {
    byte[] tune =
        "X:1\nT:t\nM:6/8\nL:1/8\nQ:3/8=72\nK:C\nCDE FGA|\n".getBytes(StandardCharsets.UTF_8);
    Score score = FILES.read("t.abc", tune, "").value();
    byte[] xml = MusicXmlWriter.write(score);
    assertThat(new String(xml, StandardCharsets.UTF_8))
        .contains("<beat-unit>quarter</beat-unit>")
        .contains("<beat-unit-dot/>");
    Direction read =
        FILES.read("t.musicxml", xml, "").value().bars().get(0).directions().stream()
            .filter(d -> d.kind() == Direction.Kind.TEMPO)
            .findFirst()
            .orElseThrow();
    assertThat(read.number()).isEqualTo(108);
    assertThat(read.text()).isEqualTo("quarter.=72");
  }
}
