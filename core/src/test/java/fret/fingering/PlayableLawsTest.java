package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What must hold of every fingering of any music: random lines with rests, slurs, long notes and
 * double stops, on all four instruments, for all hands and presets.
 */
class PlayableLawsTest {
  private static final Fraction[] LENGTHS = {
    Fraction.of(1, 16), Fraction.of(1, 8), Fraction.of(1, 4), Fraction.of(1, 2)
  };

  private static ResolvedPassage music(InstrumentType type, long seed) {
    Instrument on = Instrument.standard(type);
    Random random = new Random(seed);
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    int low = on.open(on.stringCount()).midi();
    int at = low + 12;
    boolean slurred = false;
    for (int i = 0; i < 28; i++) {
      Fraction length = LENGTHS[random.nextInt(LENGTHS.length)];
      if (random.nextInt(9) == 0 && !slurred) {
        line.add(length);
        continue;
      }
      at = Math.max(low, Math.min(low + 30, at + random.nextInt(11) - 5));
      List<Head> heads = new ArrayList<>();
      heads.add(Head.of(Pitch.ofMidi(at, KeySignature.NONE)));
      if (random.nextInt(6) == 0) {
        int above = at + (type == InstrumentType.BASS ? 5 : 4 + random.nextInt(5));
        heads.add(Head.of(Pitch.ofMidi(above, KeySignature.NONE)));
      }
      boolean starts = !slurred && random.nextInt(4) == 0;
      boolean stops = slurred && random.nextInt(3) == 0;
      line.add(
          length,
          heads,
          Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of()));
      slurred = (slurred || starts) && !stops;
    }
    return Resolver.resolve(line.build("random", Interval.UNISON));
  }

  private static FingeringTask task(InstrumentType type, long seed, Preset preset, Hand hand) {
    School school = seed % 2 == 0 ? School.USUAL : School.ONE_TWO_THREE_FOUR;
    return new FingeringTask(
        music(type, seed),
        TempoMap.steady(new Tempo(Beat.QUARTER, 56 + 9 * (seed % 7))),
        new HandModel(Instrument.standard(type), school, hand),
        preset);
  }

  private static List<Arguments> all() {
    List<Arguments> all = new ArrayList<>();
    List<Preset> presets = Preset.all();
    Hand[] hands = {
      Hand.MEDIUM,
      Hand.MEDIUM.withSize(HandSize.SMALL),
      Hand.MEDIUM.withSize(HandSize.LARGE),
      Hand.MEDIUM.withFourthCaution(true)
    };
    long seed = 1;
    for (InstrumentType type : InstrumentType.values()) {
      for (int i = 0; i < 6; i++) {
        all.add(
            Arguments.of(
                type, seed, presets.get(i % presets.size()), hands[(int) (seed % hands.length)]));
        seed++;
      }
    }
    return all;
  }

  @ParameterizedTest
  @MethodSource("all")
  void everyNoteSoundsWhereItIsFingered(InstrumentType type, long seed, Preset preset, Hand hand) {
    FingeringTask task = task(type, seed, preset, hand);
    Instrument on = Instrument.standard(type);
    Fingering f = new FingeringSolver(task).best();
    assertThat(f.notes()).hasSameSizeAs(task.passage().notes());
    for (int i = 0; i < f.notes().size(); i++) {
      int note = i;
      f.notes()
          .get(i)
          .ifPresent(
              p -> {
                int midi = task.passage().notes().get(note).pitch().midi();
                assertThat(p.sounding().midi()).isEqualTo(midi);
                assertThat(p.string()).isBetween(1, on.stringCount());
                assertThat(p.isOpen()).isEqualTo(p.semitone() == 0);
                if (!p.harmonic()) {
                  assertThat(on.open(p.string()).midi() + p.semitone()).isEqualTo(midi);
                }
                assertThat(p.semitone()).isBetween(0, on.highestSemitone());
                assertThat(p.mmFromNut()).isCloseTo(on.mmFromNut(p.semitone()), within(1e-9));
              });
    }
    long missing = f.notes().stream().filter(Optional::isEmpty).count();
    assertThat(missing == 0).as("what is not fingered is named").isEqualTo(f.problems().isEmpty());
  }

  /** No finger in two places, neighbouring strings for the bow, no reach beyond the hand. */
  @ParameterizedTest
  @MethodSource("all")
  void everyChordCanBeHeld(InstrumentType type, long seed, Preset preset, Hand hand) {
    FingeringTask task = task(type, seed, preset, hand);
    Fingering f = new FingeringSolver(task).best();
    for (Slice slice : task.passage().slices()) {
      List<NoteFinger> chord =
          slice.starting().stream().map(n -> f.notes().get(n)).flatMap(Optional::stream).toList();
      for (int a = 0; a < chord.size(); a++) {
        for (int b = a + 1; b < chord.size(); b++) {
          NoteFinger p = chord.get(a);
          NoteFinger q = chord.get(b);
          assertThat(p.string() - q.string()).as("the lower note, the lower string").isEqualTo(1);
          if (!p.isOpen() && !q.isOpen()) {
            assertThat(p.base()).as("one hand").isEqualTo(q.base());
            boolean sameFinger = p.finger() == q.finger();
            assertThat(!sameFinger || p.semitone() == q.semitone())
                .as("a finger lies in one place, across both strings at most")
                .isTrue();
            assertThat(
                    task.hand()
                        .canHold(
                            p.finger(),
                            p.semitone(),
                            q.finger(),
                            q.semitone(),
                            p.region(),
                            p.string() - q.string()))
                .isTrue();
          }
        }
      }
    }
  }

  /** Every change of the hand's place stands in the list of shifts, and nothing else does. */
  @ParameterizedTest
  @MethodSource("all")
  void theShiftsAreTheChangesOfTheHand(InstrumentType type, long seed, Preset preset, Hand hand) {
    FingeringTask task = task(type, seed, preset, hand);
    Fingering f = new FingeringSolver(task).best();
    List<String> moves = new ArrayList<>();
    int base = 0;
    for (Slice slice : task.passage().slices()) {
      Optional<NoteFinger> stopped =
          slice.starting().stream()
              .map(n -> f.notes().get(n))
              .flatMap(Optional::stream)
              .filter(p -> !p.isOpen())
              .findFirst();
      if (stopped.isEmpty()) {
        continue;
      }
      if (base != 0 && stopped.get().base() != base) {
        moves.add(base + "-" + stopped.get().base());
      }
      base = stopped.get().base();
      if (stopped.get().replaced().isPresent()) {
        moves.add(base + "-" + stopped.get().lastBase());
        base = stopped.get().lastBase();
      }
    }
    assertThat(f.shifts().stream().map(s -> s.fromBase() + "-" + s.toBase()))
        .containsExactlyElementsOf(moves);
    for (Shift s : f.shifts()) {
      double way =
          Math.abs(
              Instrument.standard(type).mmFromNut(s.toBase())
                  - Instrument.standard(type).mmFromNut(s.fromBase()));
      assertThat(s.travelMm()).isCloseTo(way, within(1e-9));
      assertThat(s.timeMs()).isPositive();
      assertThat(s.moveSlice()).isBetween(s.fromSlice(), s.toSlice());
    }
  }

  /** What the player adopts comes back to the letter, under any preset. */
  @ParameterizedTest
  @MethodSource("all")
  void aFingeringThatIsFixedStays(InstrumentType type, long seed, Preset preset, Hand hand) {
    FingeringTask task = task(type, seed, preset, hand);
    Fingering f = new FingeringSolver(task).best();
    Map<Integer, NoteFinger> fixed = new HashMap<>();
    f.notes().forEach(n -> n.ifPresent(p -> fixed.put(p.note(), p)));
    for (Preset other : List.of(preset, Preset.SINGING)) {
      Fingering again = new FingeringSolver(task.withPreset(other).withFixed(fixed)).best();
      assertThat(again.notesUnlike(f)).isZero();
      if (other.equals(preset)) {
        assertThat(again.effort()).isCloseTo(f.effort(), within(1e-9));
      }
    }
  }

  @ParameterizedTest
  @MethodSource("all")
  void theSameQuestionGetsTheSameAnswer(InstrumentType type, long seed, Preset preset, Hand hand) {
    Fingering one = new FingeringSolver(task(type, seed, preset, hand)).best();
    Fingering two = new FingeringSolver(task(type, seed, preset, hand)).best();
    assertThat(two).isEqualTo(one);
  }

  /** With figures fingered alike nothing gets easier, and everything above still holds. */
  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void alikeIsNeverEasierThanFree(InstrumentType type) {
    for (long seed = 31; seed < 35; seed++) {
      FingeringSolver solver = new FingeringSolver(task(type, seed, Preset.SURE, Hand.MEDIUM));
      Fingering free = solver.best();
      Fingering alike = solver.consistent();
      assertThat(alike.effort()).isGreaterThanOrEqualTo(free.effort() - 1e-9);
      assertThat(alike.alike().overFree()).isCloseTo(alike.effort() - free.effort(), within(1e-9));
    }
  }

  /** A spared fourth finger is never stretched. */
  @Test
  void cautionHoldsInAllMusic() {
    for (InstrumentType type : InstrumentType.values()) {
      for (long seed = 41; seed < 46; seed++) {
        FingeringTask task = task(type, seed, Preset.SURE, Hand.MEDIUM.withFourthCaution(true));
        Fingering f = new FingeringSolver(task).best();
        for (Optional<NoteFinger> n : f.notes()) {
          n.filter(p -> p.finger() == fret.instrument.Finger.FOURTH)
              .ifPresent(
                  p ->
                      assertThat(task.hand().placements(p.semitone()))
                          .anyMatch(
                              q ->
                                  q.finger() == p.finger()
                                      && q.base() == p.base()
                                      && q.strain() <= 0.5));
        }
      }
    }
  }
}
