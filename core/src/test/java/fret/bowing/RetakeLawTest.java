package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** When the bow is lifted back (common practice, no source). */
class RetakeLawTest {
  private static String byChance(Random random) {
    String[] pitches = "G3 A3 B3 D4 E4 F4 A4 B4 C5 D5 E5 F5".split(" ");
    String[] lengths = {"4", "8", "16", "8.", "2"};
    StringBuilder words =
        new StringBuilder("{" + List.of("p", "mf", "f", "ff").get(random.nextInt(4)));
    words.append('}');
    for (int i = 0; i < 14; i++) {
      boolean rest = random.nextInt(5) == 0;
      words
          .append(' ')
          .append(rest ? "-" : pitches[random.nextInt(pitches.length)])
          .append(':')
          .append(lengths[random.nextInt(lengths.length)]);
      words.append(!rest && random.nextInt(6) == 0 ? ">" : "");
    }
    return words.toString();
  }

  private static long late(Bowing b, BowTask task) {
    return BowWarning.of(b, task).stream()
        .filter(w -> w.kind() == BowWarning.Kind.RETAKE_LATE)
        .count();
  }

  /** The first choice has no retake without time where another within 2 has none. */
  @Test
  void noFirstChoiceIsLateWhereAnotherIsNot() {
    int lifted = 0;
    for (int seed = 0; seed < 150; seed++) {
      Random random = new Random(seed);
      InstrumentType type = random.nextBoolean() ? InstrumentType.VIOLIN : InstrumentType.VIOLA;
      BowTask task = Lines.task(type, Lines.of(4, 4, byChance(random)), 50 + random.nextInt(110));
      List<Bowing> versions = new BowSolver(task).bestOf(4);
      Bowing first = versions.get(0);
      lifted += first.strokes().stream().anyMatch(s -> s.retake().isPresent()) ? 1 : 0;
      if (late(first, task) > 0) {
        assertThat(versions.stream().skip(1))
            .as("seed %d", seed)
            .noneMatch(v -> late(v, task) == 0 && v.effort() < first.effort() + 2);
      }
    }
    assertThat(lifted).as("rows with retakes").isGreaterThan(15);
  }

  /** Two down-bows in a row mean one thing, whatever the tempo; a slur over them another. */
  @ParameterizedTest
  @ValueSource(ints = {60, 72, 84, 96, 108, 120, 144})
  void printedDownBowsAreReadOneWayAtAllTempos(int perMinute) {
    String bar = "-:4 D5:4n F5:4n A5:4 ";
    BowTask task =
        Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, bar.repeat(4) + "D5:2"), perMinute);
    Bowing b = new BowSolver(task).best();
    for (int i = 0; i < 12; i++) {
      Stroke s = b.strokes().get(i);
      assertThat(s.hooked()).as("stroke %d", i).isFalse();
      if (i % 3 == 1) {
        assertThat(s.retake()).as("stroke %d", i).isPresent();
        assertThat(s.retake().get().cm()).as("worth it").isGreaterThanOrEqualTo(9);
      }
    }
    assertThat(late(b, task)).isZero();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // a slur over them, or two up-bows: the bow stays
        "(D5:4n F5:4n) A5:2 | true",
        "D5:4v F5:4v A5:2 | true",
        "D5:4n F5:4n A5:2 | false",
        "D5:4'n F5:4'n A5:2 | false",
        // no time even so: a hook
        "D5:16n F5:16n A5:2 | true"
      })
  void whatTwoSignsInARowMean(String words, boolean hooked) {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words.strip()), 100);
    Bowing b = new BowSolver(task).best();
    boolean oneStroke = b.strokes().get(0).notes().size() > 1;
    boolean stays = oneStroke || b.strokes().get(1).hooked();
    assertThat(stays).isEqualTo(hooked);
    assertThat(b.strokes().stream().anyMatch(s -> s.retake().isPresent())).isNotEqualTo(hooked);
  }

  /** Places and marks that leave no room for a hook: there is always a way. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "D5:1v E5:1v F5:1v G5:1v",
        "D5:1v {\"punta} E5:1v F5:4n",
        "D5:16n E5:16n F5:16n G5:16n A5:1n",
        "{ff} D5:1n E5:16v F5:16v G5:1v A5:4n"
      })
  void thereIsAlwaysAWay(String words) {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 50);
    Bowing b = new BowSolver(task).best();
    assertThat(b.strokes()).isNotEmpty();
    assertThat(BowWarning.of(b, task))
        .as("the player asked for no hook")
        .noneMatch(w -> w.kind() == BowWarning.Kind.NOT_KEPT);
  }

  /** With dots and no slur they are bounced, one up-bow after the other. */
  @Test
  void twoDottedUpBowsAreBounced() {
    BowTask task =
        Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "D5:4n F5:8'v G5:8'v A5:2"), 100);
    List<Stroke> strokes = new BowSolver(task).best().strokes();
    assertThat(strokes.subList(1, 3)).extracting(Stroke::down).containsOnly(false);
    assertThat(strokes.subList(1, 3)).extracting(Stroke::kind).containsOnly(StrokeKind.DOUBLE_UP);
    assertThat(strokes.get(2).retake()).isEmpty();
  }

  /** Four loud down-bows spend what leaves time to come back. */
  @Test
  void loudRetakesSpendWhatLeavesTimeToComeBack() {
    BowTask task =
        Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "{ff} C5:4n C5:4n C5:4n C5:4n G5:1"), 96);
    Bowing b = new BowSolver(task).best();
    assertThat(b.strokes().subList(0, 3)).allMatch(s -> s.bowCm() < 30);
    assertThat(BowWarning.of(b, task)).isEmpty();
  }

  /** B4 C5 D5 C5 in eighths over a held G3 and D4: a bow a note, and none is lifted. */
  @Test
  void aMovingLineOverAHeldDoubleStopIsBowedNoteByNote() {
    Fraction eighth = Fraction.of(1, 8);
    LineBuilder upper = new LineBuilder(TimeSignature.of(2, 4), KeySignature.NONE, Clef.TREBLE);
    for (String p : "B4 C5 D5 C5".split(" ")) {
      upper.add(eighth, Pitch.parse(p));
    }
    Score score = upper.build("", Interval.UNISON);
    Bar bar = score.bars().get(0);
    List<Event> events = new ArrayList<>(bar.events());
    Event first = events.get(0);
    events.add(
        new Event(
            "2",
            first.onset(),
            bar.length(),
            new NoteValue(2, 0),
            List.of(Head.of(Pitch.parse("G3")), Head.of(Pitch.parse("D4"))),
            Event.Grace.NONE,
            false,
            Signs.PLAIN));
    BowTask task =
        Lines.task(
            InstrumentType.VIOLIN,
            Resolver.resolve(score.withBars(List.of(bar.withEvents(events)))),
            80);
    Bowing b = new BowSolver(task).best();
    assertThat(b.strokes()).extracting(Stroke::down).containsExactly(true, false, true, false);
    assertThat(b.strokes()).noneMatch(s -> s.retake().isPresent());
    assertThat(b.strokes().stream().skip(1)).noneMatch(s -> s.kind() == StrokeKind.CHORD);
  }
}
