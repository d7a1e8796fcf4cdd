package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.player.Preset;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * The textbook fingerings; weights were fitted on the used families only. Started with {@code
 * -Dfret.report=FILE} it writes what it found.
 */
class TextbookTest {
  private static final List<Textbook.Answer> ANSWERS = new ArrayList<>();

  @BeforeAll
  static void answerAll() throws IOException {
    Textbook.rows().forEach(r -> ANSWERS.add(Textbook.answer(r, Preset.SURE)));
    String report = System.getProperty("fret.report", "");
    if (!report.isEmpty()) {
      Files.writeString(Path.of(report), report());
    }
  }

  /** Rows of a split that are answered by one of the first choices; all of them for a high rank. */
  private static long count(boolean used, int worstRank) {
    return ANSWERS.stream()
        .filter(a -> a.row().used() == used)
        .filter(a -> worstRank > 5 || a.rank() > 0 && a.rank() <= worstRank)
        .count();
  }

  private static double share(boolean used, int worstRank) {
    return (double) count(used, worstRank) / count(used, Integer.MAX_VALUE);
  }

  @Test
  void noneIsUnplayable() {
    assertThat(ANSWERS).hasSizeGreaterThanOrEqualTo(200).allMatch(Textbook.Answer::playable);
  }

  @Test
  void heldBackRowsAreAnsweredAsTaught() {
    assertThat(share(false, 1)).isGreaterThanOrEqualTo(0.95);
    assertThat(share(false, 5)).isGreaterThanOrEqualTo(0.98);
  }

  @Test
  void usedRowsAreAnsweredAsTaught() {
    assertThat(share(true, 1)).isGreaterThanOrEqualTo(0.95);
  }

  private static String report() {
    StringBuilder text = new StringBuilder();
    text.append("# How good the fingerings are\n\n");
    text.append(
        """
        Made by `scripts/quality.sh` from the textbook rows in
        `core/src/test/resources/fret/fingering/textbook.csv`, preset "Sure and simple", medium hand. The rows were
        written before the weights were fitted; weights were fitted on the used families only; shapes of the hand (a low
        fourth finger, the cello's extended hand) were mended where they were wrong, with all rows in view. Eighteen of
        the held-back rows were added after that, before they were first answered. The last 129 rows (broken chords at
        speed to the chord book) were written before pairs of fingers, patterns of the bow, held voices and the start
        out of home were priced; before that the program's first choice was as taught in 61 of 87 used and 93 of 116
        held-back rows. That the fourth finger of the low strings is no weak one was learned from a row of each kind
        (the cello's unisons), and the price of the cello's open hand was set where a note of half a second costs what it did
        before; with the two the held-back rows went from 108 to 111. The last 60 rows (flat frames to sequences) were written
        after the prices of scales, pedals and broken chords of the bass and before they were first answered: 54 first, 57
        among five. Then a finger replaced in mid-note was made dearer (a scale had one), a shift on one finger within a scale
        of the cello was priced, and three answers were added that teachers give as well (half position 1 2 3 4; a scale on one
        string by 1 2 3 1 2 3 4).

        """);
    text.append("| rows | count | first choice | among the first five |\n|---|---|---|---|\n");
    for (boolean used : new boolean[] {true, false}) {
      text.append(
          String.format(
              Locale.ROOT,
              "| %s | %d | %d (%.1f %%) | %d (%.1f %%) |%n",
              used ? "used for the weights" : "held back",
              count(used, Integer.MAX_VALUE),
              count(used, 1),
              100 * share(used, 1),
              count(used, 5),
              100 * share(used, 5)));
    }
    Map<String, List<Textbook.Answer>> families = new LinkedHashMap<>();
    for (boolean used : new boolean[] {true, false}) {
      for (Textbook.Answer a : ANSWERS) {
        if (a.row().used() == used) {
          String name = a.row().family() + (used ? " (used)" : " (held back)");
          families.computeIfAbsent(name, n -> new ArrayList<>()).add(a);
        }
      }
    }
    families.forEach((family, rows) -> family(text, family, rows));
    return text.toString();
  }

  private static void family(StringBuilder text, String family, List<Textbook.Answer> rows) {
    text.append("\n## ").append(Character.toUpperCase(family.charAt(0)));
    text.append(family.substring(1)).append("\n\n");
    text.append("| instrument | notes | taught | answer |\n|---|---|---|---|\n");
    for (Textbook.Answer a : rows) {
      String verdict =
          a.rank() == 1
              ? "first choice"
              : (a.rank() == 0 ? "not among five" : "choice " + a.rank())
                  + "; first is "
                  + a.first();
      String notes =
          a.row().notes() + (a.row().string().isEmpty() ? "" : " on the " + a.row().string());
      text.append(
          String.format(
              "| %s | %s | %s | %s |%n",
              a.row().type().displayName(),
              notes,
              String.join(" or ", a.row().answers()),
              verdict));
    }
  }
}
