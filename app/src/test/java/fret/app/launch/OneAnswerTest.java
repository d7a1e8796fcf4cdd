package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.app.batch.BatchCommands;
import fret.fingering.NoteFinger;
import fret.instrument.Instrument;
import fret.passage.Passage;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Window and command line answer alike: same notes, same strings, same fingers. */
class OneAnswerTest extends OnDemoLibrary {
  @Test
  void theCommandFingersAsTheWindowDoes() throws Exception {
    for (String part : List.of("violin", "violone")) {
      byte[] bytes = resource("/" + part + ".musicxml");
      does(() -> studio.importFile(part + ".musicxml", bytes));
    }
    assertThat(studio.passages()).hasSize(9);
    for (Passage passage : List.copyOf(studio.passages())) {
      does(() -> studio.open(passage));
      until(() -> studio.shown() != null && studio.shown().passage().id() == passage.id());
      Instrument instrument = studio.shown().task().hand().instrument();
      List<String> window = new ArrayList<>();
      for (Optional<NoteFinger> place : studio.shown().fingering().notes()) {
        window.add(
            place.map(p -> p.digit() + " on " + instrument.stringName(p.string())).orElse("none"));
      }
      List<String> command = new ArrayList<>();
      for (JsonNode note : command(passage).path("alternatives").path(0).path("notes")) {
        command.add(
            note.has("finger")
                ? note.path("finger").asText() + " on " + note.path("string").asText()
                : "none");
      }
      assertThat(command).as(passage.settings().title()).isEqualTo(window);
    }
  }

  private JsonNode command(Passage passage) throws Exception {
    String demo = "/fret/app/demo/" + passage.sourceName();
    boolean ours = OneAnswerTest.class.getResource(demo) != null;
    Path file = dir.resolve(passage.sourceName());
    Files.write(file, resource(ours ? demo : "/" + passage.sourceName()));
    Passage.Settings settings = passage.settings();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int code =
        BatchCommands.run(
            new String[] {
              "finger",
              file.toString(),
              "--instrument",
              settings.setup().instrument().name().toLowerCase(java.util.Locale.ROOT),
              "--tempo",
              String.valueOf(settings.target().perMinute()),
              "--json"
            },
            new PrintStream(out, true, StandardCharsets.UTF_8),
            System.err);
    assertThat(code).isZero();
    return new ObjectMapper().readTree(out.toByteArray());
  }

  private static byte[] resource(String name) throws Exception {
    try (InputStream in = OneAnswerTest.class.getResourceAsStream(name)) {
      return in.readAllBytes();
    }
  }
}
