package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.drill.Approach;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.drill.Way;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.plan.Budget;
import fret.plan.Goal;
import fret.plan.PracticePlan;
import fret.plan.Unit;
import fret.score.Event;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.shelf.Asked;
import fret.shelf.Planning;
import fret.sound.ClickLine;
import fret.sound.ClickRange;
import fret.sound.ClickStyle;
import fret.sound.PlaySet;
import fret.tempo.Beat;
import fret.tempo.LadderKind;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import fret.writing.Draft;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What the player cuts: chunks, layers, excerpts, and frames before there is a note. */
class OwnChunksTest {
  private static Session session(Score page, double target) {
    Passage.Settings settings =
        new Passage.Settings(
            "x",
            new Tempo(Beat.QUARTER, target),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return Session.of(Passage.of("x.xml", "", settings).withId(1), page);
  }

  /** Bars of eight eighths, no two alike. */
  private static Score page(int bars) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String[] notes = "A4 B4 C5 D5 E5 D5 C5 B4 G4 A4 B4 C5 D5 C5 B4".split(" ");
    for (int i = 0; i < 8 * bars; i++) {
      line.add(Fraction.of(1, 8), Pitch.parse(notes[i % notes.length]));
    }
    return line.build("x", Interval.UNISON);
  }

  private static Session after(Session s, Optional<Change> change) {
    return s.after(s.step(change.orElseThrow())).computed(Token.NEVER);
  }

  private static List<Chunk> bars(Session s) {
    return Learning.chunks(s).stream().filter(c -> c.kind() == Chunk.Kind.BARS).toList();
  }

  private static List<String> ids(Session s) {
    return bars(s).stream().map(Chunk::id).toList();
  }

  private static List<Integer> sizes(Session s) {
    return bars(s).stream()
        .map(
            c ->
                s.resolved().indexOf(c.to()).orElseThrow()
                    - s.resolved().indexOf(c.from()).orElseThrow()
                    + 1)
        .toList();
  }

  /** Eighths at quarter = 40 are read as they stand; at 120 they are put together note by note. */
  @Test
  void slowNotesAreNotPutTogetherOneByOne() {
    String notes = "B4 C5 D5 E5 D5 C5 B4 A4 B4 D5 C5 E5 D5 B4 A4 B4";
    for (double tempo : new double[] {40, 120}) {
      Passage at = Lines.passage();
      at = at.withSettings(at.settings().withTarget(new Tempo(Beat.QUARTER, tempo)));
      Learning learning = Learning.of(Session.of(at, Lines.page(notes)), LadderKind.EVEN, 0);
      boolean steps =
          learning.sections().get(0).units().stream()
              .anyMatch(u -> u.parts().containsKey(DrillKind.ADD_A_NOTE));
      assertThat(steps).as("at %s", tempo).isEqualTo(tempo > 100);
    }
  }

  @Test
  void aChunkIsSplitInsideABarAndMergedAgain() {
    Session s = session(page(4), 100);
    assertThat(sizes(s)).containsExactly(8, 8, 8, 8);
    Session split = after(s, new ChunkDecisions(s).split(11));
    assertThat(sizes(split)).containsExactly(8, 3, 5, 8, 8);
    assertThat(ids(split)).contains("bars-1-1", "bars-3-3", "bars-4-4").doesNotContain("bars-2-2");
    Chunk second = bars(split).get(2);
    assertThat(second.fromOnset()).isEqualTo(Fraction.of(11, 8));
    assertThat(Learning.chunks(split).stream().filter(Chunk::isJoin)).hasSize(4);
    Session merged = after(split, new ChunkDecisions(split).merge(bars(split).get(1).id()));
    assertThat(sizes(merged)).containsExactly(8, 8, 8, 8);
    assertThat(new ChunkDecisions(s).split(8)).as("the first note of a chunk").isEmpty();
    assertThat(new ChunkDecisions(s).merge("bars-4-4")).as("nothing follows").isEmpty();
    Session back = after(merged, new ChunkDecisions(merged).asProposed());
    assertThat(ids(back)).isEqualTo(ids(s));
  }

  /** Two equal bars are learned once: what is said of one counts for both, and is taken back so. */
  @Test
  void theWayUpIsSaidOfAllThatIsAlike() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String bar = "A4 B4 C5 D5 E5 D5 C5 B4 ";
    for (String n : (bar + bar + "C5 D5 E5 F5 E5 D5 C5 D5").split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(n));
    }
    Session s = session(line.build("x", Interval.UNISON), 160);
    Learning usual = Learning.of(s, LadderKind.EVEN, 0);
    String second = bars(s).get(1).id();
    assertThat(units(usual)).containsOnly(Approach.AS_PLANNED);
    Session steps = after(s, new ChunkDecisions(s).approach(second, Approach.SMALL_STEPS));
    Learning learning = Learning.of(steps, LadderKind.EVEN, 0);
    assertThat(learning.units()).anyMatch(u -> u.ids().contains(second) && u.ids().size() == 2);
    assertThat(units(learning)).containsOnlyOnce(Approach.SMALL_STEPS);
    assertThat(new ChunkDecisions(steps).approach(second)).isEqualTo(Approach.SMALL_STEPS);
    ChunkDecisions again = new ChunkDecisions(steps);
    assertThat(again.approach(second, Approach.SMALL_STEPS)).as("it is so").isEmpty();
    assertThat(again.approach("none", Approach.RHYTHMS)).isEmpty();
    Session back = after(steps, again.approach(bars(s).get(0).id(), Approach.AS_PLANNED));
    assertThat(units(Learning.of(back, LadderKind.EVEN, 0))).containsOnly(Approach.AS_PLANNED);
  }

  private static List<Approach> units(Learning learning) {
    return learning.units().stream().map(Unit::approach).toList();
  }

  @Test
  void whatWasPractisedKeepsItsRecordWhenItIsCutBack() {
    Session s = session(page(3), 100);
    s = after(s, Decisions.practised(s, bars(s).get(1)));
    Session split = after(s, new ChunkDecisions(s).split(12));
    assertThat(ids(split)).doesNotContain("bars-2-2");
    Session merged = after(split, new ChunkDecisions(split).merge(bars(split).get(1).id()));
    assertThat(ids(merged)).isEqualTo(ids(s));
  }

  @Test
  void namesAndOrderAreThePlayers() {
    Session s = session(page(3), 100);
    Session named = after(s, new ChunkDecisions(s).name("bars-2-2", "the climb"));
    assertThat(bars(named).get(1).label()).isEqualTo("the climb");
    Session moved = after(named, new ChunkDecisions(named).move("bars-2-2", -1));
    assertThat(ids(moved)).containsExactly("bars-2-2", "bars-1-1", "bars-3-3");
    assertThat(Learning.chunks(moved).stream().filter(Chunk::isJoin))
        .as("what is joined follows in the music, not in the list")
        .extracting(Chunk::fromBar)
        .containsExactly("1", "2");
    Session cut = after(moved, new ChunkDecisions(moved).cut(6, 17));
    assertThat(bars(cut).stream().map(Chunk::noteCount)).contains(6, 12);
  }

  @Test
  void aLayerIsLearnedByItself() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 8; i++) {
      line.add(Fraction.of(1, 4), Pitch.parse("D4"), Pitch.parse(i % 2 == 0 ? "B4" : "A4"));
    }
    Session s = session(line.build("x", Interval.UNISON), 100);
    String id = bars(s).get(0).id();
    Session upper = after(s, new ChunkDecisions(s).layer(id, Way.UPPER));
    Session both = after(upper, new ChunkDecisions(upper).layer(id, Way.BOW));
    List<Chunk> layers =
        Learning.chunks(both).stream().filter(c -> c.kind() == Chunk.Kind.LAYER).toList();
    assertThat(layers).extracting(Chunk::way).containsExactly(Way.UPPER, Way.BOW);
    DrillBook book = new DrillBook(both);
    assertThat(pitches(book.of(layers.get(0), DrillKind.STRAIGHT).orElseThrow()))
        .containsOnly("B4", "A4");
    assertThat(pitches(book.of(layers.get(1), DrillKind.STRAIGHT).orElseThrow()))
        .as("open strings of the violin")
        .isSubsetOf("G3", "D4", "A4", "E5");
    assertThat(Learning.of(both, LadderKind.EVEN, 0).units()).anyMatch(u -> u.id().endsWith("bow"));
    Session off = after(both, new ChunkDecisions(both).layer(id, Way.UPPER));
    assertThat(Learning.chunks(off).stream().filter(c -> c.kind() == Chunk.Kind.LAYER)).hasSize(1);
  }

  /**
   * The first note of a drill has its digit, also where only some bars of the page are asked for.
   */
  @Test
  void aDrillOfAskedBarsBeginsWithADigit() {
    Session whole = session(page(5), 100);
    Passage.Settings settings =
        whole.passage().settings().withReading(Reading.PLAIN.withBars("3", "5"));
    Session asked = Session.of(whole.passage().withSettings(settings), page(5));
    DrillBook book = new DrillBook(asked);
    assertThat(bars(asked)).extracting(Chunk::fromBar).containsExactly("3", "4", "5");
    for (Chunk c : bars(asked)) {
      Score drill = book.of(c, DrillKind.STRAIGHT).orElseThrow().parts().get(0);
      assertThat(drill.events().get(0).heads().get(0).printedFinger()).isNotEmpty();
      assertThat(drill.bars().get(0).number()).isEqualTo(c.fromBar());
    }
  }

  /** Two written voices: the upper line is the voice that lies higher, its rests with it. */
  @Test
  void anUpperLineOfTwoVoicesKeepsItsOwnRests() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.of(1, 2), Pitch.parse("E5")).add(Fraction.of(1, 2));
    Score one = line.build("x", Interval.UNISON);
    List<Event> both = new java.util.ArrayList<>(one.bars().get(0).events());
    both.add(
        new Event(
            "2",
            Fraction.ZERO,
            Fraction.ONE,
            new fret.score.NoteValue(1, 0),
            List.of(
                new fret.score.Head(
                    Pitch.parse("G4"),
                    fret.score.Head.Accidental.NONE,
                    false,
                    false,
                    fret.score.Head.Harmonic.NONE,
                    "",
                    0)),
            Event.Grace.NONE,
            false,
            fret.score.Signs.PLAIN));
    Score two = one.withBars(List.of(one.bars().get(0).withEvents(both)));
    assertThat(fret.drill.OneLine.of(two, Way.UPPER).events())
        .containsExactlyElementsOf(one.events());
    assertThat(fret.drill.OneLine.of(two, Way.LOWER).events()).hasSize(1);
    assertThat(fret.drill.OneLine.of(two, Way.LEFT_HAND)).isEqualTo(two);
  }

  @Test
  void framesAndRangesThatCannotBeAreRefused() {
    assertThatThrownBy(() -> new Frame.Box(0.5, 0.1, 0.6, 0.1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Frame.Box(0.5, 0.1, Double.NaN, 0.1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> frame("x", 0, 4, 0)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> frame("x", 1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> frame("x", 1, 4, -1)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new ClickRange("1", "2", ClickRange.Kind.RUNNING, List.of()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(
            () -> new ClickRange("1", "2", ClickRange.Kind.SILENT, List.of(Fraction.ONE)))
        .isInstanceOf(IllegalArgumentException.class);
    ClickRange lettered = new ClickRange("12a", "12b", ClickRange.Kind.SILENT, List.of());
    assertThat(lettered.has("12a")).isTrue();
    assertThat(lettered.has("13")).isFalse();
  }

  private static List<String> pitches(Drill drill) {
    return drill.parts().get(0).events().stream()
        .filter(e -> !e.isRest())
        .flatMap(e -> e.heads().stream())
        .map(h -> h.pitch().toString())
        .toList();
  }

  @Test
  void excerptsOfAPageHaveTheirOwnTargetAndLadder() {
    Session s = session(page(6), 120);
    s = after(s, Optional.of(new ChunkDecisions(s).excerpt(4, 19, "climb", 88, 7)));
    Learning l = Learning.of(s, LadderKind.EVEN, 0);
    assertThat(l.sections()).extracting(Learning.Section::name).containsExactly("", "climb");
    Learning.Section excerpt = l.sections().get(1);
    assertThat(excerpt.ladder().target()).isEqualTo(88);
    assertThat(excerpt.auditionId()).isEqualTo(7);
    assertThat(excerpt.wholeNotes()).isEqualTo(2);
    assertThat(l.sections().get(0).ladder().target()).isEqualTo(120);
    assertThat(l.sections().get(0).wholeNotes()).isEqualTo(4);
    assertThat(excerpt.id().run()).isNotEqualTo(Goal.Id.of(1).run());
    // No chunk goes over the end of an excerpt, which may lie inside a bar.
    assertThat(bars(s))
        .allSatisfy(
            c -> assertThat(inside(c) || outside(c)).as(c.label() + c.fromOnset()).isTrue());
  }

  private static boolean inside(Chunk c) {
    return c.fromOnset().compareTo(Fraction.of(1, 2)) >= 0
        && c.fromOnset().compareTo(Fraction.of(5, 2)) < 0;
  }

  private static boolean outside(Chunk c) {
    return c.fromOnset().compareTo(Fraction.of(1, 2)) < 0
            && c.toOnset().compareTo(Fraction.of(5, 8)) <= 0
        || c.fromOnset().compareTo(Fraction.of(5, 2)) >= 0;
  }

  // ---- frames --------------------------------------------------------------------------------

  private static Frame frame(String id, int fromBar, int beats, double target) {
    return new Frame(
        id,
        "",
        0,
        new Frame.Box(0.1, 0.1, 0.8, 0.1),
        fromBar,
        beats,
        TimeSignature.COMMON_TIME,
        target);
  }

  private static Session blank() {
    Score empty = Draft.emptyPage("x", TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    return session(empty, 60);
  }

  /** 32 beats at 60, three plays, 6 s after each: 114 s. */
  @Test
  void aFrameIsPlayedWithoutANote() {
    Score silent = frame("frame-1", 5, 32, 0).silent();
    assertThat(silent.bars()).hasSize(8);
    assertThat(silent.bars().get(0).number()).isEqualTo("5");
    assertThat(silent.events()).allMatch(Event::isRest);
    TempoMap map = TempoMap.steady(new Tempo(Beat.QUARTER, 60));
    PlaySet set = PlaySet.of(new ClickLine(silent, map, ClickStyle.PLAIN), 3, 6);
    assertThat(set.seconds()).isCloseTo(114, within(0.01));
    Frame partly = frame("frame-1", 1, 6, 0);
    assertThat(partly.silent().end()).isEqualTo(Fraction.of(3, 2));
    assertThat(partly.bars()).isEqualTo(2);
  }

  @Test
  void framesArePlannedAndTheirRecordGoesOnWithTheNotes() {
    Session s = blank();
    Frame first = frame("frame-1", 1, 8, 0);
    Frame fast = frame("frame-2", 3, 4, 90);
    s = after(s, ChunkDecisions.frames(s, Said.of("frame.drawn"), all -> List.of(first, fast)));
    Learning l = Learning.of(s, LadderKind.EVEN, 0);
    assertThat(l.frames()).containsExactly(first, fast);
    assertThat(l.sections()).hasSize(2);
    assertThat(l.sections().get(0).units()).extracting(u -> u.id()).containsExactly("frame-1");
    assertThat(l.sections().get(0).wholeNotes()).isEqualTo(2);
    assertThat(l.sections().get(1).ladder().target()).isEqualTo(90);
    // Two bars are written: the chunk of them has the frame's id.
    Session written = after(s, Optional.of(Decisions.page(s, Said.of("x"), page(2)).change()));
    assertThat(ids(written)).containsExactly("frame-1");
    assertThat(Learning.of(written, LadderKind.EVEN, 0).frames()).containsExactly(fast);
    // By hand: other notes belong to it.
    Session four = after(s, Optional.of(Decisions.page(s, Said.of("x"), page(5)).change()));
    Session attached = after(four, Optional.of(new ChunkDecisions(four).attach(first, 24, 39)));
    assertThat(bars(attached).stream().filter(c -> c.id().equals("frame-1")))
        .singleElement()
        .satisfies(c -> assertThat(c.fromBar()).isEqualTo("4"));
  }

  /** Planned, 4.77 plays rounded up, of 32 s with 6 s after each: 190 s. */
  @Test
  void aFrameIsPlannedAtHonestPlays() {
    Session s = blank();
    s =
        after(
            s,
            ChunkDecisions.frames(
                s, Said.of("frame.drawn"), all -> List.of(frame("frame-1", 1, 32, 0))));
    Planning p = planned(s);
    PracticePlan.Item atTarget =
        p.plan().days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> i.unit().equals("frame-1") && i.level().perMinute() == 60 && i.plays() > 2)
            .findFirst()
            .orElseThrow();
    assertThat(atTarget.plays()).isEqualTo(5);
    assertThat(atTarget.minutes() * 60).isCloseTo(190, within(0.5));
  }

  private static Planning planned(Session s) {
    return Planning.of(
        List.of(Learning.of(s, LadderKind.EVEN, 0)),
        Map.of(),
        Budget.of(30),
        List.of(),
        List.of(),
        LocalDate.of(2027, 3, 1),
        Planning.Habits.USUAL,
        Token.NEVER);
  }

  /**
   * A whole movement in one frame: a visit does not hold three plays of it, so its parts are
   * learned.
   */
  @Test
  void aFrameLongerThanAVisitIsLearnedInParts() {
    Session blank = blank();
    Frame movement = frame("frame-1", 1, 1000, 0);
    Session s =
        after(
            blank, ChunkDecisions.frames(blank, Said.of("frame.drawn"), all -> List.of(movement)));
    Planning p = planned(s);
    Planning.Entry entry = p.of(1).orElseThrow();
    double slowest = 1000 * 60 / entry.ladder().start();
    int parts = (int) Math.ceil(slowest / (10 * 60 / 3 - 6 - 1));
    assertThat(parts).isGreaterThan(1);
    assertThat(entry.goal().units())
        .extracting(Unit::id)
        .contains("frame-1:1of" + parts)
        .hasSize(parts);
    List<PracticePlan.Item> asked =
        p.plan().days().get(0).items().stream().filter(i -> !i.unit().isEmpty()).toList();
    assertThat(asked).isNotEmpty().allMatch(i -> i.minutes() <= 10);
    Goal hurt =
        entry
            .learning()
            .goal(
                entry.section(),
                entry.goal().ready(),
                entry.goal().audition(),
                Map.of("frame-1", LocalDate.MAX));
    assertThat(hurt.units())
        .as("all parts of what waits wait")
        .allMatch(u -> u.waitsOn(entry.goal().audition()));
    int bars = 0;
    for (Unit u : entry.goal().units()) {
      PracticePlan.Item first = asked.get(0);
      PracticePlan.Item item =
          new PracticePlan.Item(
              first.kind(), 1, u.id(), first.drill(), first.level(), 1, 9, 1, 1, first.why());
      bars += Asked.drill(s, entry, item).whole().bars().size();
      assertThat(Asked.frames(entry, item)).containsExactly(movement);
    }
    assertThat(bars).as("each bar in one part").isEqualTo(250);
  }
}
