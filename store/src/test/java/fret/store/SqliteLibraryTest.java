package fret.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.Anchor;
import fret.mark.BowLayer;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.mark.WishLayer;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.passage.SourceLayer;
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
import fret.session.Change;
import fret.session.Learning;
import fret.session.NewPassage;
import fret.session.Session;
import fret.session.Step;
import fret.shelf.Audition;
import fret.shelf.Library;
import fret.shelf.StoreFailure;
import fret.tempo.Beat;
import fret.tempo.LadderKind;
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
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.sqlite.SQLiteErrorCode;

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
            .withHand(new Hand(HandSize.LARGE, 91.5, true, 7, true, true), School.USUAL);
    Passage.Settings settings =
        new Passage.Settings(
            "Étude",
            new Tempo(Beat.QUARTER, 92.5),
            setup,
            new Reading(true, Divided.LOWER, "2", "8", -1),
            false);
    settings = settings.withDetails(settings.details().withRunning(3));
    return new Passage(0, 0, "Viola", Passage.of("etude.musicxml", "", settings).marks());
  }

  private static Said said(String word) {
    return Said.words(word);
  }

  private static Step step(Change change) {
    return new Step(Step.Kind.DO, change, change);
  }

  private static Step undo(Change change) {
    return new Step(Step.Kind.UNDO, change.inverse(), change);
  }

  private static Step redo(Change change) {
    return new Step(Step.Kind.REDO, change, change);
  }

  private static final Score NO_PAGE = page(1);

  private static Score page(int bars) {
    LineBuilder line = new LineBuilder(TimeSignature.of(3, 4), new KeySignature(-2), Clef.ALTO);
    for (int i = 0; i < 3 * bars; i++) {
      line.add(Fraction.of(1, 4), Pitch.parse(i % 2 == 0 ? "Bb4" : "F4"), Pitch.parse("D5"));
    }
    return line.build("page", Interval.UNISON);
  }

  private static final NoteKey FROM = new NoteKey(3, "1", Fraction.of(7, 8), 0, Pitch.parse("Eb4"));
  private static final NoteKey TO = new NoteKey(2, "1", Fraction.of(3, 2), 0, Pitch.parse("F4"));

  private static Marks pinned(Marks marks, Finger finger) {
    return marks.with(FingerLayer.PINNED, FROM, FingerMark.of(Optional.of(finger), 2));
  }

  private static Marks decided(Marks marks) {
    FingerMark touched =
        new FingerMark(Optional.of(Finger.FIRST), Optional.of(Finger.FOURTH), 2, true);
    Place stretch = Place.of(new Anchor.Stretch(FROM, TO));
    List<Wish.Ask> asks =
        List.of(new Wish.Ask(Wish.Kind.ON_STRING, 3), new Wish.Ask(Wish.Kind.NO_OPEN, 0));
    return pinned(marks, Finger.SECOND)
        .with(FingerLayer.ADOPTED, TO, touched)
        .with(FingerLayer.ADOPTED, Place.of(TO).in("for the hall"), Optional.of(touched))
        .with(BowLayer.BOW, FROM, Signs.Bow.DOWN)
        .with(WishLayer.WISH, stretch, Optional.of(asks))
        .with(VibratoLayer.VIBRATO, TO, VibratoWish.USUAL)
        .with(ReminderLayer.REMINDER, TO, Reminder.word("Ruhig, \"ß\""));
  }

  private static Library.Stored load(SqliteLibrary library, long id) {
    return library.load(id).orElseThrow();
  }

  @Test
  void whatThereIsToLearnIsKeptForItsRevisionAndItsMakerOnly() {
    Score page = page(8);
    Passage plain = NewPassage.byHand(page, Setup.usual(InstrumentType.VIOLA));
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(plain, new byte[0], Optional.of(page));
      Learning made = Learning.of(Session.of(p, page), LadderKind.EVEN, 0);
      assertThat(made.sections().get(0).units()).isNotEmpty();
      library.keepLearning(0, "this build", made);
      assertThat(library.learning(p.id(), "this build")).contains(made);
      assertThat(library.learning(p.id(), "another build")).isEmpty();
      library.keepLearning(7, "another build", made); // Of a revision that is not stored.
      assertThat(library.learning(p.id(), "this build")).contains(made);
      Change change = Change.of(said("pin"), p.marks(), pinned(p.marks(), Finger.FIRST));
      assertThat(library.apply(p.id(), 0, step(change), page)).isTrue();
      assertThat(library.learning(p.id(), "this build")).isEmpty();
      library.remove(p.id());
      assertThat(library.passages()).isEmpty();
    }
  }

  @Test
  void allThatThePlayerDecidedIsKept() {
    Change change;
    Marks marks;
    long id;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0], Optional.empty());
      id = p.id();
      marks = decided(p.marks());
      change = Change.of(said("decide"), p.marks(), marks);
      assertThat(library.apply(id, 0, step(change), NO_PAGE)).isTrue();
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage kept = load(library, id).passage();
      assertThat(kept.marks()).isEqualTo(marks);
      assertThat(kept.settings()).isEqualTo(passage().settings());
      assertThat(load(library, id).log().tip()).contains(change);
      assertThat(library.apply(id, 1, undo(change), NO_PAGE)).isTrue();
      assertThat(load(library, id).passage().marks()).isEqualTo(passage().marks());
      assertThat(library.passages()).containsExactly(load(library, id).passage());
      assertThat(library.unread()).isEmpty();
    }
  }

  @Test
  void aPageIsKeptBarByBarAndItsChangesGoBackAndForth() {
    Score three = page(3);
    List<Bar> bars = new ArrayList<>(three.bars());
    bars.add(1, three.bars().get(0).withEvents(List.of()));
    bars.remove(3);
    bars.add(bars.get(0).withEvents(List.of()));
    Score after = three.withBars(bars).laidOut().withTitle("mended");
    long id;
    Change mend;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0], Optional.empty());
      id = p.id();
      assertThat(load(library, id).page()).isEmpty();
      mend = Change.ofPage(said("mend"), three, after, p.marks(), pinned(p.marks(), Finger.FIRST));
      library.apply(id, 0, step(mend), three);
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(load(library, id).page()).contains(after);
      Score shorter = after.withBars(after.bars().subList(0, 2)).laidOut();
      Marks marks = load(library, id).passage().marks();
      Change cut = Change.ofPage(said("cut"), after, shorter, marks, marks);
      library.apply(id, 1, step(cut), after);
      assertThat(load(library, id).page()).contains(shorter);
      library.apply(id, 2, undo(cut), shorter);
      assertThat(load(library, id).page()).contains(after);
      library.apply(id, 3, undo(mend), after);
      assertThat(load(library, id).page()).as("as in the file").isEmpty();
      assertThat(load(library, id).passage().marks()).isEqualTo(passage().marks());
      library.apply(id, 4, redo(mend), three);
      assertThat(load(library, id).page()).contains(after);
      assertThat(load(library, id).log().next()).contains(cut);
    }
  }

  @Test
  void aFileBroughtInAgainKeepsItsKindAndCanBeTakenBack() {
    byte[] first = {1};
    byte[] second = {2};
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), first, Optional.empty());
      var source = new SourceLayer.Source(library.addSource(p.id(), second), "etude.abc");
      Change change =
          Change.of(
              said("again"),
              p.marks(),
              p.marks().with(SourceLayer.SOURCE, Place.WHOLE, Optional.of(source)));
      library.apply(p.id(), 0, step(change), NO_PAGE);
      Passage now = load(library, p.id()).passage();
      assertThat(now.sourceName()).isEqualTo("etude.abc");
      assertThat(library.source(p.id(), now.source().id())).isEqualTo(second);
      library.apply(p.id(), 1, undo(change), NO_PAGE);
      now = load(library, p.id()).passage();
      assertThat(now.sourceName()).isEqualTo("etude.musicxml");
      assertThat(library.source(p.id(), now.source().id())).isEqualTo(first);
      library.remove(p.id());
      assertThat(library.passages()).isEmpty();
      assertThat(library.load(p.id())).isEmpty();
      assertThatThrownBy(() -> library.apply(p.id(), 2, step(change), NO_PAGE))
          .isInstanceOfSatisfying(
              StoreFailure.class, f -> assertThat(f.why()).isEqualTo(StoreFailure.Cause.GONE));
    }
  }

  private static Change pinning(Passage p, Finger finger) {
    return Change.of(said("pin"), p.marks(), pinned(p.marks(), finger));
  }

  /** Two windows on one library: the second decision does not start from what is stored. */
  @Test
  void aStepThatDoesNotStartFromWhatIsStoredIsRefused() {
    try (SqliteLibrary one = SqliteLibrary.open(file());
        SqliteLibrary two = SqliteLibrary.open(file())) {
      Passage p = one.add(passage(), new byte[0], Optional.empty());
      assertThat(one.apply(p.id(), 0, step(pinning(p, Finger.FIRST)), NO_PAGE)).isTrue();
      assertThat(two.apply(p.id(), 0, step(pinning(p, Finger.THIRD)), NO_PAGE)).isFalse();
      assertThat(two.apply(p.id(), 1, step(pinning(p, Finger.THIRD)), NO_PAGE))
          .as("another revision, and yet not what it expects")
          .isFalse();
      Passage now = load(two, p.id()).passage();
      assertThat(now.marks()).isEqualTo(pinned(p.marks(), Finger.FIRST));
      assertThat(two.apply(p.id(), 1, step(pinning(now, Finger.THIRD)), NO_PAGE)).isTrue();
    }
  }

  /** Writes take their lock at once, so that two programs wait for each other and none fails. */
  @Test
  void twoWritersInTightLoopsBothGetThrough() throws Exception {
    try (SqliteLibrary one = SqliteLibrary.open(file());
        SqliteLibrary two = SqliteLibrary.open(file())) {
      Passage p = one.add(passage(), new byte[0], Optional.empty());
      List<Throwable> failed = java.util.Collections.synchronizedList(new ArrayList<>());
      List<Thread> writers = new ArrayList<>();
      for (SqliteLibrary library : List.of(one, two)) {
        Thread t =
            new Thread(
                () -> {
                  for (int i = 0; i < 60; i++) {
                    library.add(entry(p.id(), i));
                  }
                });
        t.setUncaughtExceptionHandler((thread, e) -> failed.add(e));
        writers.add(t);
        t.start();
      }
      for (Thread t : writers) {
        t.join(60_000);
      }
      assertThat(failed).isEmpty();
      assertThat(one.journal()).hasSize(120);
    }
  }

  /** The database itself says that there is no room; nothing of the step is in the file. */
  @Test
  void aFullDiskIsToldAndChangesNothing() {
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0], Optional.empty());
      library.limitPages(library.pages());
      byte[] large = new byte[200_000];
      assertThatThrownBy(() -> library.addSource(p.id(), large))
          .isInstanceOfSatisfying(
              StoreFailure.class, f -> assertThat(f.why()).isEqualTo(StoreFailure.Cause.DISK_FULL));
      Change words =
          Change.of(said("word ".repeat(40_000)), p.marks(), pinned(p.marks(), Finger.FIRST));
      assertThatThrownBy(() -> library.apply(p.id(), 0, step(words), NO_PAGE))
          .isInstanceOf(StoreFailure.class);
      assertThat(load(library, p.id()).passage()).isEqualTo(p);
      library.limitPages(100_000);
      assertThat(library.apply(p.id(), 0, step(words), NO_PAGE)).isTrue();
    }
  }

  private void execute(String sql) throws Exception {
    try (var c = DriverManager.getConnection("jdbc:sqlite:" + file());
        var s = c.createStatement()) {
      s.execute(sql);
    }
  }

  /** One row that is not understood is named and left out; it stays, and all else is there. */
  @Test
  void oneUnknownWordIsNotTheWholeLibrarys() throws Exception {
    long good;
    long bad;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0], Optional.empty());
      good = p.id();
      bad = library.add(passage(), new byte[0], Optional.empty()).id();
      library.apply(good, 0, step(Change.of(said("all"), p.marks(), decided(p.marks()))), NO_PAGE);
      library.add(entry(good, 30));
      library.add(entry(good, 31));
      library.save(new Audition(0, "Trial", LocalDate.of(2026, 6, 1), LocalDate.of(2026, 5, 11)));
    }
    execute("UPDATE mark SET form = '{\"kind\":\"HAT\"}' WHERE layer = 'reminder'");
    execute("INSERT INTO mark VALUES (" + good + ", 'mirror', 'whole', 0, '', '{}')");
    execute("UPDATE mark SET form = '{' WHERE layer = 'setting.setup' AND passage_id = " + bad);
    execute("UPDATE journal SET verdict = 'SPLENDID' WHERE seconds = 30");
    execute(
        "INSERT INTO audition (name, date, ready_date, minutes_per_day) VALUES ('x', 'soon', '', 5)");
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.passages()).extracting(Passage::id).containsExactly(good);
      assertThat(library.journal()).extracting(JournalEntry::seconds).containsExactly(31);
      assertThat(library.auditions()).hasSize(1);
      Marks marks = library.passages().get(0).marks();
      assertThat(marks.of(ReminderLayer.REMINDER)).isEmpty();
      assertThat(marks.of(BowLayer.BOW)).hasSize(1);
      assertThat(library.unread())
          .extracting(Library.Unread::what)
          .contains("mark reminder", "mark mirror", "passage", "journal entry 1", "audition 2");
    }
    execute(
        "UPDATE mark SET form = '{\"kind\":\"WORD\",\"text\":\"so\"}' WHERE layer = 'reminder'");
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.passages().get(0).marks().of(ReminderLayer.REMINDER)).hasSize(1);
    }
  }

  @Test
  void aPageWithABarThatCannotBeReadIsRefusedAndTheOtherPassagesOpen() throws Exception {
    long bad;
    long good;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      bad = library.add(passage(), new byte[0], Optional.of(page(2))).id();
      good = library.add(passage(), new byte[0], Optional.empty()).id();
    }
    execute("UPDATE bar SET text = '{' WHERE passage_id = " + bad);
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThatThrownBy(() -> library.load(bad))
          .isInstanceOf(StoreFailure.class)
          .extracting(e -> ((StoreFailure) e).why())
          .isEqualTo(StoreFailure.Cause.DAMAGED);
      assertThat(library.load(good)).isPresent();
    }
  }

  static JournalEntry entry(long passage, int seconds) {
    return new JournalEntry(
        0,
        passage,
        LocalDate.of(2026, 3, 1),
        "bars-1-2",
        DrillKind.STRAIGHT,
        31.5,
        63,
        seconds,
        Verdict.NEARLY,
        Breakage.SHIFT,
        "low");
  }

  /** Before sections had values of their own, tries counted as the target of their passage did. */
  @Test
  void oldTriesCountAsTheTargetDid() throws Exception {
    Beat beat;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Passage p = library.add(passage(), new byte[0], Optional.empty());
      beat = p.settings().target().beat();
      library.add(entry(p.id(), 20).countedIn(Beat.EIGHTH));
      assertThat(library.journal().get(0).counted()).contains(Beat.EIGHTH);
    }
    for (String column : List.of("counted", "at_stand", "cold")) {
      execute("ALTER TABLE journal DROP COLUMN " + column);
    }
    execute("DROP TABLE learning");
    execute("PRAGMA user_version = 7");
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.journal().get(0).counted()).contains(beat);
      assertThat(library.journal().get(0).perMinute()).isEqualTo(31.5);
      assertThat(library.journal().get(0).atStand()).isEqualTo(20);
    }
  }

  /** What was said of a try that was taken out, such as where it hurt, is of no other one. */
  @Test
  void theIdOfATryIsNeverGivenAgain() {
    long first;
    long passage;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      passage = library.add(passage(), new byte[0], Optional.empty()).id();
      library.add(entry(passage, 20));
      first = library.add(entry(passage, 20)).id();
      library.removeEntry(first);
      assertThat(library.add(entry(passage, 20)).id()).isGreaterThan(first);
      JournalEntry last = library.add(entry(passage, 20));
      library.removeEntry(last.id());
      first = last.id();
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.add(entry(passage, 20)).id()).isGreaterThan(first);
    }
  }

  @Test
  void aTryIsMendedAndTakenOutAndADateTakesItsPassagesWithIt() {
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      Audition date =
          library.save(
              new Audition(0, "Trial", LocalDate.of(2026, 6, 1), LocalDate.of(2026, 5, 11)));
      Passage p = library.add(passage(), new byte[0], Optional.empty());
      library.assign(p.id(), date.id());
      JournalEntry first = library.add(entry(p.id(), 40));
      JournalEntry second = library.add(entry(p.id(), 41));
      library.correct(first.judged(Verdict.CLEAN, Breakage.NONE).noted("after all"));
      library.removeEntry(second.id());
      assertThat(library.journal())
          .containsExactly(first.judged(Verdict.CLEAN, Breakage.NONE).noted("after all"));
      assertThatThrownBy(() -> library.correct(second)).isInstanceOf(StoreFailure.class);
      assertThat(library.passages().get(0).auditionId()).isEqualTo(date.id());
      library.removeAudition(date.id());
      assertThat(library.passages().get(0).auditionId()).isZero();
      assertThat(library.auditions()).isEmpty();
    }
  }

  @Test
  void everythingIsThereAfterReopening() {
    byte[] source = {1, 2, 3, 0, -1};
    Passage stored;
    Audition audition;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      audition =
          library.save(
              new Audition(0, "Trial", LocalDate.of(2026, 6, 1), LocalDate.of(2026, 5, 11)));
      stored = library.add(passage(), source, Optional.empty());
      library.add(entry(stored.id(), 40));
      library.putSetting("theme", "dark");
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.passages()).containsExactly(stored);
      assertThat(library.source(stored.id(), 0)).isEqualTo(source);
      assertThat(library.auditions()).containsExactly(audition);
      assertThat(library.journal())
          .containsExactly(entry(stored.id(), 40).withId(library.journal().get(0).id()));
      assertThat(library.settings()).containsExactly(Map.entry("theme", "dark"));
    }
  }

  @Test
  void theLogSurvivesReopeningAndANewChangeDropsWhatWasTakenBack() {
    long id;
    Change first;
    Change second;
    Passage p;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      p = library.add(passage(), new byte[0], Optional.empty());
      id = p.id();
      first = pinning(p, Finger.SECOND);
      second = pinning(first.applyTo(p), Finger.FOURTH);
      library.apply(id, 0, step(first), NO_PAGE);
      library.apply(id, 1, step(second), NO_PAGE);
      library.apply(id, 2, undo(second), NO_PAGE);
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(load(library, id).log().tip()).contains(first);
      assertThat(load(library, id).log().next()).contains(second);
      assertThat(load(library, id).revision()).isEqualTo(3);
      Change third = pinning(load(library, id).passage(), Finger.THIRD);
      library.apply(id, 3, step(third), NO_PAGE);
      assertThat(load(library, id).log().next()).isEmpty();
      Change merged = Change.of(said("pin"), first.applyTo(p).marks(), p.marks());
      library.apply(id, 4, new Step(Step.Kind.MERGE, third.inverse(), merged), NO_PAGE);
      assertThat(load(library, id).log().tip()).contains(merged);
    }
  }

  /** The minutes stood with the date; they are the player's now. The click was not written down. */
  @Test
  void theLibraryBeforeTheOneBudgetIsRead() throws Exception {
    try (var in = SqliteLibraryTest.class.getResourceAsStream("library-v3.sqlite")) {
      Files.copy(in, file());
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.unread()).isEmpty();
      assertThat(fret.shelf.PlanSettings.budget(library.settings()).on(LocalDate.of(2026, 5, 4)))
          .isEqualTo(45);
      assertThat(library.journal()).hasSize(2);
      assertThat(library.journal()).extracting(JournalEntry::perMinute).containsOnly(60.0);
      assertThat(library.journal())
          .extracting(JournalEntry::clicks)
          .containsOnly(JournalEntry.NOT_KEPT);
      assertThat(library.journal().get(1).drill()).isEqualTo(DrillKind.RHYTHMS);
      assertThat(library.auditions()).extracting(Audition::name).containsExactly("Village hall");
      assertThat(LibraryFile.copies(file())).hasSize(1);
    }
  }

  /** Real files of every earlier version of the library. */
  @ParameterizedTest
  @ValueSource(ints = {1, 2})
  void librariesOfEveryEarlierVersionAreRead(int version) throws Exception {
    String name = "library-v" + version + ".sqlite";
    try (var in = SqliteLibraryTest.class.getResourceAsStream(name)) {
      Files.copy(in, file());
    }
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.unread()).isEmpty();
      Passage first = library.passages().get(0);
      Marks marks = first.marks();
      Place third =
          Place.of(
              marks.of(FingerLayer.PINNED).keySet().stream()
                  .map(p -> ((Anchor.Note) p.anchor()).key())
                  .filter(k -> marks.at(FingerLayer.PINNED, k).orElseThrow().finger().isPresent())
                  .findFirst()
                  .orElseThrow());
      assertThat(marks.at(FingerLayer.PINNED, third))
          .contains(FingerMark.of(Optional.of(Finger.THIRD), 2));
      assertThat(marks.of(FingerLayer.PINNED)).hasSize(2);
      assertThat(marks.any(FingerLayer.ADOPTED)).isTrue();
      assertThat(library.journal()).isNotEmpty();
      assertThat(library.auditions()).hasSize(1);
      assertThat(library.settings()).containsKey("theme");
      assertThat(LibraryFile.copies(file())).hasSize(1);
      undoAll(library, first.id());
      if (version == 2) {
        assertThat(marks.of(BowLayer.BOW)).hasSize(1);
        assertThat(marks.of(VibratoLayer.VIBRATO)).hasSize(1);
        assertThat(Wish.all(marks))
            .extracting(Wish::kind)
            .containsExactly(Wish.Kind.ON_STRING, Wish.Kind.NO_OPEN);
        assertThat(marks.versions(FingerLayer.ADOPTED)).containsExactly("for the hall");
        Passage.Settings s = first.settings();
        assertThat(s.title()).isEqualTo("Lantern Dance, second try");
        assertThat(s.fullDigits()).isTrue();
        assertThat(s.setup().hand()).isEqualTo(new Hand(HandSize.LARGE, 82, true, 7, false, false));
        assertThat(s.setup().weights()).containsExactly(Map.entry(EffortKind.SHIFT, 0.5));
        assertThat(s.details().texts())
            .containsEntry(fret.passage.Details.Topic.CHARACTER, "like lanterns");
        assertThat(s.details().barNotes()).containsEntry("2", List.of("which bow?"));
        assertThat(s.details().running()).isEqualTo(2);
        assertThat(s.details().tempoMarks()).hasSize(1);
        Library.Stored tide = load(library, library.passages().get(1).id());
        assertThat(tide.page().orElseThrow().bars()).hasSizeGreaterThan(4);
        assertThat(tide.passage().source().id()).isEqualTo(1);
        assertThat(library.picture(tide.passage().id())).isPresent();
        undoAll(library, tide.passage().id());
      }
    }
  }

  /** Takes everything back, down to the passage as it came. */
  private static void undoAll(SqliteLibrary library, long id) {
    int steps = 0;
    for (Library.Stored s = load(library, id); s.log().tip().isPresent(); s = load(library, id)) {
      Change tip = s.log().tip().get();
      assertThat(library.apply(id, s.revision(), undo(tip), s.page().orElse(NO_PAGE)))
          .as(tip.name().toString())
          .isTrue();
      steps++;
    }
    assertThat(steps).isGreaterThanOrEqualTo(3);
    Marks left = load(library, id).passage().marks();
    assertThat(left.of(FingerLayer.PINNED)).isEmpty();
    assertThat(left.of(FingerLayer.ADOPTED)).isEmpty();
    assertThat(left.of(BowLayer.BOW)).isEmpty();
  }

  private StoreFailure.Cause whyNot(Path file) {
    try {
      SqliteLibrary.open(file).close();
      throw new AssertionError("opened");
    } catch (StoreFailure f) {
      return f.why();
    }
  }

  @Test
  void whatIsNoLibraryIsToldByItsCause() throws Exception {
    String noise = "this is not a database, but it is long enough to look at".repeat(50);
    Files.writeString(file(), noise);
    assertThat(whyNot(file())).isEqualTo(StoreFailure.Cause.FOREIGN);
    assertThat(Files.readString(file())).as("left as it is").isEqualTo(noise);
    Path other = dir.resolve("other.sqlite");
    try (var c = DriverManager.getConnection("jdbc:sqlite:" + other);
        var s = c.createStatement()) {
      s.execute("CREATE TABLE keepsake (word TEXT)");
    }
    assertThat(whyNot(other)).isEqualTo(StoreFailure.Cause.FOREIGN);
    Path newer = dir.resolve("newer.sqlite");
    SqliteLibrary.open(newer).close();
    try (var c = DriverManager.getConnection("jdbc:sqlite:" + newer);
        var s = c.createStatement()) {
      s.execute("PRAGMA user_version = 99");
    }
    assertThat(whyNot(newer)).isEqualTo(StoreFailure.Cause.NEWER);
    assertThat(whyNot(other.resolve("library.sqlite"))).isEqualTo(StoreFailure.Cause.NO_FILE);
    assertThat(whyNot(dir)).isEqualTo(StoreFailure.Cause.NO_FILE);
    Path cut = dir.resolve("cut.sqlite");
    try (SqliteLibrary library = SqliteLibrary.open(cut)) {
      library.add(passage(), new byte[300_000], Optional.empty());
    }
    byte[] whole = Files.readAllBytes(cut);
    Files.write(cut, java.util.Arrays.copyOf(whole, whole.length / 3));
    assertThat(whyNot(cut)).isEqualTo(StoreFailure.Cause.DAMAGED);
    assertThat(LibraryFile.why(SQLiteErrorCode.SQLITE_READONLY))
        .isEqualTo(StoreFailure.Cause.READ_ONLY);
    assertThat(LibraryFile.why(SQLiteErrorCode.SQLITE_IOERR)).isEqualTo(StoreFailure.Cause.OTHER);
  }

  @Test
  void aCopyIsMadeOnceADayAndBringsADamagedLibraryBack() throws Exception {
    long id;
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      id = library.add(passage(), new byte[0], Optional.empty()).id();
      library.backUpIfDue();
      library.backUpIfDue();
    }
    assertThat(LibraryFile.copies(file())).hasSize(1);
    Files.writeString(file(), "scratched".repeat(1000));
    Optional<Path> aside = LibraryFile.restore(file(), LibraryFile.copies(file()).get(0));
    assertThat(Files.readString(aside.orElseThrow())).startsWith("scratched");
    try (SqliteLibrary library = SqliteLibrary.open(file())) {
      assertThat(library.passages()).extracting(Passage::id).containsExactly(id);
    }
  }

  @Test
  void aSecondWindowIsTold() {
    assertThat(LibraryFile.take(file())).isTrue();
    assertThat(LibraryFile.take(file())).isFalse();
    SqliteLibrary.open(file()).close();
    assertThat(LibraryFile.take(file())).as("after the first one was closed").isTrue();
    SqliteLibrary.open(file()).close();
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
                ? library.add(passage(), new byte[0], Optional.empty()).id()
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
