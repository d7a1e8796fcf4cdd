package fret.format.table;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Said;
import fret.base.UnusableInput;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** Rows as comma separated values (RFC 4180) or as a JSON list of objects, out and in. */
public final class TableFiles {
  private static final int MOST_BYTES = 50_000_000;

  private TableFiles() {}

  /** Rows with the line ends and quotes of RFC 4180. */
  public static byte[] csv(List<List<String>> rows) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      for (List<String> row : rows) {
        printer.printRecord(row);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  /** An object for each row but the first, which names the fields. */
  public static byte[] json(List<List<String>> rows) {
    ObjectMapper mapper = new ObjectMapper();
    ArrayNode all = mapper.createArrayNode();
    for (List<String> row : rows.subList(Math.min(1, rows.size()), rows.size())) {
      ObjectNode node = all.addObject();
      for (int i = 0; i < row.size(); i++) {
        node.put(rows.get(0).get(i), row.get(i));
      }
    }
    try {
      return mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(all);
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Reads what {@link #csv} or {@link #json} wrote, by what the file begins with.
   *
   * @throws UnusableInput if it is neither
   */
  public static List<List<String>> read(String name, byte[] bytes) throws UnusableInput {
    if (bytes.length > MOST_BYTES) {
      throw bad(name, Said.of("read.large", MOST_BYTES / 1_000_000));
    }
    String text = new String(bytes, StandardCharsets.UTF_8).replace("\uFEFF", "");
    boolean json = text.stripLeading().startsWith("[");
    try {
      return json ? ofJson(name, text) : ofCsv(text);
    } catch (JsonProcessingException e) {
      throw bad(name, Said.of("read.no-json", String.valueOf(e.getLocation().getLineNr())));
    } catch (IOException | UncheckedIOException | IllegalStateException e) {
      throw bad(name, Said.of("read.no-table"));
    }
  }

  private static List<List<String>> ofCsv(String text) throws IOException {
    List<List<String>> rows = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), CSVFormat.RFC4180)) {
      for (CSVRecord r : parser) {
        rows.add(r.toList());
      }
    }
    return rows;
  }

  private static List<List<String>> ofJson(String name, String text)
      throws IOException, UnusableInput {
    JsonNode all = new ObjectMapper().readTree(text);
    Set<String> names = new LinkedHashSet<>();
    all.forEach(n -> n.fieldNames().forEachRemaining(f -> names.add(f.toLowerCase(Locale.ROOT))));
    if (names.isEmpty() && !all.isEmpty()) {
      throw bad(name, Said.of("read.no-objects"));
    }
    List<List<String>> rows = new ArrayList<>();
    rows.add(List.copyOf(names));
    for (JsonNode n : all) {
      rows.add(names.stream().map(f -> n.path(f).asText("")).toList());
    }
    return rows;
  }

  private static UnusableInput bad(String name, Said what) {
    return new UnusableInput(name, what, Said.of("read.table.do"));
  }
}
