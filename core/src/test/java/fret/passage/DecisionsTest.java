package fret.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.Fingering;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.mark.Reattachment;
import fret.mark.Wish;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What the player asks for, keeps and marks, as changes of a passage; tempo plans; presets. */
class DecisionsTest {
  private static Score line(String notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : notes.split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(p));
    }
    return line.build("line", Interval.UNISON);
  }

  private static final Score CLIMB = line("B4 C5 D5 E5 F5 G5 A5 B5 C6 B5 A5 G5 F5 E5 D5 C5");

  private static Passage passage() {
    var settings =
        new Passage.Settings(
            "line",
            new Tempo(Beat.QUARTER, 80),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return new Passage(1, 0, "line", "", 0, settings, Marks.NONE);
  }

  private static Workbench bench(Passage passage) {
    return Workbench.of(passage, CLIMB);
  }

  @Test
  void aWishIsAskedAndTakenBackByTheSameWord() {
    Workbench b = bench(passage());
    Change ask = b.wish(Wish.Kind.NO_OPEN, 5, 2, 0);
    assertThat(ask.name()).isEqualTo("Ask for: no open strings, bar 1");
    Passage asked = ask.applyTo(passage());
    assertThat(asked.marks().wishes()).hasSize(1);
    Workbench with = bench(asked);
    for (int i = 2; i <= 5; i++) {
      assertThat(with.fingering().notes().get(i).orElseThrow().isOpen()).isFalse();
    }
    Change back = with.wish(Wish.Kind.NO_OPEN, 2, 5, 0);
    assertThat(back.name()).startsWith("No longer");
    assertThat(back.applyTo(asked)).isEqualTo(passage());
    assertThat(ask.inverse().applyTo(asked)).isEqualTo(passage());
    Wish wish = asked.marks().wishes().get(0);
    assertThat(with.withoutWish(wish).applyTo(asked)).isEqualTo(passage());
  }

  @Test
  void aFingeringIsKeptByNameAndComesBackUnchanged() {
    Workbench b = bench(passage());
    Fingering other = b.freeSolver().alternatives(3).get(2);
    Passage kept = b.keep("dry room", other).applyTo(passage());
    Passage adopted = bench(kept).adopt(b.fingering()).applyTo(kept);
    assertThat(bench(adopted).kept("dry room").notesUnlike(other)).isZero();
    assertThat(bench(adopted).fingering().notesUnlike(b.fingering())).isZero();
    assertThat(bench(adopted).forget("dry room").applyTo(adopted).marks().kept()).isEmpty();
  }

  @Test
  void vibratoIsMarkedAndTakenOff() {
    Workbench b = bench(passage());
    Passage marked = b.vibrato(3).applyTo(passage());
    assertThat(marked.marks().vibrato()).containsExactly(b.resolved().notes().get(3).key());
    assertThat(bench(marked).vibrato(3).applyTo(marked)).isEqualTo(passage());
    assertThat(bench(marked).fingering().notes().get(3).orElseThrow().isOpen()).isFalse();
  }

  @Test
  void onlySomeNotesAreCompared() {
    Workbench b = bench(passage());
    for (Fingering f : b.freeSolver(4, 8).alternativesTo(b.fingering(), 3)) {
      for (int i = 0; i < 16; i++) {
        if (i < 4 || i > 8) {
          assertThat(f.notes().get(i)).isEqualTo(b.fingering().notes().get(i));
        }
      }
      assertThat(f.notesUnlike(b.fingering())).isPositive();
    }
  }

  @Test
  void wishesVibratoAndKeptFingeringsMoveAlongWithTheirNotes() {
    Workbench b = bench(passage());
    Passage p = b.wish(Wish.Kind.IN_POSITION, 2, 5, 0).applyTo(passage());
    p = bench(p).vibrato(4).applyTo(p);
    p = bench(p).keep("mine", b.fingering()).applyTo(p);
    Score later = line("A4 B4 C5 D5 E5 F5 G5 A5 B5 C6 B5 A5 G5 F5 E5 D5 C5");
    Reattachment moved =
        Reattachment.of(p.marks(), Resolver.resolve(CLIMB), Resolver.resolve(later));
    var notes = Resolver.resolve(later).notes();
    assertThat(moved.marks().wishes())
        .singleElement()
        .satisfies(
            w -> {
              assertThat(w.from()).isEqualTo(notes.get(3).key());
              assertThat(w.to()).isEqualTo(notes.get(6).key());
            });
    assertThat(moved.marks().vibrato()).containsExactly(notes.get(5).key());
    assertThat(moved.marks().kept().get("mine")).hasSize(16);
    assertThat(moved.marks().kept().get("mine").get(0).key()).isEqualTo(notes.get(1).key());
  }

  @Test
  void printedWordsAreObeyedUnlessAPinSaysOtherwise() {
    List<Bar> bars = new ArrayList<>(CLIMB.bars());
    Direction words =
        new Direction(bars.get(0).start(), Direction.Kind.WORDS, "on the A string", 0);
    bars.set(0, bars.get(0).withDirections(List.of(words)));
    Score page = CLIMB.withBars(bars);
    Workbench b = Workbench.of(passage(), page);
    assertThat(b.printedWishes()).hasSize(1);
    assertThat(b.fingering().notes()).allMatch(n -> n.orElseThrow().string() == 2);
    Passage pinned = b.pin(8, Optional.of(Finger.FOURTH), 1).applyTo(passage());
    Workbench mine = Workbench.of(pinned, page);
    assertThat(mine.fingering().notes().get(8).orElseThrow().string()).isEqualTo(1);
    assertThat(mine.fingering().problems()).isNotEmpty();
  }

  @Test
  void sectionsGradualChangesAndHoldsMakeTheTempo() {
    Details details =
        Details.NONE.withTempoMarks(
            List.of(
                new Details.TempoMark("2", Details.TempoMark.Kind.SECTION, 40),
                new Details.TempoMark("2", Details.TempoMark.Kind.HOLD, 1.5)));
    Passage p = passage().withSettings(passage().settings().withDetails(details));
    var tempo = Workbench.of(p, CLIMB).task().tempo();
    // four quarters at 80 are 3 s; in bar 2 at 40 they are 6 s, and the hold adds 1.5 s
    assertThat(tempo.msAt(Fraction.ONE)).isCloseTo(3000, within(1e-6));
    assertThat(tempo.msAt(Fraction.of(2)) - tempo.msAt(Fraction.ONE)).isCloseTo(7500, within(1e-6));
    assertThatThrownBy(() -> new Details.TempoMark("2", Details.TempoMark.Kind.SECTION, 0))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aMarkAndAWishSayWhatTheyAreOrAreNone() {
    var key = Resolver.resolve(CLIMB).notes().get(0).key();
    assertThatThrownBy(() -> new Mark(key, Optional.empty(), 0, Mark.Standing.PINNED))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Wish(Wish.Kind.ON_STRING, key, key, 0))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Wish(Wish.Kind.NO_OPEN, key, key, 2))
        .isInstanceOf(IllegalArgumentException.class);
  }

  static List<Preset> presets() {
    return Preset.all();
  }

  /** Every preset gives a playable fingering, and its own weights are the ones that count. */
  @ParameterizedTest
  @MethodSource("presets")
  void everyPresetFingersThePassage(Preset preset) {
    Passage p =
        passage()
            .withSettings(
                passage()
                    .settings()
                    .withSetup(passage().settings().setup().withPreset(preset.id())));
    Workbench b = bench(p);
    assertThat(b.fingering().notes()).allMatch(Optional::isPresent);
    assertThat(b.task().preset()).isEqualTo(preset);
    assertThat(Preset.named(preset.id())).contains(preset);
    assertThat(preset.description()).endsWith(".");
    for (EffortKind kind : EffortKind.values()) {
      assertThat(preset.weight(kind)).isNotNegative();
    }
  }

  @Test
  void aWeightOfOnesOwnBeatsThePreset() {
    Setup mine = Setup.usual(InstrumentType.CELLO).withWeights(Map.of(EffortKind.FOURTH, 1.25));
    assertThat(mine.preset().weight(EffortKind.FOURTH)).isEqualTo(1.25);
    assertThat(mine.preset().weight(EffortKind.SHIFT))
        .isEqualTo(Preset.SURE.weight(EffortKind.SHIFT));
    assertThat(mine.withPreset("quick").weights()).as("another preset starts afresh").isEmpty();
    assertThatThrownBy(() -> Preset.SURE.with("x", "x", "x", Map.of(EffortKind.SHIFT, Double.NaN)))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
