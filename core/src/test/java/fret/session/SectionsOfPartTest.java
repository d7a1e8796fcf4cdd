package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Problem;
import fret.drill.Chunk;
import fret.drill.ExcerptLayer;
import fret.instrument.InstrumentType;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.passage.TempoMark;
import fret.passage.TempoPlan;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.plan.Unit;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Slice;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Laws of parts with several tempos and metres, over generated ones. */
class SectionsOfPartTest {
  private static final List<TimeSignature> METRES =
      List.of(
          TimeSignature.COMMON_TIME,
          TimeSignature.of(3, 4),
          TimeSignature.of(6, 8),
          TimeSignature.of(2, 4));
  private static final String[] TONES = "G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5 D5".split(" ");

  /** Bars with their own metre, one after the other; a mark where a draw says so. */
  static Score part(Random random, int bars) {
    List<Bar> all = new ArrayList<>();
    TimeSignature time = METRES.get(0);
    for (int i = 0; i < bars; i++) {
      time = random.nextInt(6) == 0 ? METRES.get(random.nextInt(METRES.size())) : time;
      LineBuilder line = new LineBuilder(time, KeySignature.NONE, Clef.TREBLE);
      boolean empty =
          random.nextInt(7) == 0 || i > 0 && isEmpty(all.get(i - 1)) && random.nextBoolean();
      Fraction each = Fraction.of(1, random.nextInt(3) == 0 ? 16 : 8);
      Fraction left = time.barLength();
      while (!empty && left.signum() > 0) {
        line.add(each, Pitch.parse(TONES[random.nextInt(TONES.length)]));
        left = left.subtract(each);
      }
      if (empty) {
        line.add(time.barLength());
      }
      Bar bar = line.build("", Interval.UNISON).bars().get(0);
      List<Direction> marks = new ArrayList<>();
      if (i == 0 || random.nextInt(8) == 0) {
        int rate = 50 + random.nextInt(100);
        marks.add(
            time.isCompound()
                ? new Direction(bar.start(), Direction.Kind.TEMPO, "quarter.=" + rate, rate * 1.5)
                : new Direction(bar.start(), Direction.Kind.TEMPO, "quarter=" + rate, rate));
      }
      if (random.nextInt(10) == 0) {
        marks.add(new Direction(bar.start(), Direction.Kind.REHEARSAL, "A", 0));
      }
      bar = bar.withDirections(marks);
      all.add(bar.withLine(random.nextInt(12) == 0 ? Bar.Line.DOUBLE : Bar.Line.PLAIN));
    }
    Score laid = new Score("part", "", "", Interval.UNISON, all).laidOut();
    List<Bar> numbered = new ArrayList<>();
    for (Bar b : laid.bars()) {
      numbered.add(
          new Bar(
              b.index(),
              String.valueOf(b.index() + 1),
              b.start(),
              b.length(),
              b.time(),
              b.key(),
              b.clef(),
              b.clefChanges(),
              b.events(),
              b.directions(),
              false,
              false,
              List.of(),
              b.line()));
    }
    return laid.withBars(numbered);
  }

  private static boolean isEmpty(Bar bar) {
    return bar.events().stream().allMatch(e -> e.isRest());
  }

  static Session session(Score page) {
    return Session.of(
        NewPassage.of("part", "", page, Reading.PLAIN, Setup.usual(InstrumentType.VIOLIN)), page);
  }

  /**
   * A quarter = 72, then dotted quarter = 60 in 6/8: an excerpt there is asked for in that value.
   */
  @Test
  void anExcerptHasItsTargetInTheValueOfItsSection() {
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      TimeSignature time = i < 4 ? TimeSignature.COMMON_TIME : TimeSignature.of(6, 8);
      LineBuilder line = new LineBuilder(time, KeySignature.NONE, Clef.TREBLE);
      for (int n = 0; n < (i < 4 ? 8 : 6); n++) {
        line.add(Fraction.of(1, 8), Pitch.parse(TONES[(n * 5 + i) % TONES.length]));
      }
      Bar bar = line.build("", Interval.UNISON).bars().get(0);
      Direction mark =
          i < 4
              ? new Direction(bar.start(), Direction.Kind.TEMPO, "quarter=72", 72)
              : new Direction(bar.start(), Direction.Kind.TEMPO, "quarter.=60", 90);
      bars.add(i % 4 == 0 ? bar.withDirections(List.of(mark)) : bar);
    }
    Session s = session(new Score("two", "", "", Interval.UNISON, bars).laidOut());
    s = Lines.after(s, new ChunkDecisions(s).excerpt(32, 55, "six", 50, 0));
    Learning learning = Learning.of(s, LadderKind.EVEN, 0);
    Learning.Section six =
        learning.sections().stream().filter(x -> x.name().equals("six")).findFirst().orElseThrow();
    assertThat(six.target().beat().length()).isEqualTo(Fraction.of(3, 8));
    assertThat(six.target().perMinute()).isCloseTo(50, within(1e-9));
    assertThat(six.units())
        .isNotEmpty()
        .allMatch(u -> u.ladder().filter(l -> Math.abs(l.target() - 50) < 0.51).isPresent());
    // Four bars of two dotted quarters at 50: 9.6 s.
    assertThat(six.wholeNotes() * six.target().wholeNoteMs()).isCloseTo(9600, within(1.0));
    ExcerptLayer.Excerpt kept =
        s.passage().marks().of(ExcerptLayer.EXCERPT).values().iterator().next();
    assertThat(new ChunkDecisions(s).target(kept)).isCloseTo(50, within(1e-9));
  }

  /** Seconds of a part by its marks alone, bar by bar. */
  private static double seconds(Score page) {
    double sum = 0;
    double wholeSeconds = 0;
    for (Bar b : page.bars()) {
      for (Direction d : b.directions()) {
        wholeSeconds = d.kind() == Direction.Kind.TEMPO ? 240 / d.number() : wholeSeconds;
      }
      sum += b.length().doubleValue() * wholeSeconds;
    }
    return sum;
  }

  /** Where a chunk may not go on, told apart from the program's own way of finding it. */
  private static TreeSet<Fraction> boundaries(Score page) {
    TreeSet<Fraction> all = new TreeSet<>();
    double before = 0;
    for (int i = 0; i < page.bars().size(); i++) {
      Bar b = page.bars().get(i);
      for (Direction d : b.directions()) {
        boolean changes = d.kind() == Direction.Kind.TEMPO && d.number() != before;
        if (d.kind() == Direction.Kind.REHEARSAL || changes) {
          all.add(b.start());
        }
        before = d.kind() == Direction.Kind.TEMPO ? d.number() : before;
      }
      if (i > 0) {
        Bar last = page.bars().get(i - 1);
        boolean empty = isEmpty(last) && (isEmpty(b) || i > 1 && isEmpty(page.bars().get(i - 2)));
        boolean beat = !last.time().beatLength().equals(b.time().beatLength());
        if (last.line() == Bar.Line.DOUBLE || beat || empty && !isEmpty(b)) {
          all.add(b.start());
        }
      }
    }
    return all;
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 5, 8, 13, 21, 34, 58, 90, 120})
  void generatedPartsKeepTheLaws(int bars) {
    Score page = part(new Random(bars), bars);
    if (page.bars().stream().allMatch(SectionsOfPartTest::isEmpty)) {
      return;
    }
    Session s = session(page);
    assertThat(s.task().tempo().durationMs(page.bars().get(0).start(), page.end()) / 1000)
        .isCloseTo(seconds(page), within(1e-6));
    TreeSet<Fraction> bounds = boundaries(page);
    Learning learning = Learning.of(s, LadderKind.EVEN, 0);
    List<Chunk> cut = learning.chunks().stream().filter(c -> c.kind() == Chunk.Kind.BARS).toList();
    for (Chunk c : cut) {
      Fraction inside = bounds.higher(c.fromOnset());
      assertThat(inside == null || inside.compareTo(c.toOnset()) >= 0)
          .as("%s crosses %s", c.id(), inside)
          .isTrue();
    }
    for (Slice x : s.resolved().slices()) {
      assertThat(cut)
          .as("a chunk holds the note at %s", x.onset())
          .anyMatch(
              c -> c.fromOnset().compareTo(x.onset()) <= 0 && c.toOnset().compareTo(x.onset()) > 0);
    }
    laddersEndAtTheirSections(s, learning);
  }

  private static void laddersEndAtTheirSections(Session s, Learning learning) {
    for (Unit u : learning.units()) {
      Chunk c = learning.chunk(u.id()).orElseThrow();
      Ladder ladder = u.ladder().orElseThrow();
      TempoPlan.Section there = TempoPlan.at(s.tempos(), c.from().onset());
      assertThat(ladder.counted()).isEqualTo(there.start().beat());
      assertThat(ladder.target()).isCloseTo(there.start().perMinute(), within(0.5));
      double seconds = s.task().tempo().durationMs(c.fromOnset(), c.toOnset()) / 1000;
      assertThat(ladder.seconds(u.length(), there.start().perMinute()))
          .as("a play of %s at its target", c.id())
          .isCloseTo(seconds, within(1e-6));
    }
  }

  /** Sixteenths at 240 are 16 notes a second. */
  @Test
  void whatNoHandPlaysIsNamed() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 32; i++) {
      line.add(Fraction.of(1, i < 16 ? 16 : 4), Pitch.parse(TONES[i % 4]));
    }
    Score page = line.build("", Interval.UNISON);
    Session slow = session(page);
    assertThat(slow.beyond()).isEmpty();
    var target = slow.passage().settings().target().at(240);
    Session quick =
        Session.of(
            slow.passage().withSettings(TempoPlan.withFirst(slow.passage().settings(), target)),
            page);
    assertThat(quick.beyond()).extracting(Problem::bar).containsOnly("1");
    assertThat(quick.beyond().get(0).message().args()).contains(16.0, 14.0);
  }

  @Test
  void aSectionOfThePlayersStaysWhenTheFileComesInAgain() {
    Score page = part(new Random(58), 58);
    Session s = session(page);
    TempoPlan.Section second = s.tempos().get(1);
    Session mine =
        Lines.after(
            s,
            Decisions.settings(
                    s,
                    fret.base.Said.of("set.tempo-from-bar", second.bar().number()),
                    x ->
                        fret.passage.TempoEdits.section(
                            x, second, new fret.tempo.Tempo(Beat.HALF, 31), 0))
                .orElseThrow());
    Decisions.Moved again =
        Decisions.bringIn(mine, new fret.passage.SourceLayer.Source(2, "part"), page);
    Session after = Lines.after(mine, again.change());
    assertThat(after.tempos()).hasSameSizeAs(s.tempos());
    assertThat(after.tempos().get(1).start()).isEqualTo(new fret.tempo.Tempo(Beat.HALF, 31));
    assertThat(after.tempos().get(1).source()).isEqualTo(TempoMark.Source.MINE);
    assertThat(after.tempos().get(0).source()).isEqualTo(TempoMark.Source.FILE);
  }
}
