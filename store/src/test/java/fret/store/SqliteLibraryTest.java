package fret.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.drill.DrillKind;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.mark.Wish;
import fret.passage.Change;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandSize;
import fret.player.School;
import fret.score.Bar;
import fret.score.Divided;
import fret.score.LineBuilder;
import fret.score.NoteKey;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.shelf.Audition;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SqliteLibraryTest {
  @TempDir Path dir;

  private Path file() {
    return dir.resolve("library.sqlite");
  }

  static Passage passage() {
    Setup setup =
        Setup.usual(InstrumentType.VIOLA)
            .withStrings(Tuning.parse("A4 D4 G3 Db3", true), 370.5, 415)
            .withWeights(Map.of(EffortKind.SHIFT, 0.3))
            .withHand(new Hand(HandSize.LARGE, 91.5, true, 7), School.USUAL);
    Passage.Settings settings =
        new Passage.Settings(
            "Étude",
            new Tempo(Beat.QUARTER, 92.5),
            setup,
            new Reading(true, Divided.LOWER, "2", "8", -1),
            false);
    settings = settings.withDetails(settings.details().withRunning(3));
    return new Passage(0, 0, "etude.musicxml", "Viola", 0, settings, Marks.NONE);
  }

  private static Passage.Settings preset(Passage p, String id) {
    return p.settings().withSetup(p.settings().setup().withPreset(id));
  }

  private static Score page(int bars) {
    LineBuilder line = new LineBuilder(TimeSignature.of(3, 4), new KeySignature(-2), Clef.ALTO);
    for (int i = 0; i < 3 * bars; i++) {
      line.add(Fraction.of(1, 4), Pitch.parse(i % 2 == 0 ? "Bb4" : "F4"), Pitch.parse("D5"));
    }
    return line.build("page", Interval.UNISON);
  }

  @Test
  void allThatThePlayerDecidedIsKept() {
    NoteKey from = pin(Finger.FIRST).key();
    NoteKey to = new NoteKey(2, "1", Fraction.of(3, 2), 0, Pitch.parse("F4"));
    Mark touched =
        new Mark(
            to,
            Optional.of(Finger.FIRST),
            Optional.of(Finger.FOURTH),
            2,
            true,
            Mark.Standing.ADOPTED);
    Marks marks =
        Marks.of(List.of(pin(Finger.SECOND), touched))
            .withBows(Map.of(from, Signs.Bow.DOWN))
            .withWishes(
                List.of(
                    new Wish(Wish.Kind.ON_STRING, from, to, 3),
                    new Wish(Wish.Kind.NO_OPEN, from, to, 0)))
            .withVibrato(Set.of(to))
            .keeping("for the hall", List.of(touched))
            .keeping("dry room", List.of());
    long id;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      id = library.add(passage(), new byte[0]).id();
      library.apply(id, new Change.MarksChange("decide", Marks.NONE, marks));
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage kept = library.passage(id).orElseThrow();
      assertThat(kept.marks()).isEqualTo(marks);
      assertThat(kept.marks().kept()).containsOnlyKeys("dry room", "for the hall");
      assertThat(kept.settings()).isEqualTo(passage().settings());
      library.undo(id);
      assertThat(library.passage(id).orElseThrow().marks()).isEqualTo(Marks.NONE);
    }
  }

  @Test
  void aPageIsKeptBarByBarAndItsChangesGoBackAndForth() {
    Score three = page(3);
    List<Bar> bars = new ArrayList<>(three.bars());
    bars.add(1, three.bars().get(0).withEvents(List.of()));
    bars.remove(3);
    bars.add(bars.get(0).withEvents(List.of()));
    Score after = three.withBars(bars).laidOut();
    Marks marks =
        Marks.NONE.with(pin(Finger.FIRST)).withBows(Map.of(pin(Finger.FIRST).key(), Signs.Bow.UP));
    long id;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      id = library.add(passage(), new byte[0]).id();
      assertThat(library.page(id)).isEmpty();
      library.keepPage(id, three);
      library.apply(id, Change.PageChange.between("mend", three, after, Marks.NONE, marks));
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.page(id)).contains(after);
      assertThat(library.passage(id).orElseThrow().marks()).isEqualTo(marks);
      library.undo(id);
      assertThat(library.page(id)).contains(three);
      assertThat(library.passage(id).orElseThrow().marks()).isEqualTo(Marks.NONE);
      library.redo(id);
      assertThat(library.page(id)).contains(after);
    }
  }

  @Test
  void aFileBroughtInAgainCanBeTakenBack() {
    byte[] first = {1};
    byte[] second = {2};
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), first);
      long source = library.addSource(p.id(), second);
      assertThat(library.source(p.id())).isEqualTo(first);
      library.apply(p.id(), new Change.SourceChange("again", 0, source, p.marks(), Marks.NONE));
      assertThat(library.source(p.id())).isEqualTo(second);
      library.undo(p.id());
      assertThat(library.source(p.id())).isEqualTo(first);
      library.remove(p.id());
      assertThat(library.passages()).isEmpty();
    }
  }

  private static Mark pin(Finger finger) {
    NoteKey key = new NoteKey(3, "1", Fraction.of(7, 8), 0, Pitch.parse("Eb4"));
    return new Mark(key, Optional.of(finger), 2, Mark.Standing.PINNED);
  }

  static JournalEntry entry(long passage, int seconds) {
    return new JournalEntry(
        0,
        passage,
        LocalDate.of(2026, 3, 1),
        "bars-1-2",
        DrillKind.STRAIGHT,
        60,
        seconds,
        Verdict.NEARLY,
        Breakage.SHIFT,
        "low");
  }

  @Test
  void everythingIsThereAfterReopening() {
    byte[] source = {1, 2, 3, 0, -1};
    Passage stored;
    Audition audition;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      audition =
          library.save(
              new Audition(0, "Trial", LocalDate.of(2026, 6, 1), LocalDate.of(2026, 5, 11), 45));
      stored = library.add(passage(), source);
      library.add(entry(stored.id(), 40));
      library.putSetting("theme", "dark");
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.passages()).containsExactly(stored);
      assertThat(library.source(stored.id())).isEqualTo(source);
      assertThat(library.auditions()).containsExactly(audition);
      assertThat(library.journal()).extracting(JournalEntry::seconds).containsExactly(40);
      assertThat(library.setting("theme")).contains("dark");
    }
  }

  @Test
  void undoAndRedoSurviveReopening() {
    long id;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0]);
      id = p.id();
      Marks one = p.marks().with(pin(Finger.SECOND));
      library.apply(id, new Change.MarksChange("first", p.marks(), one));
      library.apply(id, new Change.MarksChange("second", one, one.with(pin(Finger.FOURTH))));
      library.apply(id, new Change.SettingsChange("tempo", p.settings(), preset(p, "quick")));
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.undo(id).map(Change::name)).contains("tempo");
      assertThat(library.undo(id).map(Change::name)).contains("second");
      Passage back = library.passage(id).orElseThrow();
      assertThat(back.marks().all()).containsExactly(pin(Finger.SECOND));
      assertThat(back.settings()).isEqualTo(passage().settings());
      assertThat(library.redo(id).map(Change::name)).contains("second");
      assertThat(library.passage(id).orElseThrow().marks().all())
          .containsExactly(pin(Finger.FOURTH));
    }
  }

  @Test
  void aNewChangeDropsWhatWasTakenBack() {
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0]);
      library.apply(p.id(), new Change.SettingsChange("a", p.settings(), preset(p, "quick")));
      library.undo(p.id());
      library.apply(p.id(), new Change.SettingsChange("b", p.settings(), preset(p, "singing")));
      assertThat(library.redo(p.id())).isEmpty();
    }
  }

  @Test
  void anOlderFileIsBackedUpBeforeItIsMigrated() throws Exception {
    try (var c = DriverManager.getConnection("jdbc:sqlite:" + file());
        var s = c.createStatement()) {
      s.execute("CREATE TABLE keepsake (word TEXT)");
      s.execute("INSERT INTO keepsake VALUES ('here')");
    }
    SqliteLibrary.open(file()).close();
    try (var files = Files.list(dir)) {
      Path backup = files.filter(f -> f.toString().endsWith(".backup")).findFirst().orElseThrow();
      try (var c = DriverManager.getConnection("jdbc:sqlite:" + backup);
          var r = c.createStatement().executeQuery("SELECT word FROM keepsake")) {
        assertThat(r.next()).isTrue();
      }
    }
  }

  @Test
  void aFileThatIsNoLibraryIsNamed() throws Exception {
    Files.writeString(
        file(), "this is not a database, but it is long enough to look at".repeat(50));
    assertThatThrownBy(() -> SqliteLibrary.open(file()))
        .isInstanceOf(StoreException.class)
        .hasMessageContaining("library.sqlite");
  }

  /** A process is killed while it writes; all that it reported as saved is there. */
  @Test
  void killingTheWriterLosesNothingReported() throws Exception {
    for (int round = 0; round < 4; round++) {
      Process writer =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-cp",
                  System.getProperty("java.class.path"),
                  Writer.class.getName(),
                  file().toString())
              .redirectError(ProcessBuilder.Redirect.DISCARD)
              .start();
      int reported = 0;
      try (BufferedReader out =
          new BufferedReader(
              new InputStreamReader(writer.getInputStream(), StandardCharsets.UTF_8))) {
        String line = out.readLine();
        while (line != null && reported < 40 + 17 * round) {
          reported = Integer.parseInt(line);
          line = out.readLine();
        }
        writer.destroyForcibly();
      }
      writer.waitFor();
      try (SqliteLibrary library = SqliteLibrary.open(file())) {
        assertThat(library.journal()).extracting(JournalEntry::seconds).contains(reported);
        assertThat(library.journal().size()).isGreaterThanOrEqualTo(reported);
      }
    }
  }

  /** Writes entries for ever, printing each number once it is saved. */
  static final class Writer {
    private Writer() {}

    public static void main(String[] args) {
      try (SqliteLibrary library = SqliteLibrary.open(Path.of(args[0]))) {
        long id =
            library.passages().isEmpty()
                ? library.add(passage(), new byte[0]).id()
                : library.passages().get(0).id();
        int next = library.journal().size() + 1;
        while (next < 1_000_000) {
          library.add(entry(id, next));
          System.out.println(next);
          next++;
        }
      }
    }
  }
}
