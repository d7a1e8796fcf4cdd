package fret.app.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.format.sound.RecordingFiles;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** {@code simulate} and {@code take}: what was really played is what is told. */
class TakeCommandsTest {
  @TempDir Path dir;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  @BeforeEach
  void copyPart() throws IOException {
    try (InputStream in = TakeCommandsTest.class.getResourceAsStream("/violin.musicxml")) {
      Files.copy(in, dir.resolve("violin.musicxml"));
    }
  }

  private int run(String... args) {
    out.reset();
    err.reset();
    List<String> all = new ArrayList<>();
    for (String a : args) {
      all.add(a.replace("DIR", dir.toString()));
    }
    return BatchCommands.run(
        all.toArray(new String[0]),
        new PrintStream(out, true, StandardCharsets.UTF_8),
        new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  private int simulate(String... more) {
    List<String> all =
        new ArrayList<>(
            List.of(
                "simulate",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "66",
                "-o",
                "DIR/run.wav",
                "--truth",
                "DIR/truth.json"));
    all.addAll(List.of(more));
    return run(all.toArray(new String[0]));
  }

  private int take(String wav, String... more) {
    List<String> all =
        new ArrayList<>(
            List.of(
                "take",
                wav,
                "--part",
                "DIR/violin.musicxml",
                "--instrument",
                "violin",
                "--tempo",
                "66"));
    all.addAll(List.of(more));
    return run(all.toArray(new String[0]));
  }

  private JsonNode truth() throws IOException {
    return new ObjectMapper().readTree(dir.resolve("truth.json").toFile());
  }

  private static List<String> kinds(JsonNode list) {
    List<String> all = new ArrayList<>();
    list.forEach(f -> all.add(f.path("kind").asText() + " " + f.path("bar").asText()));
    return all;
  }

  @Test
  void whatWasPlayedIsTold() throws IOException {
    assertThat(simulate("--seed", "5", "--fault", "rush@5:9", "--fault", "sharp@2:22")).isZero();
    assertThat(take("DIR/run.wav", "--json")).isZero();
    JsonNode told = new ObjectMapper().readTree(out.toByteArray());
    assertThat(kinds(told.path("findings"))).containsExactlyInAnyOrder("rush 5", "sharp 2");
    assertThat(kinds(truth().path("faults"))).containsExactlyInAnyOrder("rush 5", "sharp 2");
    assertThat(told.path("alignedShare").asDouble()).isGreaterThan(0.97);
    assertThat(told.path("a4").asDouble()).isCloseTo(440, within(1.0));
    assertThat(told.path("problems")).isEmpty();
    Map<Integer, JsonNode> heard = new HashMap<>();
    told.path("notes").forEach(n -> heard.put(n.path("event").asInt(), n));
    int near = 0;
    for (JsonNode t : truth().path("notes")) {
      JsonNode n = heard.get(t.path("event").asInt());
      assertThat(n.path("pitch")).isEqualTo(t.path("pitch"));
      assertThat(n.path("bar")).isEqualTo(t.path("bar"));
      near += Math.abs(n.path("onsetS").asDouble() - t.path("onsetS").asDouble()) < 0.01 ? 1 : 0;
    }
    assertThat(near).isGreaterThanOrEqualTo((int) (0.95 * truth().path("notes").size()));
    for (JsonNode bar : told.path("tempo")) {
      double wanted = bar.path("bar").asText().equals("5") ? 9 : 0;
      assertThat(bar.path("deviationPercent").asDouble()).isCloseTo(wanted, within(2.5));
    }
    for (JsonNode f : told.path("findings")) {
      assertThat(f.path("confidence").asDouble()).isBetween(0.0, 1.0);
      assertThat(f.path("message").asText()).contains("Bar " + f.path("bar").asText());
      assertThat(fret.drill.DrillKind.named(f.path("drill").asText())).isPresent();
    }
  }

  @Test
  void someBarsInAnotherTuningAndTheWordsAlone() {
    assertThat(simulate("--bars", "2-4")).isZero();
    assertThat(take("DIR/run.wav", "--bars", "2-4", "--tuning", "pythagorean")).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("along the part, A =");
  }

  @ParameterizedTest
  @CsvSource({
    "rushing@5, no such kind",
    "rush@55, from 0 to 7",
    "rush@5:fast, is not a number",
    "rush@5:-3, outside 0 to 2000",
    "late@5:900, has no note for it",
    "rush, is not KIND@BAR"
  })
  void aFaultThatCannotBePlantedIsRefused(String fault, String why) {
    assertThat(simulate("--fault", fault)).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains(why);
    assertThat(dir.resolve("run.wav")).doesNotExist();
  }

  @Test
  void recordingsThatCannotBeUsedAreToldInOneLine() throws IOException {
    assertThat(take("DIR/none.wav")).isEqualTo(3);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("no such file").hasLineCount(1);
    Files.writeString(dir.resolve("text.wav"), "no sound");
    assertThat(take("DIR/text.wav")).isEqualTo(3);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("no recording that can be read")
        .hasLineCount(1);
    Files.write(dir.resolve("silent.wav"), new RecordingFiles().wav(new float[44_100], 44_100));
    assertThat(take("DIR/silent.wav")).isEqualTo(3);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("silent").hasLineCount(1);
  }

  @ParameterizedTest
  @CsvSource({"--tempo, 0", "--a4, 300", "--tuning, mean", "--bars, 90-95"})
  void valuesOutsideAreRefused(String option, String value) {
    assertThat(simulate()).isZero();
    assertThat(take("DIR/run.wav", option, value)).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains(option);
  }

  /** Numbers inside sentences too: "4,000 Hz" on every machine. */
  @Test
  void theLanguageOfTheMachineChangesNoOutput() throws IOException {
    float[] second = new float[4000];
    java.util.Arrays.fill(second, 0.3f);
    Files.write(dir.resolve("low.wav"), new RecordingFiles().wav(second, 4000));
    Locale before = Locale.getDefault();
    try {
      assertThat(take("DIR/low.wav")).isEqualTo(3);
      String told = err.toString(StandardCharsets.UTF_8);
      assertThat(told).contains("low.wav").contains("4,000 Hz").contains("44100 Hz");
      Locale.setDefault(Locale.forLanguageTag("de-DE"));
      assertThat(take("DIR/low.wav")).isEqualTo(3);
      assertThat(err.toString(StandardCharsets.UTF_8)).isEqualTo(told);
      assertThat(Locale.getDefault(Locale.Category.FORMAT).getLanguage()).isEqualTo("de");
    } finally {
      Locale.setDefault(before);
    }
  }
}
