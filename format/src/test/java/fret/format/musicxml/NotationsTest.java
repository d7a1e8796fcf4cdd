package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.UnusableInput;
import fret.mark.Reminder;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteKey;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Everything that can hang on a note, one sign at a time. Names of elements are those of MusicXML
 * 4.0 (W3C Music Notation Community Group).
 */
class NotationsTest {
  /** A bar with one quarter D5 that carries {@code notations}, and three rests. */
  private static byte[] file(String notations, String otherNotes) {
    return ("""
        <?xml version="1.0" encoding="UTF-8"?>
        <score-partwise version="4.0">
          <part-list><score-part id="P1"><part-name>Test</part-name></score-part></part-list>
          <part id="P1">
            <measure number="1">
              <attributes>
                <divisions>12</divisions>
                <key><fifths>0</fifths></key>
                <time><beats>4</beats><beat-type>4</beat-type></time>
                <clef><sign>G</sign><line>2</line></clef>
              </attributes>
              <note>
                <pitch><step>D</step><octave>5</octave></pitch>
                <duration>12</duration><voice>1</voice><type>quarter</type>
                <notations>%s</notations>
              </note>
              %s
              <note><rest/><duration>36</duration><voice>1</voice><type>half</type><dot/></note>
            </measure>
          </part>
        </score-partwise>
        """)
        .formatted(notations, otherNotes)
        .getBytes(StandardCharsets.UTF_8);
  }

  private static Score read(String notations) throws UnusableInput {
    return readBytes(file(notations, ""));
  }

  private static Score readBytes(byte[] bytes) throws UnusableInput {
    return MusicXmlReader.read("test", MusicXmlFile.open("test", bytes), "").value();
  }

  private static Event note(String notations) throws UnusableInput {
    return read(notations).events().get(0);
  }

  private static Head head(String technical) throws UnusableInput {
    return note("<technical>" + technical + "</technical>").heads().get(0);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<trill-mark/> | TRILL",
        "<trill-mark/><turn/> | TRILL_WITH_TERMINATION",
        "<turn/> | TURN",
        "<delayed-turn/> | TURN",
        "<inverted-turn/> | INVERTED_TURN",
        "<delayed-inverted-turn/> | INVERTED_TURN",
        "<mordent/> | MORDENT",
        "<inverted-mordent/> | INVERTED_MORDENT",
        "<schleifer/> | NONE",
      })
  void ornaments(String ornaments, Signs.Ornament expected) throws UnusableInput {
    Event e = note("<ornaments>" + ornaments + "</ornaments>");
    assertThat(e.signs().ornament()).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource({"sharp, 1", "flat, -1", "natural, 0", "double-sharp, 2", "flat-flat, -2"})
  void theNeighbourOfAnOrnamentMayBeAltered(String sign, int alter) throws UnusableInput {
    Event e =
        note("<ornaments><trill-mark/><accidental-mark>" + sign + "</accidental-mark></ornaments>");
    assertThat(e.signs().ornamentAlter()).isEqualTo(alter);
  }

  @ParameterizedTest
  @CsvSource({
    "staccato, STACCATO",
    "staccatissimo, STACCATISSIMO",
    "tenuto, TENUTO",
    "accent, ACCENT",
    "strong-accent, MARCATO",
    "detached-legato, DETACHED_LEGATO",
  })
  void articulations(String name, Signs.Articulation expected) throws UnusableInput {
    Event e = note("<articulations><" + name + "/></articulations>");
    assertThat(e.signs().articulations()).containsExactly(expected);
  }

  @Test
  void signsThatAreNotKnownAreLeftAlone() throws UnusableInput {
    Event e = note("<articulations><scoop/></articulations><dynamics><f/></dynamics>");
    assertThat(e.signs()).isEqualTo(Signs.PLAIN);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<fingering>3</fingering> | 3",
        "<fingering>0</fingering> | 0",
        "<open-string/> | 0",
        "<thumb-position/> | T",
        "<fingering>12</fingering> | ''",
        "<fingering>1</fingering><fingering substitution=\"yes\">4</fingering> | 1-4",
        "<fingering>1</fingering><fingering alternate=\"yes\">2</fingering> | 1",
        "<fingering substitution=\"yes\">2</fingering> | 2",
      })
  void printedFingers(String technical, String expected) throws UnusableInput {
    assertThat(head(technical).printedFinger()).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<harmonic/> | NATURAL_SOUNDING",
        "<harmonic><natural/><sounding-pitch/></harmonic> | NATURAL_SOUNDING",
        "<harmonic><natural/><touching-pitch/></harmonic> | NATURAL_TOUCHED",
        "<harmonic><natural/><base-pitch/></harmonic> | NATURAL_TOUCHED",
        "<harmonic><artificial/><base-pitch/></harmonic> | ARTIFICIAL_BASE",
      })
  void harmonics(String technical, Head.Harmonic expected) throws UnusableInput {
    assertThat(head(technical).harmonic()).isEqualTo(expected);
  }

  /** The touched and the sounding head of a stopped harmonic are no notes of their own. */
  @Test
  void anArtificialHarmonicIsOneNote() throws UnusableInput {
    String base = "<technical><harmonic><artificial/><base-pitch/></harmonic></technical>";
    String touched =
        """
        <note><chord/><pitch><step>G</step><octave>5</octave></pitch>
        <duration>12</duration><voice>1</voice><type>quarter</type>
        <notations><technical><harmonic><artificial/><touching-pitch/></harmonic></technical>
        </notations></note>
        """;
    Score score = readBytes(file(base, touched));
    assertThat(score.events().get(0).heads()).hasSize(2);
    assertThat(Resolver.resolve(score).notes())
        .singleElement()
        .satisfies(n -> assertThat(n.pitch().toString()).isEqualTo("D5"));
  }

  @Test
  void bowsFermatasAndTremolos() throws UnusableInput {
    assertThat(note("<technical><down-bow/></technical>").signs().bow()).isEqualTo(Signs.Bow.DOWN);
    assertThat(note("<technical><up-bow/></technical>").signs().bow()).isEqualTo(Signs.Bow.UP);
    assertThat(note("<fermata/>").signs().fermata()).isTrue();
    assertThat(
            note("<ornaments><tremolo type=\"single\">3</tremolo></ornaments>").signs().tremolo())
        .isEqualTo(3);
    assertThat(
            note("<ornaments><tremolo type=\"single\">9</tremolo></ornaments>").signs().tremolo())
        .as("no more strokes than four")
        .isEqualTo(4);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<ornaments><trill-mark/><accidental-mark>sharp</accidental-mark></ornaments>",
        "<ornaments><mordent/></ornaments>",
        "<ornaments><tremolo type=\"single\">2</tremolo></ornaments>",
        "<articulations><accent/><tenuto/></articulations>",
        "<technical><up-bow/><fingering>2</fingering><string>1</string></technical>",
        "<technical><fingering>3</fingering><fingering substitution=\"yes\">1</fingering></technical>",
        "<technical><thumb-position/></technical>",
        "<technical><harmonic><natural/></harmonic></technical>",
        "<fermata/>",
      })
  void whatIsReadIsWrittenAndReadBackEqual(String notations) throws Exception {
    Score score = read(notations);
    byte[] written = MusicXmlWriter.write(score);
    MusicXmlTest.validate(written);
    assertThat(readBytes(written)).isEqualTo(score);
  }

  // ---- fingers written into the file -------------------------------------------------------

  private static String marked(String technical, MarkWriter.NoteMark mark) throws UnusableInput {
    Document document =
        MusicXmlFile.open("test", file("<technical>" + technical + "</technical>", ""));
    MusicXmlReader.Linked linked = MusicXmlReader.readLinked("test", document, "");
    Map<NoteKey, Element> elements = linked.elements();
    NoteKey only = elements.keySet().iterator().next();
    MarkWriter.write(elements, Map.of(only, mark));
    return new String(MarkWriter.bytes(document), StandardCharsets.UTF_8)
        .replaceAll("(?s)<\\?fret .*?\\?>", "")
        .replaceAll("(?s).*<technical>(.*?)</technical>.*", "$1")
        .replaceAll("\\s+<", "<");
  }

  /** Whatever is written, taken off again the file is as it came. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<fingering>3</fingering><string>2</string>",
        "<thumb-position/><down-bow/>",
        "<fingering>3</fingering><fingering substitution=\"yes\">1</fingering><up-bow/>",
        "<harmonic><natural/></harmonic>"
      })
  void whatIsWrittenIsTakenOffAgain(String technical) throws Exception {
    byte[] file = file("<technical>" + technical + "</technical><slur type=\"stop\"/>", "");
    String before = text(MusicXmlFile.open("test", file));
    for (String digit : List.of("1", "T", "2-3", "")) {
      Document document = MusicXmlFile.open("test", file);
      Map<NoteKey, Element> elements = MusicXmlReader.readLinked("test", document, "").elements();
      NoteKey only = elements.keySet().iterator().next();
      MarkWriter.write(
          elements,
          Map.of(only, new MarkWriter.NoteMark(digit, 1, true, Optional.of(Signs.Bow.UP), true)));
      MarkWriter.writeSlurs(elements, Map.of(only, new MarkWriter.Slurs(true, false)));
      SignWriter.slide(elements.get(only), elements.get(only));
      SignWriter.pencil(elements.get(only), Reminder.of(Reminder.Kind.GLASSES));
      byte[] saved = MarkWriter.bytes(document);
      MusicXmlTest.validate(saved);
      assertThat(text(MusicXmlFile.openAsItCame("test", saved))).isEqualTo(before);
    }
  }

  private static String text(Document document) {
    return new String(MarkWriter.bytes(document), StandardCharsets.UTF_8);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<fingering>3</fingering> | 1 | <fingering>1</fingering><fingering>3</fingering>",
        "<fingering>3</fingering> | 3-1 | <fingering>3</fingering><fingering substitution=\"yes\">1</fingering><fingering>3</fingering>",
        "<fingering>3</fingering><fingering substitution=\"yes\">1</fingering> | 3-4 | <fingering>3</fingering><fingering substitution=\"yes\">4</fingering><fingering>3</fingering><fingering substitution=\"yes\">1</fingering>",
        "<fingering>3</fingering><fingering substitution=\"yes\">1</fingering> | 2 | <fingering>2</fingering><fingering>3</fingering><fingering substitution=\"yes\">1</fingering>",
        "<fingering>3</fingering> | T | <fingering>3</fingering><thumb-position/>",
        "<thumb-position/> | 2 | <fingering>2</fingering>",
      })
  void chosenFingersStandBeforeThePrintedOnesWhichStay(String before, String digit, String after)
      throws UnusableInput {
    assertThat(marked(before, new MarkWriter.NoteMark(digit, 0))).isEqualTo(after.strip());
  }

  @Test
  void aHarmonicIsSignedOnce() throws UnusableInput {
    MarkWriter.NoteMark touched = new MarkWriter.NoteMark("3", 0, true, Optional.empty());
    assertThat(marked("", touched))
        .isEqualTo("<fingering>3</fingering><harmonic><natural/></harmonic>");
    assertThat(marked("<harmonic/>", touched)).isEqualTo("<harmonic/><fingering>3</fingering>");
  }

  @Test
  void bowMarksAreChangedAndTakenAway() throws UnusableInput {
    String down = "<down-bow/>";
    assertThat(marked(down, new MarkWriter.NoteMark("", 0, false, Optional.of(Signs.Bow.UP))))
        .isEqualTo("<up-bow/>");
    assertThat(marked(down, new MarkWriter.NoteMark("2", 1, false, Optional.of(Signs.Bow.DOWN))))
        .isEqualTo("<down-bow/><fingering>2</fingering><string>1</string>");
    assertThat(
            marked(
                down + "<string>2</string>",
                new MarkWriter.NoteMark("", 0, false, Optional.of(Signs.Bow.NONE))))
        .isEqualTo("<string>2</string>");
  }
}
