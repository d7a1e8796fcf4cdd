package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.PracticeModel;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.care.BodyPart;
import fret.care.HowMuch;
import fret.care.Recovery;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.journal.Breakage;
import fret.journal.Verdict;
import fret.mark.FingerLayer;
import fret.passage.Reading;
import fret.plan.Gate;
import fret.score.Divided;
import fret.score.Signs;
import fret.search.Token;
import fret.shelf.Planning;
import fret.tempo.LadderKind;
import fret.tempo.MetronomeScale;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The view-models over a real library, without a window. */
class StudioTest extends OnDemoLibrary {
  private static byte[] resource(String name) throws Exception {
    try (var in = StudioTest.class.getResourceAsStream(name)) {
      return in.readAllBytes();
    }
  }

  @Test
  void twoPinsInARowAreBothKept() throws Exception {
    openDemo(0);
    Finger third = other(3);
    Finger ninth = other(9);
    does(
        () -> {
          studio.select(3);
          studio.decisions().pinFinger(third);
          studio.select(9);
          studio.decisions().pinFinger(ninth);
        });
    assertThat(studio.messageProperty().get()).contains("Changed in bar");
    assertThat(library.passages().get(0).marks().of(FingerLayer.PINNED).values())
        .hasSize(2)
        .allMatch(m -> m.finger().isPresent());
    assertThat(studio.shown().fingering().notes().get(3).orElseThrow().finger()).isEqualTo(third);
    assertThat(studio.shown().fingering().notes().get(9).orElseThrow().finger()).isEqualTo(ninth);
    does(studio::undo);
    does(studio::undo);
    assertThat(studio.shown().passage().marks().of(FingerLayer.PINNED).values()).isEmpty();
    assertThat(studio.messageProperty().get()).startsWith("Undone: Pin finger");
  }

  /** Another finger that can play a note on the string it is shown on. */
  private Finger other(int note) {
    NoteFinger now = studio.shown().fingering().notes().get(note).orElseThrow();
    return studio.shown().freeSolver(Token.NEVER).choicesAt(note).stream()
        .map(f -> f.notes().get(note).orElseThrow())
        .filter(p -> p.string() == now.string() && p.finger() != now.finger() && !p.isOpen())
        .findFirst()
        .orElseThrow()
        .finger();
  }

  @Test
  void aStringThatDoesNotReachIsToldAndChangesNothing() throws Exception {
    openDemo(0);
    does(() -> studio.select(0));
    for (int i = 0; i < 5; i++) {
      does(() -> studio.decisions().pinString(1));
    }
    assertThat(studio.messageProperty().get()).contains("does not lie on");
  }

  @Test
  void aFileBroughtInAgainKeepsMarksAndTellsWhatIsLost() throws Exception {
    byte[] part = resource("/violin.musicxml");
    does(() -> studio.importFile("part.musicxml", part));
    until(() -> studio.shown() != null && !studio.isBehind());
    does(() -> studio.select(0));
    does(() -> studio.selectBar(1));
    does(() -> studio.selectBar(1));
    does(() -> studio.select(studio.selectedProperty().get() + 1));
    Finger wanted = other(studio.selectedProperty().get());
    does(() -> studio.decisions().pinFinger(wanted));
    String gone =
        new String(part, StandardCharsets.UTF_8)
            .replaceFirst("(?s)<measure number=\"2\".*?</measure>", "");
    does(() -> studio.bringInAgain("part.musicxml", gone.getBytes(StandardCharsets.UTF_8)));
    assertThat(studio.session().problems())
        .anyMatch(p -> Sentences.of(p).contains("has no note any more"));
    assertThat(studio.shown().passage().marks().of(FingerLayer.PINNED).values()).isEmpty();
    does(studio::undo);
    assertThat(studio.shown().passage().marks().of(FingerLayer.PINNED).values()).hasSize(1);
    assertThat(studio.session().page().barNumbered("2")).isPresent();
  }

  @Test
  void barsAskedForAndBowMarksReachTheExportedFile() throws Exception {
    byte[] part = resource("/violin.musicxml");
    does(() -> studio.importFile("part.musicxml", part, "", Reading.PLAIN.withBars("2", "3")));
    until(() -> studio.shown() != null && !studio.isBehind());
    assertThat(studio.shown().score().bars()).hasSize(2);
    does(() -> studio.select(0));
    does(() -> studio.decisions().markBow(Signs.Bow.UP));
    String[] written = new String[1];
    does(() -> studio.paper().export(b -> written[0] = new String(b, StandardCharsets.UTF_8)));
    int second = written[0].indexOf("<measure number=\"2\"");
    assertThat(written[0].indexOf("<up-bow/>")).isGreaterThan(second);
    does(() -> studio.decisions().markBow(Signs.Bow.UP));
    assertThat(studio.shown().bowAt(0)).isEqualTo(Signs.Bow.NONE);
  }

  @Test
  void theChosenLineOfADividedSectionIsRemembered() throws Exception {
    openDemo(0);
    does(
        () ->
            studio.changeSettings(
                Said.words("Lower line"),
                s -> s.withReading(s.reading().withDivided(Divided.LOWER))));
    assertThat(library.passages().get(0).settings().reading().divided()).isEqualTo(Divided.LOWER);
  }

  @Test
  void aNewPageIsWrittenAndItsChangesAreUndone() throws Exception {
    var empty = studio.passages().get(0);
    openDemo(0);
    var page = studio.session().page();
    var shorter = page.withBars(page.bars().subList(0, 3)).laidOut();
    does(() -> studio.select(1));
    does(() -> studio.decisions().pinFinger(Finger.SECOND));
    does(() -> studio.writePage(Said.words("Fewer bars"), shorter));
    assertThat(studio.shown().score().bars()).hasSize(3);
    assertThat(studio.shown().passage().marks().of(FingerLayer.PINNED).values()).hasSize(1);
    assertThat(library.load(empty.id()).orElseThrow().page()).contains(shorter);
    does(studio::undo);
    assertThat(studio.shown().page()).isEqualTo(page);
    byte[][] file = new byte[1][];
    does(() -> studio.paper().export(b -> file[0] = b));
    assertThat(new String(file[0], StandardCharsets.UTF_8)).contains("<fingering>");
  }

  /** Puts the open passage's first chunk on the stand, to be played straight; returns its id. */
  private String straight(PracticeModel practice) throws Exception {
    does(studio.plans()::ensure);
    var e = studio.plans().ofOpen().orElseThrow();
    Chunk first = e.chunks().get(0);
    int from = studio.shown().resolved().indexOf(first.from()).orElseThrow();
    int to = studio.shown().resolved().indexOf(first.to()).orElseThrow();
    does(() -> practice.own().practise(from, to, DrillKind.STRAIGHT));
    assertThat(practice.stand().onProperty().get().chunkIds()).contains(first.id());
    return first.id();
  }

  @Test
  void painHoldsTheChunkAndStretchesBackUntilItIsLifted() throws Exception {
    openDemo(0);
    PracticeModel practice = new PracticeModel(studio, () -> Instant.parse("2026-03-03T09:00:00Z"));
    String chunk = straight(practice);
    does(() -> practice.stand().judge(Verdict.HURTS, Breakage.TENSION));
    assertThat(studio.plans().plannedProperty().get().of(1).orElseThrow().held()).contains(chunk);
    Planning waits = studio.plans().plannedProperty().get();
    assertThat(waits.plan().days().get(0).items()).as("the day is over").isEmpty();
    assertThat(waits.plan().days())
        .filteredOn(d -> d.date().isBefore(waits.care().over()))
        .allMatch(d -> d.items().stream().noneMatch(i -> i.unit().equals(chunk)));
    does(studio.hurting()::allBack);
    assertThat(studio.plans().plannedProperty().get().held()).isZero();
  }

  /** The day after it is asked first; nothing is planned before an answer, then light work. */
  @Test
  void onTheDayAfterPainItIsAskedFirst() throws Exception {
    openDemo(0);
    PracticeModel practice = new PracticeModel(studio, () -> Instant.parse("2026-03-03T09:00:00Z"));
    straight(practice);
    does(
        () -> {
          practice.stand().judge(Verdict.HURTS, Breakage.NONE);
          studio.hurting().say(BodyPart.THUMB, HowMuch.A_LITTLE); // before the try is stored
        });
    assertThat(studio.hurting().care().parts().get(0).part()).isEqualTo(BodyPart.THUMB);
    assertThat(studio.asking().askedProperty().get()).as("nothing else is asked").isEmpty();
    studio = studio(TODAY.plusDays(1));
    does(studio.plans()::ensure);
    until(() -> studio.plans().plannedProperty().get() != null && !studio.isBehind());
    assertThat(Sentences.of(studio.asking().askedProperty().get().orElseThrow().words()))
        .isEqualTo("It hurt: thumb. How is it today?");
    assertThat(studio.plans().plannedProperty().get().plan().days().get(0).items()).isEmpty();
    does(() -> studio.asking().answer(0));
    Planning p = studio.plans().plannedProperty().get();
    assertThat(p.care().parts().get(0).step()).isEqualTo(Recovery.Step.LIGHT);
    assertThat(p.plan().days().get(0).minutes())
        .isPositive()
        .isLessThanOrEqualTo(p.budget().on(studio.today()) / 3.0);
    does(studio::undo);
    assertThat(studio.hurting().care().parts().get(0).step()).isEqualTo(Recovery.Step.WAITS);
  }

  @Test
  void cleanTriesClimbAndAMissGoesBack() throws Exception {
    openDemo(2);
    PracticeModel practice = new PracticeModel(studio, () -> Instant.parse("2026-03-03T09:00:00Z"));
    straight(practice);
    double first = practice.stand().gateProperty().get().perMinute();
    for (int i = 0; i < 3; i++) {
      does(() -> practice.stand().judge(Verdict.CLEAN, Breakage.NONE));
    }
    double up = practice.stand().gateProperty().get().perMinute();
    assertThat(up).isGreaterThan(first);
    does(() -> practice.stand().judge(Verdict.MISSED, Breakage.SHIFT));
    assertThat(practice.stand().gateProperty().get().perMinute()).isLessThan(up);
    assertThat(studio.journal()).last().matches(e -> e.breakage() == Breakage.SHIFT);
  }

  /** What broke is said, and a verdict taken back, before the try is stored: nothing is lost. */
  @Test
  void whatIsSaidOfATryCountsBeforeItIsStored() throws Exception {
    openDemo(2);
    PracticeModel practice = new PracticeModel(studio, () -> Instant.parse("2026-03-03T09:00:00Z"));
    straight(practice);
    int before = studio.journal().size();
    does(
        () -> {
          practice.stand().judge(Verdict.MISSED, Breakage.NONE);
          practice.stand().tell(Breakage.CROSSING);
        });
    assertThat(studio.journal())
        .hasSize(before + 1)
        .last()
        .matches(e -> e.breakage() == Breakage.CROSSING);
    assertThat(library.journal()).last().matches(e -> e.breakage() == Breakage.CROSSING);
    double level = practice.stand().gateProperty().get().perMinute();
    does(
        () -> {
          practice.stand().judge(Verdict.CLEAN, Breakage.NONE, 3);
          assertThat(practice.stand().takeBack()).isTrue();
        });
    assertThat(studio.journal()).hasSize(before + 1);
    assertThat(library.journal()).hasSize(before + 1);
    assertThat(practice.stand().gateProperty().get().perMinute()).isEqualTo(level);
  }

  /** Five clean plays of one set were at one level, also those after the gate was open. */
  @Test
  void aSetIsWrittenAtTheLevelThatWasPlayed() throws Exception {
    openDemo(2);
    PracticeModel practice = new PracticeModel(studio, () -> Instant.parse("2026-03-03T09:00:00Z"));
    straight(practice);
    int before = studio.journal().size();
    double level = practice.stand().gateProperty().get().perMinute();
    does(() -> practice.stand().judge(Verdict.CLEAN, Breakage.NONE, 5));
    assertThat(studio.journal().subList(before, before + 5)).allMatch(e -> e.perMinute() == level);
    assertThat(practice.stand().gateProperty().get().perMinute()).isGreaterThan(level);
    assertThat(practice.stand().gateProperty().get().cleanInRow()).isZero();
  }

  @Test
  void theLadderFollowsTheHabits() throws Exception {
    openDemo(3);
    does(studio.plans()::ensure);
    Gate.Settings gate = Gate.Settings.USUAL;
    does(
        () ->
            studio
                .plans()
                .saveHabits(Planning.Habits.USUAL.with(gate).with(LadderKind.METRONOME, 0)));
    List<Double> levels = studio.plans().ofOpen().orElseThrow().ladder().tempos();
    assertThat(levels.subList(0, levels.size() - 1))
        .allMatch(l -> Arrays.stream(MetronomeScale.numbers()).anyMatch(n -> n == l));
    does(
        () ->
            studio.plans().saveHabits(Planning.Habits.USUAL.with(gate).with(LadderKind.EVEN, 60)));
    assertThat(studio.plans().ofOpen().orElseThrow().ladder().start()).isEqualTo(60);
  }

  @Test
  void anotherInstrumentIsFingeredAnewAndSaysWhatItCannotPlay() throws Exception {
    openDemo(0);
    does(
        () ->
            studio.changeSettings(
                Said.words("On the bass"),
                s -> s.withSetup(s.setup().withInstrument(InstrumentType.BASS))));
    assertThat(studio.shown().fingering().problems())
        .anyMatch(p -> Sentences.of(p).contains("fingerboard"));
    does(
        () ->
            studio.changeSettings(
                Said.words("Two octaves down"), s -> s.withReading(s.reading().withOctaves(-2))));
    assertThat(studio.shown().fingering().problems())
        .noneMatch(p -> Sentences.of(p).contains("end of the fingerboard"));
  }

  @Test
  void aBadFileIsNamedAndTheOpenPassageStays() throws Exception {
    openDemo(1);
    does(() -> studio.importFile("odd.musicxml", new byte[] {1, 2, 3}));
    assertThat(Sentences.of(studio.errorProperty().get())).contains("odd.musicxml");
    assertThat(studio.shown().passage().id()).isEqualTo(studio.passages().get(1).id());
  }

  @Test
  void partsOfAFileAreListedBeforeOneIsTaken() throws UnusableInput, Exception {
    byte[] part = resource("/violin.musicxml");
    assertThat(FretApplication.FORMATS.parts("violin.musicxml", part))
        .singleElement()
        .matches(p -> p.bars() == 8 && p.name().equals("Violin I"));
  }
}
