package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * A book of textbook bowings (common practice, no source). Weights were looked at with the used
 * families only. Started with {@code -Dfret.bowings=FILE} it writes what it found.
 */
class TextbookBowingsTest {
  private static final int MOST = 5;

  /** A row with the place of the first answer that is taught; 0 for not among five. */
  private record Answer(
      String family, boolean used, String notes, List<String> taught, String first, int rank) {}

  private static final List<Answer> ANSWERS = new ArrayList<>();

  @BeforeAll
  static void answerAll() throws IOException {
    try (InputStream in = TextbookBowingsTest.class.getResourceAsStream("bowings.csv")) {
      String all = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      all.lines()
          .filter(l -> !l.startsWith("#") && !l.isBlank())
          .forEach(l -> ANSWERS.add(answer(l)));
    }
    String report = System.getProperty("fret.bowings", "");
    if (!report.isEmpty()) {
      Files.writeString(Path.of(report), report());
    }
  }

  private static Answer answer(String row) {
    String[] part = row.split(";");
    String[] metre = part[2].split("/");
    String[] pickUp = part[3].split("/");
    Fraction before =
        pickUp.length < 2
            ? Fraction.ZERO
            : Fraction.of(Integer.parseInt(pickUp[0]), Integer.parseInt(pickUp[1]));
    BowTask task =
        Lines.task(
            InstrumentType.VIOLIN,
            Lines.of(Integer.parseInt(metre[0]), Integer.parseInt(metre[1]), before, part[5]),
            Double.parseDouble(part[4]));
    List<String> taught = List.of(part[6].split(" or "));
    List<Bowing> found = new BowSolver(task).bestOf(MOST);
    int rank = 0;
    for (int i = found.size() - 1; i >= 0; i--) {
      rank = taught.contains(plain(found.get(i))) ? i + 1 : rank;
    }
    return new Answer(part[0], part[1].equals("used"), part[5], taught, plain(found.get(0)), rank);
  }

  private static String plain(Bowing b) {
    return Lines.bows(b).replace(" ", "");
  }

  private static double share(boolean used, int worst) {
    List<Answer> rows = ANSWERS.stream().filter(a -> a.used() == used).toList();
    return (double) rows.stream().filter(a -> a.rank() > 0 && a.rank() <= worst).count()
        / rows.size();
  }

  @Test
  void thereIsABookOfRows() {
    assertThat(ANSWERS).hasSizeGreaterThanOrEqualTo(40);
    assertThat(ANSWERS.stream().filter(a -> !a.used()).count()).isGreaterThanOrEqualTo(20);
  }

  @Test
  void heldBackRowsAreAnsweredAsTaught() {
    assertThat(share(false, 1)).as(missed(false)).isGreaterThanOrEqualTo(0.85);
    assertThat(share(false, MOST)).as(missed(false)).isGreaterThanOrEqualTo(0.97);
  }

  @Test
  void usedRowsAreAnsweredAsTaught() {
    assertThat(share(true, 1)).as(missed(true)).isGreaterThanOrEqualTo(0.85);
  }

  private static String missed(boolean used) {
    StringBuilder text = new StringBuilder();
    ANSWERS.stream()
        .filter(a -> a.used() == used && a.rank() != 1)
        .forEach(a -> text.append(a).append('\n'));
    return text.toString();
  }

  private static String report() {
    StringBuilder text = new StringBuilder("# How good the bowings are\n\n");
    text.append(
        """
        Made by `scripts/quality.sh` from `core/src/test/resources/fret/bowing/bowings.csv`, violin, preset "Sure and
        simple". The order of the prices of directions stood before the rows were written. First answered, 26 of the 32
        held-back rows had the first choice and all were among five; after that a tie was mended (where all is equal the
        bow begins down, as the order says), the price of using up an end of the bow was halved for another reason, and
        one answer that did not fit its notes was taken out of a row. Thirty more rows were written after all prices and
        before they were first answered: 29 first, all among five. So were the last 30: 25 first, all among five; after
        them the beginning of a passage on a first beat, unless it is soft, got a price of its own: 27 first.

        | rows | count | first choice | among the first five |
        |---|---|---|---|
        """);
    for (boolean used : new boolean[] {true, false}) {
      long count = ANSWERS.stream().filter(a -> a.used() == used).count();
      text.append(
          String.format(
              Locale.ROOT,
              "| %s | %d | %.1f %% | %.1f %% |%n",
              used ? "used" : "held back",
              count,
              100 * share(used, 1),
              100 * share(used, MOST)));
    }
    text.append("\n| family | notes | taught | answer |\n|---|---|---|---|\n");
    for (Answer a : ANSWERS) {
      String verdict =
          a.rank() == 1
              ? "first choice"
              : (a.rank() == 0 ? "not among five" : "choice " + a.rank())
                  + "; first is "
                  + a.first();
      text.append(
          String.format(
              "| %s%s | %s | %s | %s |%n",
              a.family(),
              a.used() ? "" : " (held back)",
              a.notes().replace("|", ""),
              String.join(" or ", a.taught()),
              verdict));
    }
    return text.toString();
  }
}
