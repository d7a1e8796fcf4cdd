package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.bowing.Stroke;
import fret.drill.Approach;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.lane.LaneInput;
import fret.passage.Passage;
import fret.passage.TempoMark;
import fret.plan.Gate;
import fret.plan.Part;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.session.ChunkDecisions;
import fret.session.Session;
import fret.shelf.Asked;
import fret.shelf.PlanChange;
import fret.shelf.Planning;
import fret.sound.Click;
import fret.sound.ClickPlayer;
import fret.sound.ClickRange;
import fret.sound.ClickTrack;
import fret.sound.PassagePlayer;
import fret.sound.PlaySet;
import fret.tempo.Level;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mockito;

/** The day at the stand, without a window. */
class PracticeModelTest {
  @TempDir Path dir;
  private Room room;
  private PracticeModel practice;

  @BeforeEach
  void open() {
    room = new Room(dir.resolve("library.sqlite"));
    practice = new PracticeModel(room.studio, Instant::now);
    room.open(0);
    room.studio.plans().ensure();
    room.settle();
    practice.restart();
    room.settle();
  }

  @AfterEach
  void close() {
    room.close();
  }

  private OnStand on() {
    return practice.stand().onProperty().get();
  }

  /** Today may begin with either passage. */
  private Passage open(long id) {
    room.studio.open(room.studio.passage(id).orElseThrow());
    room.settle();
    return room.studio.passage(id).orElseThrow();
  }

  private Planning planned() {
    return room.studio.plans().plannedProperty().get();
  }

  /** Goes to the first item of a chunk that is played straight. */
  private int toStraight() {
    List<Item> items = practice.items();
    for (int i = 0; i < items.size(); i++) {
      if (items.get(i).kind() == Kind.CHUNK && items.get(i).drill() == DrillKind.STRAIGHT) {
        practice.show(i);
        room.settle();
        return i;
      }
    }
    throw new AssertionError("nothing straight today");
  }

  private JournalEntry last() {
    List<JournalEntry> all = room.studio.journal();
    return all.get(all.size() - 1);
  }

  /** What is practised is kept as it is only when the player says so; asked once. */
  @Test
  void keepingTheFingeringIsAskedOnce() {
    toStraight();
    assertThat(room.studio.asking().askedProperty().get()).isEmpty();
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
    room.settle();
    assertThat(room.studio.asking().askedProperty().get()).isPresent();
    assertThat(room.studio.shown().isAdopted()).isFalse();
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
    room.settle();
    room.studio.asking().answer(0);
    room.settle();
    assertThat(room.studio.shown().isAdopted()).isTrue();
    assertThat(room.studio.asking().askedProperty().get()).as("not again").isEmpty();
    room.studio.undo();
    room.settle();
    assertThat(room.studio.shown().isAdopted()).isFalse();
  }

  /** The player's way with a chunk is that of the stand and of the plan, from now on. */
  @Test
  void aChunkInSmallStepsGrowsFasterTryByTry() {
    open(room.passage(0).id());
    Chunk chunk = planned().of(room.passage(0).id()).orElseThrow().chunks().get(0);
    room.studio
        .open()
        .decide(s -> new ChunkDecisions(s).approach(chunk.id(), Approach.SMALL_STEPS));
    room.settle();
    practice.own().practise(chunk, DrillKind.STRAIGHT);
    room.settle();
    double level = practice.stand().level().perMinute();
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
    room.settle();
    double next = on().ladder().above(Level.at(level)).perMinute();
    assertThat(practice.stand().level().perMinute()).isBetween(level + 0.5, next - 0.5);
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE, 2);
    room.settle();
    assertThat(practice.stand().level().perMinute()).isEqualTo(next);
    assertThat(planned().plan().days().get(0).items())
        .filteredOn(i -> i.passageId() == room.passage(0).id() && i.unit().equals(chunk.id()))
        .noneMatch(i -> i.drill() == DrillKind.ADD_A_NOTE);
  }

  @Test
  void afterACureTheItemIsThereAgainAndTheNextOneFollows() {
    int at = toStraight();
    OnStand before = on();
    practice.own().cure(Breakage.RUSHED);
    room.settle();
    assertThat(on().drill().kind()).isEqualTo(DrillKind.ACCENTS);
    assertThat(practice.isAside()).isTrue();
    practice.next();
    room.settle();
    assertThat(on().drill()).isEqualTo(before.drill());
    assertThat(practice.item()).contains(practice.items().get(at));
    practice.next();
    room.settle();
    assertThat(practice.isDone(at)).as("looking ticks nothing").isFalse();
    assertThat(practice.indexProperty().get()).isEqualTo(at + 1);
    practice.previous();
    room.settle();
    double left = practice.minutesLeft();
    practice.done();
    room.settle();
    assertThat(practice.isDone(at)).isTrue();
    assertThat(practice.minutesLeft()).isLessThan(left);
    practice.previous();
    room.settle();
    assertThat(practice.isDone(at)).as("it stays done").isTrue();
  }

  @Test
  void oneThingAloneIsJudgedAsADrillOfItsOwnAndClosesNoLevel() {
    toStraight();
    practice.own().focus(DrillKind.FOCUS_BOW);
    for (int i = 0; i < 3; i++) {
      practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
      room.settle();
    }
    assertThat(last().drill()).isEqualTo(DrillKind.FOCUS_BOW);
    assertThat(planned().all(room.passage(0).id()))
        .allMatch(e -> e.readiness().atTarget() == 0 && e.readiness().slowest() == 0);
  }

  @Test
  void aWordToATryIsKeptWhetherItIsStoredYetOrNot() {
    toStraight();
    practice.stand().judge(Verdict.MISSED, Breakage.NONE);
    practice.stand().note(" late ");
    practice.stand().tell(Breakage.SHIFT);
    room.settle();
    assertThat(last().note()).isEqualTo("late");
    practice.stand().note("late again");
    room.settle();
    assertThat(last().note()).isEqualTo("late again");
    assertThat(last().breakage()).isEqualTo(Breakage.SHIFT);
  }

  @Test
  void whatIsLeftOutIsToldWithItsReasonAlsoTomorrow() {
    toStraight();
    String what = practice.label(practice.item().orElseThrow());
    practice.skip(Skipped.Why.NO_TIME);
    room.settle();
    assertThat(room.studio.preferences().skipped())
        .containsExactly(new Skipped(room.studio.today(), what, Skipped.Why.NO_TIME));
    assertThat(DaySummary.of(room.studio)).anyMatch(t -> t.contains(what));
    try (Room other = room.another()) {
      assertThat(other.studio.preferences().skipped()).hasSize(1);
    }
  }

  @Test
  void anyDrillOfTheBookStandsThereOrItIsSaidThatThereIsNone() {
    toStraight();
    practice.own().drill(DrillKind.BACKWARDS);
    room.settle();
    assertThat(on().drill().kind()).isEqualTo(DrillKind.BACKWARDS);
    practice.next();
    practice.own().drill(DrillKind.STRETCH);
    room.settle();
    assertThat(on().drill().kind()).isEqualTo(DrillKind.STRAIGHT);
    assertThat(room.studio.messageProperty().get()).contains("Stretch");
  }

  /** After a set the promise is that of all its plays, as they are judged. */
  @Test
  void theStairTellsOfAllPlaysThatWentBy() {
    toStraight();
    int needed = practice.stand().gateProperty().get().settings().cleanNeeded();
    Lead all = Lead.of(practice.stand(), Verdict.CLEAN, 0, needed);
    assertThat(all.where()).isEqualTo(Lead.Where.TEMPO);
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE, needed);
    assertThat(practice.stand().gateProperty().get().perMinute()).isEqualTo(all.tempo());
    // Two went by without a word, the third was missed.
    Lead missed = Lead.of(practice.stand(), Verdict.MISSED, 2, 1);
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE, 2);
    practice.stand().judge(Verdict.MISSED, Breakage.NONE);
    assertThat(missed.where()).isEqualTo(Lead.Where.TEMPO);
    assertThat(practice.stand().gateProperty().get().perMinute()).isEqualTo(missed.tempo());
  }

  /** What the stair at the stand promises is what a verdict does. */
  @Test
  void whereAVerdictLeadsIsToldBeforeItIsGiven() {
    toStraight();
    Verdict[] given = {
      Verdict.CLEAN,
      Verdict.CLEAN,
      Verdict.NEARLY,
      Verdict.CLEAN,
      Verdict.CLEAN,
      Verdict.CLEAN,
      Verdict.MISSED,
      Verdict.CLEAN
    };
    for (Verdict v : given) {
      Gate before = practice.stand().gateProperty().get();
      Lead told = Lead.of(practice.stand(), v, 0, 1);
      practice.stand().judge(v, Breakage.NONE);
      Gate now = practice.stand().gateProperty().get();
      switch (told.where()) {
        case TEMPO -> assertThat(now.perMinute()).isEqualTo(told.tempo());
        case AGAIN -> {
          assertThat(now.perMinute()).isEqualTo(before.perMinute());
          assertThat(now.cleanInRow()).isZero();
        }
        case ANOTHER_CLEAN -> assertThat(now.cleanInRow()).isEqualTo(told.count());
        case DONE -> assertThat(now.stopped()).isTrue();
        default -> throw new AssertionError(told);
      }
    }
    practice.own().drill(DrillKind.ADD_A_NOTE);
    room.settle();
    assertThat(Lead.of(practice.stand(), Verdict.MISSED, 0, 1).where()).isEqualTo(Lead.Where.AGAIN);
    Lead next = Lead.of(practice.stand(), Verdict.CLEAN, 0, 1);
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
    assertThat(next.where()).isEqualTo(Lead.Where.PART);
    assertThat(practice.stand().partProperty().get() + 1).isEqualTo(next.count());
  }

  @Test
  void aLoopGoesRoundWithoutAPauseAtTheTempoOfTheGate() {
    toStraight();
    var set = practice.stand().set(2).orElseThrow();
    var loop = practice.stand().loop().orElseThrow();
    double length = set.plays().get(0).to() - set.plays().get(0).from();
    assertThat(loop.plays().get(1).from()).isEqualTo(loop.plays().get(0).to());
    assertThat(loop.plays().get(1).to() - loop.plays().get(1).from()).isEqualTo(length);
    assertThat(set.plays().get(1).from()).isGreaterThan(set.plays().get(0).to());
  }

  @Test
  void theClickOfThePlanIsOtherwiseByBars() {
    toStraight();
    ClickRange silent = new ClickRange("1", "2", ClickRange.Kind.SILENT, List.of());
    new Clicking(room.studio).add(silent);
    room.settle();
    toStraight();
    var clicks = practice.stand().set(1).orElseThrow().track().clicks();
    assertThat(clicks)
        .filteredOn(c -> c.strength() != Click.Strength.COUNT_IN)
        .allMatch(c -> c.strength() == Click.Strength.SILENT);
    new Clicking(room.studio).remove(silent);
    room.settle();
    assertThat(Clicking.ranges(room.studio.session())).isEmpty();
    new Clicking(room.studio).fromOthers();
    room.settle();
    assertThat(room.studio.messageProperty().get()).contains("no other part");
  }

  // ---- frames, passages ----------------------------------------------------------------------

  private static Frame.Box box() {
    return new Frame.Box(0.1, 0.1, 0.5, 0.1);
  }

  @Test
  void framesGoOnWhereTheLastOneEndedAndAreUndone() {
    open(room.passage(0).id());
    Framing framing = new Framing(room.studio);
    String first = framing.draw(0, box());
    room.settle();
    framing.change(
        Said.of("frame.changed", "x"),
        first,
        f -> f.withBars(11, 6, TimeSignature.of(3, 4)).named("turn"));
    room.settle();
    String second = framing.draw(1, box());
    room.settle();
    assertThat(framing.frame(second).orElseThrow().fromBar()).isEqualTo(13);
    assertThat(framing.frame(second).orElseThrow().metre()).isEqualTo(TimeSignature.of(3, 4));
    assertThat(framing.frame(first).orElseThrow().bars()).isEqualTo(2);
    // Far from the page's bars: they are practised from the picture.
    practice.own().practise(framing.frame(second).orElseThrow());
    room.settle();
    assertThat(on().frames()).extracting(Frame::id).containsExactly(second);
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
    room.settle();
    assertThat(last().chunkId()).isEqualTo(second);
    framing.remove(second);
    room.settle();
    assertThat(framing.draw(0, box())).as("a played id is not given again").isNotEqualTo(second);
    room.settle();
    // Two drawn, one changed, the fingering adopted by the try, one removed, one drawn.
    for (int i = 0; i < 6; i++) {
      room.studio.undo();
      room.settle();
    }
    assertThat(framing.frames()).isEmpty();
  }

  @Test
  void aCopyOpensWithAllThatWasDecidedAndIsItsOwn() {
    Passage first = open(room.passage(0).id());
    room.studio.decide(s -> new ChunkDecisions(s).excerpt(0, 3, "half", 60, 0));
    room.settle();
    room.studio.duplicate(first);
    room.settle();
    Passage copy = room.passage(2);
    room.studio.open(copy);
    room.settle();
    assertThat(room.studio.shown().resolved().notes()).hasSize(8);
    assertThat(planned().all(copy.id())).hasSize(2);
    room.studio.open().decide(s -> new ChunkDecisions(s).withoutExcerpt("excerpt-1"));
    room.settle();
    assertThat(planned().all(copy.id())).hasSize(1);
    assertThat(planned().all(first.id())).hasSize(2);
  }

  @Test
  void whatIsPutAwayIsNotPlannedAndComesBack() {
    Passage first = room.passage(0);
    room.studio.putAway(first, true);
    room.settle();
    assertThat(planned().passages()).doesNotContain(first.id());
    try (Room other = room.another()) {
      assertThat(other.studio.preferences().away()).containsExactly(first.id());
    }
    room.studio.putAway(first, false);
    room.settle();
    assertThat(planned().passages()).contains(first.id());
  }

  @Test
  void aDayOffTellsWhatItChanged() {
    assertThat(room.studio.plans().changesProperty().get()).isEmpty();
    room.studio
        .plans()
        .saveBudget(
            Said.of("deed.habits"),
            room.studio.plans().budget().with(room.studio.today().plusDays(1), 0));
    room.settle();
    List<PlanChange> all = room.studio.plans().changesProperty().get();
    assertThat(all).isNotEmpty();
    assertThat(all.get(0).moved()).isPositive();
    // A try is no such change.
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE);
    room.settle();
    assertThat(room.studio.plans().changesProperty().get()).isEmpty();
  }

  private static double seconds(PlaySet set) {
    return set.plays().get(0).to() - set.plays().get(0).from();
  }

  /** A section at half the passage's tempo has a ladder up to that, and takes twice the time. */
  @Test
  void aChunkGoesAtTheTempoOfItsSection() {
    toStraight();
    Passage at = open(on().passageId());
    practice.restart();
    room.settle();
    toStraight();
    double level = practice.stand().gateProperty().get().perMinute();
    double plain = seconds(practice.stand().set(1).orElseThrow());
    assertThat(practice.stand().begins().orElseThrow().perMinute()).isCloseTo(level, within(1e-9));
    double half = at.settings().target().perMinute() / 2;
    room.studio.changeSettings(
        Said.words("slow"),
        x ->
            x.withDetails(
                x.details()
                    .withTempoMarks(List.of(new TempoMark("1", TempoMark.Kind.SECTION, half)))));
    room.settle();
    practice.restart();
    room.settle();
    toStraight();
    assertThat(on().ladder().target()).isCloseTo(half, within(0.5));
    practice.stand().tempo(level / 2);
    assertThat(practice.stand().begins().orElseThrow().perMinute())
        .isCloseTo(level / 2, within(1e-9));
    PlaySet slow = practice.stand().set(1).orElseThrow();
    assertThat(seconds(slow)).isCloseTo(2 * plain, within(0.01));
    assertThat(practice.stand().wholesAfter(plain))
        .as("half way after the time of a whole play before")
        .isCloseTo(practice.stand().wholesAfter(2 * plain) / 2, within(0.01));
  }

  @Test
  void aNotchUnderIsRunThroughTooWhenAsked() {
    open(room.passage(0).id());
    room.studio.plans().toggleUnder();
    room.settle();
    Planning.Entry e = planned().of(room.passage(0).id()).orElseThrow();
    assertThat(e.goal().second()).isEqualTo(e.ladder().isSlow() ? 0 : 76);
    room.studio.plans().toggleUnder();
    room.settle();
    assertThat(planned().of(room.passage(0).id()).orElseThrow().goal().second()).isZero();
    Optional<Item> run =
        planned().plan().days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> PracticePlan.isRun(i.unit()))
            .findFirst();
    assertThat(run).isPresent();
  }

  /** The second half of a run-through that is longer than its day: its bars, under its own name. */
  @Test
  void aPartOfARunThroughIsItsBars() {
    open(room.passage(1).id());
    Planning.Entry e = planned().of(room.passage(1).id()).orElseThrow();
    Item run =
        planned().plan().days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> PracticePlan.isRun(i.unit()) && i.passageId() == e.passageId())
            .findFirst()
            .orElseThrow();
    Item second =
        new Item(
            run.kind(),
            run.passageId(),
            new Part(run.unit(), 2, 2).id(),
            run.drill(),
            run.level(),
            1,
            run.minutes(),
            1,
            1,
            run.why());
    Session session = room.studio.shown();
    Score whole = Asked.drill(session, e, run).whole();
    Score half = Asked.drill(session, e, second).whole();
    assertThat(half.bars()).hasSizeLessThan(whole.bars().size());
    assertThat(half.events().get(half.events().size() - 1).heads())
        .isEqualTo(whole.events().get(whole.events().size() - 1).heads());
    assertThat(practice.label(second)).endsWith("part 2 of 2");
  }

  // ---- click and drone -----------------------------------------------------------------------

  @Test
  void clickAndDroneGoOnByOneKeyEach() {
    ClickPlayer click = Mockito.mock(ClickPlayer.class);
    PassagePlayer drone = Mockito.mock(PassagePlayer.class);
    Mockito.when(click.description()).thenReturn("test");
    Mockito.when(drone.description()).thenReturn("test");
    Beating beating = new Beating(room.studio, click, drone, () -> 0);
    int[] taken = {0};
    beating.setOnTake(() -> taken[0]++);
    var track = org.mockito.ArgumentCaptor.forClass(ClickTrack.class);
    beating.toggleClick();
    Mockito.verify(click).start(track.capture(), Mockito.any(IntConsumer.class), Mockito.any());
    // Quarters at 80: the fifth click is the next bar's first.
    assertThat(track.getValue().clicks().get(4).seconds()).isEqualTo(3.0);
    assertThat(track.getValue().clicks().get(4).strength()).isEqualTo(Click.Strength.STRONG);
    assertThat(taken[0]).isEqualTo(1);
    beating.stopClick();
    Mockito.verify(click).stop();
    beating.toggleClick();
    Mockito.verify(click, Mockito.times(2)).start(Mockito.any(), Mockito.any(), Mockito.any());

    beating.toggleDrone();
    room.settle();
    Mockito.verify(drone).play(Mockito.any(), Mockito.eq(true));
    assertThat(room.studio.messageProperty().get()).contains("C4");
  }

  /** In a set it begins with each play and is silent between them; its length is that of a play. */
  @Test
  void theDroneThatFollowsGoesWithThePlaysOfASet() {
    PassagePlayer drone = Mockito.mock(PassagePlayer.class);
    Mockito.when(drone.description()).thenReturn("test");
    Beating beating = new Beating(room.studio, Mockito.mock(ClickPlayer.class), drone, () -> 0);
    beating.toggleFollowing();
    room.settle();
    Mockito.verify(drone).play(Mockito.any(), Mockito.eq(true));
    assertThat(room.studio.messageProperty().get()).contains("with each play");

    toStraight();
    FollowingDrone.Under under = practice.stand().under().orElseThrow();
    var slices = room.studio.shown().resolved().slices();
    double first = under.tempo().msAt(slices.get(under.from()).onset());
    var last = slices.get(under.to());
    double lasts = under.tempo().msAt(last.onset().add(last.duration())) - first;
    FollowingDrone following = beating.following();
    following.ready(Optional.of(under), false);
    room.settle();
    following.playing(false);
    following.playing(true);
    following.playing(true);
    var samples = org.mockito.ArgumentCaptor.forClass(float[].class);
    Mockito.verify(drone).play(samples.capture(), Mockito.eq(false));
    assertThat(samples.getValue().length / (double) ClickTrack.SAMPLE_RATE)
        .isCloseTo(lasts / 1000, org.assertj.core.api.Assertions.within(0.001));
    following.playing(false);
    following.playing(true);
    Mockito.verify(drone, Mockito.times(2)).play(Mockito.any(), Mockito.eq(false));

    assertThat(practice.stand().under()).isPresent();
    Stroke planned = room.studio.shown().bowing().strokeAt(under.from()).orElseThrow();
    LaneInput.Bow bow = practice.stand().bow().orElseThrow().bow().orElseThrow();
    assertThat(bow.bowing().moments()).hasSize(under.to() - under.from() + 1);
    assertThat(bow.bowing().strokes().get(0).down()).isEqualTo(planned.down());

    // What is not played as written has no drone of its own; one key ends it for good.
    practice.own().drill(DrillKind.RHYTHMS);
    room.settle();
    assertThat(on().drill().kind()).isEqualTo(DrillKind.RHYTHMS);
    assertThat(practice.stand().joinsMs()).as("long and short ones").hasSizeGreaterThan(1);
    assertThat(practice.stand().under()).isEmpty();
    following.ready(practice.stand().under(), false);
    following.playing(true);
    Mockito.verify(drone, Mockito.times(2)).play(Mockito.any(), Mockito.eq(false));
    beating.toggleDrone();
    assertThat(following.isWanted()).isFalse();
  }
}
