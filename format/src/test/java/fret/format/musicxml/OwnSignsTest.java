package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.UnusableInput;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** What is written into a file's own tree is taken off again, whatever stood there. */
class OwnSignsTest {
  private static final String PAGE =
      "<score-partwise version=\"4.0\"><part-list><score-part id=\"P1\"><part-name>Cello"
          + "</part-name></score-part></part-list><part id=\"P1\"><measure number=\"1\"><note>"
          + "<rest/><duration>4</duration><notations><slur number=\"1\" type=\"start\">"
          + "<?other of another program?></slur></notations></note></measure></part>"
          + "</score-partwise>";

  private static Document open(byte[] bytes) throws UnusableInput {
    return MusicXmlFile.open("page.musicxml", bytes);
  }

  private static Element first(Document d, String name) {
    return (Element) d.getElementsByTagName(name).item(0);
  }

  /** An instruction of another program within what is taken out does not end ours. */
  @Test
  void whatIsTakenOutComesBackWithTheInstructionsInIt() throws UnusableInput {
    byte[] page = PAGE.getBytes(StandardCharsets.UTF_8);
    Document written = open(page);
    OwnSigns.remove(first(written, "slur"));
    byte[] file = MarkWriter.bytes(written);
    assertThat(open(file).getElementsByTagName("slur").getLength()).isZero();
    Document back = MusicXmlFile.openAsItCame("page.musicxml", file);
    assertThat(MarkWriter.bytes(back)).isEqualTo(MarkWriter.bytes(open(page)));
  }

  @Test
  void whatWasAddedGoesAndHoldersOfNothingAreNotWritten() throws UnusableInput {
    byte[] page = PAGE.getBytes(StandardCharsets.UTF_8);
    Document written = open(page);
    Element technical = OwnSigns.add(first(written, "notations"), "technical");
    OwnSigns.add(first(written, "notations"), "articulations");
    OwnSigns.add(technical, "up-bow");
    String file = new String(MarkWriter.bytes(written), StandardCharsets.UTF_8);
    assertThat(file).contains("<up-bow/>").doesNotContain("articulations");
    Document back =
        MusicXmlFile.openAsItCame("page.musicxml", file.getBytes(StandardCharsets.UTF_8));
    assertThat(MarkWriter.bytes(back)).isEqualTo(MarkWriter.bytes(open(page)));
  }
}
