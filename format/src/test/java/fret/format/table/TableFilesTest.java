package fret.format.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.Outcome;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.JournalTable;
import fret.journal.Verdict;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class TableFilesTest {
  private static JournalEntry entry(String chunk, Verdict verdict, Breakage broke, String note) {
    return new JournalEntry(
        0,
        7,
        LocalDate.of(2027, 3, 1),
        chunk,
        DrillKind.STRAIGHT,
        88.5,
        JournalEntry.NOT_KEPT,
        14,
        verdict,
        broke,
        note);
  }

  private static final List<JournalEntry> TRIES =
      List.of(
          entry("bars-1-2", Verdict.CLEAN, Breakage.NONE, ""),
          entry("bars-1-2", Verdict.CLEAN, Breakage.NONE, ""),
          entry("bars-3-4", Verdict.MISSED, Breakage.NOTE_LENGTH, "too \"long\", again\nand more"));

  private static Outcome<List<JournalEntry>> back(byte[] file, List<JournalEntry> known)
      throws UnusableInput {
    return JournalTable.read(TableFiles.read("x", file), Map.of("Tide, slow", 7L), known);
  }

  @Test
  void theRecordComesBackFromBothForms() throws UnusableInput {
    List<List<String>> rows = JournalTable.rows(TRIES, id -> "Tide, slow");
    for (byte[] file : List.of(TableFiles.csv(rows), TableFiles.json(rows))) {
      assertThat(back(file, List.of()).value()).isEqualTo(TRIES);
      assertThat(back(file, List.of()).problems()).isEmpty();
    }
  }

  @Test
  void whatIsInTheRecordAlreadyIsNotTakenTwice() throws UnusableInput {
    byte[] file = TableFiles.csv(JournalTable.rows(TRIES, id -> "Tide, slow"));
    assertThat(back(file, TRIES).value()).isEmpty();
    assertThat(back(file, TRIES.subList(0, 1)).value()).hasSize(2);
  }

  @Test
  void aBadRowIsToldAndTheOthersAreRead() throws UnusableInput {
    String file =
        "verdict,date,passage,drill,bpm,seconds\n"
            + "clean,2027-03-01,\"Tide, slow\",straight,60,9\n"
            + "clean,1 March,\"Tide, slow\",straight,60,9\n"
            + "superb,2027-03-01,\"Tide, slow\",straight,60,9\n"
            + "clean,2027-03-01,Elsewhere,straight,60,9\n"
            + "clean,2027-03-01,\"Tide, slow\",straight,NaN,9\n";
    Outcome<List<JournalEntry>> read = back(file.getBytes(StandardCharsets.UTF_8), List.of());
    assertThat(read.value()).hasSize(1);
    assertThat(read.problems()).hasSize(4);
    assertThat(read.problems().get(0).where()).isEqualTo(Said.of("where.row", "3"));
    assertThat(read.problems())
        .extracting(p -> p.message().args().get(0))
        .containsExactly(
            Said.of("value.date", "1 March"),
            Said.of("value.verdict", "superb"),
            Said.of("value.passage", "Elsewhere"),
            Said.of("value.number", "NaN"));
  }

  @Test
  void whatIsNoTableIsRefused() {
    for (String text : List.of("[1, 2", "[1, 2]", "\"open")) {
      assertThatThrownBy(() -> TableFiles.read("x", text.getBytes(StandardCharsets.UTF_8)))
          .isInstanceOf(UnusableInput.class);
    }
  }
}
