package fret.app.batch;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.tempo.Beat;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Past tries, read from JSON. */
final class Practised {
  private record Timed(String at, JournalEntry entry) {}

  private Practised() {}

  /**
   * Reads {@code {"tries": […]}}, oldest first whatever their order in the file.
   *
   * @param passages ids of the passages by the names that the file uses; one passage alone needs
   *     none
   */
  static List<JournalEntry> read(Path file, Map<String, Long> passages) throws UnusableInput {
    JsonNode root;
    try {
      root = new ObjectMapper().readTree(Files.readAllBytes(file));
    } catch (JsonProcessingException e) {
      throw bad(file, Said.of("read.no-json", String.valueOf(e.getLocation().getLineNr())));
    } catch (IOException e) {
      throw bad(file, Said.of("read.closed"));
    }
    List<Timed> all = new ArrayList<>();
    JsonNode tries = root.path("tries");
    if (!tries.isArray()) {
      throw bad(file, Said.of("batch.no-tries"));
    }
    for (int i = 0; i < tries.size(); i++) {
      all.add(one(file, i, tries.get(i), passages));
    }
    all.sort(Comparator.comparing(Timed::at));
    return all.stream().map(Timed::entry).toList();
  }

  private static Timed one(Path file, int index, JsonNode t, Map<String, Long> passages)
      throws UnusableInput {
    String at = t.path("at").asText();
    String passage = t.path("passage").asText();
    Long id = passages.get(passage);
    boolean alone = passages.size() == 1 && passage.isEmpty();
    if (id == null && !alone) {
      throw bad(file, tried(index, Said.of("batch.try.passage", passage)));
    }
    try {
      JournalEntry e =
          new JournalEntry(
              index + 1L,
              alone ? passages.values().iterator().next() : id,
              LocalDate.parse(at.substring(0, Math.min(10, at.length()))),
              t.path("chunk").asText(),
              DrillKind.named(t.path("drill").asText("straight")).orElse(DrillKind.BOW),
              t.path("bpm").asDouble(),
              counted(t.path("counted").asText()),
              t.has("clicksPerMinute")
                  ? t.get("clicksPerMinute").asDouble()
                  : JournalEntry.NOT_KEPT,
              t.path("seconds").asInt(),
              Verdict.valueOf(t.path("verdict").asText().toUpperCase(Locale.ROOT)),
              broke(t.path("broke").asText()),
              "");
      return new Timed(at, e);
    } catch (IllegalArgumentException | DateTimeParseException e) {
      throw bad(file, tried(index, Said.words(String.valueOf(e.getMessage()))));
    }
  }

  private static Optional<Beat> counted(String name) {
    if (name.isEmpty() || name.equals("null")) {
      return Optional.empty();
    }
    return Optional.of(
        Beat.named(name, Fraction.ONE)
            .orElseThrow(() -> new IllegalArgumentException("counted: " + name)));
  }

  private static Breakage broke(String text) {
    return text.isEmpty() || text.equals("null")
        ? Breakage.NONE
        : Breakage.valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_'));
  }

  private static Said tried(int index, Said what) {
    return Said.of("batch.try", String.valueOf(index + 1), what);
  }

  private static UnusableInput bad(Path file, Said what) {
    return new UnusableInput(file.toString(), what, Said.of("batch.try.do"));
  }
}
