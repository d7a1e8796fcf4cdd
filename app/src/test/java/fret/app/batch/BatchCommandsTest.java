package fret.app.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.format.musicxml.MusicXmlWriter;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.TimeSignature;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class BatchCommandsTest {
  @TempDir Path dir;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  @BeforeEach
  void copyParts() throws IOException {
    for (String name : new String[] {"violin", "violone"}) {
      try (InputStream in = BatchCommandsTest.class.getResourceAsStream("/" + name + ".musicxml")) {
        Files.copy(in, dir.resolve(name + ".musicxml"));
      }
    }
  }

  private int run(String... args) {
    out.reset();
    err.reset();
    for (int i = 0; i < args.length; i++) {
      args[i] = args[i].replace("DIR", dir.toString());
    }
    return BatchCommands.run(
        args,
        new PrintStream(out, true, StandardCharsets.UTF_8),
        new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  private JsonNode json() throws IOException {
    return new ObjectMapper().readTree(out.toByteArray());
  }

  private void write(String name, LineBuilder line) throws IOException {
    Files.write(dir.resolve(name), MusicXmlWriter.write(line.build(name, Interval.UNISON)));
  }

  private List<String> messages() throws IOException {
    List<String> all = new ArrayList<>();
    json().path("problems").forEach(p -> all.add(p.path("message").asText()));
    return all;
  }

  /** Under E a bass part is written for other strings; nobody reads it in the wrong clef. */
  @Test
  void aBassPartUnderItsLowestStringIsOfferedOtherStrings() throws IOException {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS);
    for (String p : "E2 D2 C2 E2".split(" ")) {
      line.add(Fraction.of(1, 4), Pitch.parse(p));
    }
    write("low.musicxml", line);
    run("finger", "DIR/low.musicxml", "--instrument", "bass", "--json");
    assertThat(messages()).anyMatch(m -> m.contains("extension or a fifth string"));
    assertThat(messages()).noneMatch(m -> m.contains("clef"));
    for (String strings : List.of("extension to C", "five strings, low B", "G2,D2,A1,E1,B0")) {
      run("finger", "DIR/low.musicxml", "--instrument", "bass", "--strung", strings, "--json");
      assertThat(messages()).as(strings).noneMatch(m -> m.contains("fifth string"));
    }
    assertThat(run("finger", "DIR/low.musicxml", "--instrument", "bass", "--strung", "gut"))
        .isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("five strings, low B");
  }

  /** D3 to B4 in one stroke of a cello is two players under "div.". */
  @Test
  void ofADividedPartOneLineIsPlayed() throws IOException {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS);
    line.say(Direction.Kind.WORDS, "div.");
    line.add(Fraction.ONE, Pitch.parse("C2"), Pitch.parse("B3"));
    write("div.musicxml", line);
    for (String chosen : List.of("upper", "lower")) {
      run("finger", "DIR/div.musicxml", "--instrument", "cello", "--line", chosen, "--json");
      JsonNode notes = json().path("alternatives").path(0).path("notes");
      assertThat(notes).hasSize(1);
      assertThat(notes.path(0).toString()).contains(chosen.equals("upper") ? "B3" : "C2");
    }
    run("finger", "DIR/div.musicxml", "--instrument", "cello", "--json");
    assertThat(json().path("problems")).isEmpty();
  }

  /** common practice, no source: a line within first position gets no shift. */
  @Test
  void theViolinPartStaysInFirstPosition() throws IOException {
    assertThat(
            run(
                "finger",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "72",
                "--json"))
        .isZero();
    JsonNode best = json().path("alternatives").path(0);
    assertThat(best.path("shifts")).isEmpty();
    assertThat(best.path("notes"))
        .hasSize(json().path("noteCount").asInt())
        .allMatch(n -> n.path("position").asText().equals("first"));
    assertThat(best.path("notes").path(0).path("onset").asText()).isEqualTo("-1/16");
    assertThat(best.path("notes").path(0).path("beat").asText()).isEqualTo("19/4");
    double sum = 0;
    for (JsonNode term : best.path("terms")) {
      sum += term.path("effort").asDouble();
    }
    assertThat(sum).isCloseTo(best.path("effort").asDouble(), within(0.01));
  }

  /** Sums of seconds by hand: 18 bars of four at 72, 12 at 126, 12 of two at 60 and so on. */
  @Test
  void aLongPartGoesByItsOwnTempos() throws IOException {
    try (InputStream in = BatchCommandsTest.class.getResourceAsStream("/the-weir.musicxml")) {
      Files.copy(in, dir.resolve("weir.musicxml"));
    }
    run("finger", "DIR/weir.musicxml", "--instrument", "cello", "--json");
    List<String> told = new ArrayList<>();
    for (JsonNode s : json().path("sections")) {
      told.add(
          s.path("fromBar").asText()
              + "-"
              + s.path("toBar").asText()
              + " "
              + s.path("beat").asText()
              + " "
              + s.path("perMinute").asText()
              + " "
              + s.path("source").asText());
    }
    assertThat(told)
        .containsExactly(
            "1-18 quarter 72.0 file",
            "19-30 quarter 126.0 file",
            "31-42 dotted-quarter 60.0 file",
            "43-50 quarter 112.0 file",
            "51-58 quarter 144.0 file");
    double seconds = 60 * (72 / 72.0 + 48 / 126.0 + 24 / 60.0 + 24 / 112.0 + 16 / 144.0);
    assertThat(json().path("partSeconds").asDouble()).isCloseTo(seconds, within(0.001));
    run(
        "finger",
        "DIR/weir.musicxml",
        "--instrument",
        "cello",
        "--bars",
        "31-50",
        "--tempo",
        "30",
        "--json");
    assertThat(json().path("tempo").path("beat").asText()).isEqualTo("dotted-quarter");
    assertThat(json().path("sections").path(1).path("perMinute").asDouble()).isEqualTo(56);
    assertThat(json().path("partSeconds").asDouble())
        .isCloseTo(120 * (24 / 60.0 + 24 / 112.0), within(0.001));
  }

  /** common practice, no source: the violone part lies on the neck. */
  @ParameterizedTest
  @CsvSource({"cello, 0", "bass, -12"})
  void theViolonePartStaysOnTheNeck(String instrument, int transposition) throws IOException {
    assertThat(
            run(
                "finger",
                "DIR/violone.musicxml",
                "--instrument",
                instrument,
                "--tempo",
                "72",
                "--json",
                "--alternatives",
                "3"))
        .isZero();
    assertThat(json().path("alternatives")).hasSize(3);
    for (JsonNode note : json().path("alternatives").path(0).path("notes")) {
      assertThat(note.path("handBase").asInt()).isBetween(1, 7);
      assertThat(note.path("finger").asText()).matches("[0-4]");
    }
    assertThat(json().path("alternatives").path(0).path("notes").path(0).path("pitch").asText())
        .isEqualTo(transposition == 0 ? "D3" : "D2");
  }

  @Test
  void barsAndTextOutput() throws IOException {
    assertThat(
            run(
                "finger",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "72",
                "--bars",
                "2-3",
                "--json"))
        .isZero();
    assertThat(json().path("alternatives").path(0).path("notes"))
        .allMatch(n -> n.path("bar").asText().matches("[23]"));
    assertThat(run("finger", "DIR/violin.musicxml", "--instrument", "violin", "--tempo", "72"))
        .isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("0 shifts");
  }

  @Test
  void figuresAreFingeredAlikeUnlessTheFreestIsAsked() throws IOException {
    LineBuilder figures =
        new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String note : "B4 D5 F#5 D5 G4 B4 D5 B4 B4 D5 F#5 D5 E5 C5 A4 C5".split(" ")) {
      figures.add(Fraction.of(1, 16), Pitch.parse(note));
    }
    Files.write(
        dir.resolve("figures.musicxml"),
        MusicXmlWriter.write(figures.build("Figures", Interval.UNISON)));
    String line =
        "finger DIR/figures.musicxml --instrument violin --tempo 72 --alternatives 3 --json";
    assertThat(run((line + " --free").split(" "))).isZero();
    JsonNode free = json().path("alternatives");
    assertThat(run(line.split(" "))).isZero();
    JsonNode alike = json().path("alternatives");
    assertThat(alike).hasSize(3);
    assertThat(free.get(0).has("alike")).isFalse();
    double over = alike.get(0).path("alike").path("overFree").asDouble();
    assertThat(alike.get(0).path("alike").path("figures").asInt()).isPositive();
    assertThat(alike.get(0).path("effort").asDouble() - free.get(0).path("effort").asDouble())
        .isCloseTo(over, within(1e-3));
  }

  @Test
  void everyDrillOfTheBookIsListedAndWrittenAsNotation() throws IOException {
    assertThat(run("drill", "--list", "--json")).isZero();
    JsonNode kinds = json().path("kinds");
    assertThat(kinds.size()).isGreaterThan(50);
    assertThat(kinds).allMatch(k -> !k.path("purpose").asText().isEmpty());
    int written = 0;
    for (JsonNode k : kinds) {
      String kind = k.path("id").asText();
      Path file = dir.resolve("drill-" + kind + ".musicxml");
      int code =
          run(
              "drill",
              "DIR/violin.musicxml",
              "--instrument",
              "violin",
              "--kind",
              kind,
              "--bars",
              "1-4",
              "--tempo",
              "96",
              "-o",
              file.toString(),
              "--json");
      if (code == 0) {
        written++;
        assertThat(json().path("plays").asDouble()).as(kind).isGreaterThanOrEqualTo(1.2);
        assertThat(json().path("lengthRatio").asDouble()).as(kind).isPositive();
        assertThat(
                run("finger", file.toString(), "--instrument", "violin", "--tempo", "60", "--json"))
            .as("%s is read back", kind)
            .isZero();
        assertThat(json().path("noteCount").asInt()).as(kind).isPositive();
      }
    }
    assertThat(written).as("most drills have something to do in four bars").isGreaterThan(30);
  }

  @Test
  void severalPartsShareTheMinutesAndTheRecordCounts() throws IOException {
    Path tries = dir.resolve("tries.json");
    Files.writeString(
        tries,
        """
        {"tries": [
          {"at": "2026-02-28T17:05", "passage": "%1$s", "chunk": "bars-1-2", "drill": "straight",
           "bpm": 36, "verdict": "clean"},
          {"at": "2026-02-28T17:06", "passage": "%1$s", "chunk": "bars-1-2", "drill": "straight",
           "bpm": 36, "verdict": "missed", "broke": "shift"}]}
        """
            .formatted(dir.resolve("violin.musicxml")));
    assertThat(
            run(
                "plan",
                "DIR/violin.musicxml",
                "DIR/violone.musicxml",
                "--instrument",
                "violin",
                "--target",
                "144",
                "--from",
                "2026-03-01",
                "--audition",
                "2026-04-01",
                "--minutes",
                "30",
                "--practised",
                tries.toString(),
                "--json"))
        .isZero();
    assertThat(json().path("passages").size()).isEqualTo(2);
    assertThat(json().has("levels")).as("with several files they stand with each").isFalse();
    for (JsonNode d : json().path("days")) {
      assertThat(d.path("minutes").asDouble()).isLessThanOrEqualTo(30);
    }
    Files.writeString(tries, "{\"tries\": [{\"at\": \"soon\", \"verdict\": \"clean\"}]}");
    assertThat(
            run(
                "plan",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--target",
                "144",
                "--from",
                "2026-03-01",
                "--audition",
                "2026-04-01",
                "--minutes",
                "30",
                "--practised",
                tries.toString()))
        .isEqualTo(3);
  }

  /** The plan goes into a calendar, an entry a day with a line a visit, and into a table. */
  @Test
  void aPlanIsExportedForACalendarAndAsATable() throws IOException {
    for (String kind : List.of("ics", "csv")) {
      Path out = Files.createTempFile("plan", "." + kind);
      assertThat(
              run(
                  "export",
                  "DIR/violin.musicxml",
                  "--instrument",
                  "violin",
                  "--to",
                  kind,
                  "--from",
                  "2026-03-01",
                  "--audition",
                  "2026-04-01",
                  "--minutes",
                  "40",
                  "-o",
                  out.toString()))
          .isZero();
      String text = Files.readString(out);
      if (kind.equals("ics")) {
        assertThat(text)
            .contains("BEGIN:VEVENT", "TRANSP:TRANSPARENT", "DTSTART;VALUE=DATE:20260301");
        assertThat(text.replace("\r\n ", "")).contains("straight at").doesNotContain(": Break");
        assertThat(text.lines()).allMatch(l -> l.getBytes(StandardCharsets.UTF_8).length <= 75);
      } else {
        assertThat(text).startsWith("date,visit,passage,kind,what,drill");
        assertThat(text.lines().count()).isGreaterThan(30);
      }
    }
    assertThat(
            run(
                "export",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--to",
                "ics",
                "--from",
                "soon",
                "-o",
                "x.ics"))
        .isEqualTo(2);
  }

  @Test
  void aPlanHasItsLevelsDaysAndChunks() throws IOException {
    assertThat(
            run(
                "plan",
                "DIR/violone.musicxml",
                "--instrument",
                "cello",
                "--target",
                "72",
                "--from",
                "2026-03-01",
                "--audition",
                "2026-06-01",
                "--minutes",
                "30",
                "--json"))
        .isZero();
    assertThat(json().path("readyDate").asText()).isEqualTo("2026-05-11");
    assertThat(json().path("levels")).last().extracting(JsonNode::asInt).isEqualTo(72);
    assertThat(json().path("feasible").asBoolean()).isTrue();
    // Every day up to the audition's; what is played adds up to the day, which is never over.
    assertThat(json().path("lastDay").asText()).isEqualTo("2026-06-01");
    assertThat(json().path("days")).hasSize(93);
    for (JsonNode d : json().path("days")) {
      double sum = 0;
      for (JsonNode i : d.path("items")) {
        sum += i.path("minutes").asDouble();
      }
      assertThat(sum + d.path("changeMinutes").asDouble())
          .isCloseTo(d.path("minutes").asDouble(), within(0.02));
      assertThat(sum).isLessThanOrEqualTo(d.path("budget").asDouble() + 1e-6);
    }
    // No two beats with more than two notes a second: the tempo stays, and the click thins.
    assertThat(levels("bars-0-1")).containsExactly(72.0);
    JsonNode first = firstItem("bars-0-1");
    assertThat(first.path("bpm").asDouble()).isEqualTo(72);
    assertThat(first.path("clicksPerMinute").asDouble()).isEqualTo(288);
    assertThat(levels("bars-2-3")).hasSizeGreaterThan(3).endsWith(72.0);
    assertThat(json().path("chunks").size()).isPositive();
    assertThat(json().path("chunks")).anyMatch(c -> c.path("kind").asText().equals("join"));
    assertThat(json().path("passages").get(0).path("readiness").path("chunksAtTarget").asInt())
        .isZero();
  }

  private List<Double> levels(String chunk) throws IOException {
    List<Double> all = new ArrayList<>();
    for (JsonNode c : json().path("chunks")) {
      if (c.path("id").asText().equals(chunk)) {
        c.path("levels").forEach(l -> all.add(l.asDouble()));
      }
    }
    return all;
  }

  private JsonNode firstItem(String chunk) throws IOException {
    for (JsonNode d : json().path("days")) {
      for (JsonNode i : d.path("items")) {
        if (i.path("chunk").asText().equals(chunk)) {
          return i;
        }
      }
    }
    throw new AssertionError(chunk + " is never played");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "finger DIR/violin.musicxml --instrument flute --tempo 60",
        "finger DIR/violin.musicxml --instrument violin --tempo 0",
        "finger DIR/violin.musicxml --instrument violin --tempo 60 --bars 9-99",
        "dance",
        "plan DIR/violin.musicxml --instrument violin --target 60 --from 2026-03-01 --audition 2026-02-01 --minutes 30"
      })
  void badUsageSaysSo(String line) {
    assertThat(run(line.split(" "))).isEqualTo(2);
    assertThat(out.size()).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8)).isNotBlank().doesNotContain("\tat ");
  }

  @ParameterizedTest
  @CsvSource({
    "pdf, %PDF",
    "svg, <?xml",
    "png, PNG",
    "midi, MThd",
    "musicxml, <?xml",
  })
  void aPartIsExported(String format, String start) throws IOException {
    String[] line =
        ("export DIR/violone.musicxml --instrument cello --tempo 72 --to " + format + " -o DIR/out")
            .split(" ");
    assertThat(run(line)).isZero();
    byte[] written = Files.readAllBytes(dir.resolve("out"));
    assertThat(new String(written, 0, 8, StandardCharsets.ISO_8859_1)).contains(start);
    if (format.equals("musicxml")) {
      assertThat(new String(written, StandardCharsets.UTF_8)).contains("<fingering");
    }
    line[line.length - 3] = "docx";
    line[1] = "DIR/violone.musicxml";
    assertThat(run(line)).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("docx");
  }

  /** What the page asks and a note cannot have is the page's word, and nobody's pin. */
  @Test
  void aWordOfThePageThatDoesNotSuitANoteIsToldAsThePages() throws IOException {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.say(Direction.Kind.WORDS, "sul D");
    for (String p : "E4 B3 F4 G4".split(" ")) {
      line.add(Fraction.of(1, 4), Pitch.parse(p));
    }
    write("sul.musicxml", line);
    run("finger", "DIR/sul.musicxml", "--instrument", "violin", "--json");
    assertThat(messages()).hasSize(1);
    assertThat(messages().get(0)).contains("the page asks for the D string");
  }

  @ParameterizedTest
  @ValueSource(strings = {"2026-13-01", "tomorrow", "2026-02-30"})
  void aDayThatIsNoneIsToldInPlainWords(String day) {
    String line = "plan DIR/violin.musicxml --instrument violin --from " + day;
    assertThat(run(line.split(" "))).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains(day, "2026-01-31")
        .doesNotContain("java.");
  }

  /** A list that prints "70 to 80" is asked for as it stands. */
  @Test
  void aTargetMayBeARange() throws IOException {
    String line = "finger DIR/violin.musicxml --instrument violin --json --tempo ";
    run((line + "70-80").split(" "));
    JsonNode first = json().path("sections").path(0);
    assertThat(first.path("perMinute").asDouble()).isEqualTo(70);
    assertThat(first.path("upperPerMinute").asDouble()).isEqualTo(80);
    for (String wrong : List.of("80-70", "fast", "70-")) {
      assertThat(run((line + wrong).split(" "))).as(wrong).isEqualTo(2);
      assertThat(err.toString(StandardCharsets.UTF_8)).contains(wrong);
    }
  }

  /** Signs that nothing is made of go with the file all the same. */
  @Test
  void whatTheFileHasIsWrittenBack() throws IOException {
    String rest = "<measure-style><multiple-rest>2</multiple-rest></measure-style>";
    String box =
        "<direction><direction-type><rehearsal enclosure=\"circle\">B</rehearsal></direction-type>"
            + "</direction>";
    String part =
        Files.readString(dir.resolve("violin.musicxml"))
            .replaceFirst("</time>(?s)(.*?)</attributes>", "</time>$1" + rest + "</attributes>")
            .replaceFirst("(?s)(<measure number=\"2\".*?)(<note)", "$1" + box + "$2");
    Files.writeString(dir.resolve("signs.musicxml"), part);
    assertThat(
            run("export DIR/signs.musicxml --instrument violin --to musicxml -o DIR/o".split(" ")))
        .isZero();
    assertThat(Files.readString(dir.resolve("o"))).contains("<multiple-rest>2<", "\"circle\"");
  }

  @Test
  void printedWordsAreObeyed() throws IOException {
    String part =
        Files.readString(dir.resolve("violin.musicxml"))
            .replaceFirst(
                "(?s)(<measure number=\"3\".*?)(<note)",
                "$1<direction><direction-type><words>on the A string</words></direction-type>"
                    + "</direction>$2");
    Files.writeString(dir.resolve("words.musicxml"), part);
    assertThat(
            run(
                "finger",
                "DIR/words.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "72",
                "--bars",
                "3-3",
                "--json"))
        .isZero();
    assertThat(json().path("alternatives").path(0).path("notes"))
        .isNotEmpty()
        .allMatch(n -> n.path("string").asText().equals("A"));
  }

  @Test
  void badInputIsOneLine() throws IOException {
    Files.writeString(dir.resolve("broken.musicxml"), "<score-partwise><part>");
    assertThat(
            run(
                "finger",
                "DIR/broken.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "60",
                "--json"))
        .isEqualTo(3);
    assertThat(err.toString(StandardCharsets.UTF_8).strip())
        .contains("broken at line")
        .doesNotContain("\n");
    assertThat(run("finger", "DIR/nowhere.musicxml", "--instrument", "violin", "--tempo", "60"))
        .isEqualTo(3);
  }

  /** Both real parts: every bowed event in one stroke, centimetres and places that fit. */
  @ParameterizedTest
  @CsvSource({"violin, violin", "violone, bass"})
  void aPartIsBowedWhole(String part, String instrument) throws IOException {
    String file = "DIR/" + part + ".musicxml";
    assertThat(run("bow", file, "--instrument", instrument, "--tempo", "72", "--json")).isZero();
    JsonNode root = json();
    double hair = root.path("hairCm").asDouble();
    assertThat(root.path("versions")).hasSize(3);
    java.util.Set<Integer> events = new java.util.TreeSet<>();
    root.path("fingering").path("notes").forEach(n -> events.add(n.path("event").asInt()));
    for (JsonNode version : root.path("versions")) {
      double sum = 0;
      for (JsonNode term : version.path("terms")) {
        sum += term.path("effort").asDouble();
      }
      assertThat(sum).isCloseTo(version.path("effort").asDouble(), within(0.01));
      java.util.Set<Integer> bowed = new java.util.TreeSet<>();
      for (JsonNode s : version.path("strokes")) {
        double cm = 0;
        for (JsonNode n : s.path("notes")) {
          assertThat(bowed.add(n.path("event").asInt())).isTrue();
          cm += n.path("bowCm").asDouble();
        }
        double start = s.path("startPlace").asDouble();
        double end = s.path("endPlace").asDouble();
        assertThat(start).isBetween(0.0, 1.0);
        assertThat(end).isBetween(0.0, 1.0);
        assertThat(end > start).isEqualTo(s.path("direction").asText().equals("down"));
        assertThat(cm).isCloseTo(s.path("bowCm").asDouble(), within(0.1));
        assertThat(Math.abs(end - start) * hair).isCloseTo(cm, within(0.1));
      }
      assertThat(bowed).isEqualTo(events);
    }
    JsonNode crossing = root.path("crossings").path(0);
    assertThat(crossing.path("handCmTip").asDouble() / crossing.path("handCmFrog").asDouble())
        .as("lever against lever: the whole hair and 3 cm")
        .isCloseTo(hair / 3, within(0.3));
  }

  @Test
  void asPrintedAlternatesAndTheFirstFullBarBeginsDown() throws IOException {
    assertThat(
            run(
                "bow",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "72",
                "--as-printed",
                "--json"))
        .isZero();
    JsonNode strokes = json().path("versions").path(0).path("strokes");
    assertThat(json().path("versions").path(0).path("name").asText()).isEqualTo("as printed");
    String before = "";
    boolean found = false;
    for (JsonNode s : strokes) {
      if (!before.isEmpty() && !s.path("retakeBefore").asBoolean()) {
        assertThat(s.path("direction").asText()).isNotEqualTo(before);
      }
      if (!found && s.path("bar").asText().equals("1")) {
        assertThat(s.path("direction").asText()).isEqualTo("down");
        found = true;
      }
      before = s.path("direction").asText();
    }
    assertThat(found).isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"--preset=loud", "--slurs=none", "--hair=9", "--alternatives=0"})
  void aWrongWordOfTheBowIsRefused(String option) {
    assertThat(run("bow", "DIR/violin.musicxml", "--instrument", "violin", "--tempo", "72", option))
        .isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains(option.split("=")[0]);
  }

  /** The form of the tune command, over a real part; figures are TunerTest's matter. */
  @Test
  void aPartIsTuned() throws IOException {
    assertThat(run("tune", "DIR/violone.musicxml", "--instrument", "cello", "--json")).isZero();
    JsonNode all = json();
    assertThat(all.path("tuning").asText()).isEqualTo("just");
    assertThat(all.path("keys").path(0).path("key").asText()).isEqualTo("d minor");
    assertThat(all.path("notes")).isNotEmpty();
    for (JsonNode note : all.path("notes")) {
      for (JsonNode check : note.path("checks")) {
        assertThat(check.path("against").asText()).isNotEmpty();
        assertThat(check.path("mm").asDouble()).isGreaterThanOrEqualTo(0);
        assertThat(check.has("towards")).isEqualTo(check.path("mm").asDouble() > 0);
        boolean own =
            check.path("kind").asText().equals("open")
                && check.path("against").asText().equals(note.path("string").asText());
        assertThat(own).as("never the string that it is stopped on").isFalse();
      }
    }
    assertThat(run("tune", "DIR/violin.musicxml", "--instrument", "violin", "--tuning", "mean"))
        .isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("just, pythagorean, equal");
  }
}
