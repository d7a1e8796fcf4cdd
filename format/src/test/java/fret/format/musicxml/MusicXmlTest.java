package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.Outcome;
import fret.base.UnusableInput;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.xml.XMLConstants;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.SchemaFactory;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.util.Marshalling;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;

class MusicXmlTest {
  private static final String VIOLIN = "parts/corelli-op2-no2-allemanda-violinoI.musicxml";
  private static final String VIOLONE = "parts/corelli-op2-no2-allemanda-violone.musicxml";
  private static final String RICH = "rich.musicxml";

  private static byte[] resource(String name) {
    try (InputStream in = MusicXmlTest.class.getResourceAsStream("/" + name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  private static Score read(byte[] bytes) throws UnusableInput {
    return MusicXmlReader.read("test", MusicXmlFile.open("test", bytes), "").value();
  }

  private static String text(String name) {
    return new String(resource(name), StandardCharsets.UTF_8);
  }

  @Test
  void readsTheRealViolinPart() throws UnusableInput {
    Outcome<Score> read =
        MusicXmlReader.read("violin", MusicXmlFile.open("violin", resource(VIOLIN)), "");
    Score score = read.value();
    assertThat(read.problems()).isEmpty();
    assertThat(score.bars().get(0).length()).hasToString("1 / 8");
    assertThat(score.bars().get(1).start().signum()).as("the first full bar starts at 0").isZero();
    ResolvedPassage resolved = Resolver.resolve(score);
    assertThat(resolved.notes())
        .first()
        .hasToString(resolved.notes().get(0).toString())
        .extracting(n -> n.pitch().toString())
        .isEqualTo("A4");
    assertThat(resolved.notes().stream().mapToInt(n -> n.pitch().midi()).max())
        .hasValue(82); // B flat 5
  }

  @Test
  void tiesAreJoined() throws UnusableInput {
    ResolvedPassage resolved = Resolver.resolve(read(resource(VIOLONE)));
    long heads = resolved.score().events().stream().mapToLong(e -> e.heads().size()).sum();
    assertThat(resolved.notes()).hasSize((int) heads - 1);
  }

  /** The same pitches as an independent reader finds (proxymusic). */
  @ParameterizedTest
  @ValueSource(strings = {VIOLIN, VIOLONE, RICH})
  void pitchesAgreeWithAnotherReader(String name) throws Exception {
    ScorePartwise other =
        (ScorePartwise) Marshalling.unmarshal(new ByteArrayInputStream(resource(name)));
    List<String> expected = new ArrayList<>();
    for (var measure : other.getPart().get(0).getMeasure()) {
      for (Object o : measure.getNoteOrBackupOrForward()) {
        if (o instanceof Note n && n.getPitch() != null) {
          int alter = n.getPitch().getAlter() == null ? 0 : n.getPitch().getAlter().intValue();
          expected.add(
              n.getPitch().getStep()
                  + (alter > 0 ? "#" : alter < 0 ? "b" : "")
                  + n.getPitch().getOctave());
        }
      }
    }
    List<String> mine =
        read(resource(name)).events().stream()
            .flatMap(e -> e.heads().stream())
            .map(h -> h.pitch().toString())
            .toList();
    assertThat(mine).containsExactlyInAnyOrderElementsOf(expected);
  }

  /** Some programs write key and time in one element, and the clef in the next. */
  @Test
  void aClefInASecondElementBeforeTheFirstNoteIsThatOfItsBar() throws UnusableInput {
    String bar =
        "<note><pitch><step>D</step><octave>4</octave></pitch><duration>4</duration>"
            + "<type>whole</type></note></measure>";
    String xml =
        "<score-partwise version=\"4.0\"><part-list><score-part id=\"P1\">"
            + "<part-name>Cello</part-name></score-part></part-list><part id=\"P1\">"
            + "<measure number=\"1\"><attributes><divisions>1</divisions><clef><sign>F</sign>"
            + "<line>4</line></clef></attributes>"
            + bar
            + "<measure number=\"2\"><attributes><key><fifths>-1</fifths></key></attributes>"
            + "<attributes><clef><sign>C</sign><line>4</line></clef></attributes>"
            + bar
            + "</part></score-partwise>";
    Score score = read(xml.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    assertThat(score.bars()).extracting(b -> b.clef()).containsExactly(Clef.BASS, Clef.TENOR);
    assertThat(score.bars().get(1).clefChanges()).isEmpty();
  }

  @Test
  void readsEverythingThatHangsOnNotes() throws UnusableInput {
    Score score = read(resource(RICH));
    assertThat(score.transposition()).isEqualTo(Interval.UNISON);
    assertThat(score.bars().get(0).clefChanges())
        .extracting(c -> c.clef())
        .containsExactly(Clef.TENOR);
    List<Event> events = score.events();
    assertThat(events).anyMatch(e -> e.grace() == Event.Grace.SLASHED);
    assertThat(events).anyMatch(e -> e.signs().ornament() == Signs.Ornament.TRILL);
    assertThat(events)
        .anyMatch(e -> e.signs().tuplet().actual() == 3 && e.signs().tuplet().starts());
    assertThat(events)
        .anyMatch(e -> e.heads().size() == 2 && e.heads().get(0).printedFinger().equals("1"));
    assertThat(events).anyMatch(e -> e.signs().bow() == Signs.Bow.UP && e.signs().fermata());
    assertThat(events.stream().flatMap(e -> e.heads().stream()))
        .anyMatch(h -> h.harmonic() == Head.Harmonic.NATURAL_TOUCHED);
    assertThat(score.bars().get(1).endings()).containsExactly(1);
    assertThat(fret.score.Repeats.playingOrder(score)).containsExactly(0, 1, 0, 2);
    assertThat(score.bars().get(0).directions()).extracting(d -> d.text()).contains("mf", "sul D");
  }

  @ParameterizedTest
  @ValueSource(strings = {VIOLIN, VIOLONE, RICH})
  void writtenFilesReadBackEqualAndAreValid(String name) throws Exception {
    Score score = read(resource(name));
    byte[] written = MusicXmlWriter.write(score);
    assertThat(read(written)).isEqualTo(score);
    validate(written);
  }

  /**
   * Against the MusicXML 4.0 schema (W3C Music Notation Community Group), as shipped by proxymusic.
   */
  static void validate(byte[] bytes) throws Exception {
    SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
    factory.setResourceResolver(
        (type, namespace, publicId, systemId, base) -> {
          String local = systemId.endsWith("xlink.xsd") ? "/xsd/xlink.xsd" : "/xsd/xml.xsd";
          return new SchemaInput(publicId, systemId, MusicXmlTest.class.getResourceAsStream(local));
        });
    try (InputStream xsd =
        ScorePartwise.class.getResourceAsStream("/META-INF/jaxb/xsd/musicxml.xsd")) {
      factory
          .newSchema(new StreamSource(xsd))
          .newValidator()
          .validate(new StreamSource(new ByteArrayInputStream(bytes)));
    }
  }

  @Test
  void marksAreOnlyInserted() throws UnusableInput {
    String source = text(RICH);
    Document document = MusicXmlFile.open("rich", source.getBytes(StandardCharsets.UTF_8));
    List<String> before = lines(document);
    MusicXmlReader.Linked linked = MusicXmlReader.readLinked("rich", document, "");
    Map<NoteKey, MarkWriter.NoteMark> marks = new HashMap<>();
    Resolver.resolve(linked.score().value())
        .notes()
        .forEach(
            n -> {
              if (n.printedFinger().isEmpty() && n.printedString() == 0) {
                marks.put(n.key(), new MarkWriter.NoteMark("2", 3));
              }
            });
    assertThat(linked.elements().keySet()).containsAll(marks.keySet());
    MarkWriter.write(linked.elements(), marks);
    List<String> after = lines(document);
    int at = 0;
    for (String line : before) {
      while (at < after.size() && !after.get(at).equals(line)) {
        at++;
      }
      assertThat(at).as("kept: " + line).isLessThan(after.size());
      at++;
    }
    assertThat(new String(MarkWriter.bytes(document), StandardCharsets.UTF_8))
        .contains("a comment that stays", "<invented>");
    ResolvedPassage again = Resolver.resolve(read(MarkWriter.bytes(document)));
    marks
        .keySet()
        .forEach(
            k ->
                assertThat(again.notes().get(again.indexOf(k).orElseThrow()).printedFinger())
                    .isEqualTo("2"));
  }

  @Test
  void aChosenFingerOverAPrintedOneIsAnInsertionOnly() throws UnusableInput {
    Document document = MusicXmlFile.open("rich", resource(RICH));
    List<String> before = lines(document);
    MusicXmlReader.Linked linked = MusicXmlReader.readLinked("rich", document, "");
    NoteKey marked =
        Resolver.resolve(linked.score().value()).notes().stream()
            .filter(n -> n.printedFinger().equals("1"))
            .findFirst()
            .orElseThrow()
            .key();
    MarkWriter.write(linked.elements(), Map.of(marked, new MarkWriter.NoteMark("4", 0)));
    List<String> after = lines(document);
    List<String> added = new java.util.ArrayList<>(after);
    before.forEach(added::remove);
    assertThat(added).as("an insertion with its own sign, and nothing else").hasSize(2);
    assertThat(added.get(0)).isEqualTo("<?fret sign?>");
    assertThat(after).hasSize(before.size() + 2);
  }

  private static List<String> lines(Document document) {
    String text = new String(MarkWriter.bytes(document), StandardCharsets.UTF_8);
    return Arrays.stream(text.replace("><", ">\n<").split("\\R"))
        .map(String::strip)
        .filter(l -> !l.isEmpty())
        .map(l -> l.replaceAll("^<(notations|technical)/>$", "<$1>"))
        .toList();
  }

  @Test
  void zippedUtf16AndCrlfReadTheSame() throws Exception {
    Score plain = read(resource(VIOLIN));
    ByteArrayOutputStream zipped = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
      zip.putNextEntry(new ZipEntry("META-INF/container.xml"));
      zip.write(
          "<container><rootfiles><rootfile full-path=\"in/part.xml\"/></rootfiles></container>"
              .getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry("in/part.xml"));
      zip.write(resource(VIOLIN));
    }
    assertThat(read(zipped.toByteArray())).isEqualTo(plain);
    String utf16 = text(VIOLIN).replace("UTF-8", "UTF-16");
    assertThat(read(utf16.getBytes(StandardCharsets.UTF_16))).isEqualTo(plain);
    assertThat(read(text(VIOLIN).replace("\n", "\r\n").getBytes(StandardCharsets.UTF_8)))
        .isEqualTo(plain);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<part-name>Violin I</part-name> | <part-name>V</part-name><oops> | read.broken,",
        "<divisions>480</divisions> | <divisions>480</divisions><staves>2</staves> | read.staves,",
        "<sign>G</sign> | <sign>TAB</sign> | read.tablature,",
        "<sign>G</sign> | <sign>percussion</sign> | read.percussion,",
        "encoding=\"UTF-8\" | encoding=\"UTF-7777\" | read.encoding,",
        "<step>B</step> | <step>H</step> | read.value,",
        "score-partwise | opus | read.no-score,",
        "<duration>480</duration> | <duration>many</duration> | where.file-bar, args=[test, 1]",
      })
  void whatCannotBeUsedIsNamed(String from, String to, String said) {
    byte[] bytes = text(VIOLIN).replace(from.strip(), to.strip()).getBytes(StandardCharsets.UTF_8);
    assertThatThrownBy(() -> read(bytes))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining(said.strip());
  }

  @Test
  void entitiesAreRefused() {
    String evil =
        text(VIOLIN)
            .replaceAll("<!DOCTYPE[^>]*>", "<!DOCTYPE score-partwise [<!ENTITY x \"y\">]>")
            .replace("Violin I", "&x;");
    assertThatThrownBy(() -> read(evil.getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("read.entities,");
  }

  @Test
  void aZipThatUnpacksWithoutEndIsRefused() throws IOException {
    ByteArrayOutputStream zipped = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
      zip.putNextEntry(new ZipEntry("part.xml"));
      byte[] block = new byte[1 << 20];
      for (int i = 0; i < 60; i++) {
        zip.write(block);
      }
    }
    assertThatThrownBy(() -> read(zipped.toByteArray()))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("read.zip-large,");
  }

  @Test
  void tooLargeAndEmptyAreRefused() {
    assertThatThrownBy(() -> read(new byte[MusicXmlFile.LARGEST_BYTES + 1]))
        .hasMessageContaining("read.large, args=[40]");
    assertThatThrownBy(() -> read(new byte[0])).hasMessageContaining("read.empty,");
    String silent = text(VIOLIN).replaceAll("(?s)<pitch>.*?</pitch>", "<rest/>");
    assertThatThrownBy(() -> read(silent.getBytes(StandardCharsets.UTF_8)))
        .hasMessageContaining("read.no-notes,");
  }

  @Test
  void aPartIsPickedByName() throws UnusableInput {
    Document document = MusicXmlFile.open("v", resource(VIOLIN));
    assertThat(MusicXmlReader.read("v", document, "violin i").value().partName())
        .isEqualTo("Violin I");
    assertThatThrownBy(() -> MusicXmlReader.read("v", document, "Flute"))
        .isInstanceOfSatisfying(
            UnusableInput.class,
            e -> assertThat(e.problem().nextStep().args()).containsExactly("Violin I"));
  }

  @Test
  void whatIsBuiltUpWithoutEndIsRefusedAtItsLine() {
    String deep = "<score-partwise>" + "<a>".repeat(200_000) + "</a>".repeat(200_000);
    assertThatThrownBy(
            () ->
                MusicXmlFile.open(
                    "deep.musicxml",
                    (deep + "</score-partwise>").getBytes(java.nio.charset.StandardCharsets.UTF_8)))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("read.broken, args=[1]");
  }
}
