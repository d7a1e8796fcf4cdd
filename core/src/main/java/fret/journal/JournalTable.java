package fret.journal;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.RefusedValue;
import fret.base.Said;
import fret.drill.DrillKind;
import fret.tempo.Beat;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongFunction;
import org.apache.commons.numbers.fraction.Fraction;

/** The record as a table: the first row names the columns, each other one is a try. */
public final class JournalTable {
  private static final List<String> COLUMNS =
      List.of(
          "date",
          "passage",
          "chunk",
          "drill",
          "bpm",
          "counted",
          "clicks",
          "seconds",
          "verdict",
          "broke",
          "note",
          "at-stand",
          "cold");

  private JournalTable() {}

  /** The rows, oldest first. */
  public static List<List<String>> rows(List<JournalEntry> journal, LongFunction<String> title) {
    List<List<String>> rows = new ArrayList<>();
    rows.add(COLUMNS);
    for (JournalEntry e : journal) {
      rows.add(
          List.of(
              e.date().toString(),
              title.apply(e.passageId()),
              e.chunkId(),
              e.drill().id(),
              String.valueOf(e.perMinute()),
              e.counted().map(Beat::displayName).orElse(""),
              e.clicks() < 0 ? "" : String.valueOf(e.clicks()),
              String.valueOf(e.seconds()),
              word(e.verdict()),
              e.breakage() == Breakage.NONE ? "" : word(e.breakage()),
              e.note(),
              String.valueOf(e.atStand()),
              e.cold() ? "yes" : ""));
    }
    return rows;
  }

  private static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /**
   * Reads rows back, whatever the order of their columns. A row that cannot be read is told and
   * left out; so is one that is in the record already.
   *
   * @param passages ids by title
   * @param known what is in the record
   */
  public static Outcome<List<JournalEntry>> read(
      List<List<String>> rows, Map<String, Long> passages, List<JournalEntry> known) {
    List<JournalEntry> all = new ArrayList<>();
    List<Problem> problems = new ArrayList<>();
    List<JournalEntry> there = new ArrayList<>(known.stream().map(e -> e.withId(0)).toList());
    Map<String, Integer> at = new HashMap<>();
    for (int i = 0; !rows.isEmpty() && i < rows.get(0).size(); i++) {
      at.put(rows.get(0).get(i).strip().toLowerCase(Locale.ROOT), i);
    }
    for (int i = 1; i < rows.size(); i++) {
      try {
        JournalEntry e = entry(rows.get(i), at, passages);
        // Two equal tries of a day are two, in the record as in the table.
        if (!there.remove(e)) {
          all.add(e);
        }
      } catch (IllegalArgumentException e) {
        problems.add(
            new Problem(
                Said.of("where.row", String.valueOf(i + 1)),
                Said.of("table.no-try", RefusedValue.told(e)),
                Said.of("table.no-try.do", String.join(", ", COLUMNS))));
      }
    }
    return new Outcome<>(all, problems);
  }

  private static JournalEntry entry(
      List<String> row, Map<String, Integer> at, Map<String, Long> passages) {
    String title = field(row, at, "passage");
    Long passage = passages.get(title);
    if (passage == null) {
      throw new RefusedValue(Said.of("value.passage", title));
    }
    String clicks = field(row, at, "clicks");
    String broke = field(row, at, "broke");
    String drill = field(row, at, "drill");
    String atStand = field(row, at, "at-stand");
    int seconds = (int) number(field(row, at, "seconds"));
    return new JournalEntry(
            0,
            passage,
            date(field(row, at, "date")),
            field(row, at, "chunk"),
            DrillKind.named(drill)
                .orElseThrow(() -> new RefusedValue(Said.of("value.drill", drill))),
            number(field(row, at, "bpm")),
            counted(field(row, at, "counted")),
            clicks.isEmpty() ? JournalEntry.NOT_KEPT : number(clicks),
            seconds,
            word(field(row, at, "verdict"), Verdict.class),
            broke.isEmpty() ? Breakage.NONE : word(broke, Breakage.class),
            field(row, at, "note"))
        .atStand(
            atStand.isEmpty() ? seconds : (int) number(atStand),
            field(row, at, "cold").equals("yes"));
  }

  private static Optional<Beat> counted(String name) {
    if (name.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        Beat.named(name, Fraction.ONE)
            .orElseThrow(() -> new RefusedValue(Said.of("value.counted", name))));
  }

  private static LocalDate date(String text) {
    try {
      return LocalDate.parse(text);
    } catch (DateTimeException e) {
      throw new RefusedValue(Said.of("value.date", text));
    }
  }

  private static double number(String text) {
    try {
      double value = Double.parseDouble(text);
      if (Double.isFinite(value)) {
        return value;
      }
    } catch (NumberFormatException e) {
      // Told below, like what is not finite.
    }
    throw new RefusedValue(Said.of("value.number", text));
  }

  private static <E extends Enum<E>> E word(String text, Class<E> words) {
    String name = text.toUpperCase(Locale.ROOT).replace('-', '_');
    return Arrays.stream(words.getEnumConstants())
        .filter(w -> w.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new RefusedValue(Said.of("value.verdict", text)));
  }

  private static String field(List<String> row, Map<String, Integer> at, String name) {
    Integer i = at.get(name);
    return i == null || i >= row.size() ? "" : row.get(i).strip();
  }
}
