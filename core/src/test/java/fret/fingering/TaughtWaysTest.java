package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.LengthWish;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Preset;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.search.LayeredProblem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a teacher would send back, each told as a rule (common practice, no source). */
class TaughtWaysTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final Fraction SIXTEENTH = Fraction.of(1, 16);
  private static final String[] G_MAJOR = {"G", "A", "B", "C", "D", "E", "F#"};

  private static Fingering best(InstrumentType type, ResolvedPassage passage, double quarters) {
    return new FingeringSolver(Exercises.task(type, passage, quarters)).best();
  }

  private static NoteFinger at(Fingering f, int note) {
    return f.notes().get(note).orElseThrow();
  }

  /** G3 to G6 and back: no harmonic, no zigzag, no finger twice running on two pitches. */
  @ParameterizedTest
  @ValueSource(strings = {"sure", "quick", "gentle"})
  void aQuickScaleOverThreeOctavesGoesAsItIsTaught(String preset) {
    List<String> up = new ArrayList<>();
    for (int i = 0; i <= 21; i++) {
      up.add(G_MAJOR[i % 7] + (3 + (i % 7 >= 3 ? 1 : 0) + i / 7));
    }
    List<String> all = new ArrayList<>(up);
    for (int i = up.size() - 2; i >= 0; i--) {
      all.add(up.get(i));
    }
    FingeringTask task =
        Exercises.task(
            InstrumentType.VIOLIN, Exercises.line(String.join(" ", all), SIXTEENTH), 144);
    Fingering f = new FingeringSolver(task.withPreset(Preset.named(preset).orElseThrow())).best();
    for (int i = 1; i < all.size(); i++) {
      NoteFinger a = at(f, i - 1);
      NoteFinger b = at(f, i);
      String where = Exercises.digits(f) + " at " + all.get(i);
      assertThat(b.harmonic()).as(where).isFalse();
      if (i < up.size()) {
        assertThat(b.string()).as("rising: " + where).isLessThanOrEqualTo(a.string());
      } else {
        assertThat(b.string()).as("falling: " + where).isGreaterThanOrEqualTo(a.string());
      }
      assertThat(!a.isOpen() && a.finger() == b.finger()).as("twice: " + where).isFalse();
    }
  }

  /** First choices of a teacher (common practice, from memory). */
  @ParameterizedTest
  @CsvSource({
    // the end of a scale: low 1, 2, shift, 1 3 4
    "CELLO, F3 G3 A3 Bb3 C4 D4 E4 F4, 24012134",
    "VIOLA, D3+B3+G4, 123",
    // fourth position: 1-3-2, and 3 across two strings
    "CELLO, D3+B3+F4, 132",
    "CELLO, D3+B3+F#4, 133",
    // sixths down the scale keep neighbouring fingers
    "VIOLIN, F#4+D5 E4+C#5 D4+B4, 231201",
    // on the cello 4-2, 3-1, 1-open
    "CELLO, F3+D4 E3+C#4 D3+B3, 241301",
    // a line that lies in second or third position begins there, and no finger slides
    "VIOLA, A4 B4 C#5 D5 E5 F#5 G5, 2341234",
    "VIOLA, G4 A4 B4 C5 D5 E5 F5 G5, 12341234",
    "VIOLIN, D5 E5 F#5 G5 A5 B5 C#6 D6, 12341234",
    // on the neck the first finger, and at the top of the line the octave harmonic
    "CELLO, A3 E4 A4 E4 A3, 01h310",
    "CELLO, E4 F#4 G4 A4 G4 F#4 E4, 134h3431",
    "CELLO, A3 E4 A4 E4 C4 A3, 01h3141",
    // tritones: the lower string has the higher finger
    "VIOLIN, G4+C#5, 32",
    "VIOLA, C4+F#4, 32"
  })
  void whatATeacherWritesFirst(InstrumentType type, String notes, String digits) {
    Fingering f = best(type, Exercises.line(notes, QUARTER), 60);
    assertThat(Exercises.digits(f)).isEqualTo(digits);
  }

  /** A run of flats on the cello: the hand shifts as a whole, no finger slides. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "C3 Db3 Eb3 F3 Gb3 Ab3 Bb3",
        "Eb3 F3 Gb3 Ab3 Bb3 C4 Db4 C4 Bb3 Ab3 Gb3 F3 Eb3",
        "Db4 C4 Bb3 Ab3 Gb3 F3 Eb3 Db3 C3"
      })
  void noFingerSlidesInARunOfFlats(String notes) {
    Fingering f = best(InstrumentType.CELLO, Exercises.line(notes, Fraction.of(1, 8)), 60);
    for (int i = 1; i < f.notes().size(); i++) {
      NoteFinger a = at(f, i - 1);
      NoteFinger b = at(f, i);
      assertThat(a.string() == b.string() && a.finger() == b.finger())
          .as(Exercises.digits(f) + " at " + i)
          .isFalse();
    }
  }

  /** A slow slur stays on its string by a fourth finger, reaching if need be, or from second. */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, B4 C5 D5 F5 D5 C5, 123432",
    "VIOLIN, D5 E5 D5 C5, 3432",
    "VIOLIN, G4 A4 Bb4 A4 G4 F4, 234321",
    "VIOLA, E4 F4 G4 A4 G4 F4, 123432"
  })
  void aSlowSlurKeepsItsString(InstrumentType type, String notes, String digits) {
    Fingering f = best(type, Exercises.slurred(notes, Fraction.of(1, 8)), 72);
    assertThat(Exercises.digits(f)).isEqualTo(digits);
  }

  /** Octaves are the frame of the hand, high up as well, whatever the player cares for. */
  @ParameterizedTest
  @ValueSource(strings = {"sure", "singing", "quick", "powerful", "gentle"})
  void octavesAreUnderFirstAndFourth(String preset) {
    for (String line :
        List.of("D5+D6 E5+E6 F#5+F#6 G5+G6", "D6 C6 B5 A4+A5 D4+D5", "G5+G6 B5 D4+D5")) {
      FingeringTask task =
          Exercises.task(InstrumentType.VIOLIN, Exercises.line(line, Fraction.of(1, 8)), 108);
      Fingering f = new FingeringSolver(task.withPreset(Preset.named(preset).orElseThrow())).best();
      int note = 0;
      for (String word : line.split(" ")) {
        if (word.contains("+")) {
          String pair = at(f, note).digit() + at(f, note + 1).digit();
          assertThat(pair).as(line + " " + preset).matches("14|0.");
          note++;
        }
        note++;
      }
    }
  }

  /**
   * A pedal keeps its open string and rings on, the melody goes beside it, whatever is cared for.
   */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, A4 F#4 A4 G4 A4 F#4 A4 E4 A4 F#4 A4 G4, 2",
    "VIOLIN, A4 B4 A4 C5 A4 B4 A4 G4 A4 B4 A4 C5, 2",
    "VIOLIN, E5 E5 E5 D5 E5 E5 E5 C5 E5 D5 E5 C5, 1",
    "VIOLA, A4 B4 A4 C5 A4 B4 A4 G4 A4 B4 A4 C5, 1",
    "CELLO, D3 E3 D3 F3 D3 G3 D3 E3 D3 F3 D3 E3, 2",
    "CELLO, A3 Bb3 A3 C4 A3 Bb3 A3 G3 A3 C4 A3 Bb3, 1"
  })
  void aPedalKeepsItsStringAndTheMelodyGoesBesideIt(InstrumentType type, String notes, int string) {
    for (Preset preset : Preset.all()) {
      FingeringTask task = Exercises.task(type, Exercises.line(notes, SIXTEENTH), 100);
      Fingering f = new FingeringSolver(task.withPreset(preset)).best();
      for (int i = 0; i < f.notes().size() - 1; i++) {
        String where = preset.id() + " " + Exercises.digits(f) + " at " + i;
        assertThat(at(f, i).isOpen()).as(where).isEqualTo(i % 2 == 0);
        assertThat(at(f, i).string() == string).as(where).isEqualTo(i % 2 == 0);
      }
    }
  }

  /** A shift that can be made in a rest is made there: the hand stays until then. */
  @Test
  void aShiftWaitsForTheRest() {
    Fingering f =
        best(InstrumentType.CELLO, Exercises.line("C4 D4 D3 G3 - G3+E4 F#3+D4", QUARTER), 80);
    assertThat(f.shifts()).first().satisfies(s -> assertThat(s.fromSlice()).isEqualTo(3));
  }

  /** A viola's two chromatic octaves in sixteenths: at most one pair of equal fingers a string. */
  @Test
  void aQuickChromaticRunHasAtMostOneSlideAString() {
    StringBuilder notes = new StringBuilder();
    String[] names = {"C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"};
    for (int i = 0; i <= 24; i++) {
      notes.append(names[i % 12]).append(3 + i / 12).append(' ');
    }
    Fingering f =
        best(InstrumentType.VIOLA, Exercises.line(notes.toString().strip(), SIXTEENTH), 132);
    int[] slides = new int[5];
    for (int i = 1; i < f.notes().size(); i++) {
      NoteFinger a = at(f, i - 1);
      NoteFinger b = at(f, i);
      slides[b.string()] +=
          a.string() == b.string() && !a.isOpen() && a.finger() == b.finger() ? 1 : 0;
    }
    assertThat(java.util.Arrays.stream(slides).max().orElse(0))
        .as(Exercises.digits(f))
        .isLessThanOrEqualTo(1);
  }

  /** Half-note trills A4 to G5 at 72: none on an open string, and D5 is not trilled with 3-4. */
  @Test
  void longTrillsAreStrong() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String pitch : List.of("A4", "B4", "C5", "D5", "E5", "F5", "G5")) {
      line.add(
          Fraction.of(1, 2),
          List.of(Head.of(Pitch.parse(pitch))),
          Signs.PLAIN.withOrnament(Signs.Ornament.TRILL));
    }
    Fingering f =
        best(InstrumentType.VIOLIN, Resolver.resolve(line.build("trills", Interval.UNISON)), 72);
    assertThat(f.notes()).allMatch(n -> !n.orElseThrow().isOpen());
    assertThat(at(f, 3).finger()).isNotEqualTo(Finger.THIRD);
  }

  /** A melody above the octave of the bass: no fourth finger up there, all on the top string. */
  @Test
  void aMelodyOfTheBassStaysOnTheTopString() {
    Fingering f = best(InstrumentType.BASS, Exercises.line("A2 D3 E3 F#3 G3 A3 B3", QUARTER), 76);
    for (int i = 0; i < f.notes().size(); i++) {
      assertThat(at(f, i).string()).as(Exercises.digits(f)).isLessThanOrEqualTo(i < 2 ? 2 : 1);
      assertThat(at(f, i).semitone() >= 12 && at(f, i).finger() == Finger.FOURTH).isFalse();
    }
  }

  @Test
  void aLonelyFigureStaysAtHome() {
    Fingering f = best(InstrumentType.VIOLIN, Exercises.line("A4 B4 A4", QUARTER), 90);
    assertThat(at(f, 1).base()).isEqualTo(2);
    assertThat(at(f, 1).string()).isEqualTo(2);
  }

  /** Cello, F4 G4 A4 in the transition: a whole tone between second and third finger. */
  @Test
  void neighbouringFingersReachFurtherUpTheString() {
    FingeringTask task =
        Exercises.task(InstrumentType.CELLO, Exercises.line("F4 G4 A4", QUARTER), 70);
    List<NoteRule> onTheA = List.of(NoteRule.onString(0, 1), NoteRule.onString(1, 1));
    Fingering f = new FingeringSolver(task.withRules(onTheA)).best();
    assertThat(Exercises.digits(f)).isEqualTo("123");
  }

  /** An open pedal stays open under a moving line, whatever crossings alone would cost. */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, F5 A4 G5 A4 A5 A4 G5 A4 F5 A4, A4",
    "CELLO, C4 D3 B3 D3 A3 D3 B3 D3 C4 D3, D3",
    "VIOLA, D4 A4 E4 A4 F#4 A4 G4 A4, A4"
  })
  void aPedalStaysOpen(InstrumentType type, String notes, String pedal) {
    Fingering f = best(type, Exercises.line(notes, SIXTEENTH), 90);
    String[] words = notes.split(" ");
    for (int i = 0; i < words.length; i++) {
      assertThat(at(f, i).isOpen())
          .as(words[i])
          .isEqualTo(words[i].equals(pedal) || isOpenToo(type, words[i]));
    }
  }

  private static boolean isOpenToo(InstrumentType type, String pitch) {
    return Instrument.standard(type).openStrings().contains(Pitch.parse(pitch));
  }

  // ---- two voices ------------------------------------------------------------------------------

  /** The bow reaches A3 on the top string only by leaving the G string: no hand can hold on. */
  @Test
  void aHeldNoteEndsWhereTheBowLeavesIt() {
    ResolvedPassage passage = Exercises.line("A2*2+F#3 D4", QUARTER);
    Fingering f = best(InstrumentType.CELLO, passage, 60);
    assertThat(f.problems()).isEmpty();
    Release release = f.release(0).orElseThrow();
    assertThat(release.slice()).isEqualTo(1);
    assertThat(release.byBow()).isTrue();
    assertThat(f.notes().stream().map(Optional::orElseThrow))
        .noneMatch(n -> n.finger() == Finger.THUMB);
  }

  /** The bow can keep the open D string under the A string: it rings on to its end. */
  @Test
  void aVoiceThatTheBowCanKeepGoesOn() {
    Fingering f = best(InstrumentType.CELLO, Exercises.line("D3*4+A3 B3 C4 B3", QUARTER), 60);
    assertThat(f.releases()).isEmpty();
  }

  @Test
  void thePlayerAsksForTheFullLengthOrForOneLine() {
    ResolvedPassage passage = Exercises.line("G4*2+B4 F#5", QUARTER);
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, passage, 60);
    Wishes full = Wishes.NONE.withLengths(Map.of(0, LengthWish.FULL));
    assertThat(new FingeringSolver(task.withWishes(full)).best().releases()).isEmpty();
    ResolvedPassage easy = Exercises.line("D3*2+A3 B3", QUARTER);
    FingeringTask line = Exercises.task(InstrumentType.CELLO, easy, 60);
    Wishes one = Wishes.NONE.withLengths(Map.of(0, LengthWish.LET_GO));
    assertThat(new FingeringSolver(line.withWishes(one)).best().release(0)).isPresent();
  }

  /** Ab2, F3, D4: 1 and 4 in half position over two strings, 134 mm and 18 mm at right angles. */
  @Test
  void aChordMayReachAsFarAsTheExtendedHand() {
    Fingering f = best(InstrumentType.CELLO, Exercises.line("Ab2+F3+D4", QUARTER), 60);
    assertThat(f.problems()).isEmpty();
    assertThat(f.notes()).allMatch(Optional::isPresent);
  }

  @Test
  void aUnisonTwiceInOneChordLiesOnTwoStrings() {
    Fingering f = best(InstrumentType.VIOLIN, Exercises.line("A4+A4", QUARTER), 60);
    assertThat(f.notes()).hasSize(2);
    assertThat(f.notes().stream().map(n -> n.orElseThrow().string()))
        .containsExactlyInAnyOrder(2, 3);
    Fingering voices = best(InstrumentType.VIOLIN, Exercises.line("A4*1+A4", QUARTER), 60);
    assertThat(voices.notes()).as("of two voices it is one note").hasSize(1);
  }

  // ---- who decided, what stays -----------------------------------------------------------------

  /** The definition, word by word, on lines of six notes: every cut solved by trying all ways. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "A4 B4 C#5 D5 E5 F#5",
        "B4 C5 D5 F5 A5 C6",
        "G4 A4 B4 D5 G5 B5",
        "E5 D5 C5 B4 A4 G4"
      })
  void theNoteThatDecidesIsFoundByCutting(String notes) {
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, Exercises.line(notes, QUARTER), 120);
    FingeringSolver solver = new FingeringSolver(task);
    LayeredProblem<HandState> problem = solver.problem();
    Fingering best = solver.best();
    for (int note = 0; note < 6; note++) {
      HandState chosen = cheapest(problem, 5).get(note);
      int decides = note;
      for (int cut = 5; cut >= note; cut--) {
        if (!same(cheapest(problem, cut).get(note), chosen)) {
          decides = cut + 1;
          break;
        }
      }
      assertThat(solver.decidedBy(note))
          .as(notes + ", note " + note + " of " + Exercises.digits(best))
          .isEqualTo(decides > note ? Optional.of(decides) : Optional.empty());
    }
  }

  private static boolean same(HandState a, HandState b) {
    return a.touches().equals(b.touches())
        && (a.isStopped() ? a.base() : 0) == (b.isStopped() ? b.base() : 0)
        && a.handsOver() == b.handsOver();
  }

  /** Dynamic programming written anew, without bounds or tables of the search. */
  private static List<HandState> cheapest(LayeredProblem<HandState> problem, int last) {
    List<List<HandState>> ways = new ArrayList<>();
    List<Double> efforts = new ArrayList<>();
    for (HandState s : problem.layers().get(0)) {
      ways.add(List.of(s));
      efforts.add(problem.ownEffort(s) + problem.moveEffort(null, s));
    }
    for (int layer = 1; layer <= last; layer++) {
      List<List<HandState>> next = new ArrayList<>();
      List<Double> nextEfforts = new ArrayList<>();
      for (HandState s : problem.layers().get(layer)) {
        int from = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int w = 0; w < ways.size(); w++) {
          HandState before = ways.get(w).get(layer - 1);
          double sum =
              problem.allowed().mayFollow(before, s)
                  ? efforts.get(w) + problem.moveEffort(before, s) + problem.ownEffort(s)
                  : Double.POSITIVE_INFINITY;
          if (sum < least) {
            least = sum;
            from = w;
          }
        }
        if (from >= 0) {
          List<HandState> way = new ArrayList<>(ways.get(from));
          way.add(s);
          next.add(way);
          nextEfforts.add(least);
        }
      }
      ways = next;
      efforts = nextEfforts;
    }
    int best = 0;
    for (int w = 1; w < ways.size(); w++) {
      best = efforts.get(w) < efforts.get(best) ? w : best;
    }
    return ways.get(best);
  }

  @Test
  void aFingerStaysUntilItIsNeededOrALowerNoteComes() {
    ResolvedPassage passage = Exercises.line("B4 C5 D5 C5 A4 B4", QUARTER);
    Fingering f = best(InstrumentType.VIOLIN, passage, 90);
    assertThat(Exercises.digits(f)).isEqualTo("123201");
    List<KeepDown> kept = KeepDown.of(passage, f);
    // 1 on B4 stays under C5 and D5, until the open string below it is wanted
    assertThat(kept).contains(new KeepDown(0, 4, false));
    // 2 on C5 stays under D5 and is there when C5 comes back
    assertThat(kept).contains(new KeepDown(1, 4, true));
    assertThat(kept).noneMatch(k -> k.note() == 2);
  }
}
