package fret.writing;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Step;
import fret.score.Direction;
import fret.score.Event;
import fret.score.NoteValue;
import fret.score.Resolver;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DraftTest {
  private static Draft empty(int fifths) {
    return Draft.atEnd(
        Draft.emptyPage("page", TimeSignature.COMMON_TIME, new KeySignature(fifths), Clef.TREBLE));
  }

  private static Draft type(Draft start, String letters) {
    Draft d = start;
    for (char c : letters.toCharArray()) {
      d = d.note(Step.valueOf(String.valueOf(c)));
    }
    return d;
  }

  private static Draft value(Draft d, int denominator) {
    return d.with(d.pen().withValue(new NoteValue(denominator, 0)));
  }

  private static String pitches(Draft d) {
    return Resolver.resolve(d.page()).notes().stream()
        .map(n -> n.pitch().toString())
        .collect(Collectors.joining(" "));
  }

  private static List<Integer> bars(Draft d) {
    return d.page().bars().stream().map(b -> b.events().size()).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "0, GABC, G4 A4 B4 C5",
    "0, CGC, C5 G4 C5",
    "2, FCE, F#4 C#4 E4",
    "-3, BEA, Bb4 Eb5 Ab5",
  })
  void aLetterTakesTheNearestOctaveAndTheKey(int fifths, String letters, String expected) {
    assertThat(pitches(type(empty(fifths), letters))).isEqualTo(expected);
  }

  @Test
  void aSignHoldsForItsPlaceToTheEndOfTheBar() {
    Draft d = type(type(empty(0), "F").alter(1), "GFEF");
    assertThat(pitches(d)).isEqualTo("F#4 G4 F#4 E4 F4");
    assertThat(pitches(type(empty(0), "F").alter(1).natural())).isEqualTo("F4");
    assertThat(pitches(type(empty(0), "F").alter(1).alter(1).alter(1))).isEqualTo("F##4");
  }

  @Test
  void aFullBarIsFollowedByTheNextOne() {
    Draft d = type(empty(0), "CDEFGAB");
    assertThat(bars(d)).containsExactly(4, 3);
    assertThat(d.page().bars()).extracting(b -> b.number()).containsExactly("1", "2");
    assertThat(d.page().bars().get(1).start()).isEqualTo(Fraction.ONE);
  }

  @Test
  void barsTooShortOrTooLongStayAsTyped() {
    Draft d = type(value(type(empty(0), "CDE"), 2), "F");
    assertThat(bars(d)).containsExactly(4);
    assertThat(d.bar().length()).isEqualTo(Fraction.of(5, 4));
    Draft next = d.bars().insert();
    assertThat(next.page().bars().get(1).start()).isEqualTo(Fraction.of(5, 4));
    Draft shorter = type(empty(0), "CD").bars().insert();
    assertThat(shorter.page().bars().get(0).length()).isEqualTo(Fraction.ONE);
    Draft mended = d.delete();
    assertThat(mended.bar().length()).isEqualTo(Fraction.ONE);
  }

  @Test
  void rebarringCutsAndTies() {
    Draft d = type(value(type(empty(0), "CDE"), 2), "FG");
    Draft laid = d.barBy(-5).bars().rebar();
    assertThat(bars(laid)).containsExactly(4, 2);
    assertThat(pitches(laid)).isEqualTo("C5 D5 E5 F5 G5");
    assertThat(Resolver.resolve(laid.page()).notes().get(3).duration())
        .isEqualTo(Fraction.of(1, 2));
    assertThat(laid.page().bars()).allMatch(b -> b.length().equals(Fraction.ONE));
  }

  @Test
  void tieDotTupletAndGrace() {
    Draft tied = type(empty(0), "C").tie();
    assertThat(Resolver.resolve(tied.page()).notes())
        .singleElement()
        .extracting(SoundingNote::duration)
        .isEqualTo(Fraction.of(1, 2));
    assertThat(type(empty(0), "C").dot().current().orElseThrow().duration())
        .isEqualTo(Fraction.of(3, 8));
    assertThat(type(empty(0), "C").dot().dot().dot().current().orElseThrow().duration())
        .isEqualTo(Fraction.of(1, 4));
    Draft triplet = value(empty(0), 8);
    triplet = type(triplet.with(triplet.pen().triplets()), "CDE");
    assertThat(triplet.caret()).isEqualTo(Fraction.of(1, 4));
    List<Event> three = triplet.bar().events();
    assertThat(three.get(0).signs().tuplet().starts()).isTrue();
    assertThat(three.get(2).signs().tuplet().stops()).isTrue();
    Draft grace = empty(0);
    grace = type(grace.with(grace.pen().withGrace(true)), "D");
    grace = type(grace.with(grace.pen().withGrace(false)), "C");
    assertThat(Resolver.resolve(grace.page()).notes())
        .extracting(SoundingNote::isGrace)
        .containsExactly(true, false);
  }

  @Test
  void chordsGoUpFromTheTopNote() {
    Draft d = type(empty(0), "G").chord(Step.D).chord(Step.B);
    assertThat(pitches(d)).isEqualTo("G4 D5 B5");
    assertThat(d.octave(-1).bar().events().get(0).heads().get(0).pitch().toString())
        .isEqualTo("G3");
  }

  @Test
  void figuresRepeatAndMakeSequences() {
    Draft beat = type(value(empty(1), 8), "EF");
    assertThat(pitches(beat.figureAgain(0))).isEqualTo("E5 F#5 E5 F#5");
    assertThat(pitches(beat.figureAgain(1).figureAgain(1))).isEqualTo("E5 F#5 F#5 G5 G5 A5");
    assertThat(bars(type(empty(0), "CDEF").bars().again())).containsExactly(4, 4);
  }

  @Test
  void copiedNotesArePutInAndCutOnesGo() {
    Draft d = type(empty(0), "CDEF").left().left();
    Draft selected = d.selecting(Draft::right);
    assertThat(selected.copy()).hasSize(2);
    assertThat(pitches(selected.delete())).isEqualTo("C5 F5");
    assertThat(pitches(Draft.atEnd(d.page()).paste(selected.copy())))
        .isEqualTo("C5 D5 E5 F5 D5 E5");
    assertThat(pitches(selected.transpose(new Interval(2, 3)))).isEqualTo("C5 F5 G5 F5");
    assertThat(pitches(selected.step(-1))).isEqualTo("C5 C5 D5 F5");
  }

  @Test
  void clefKeyAndMetreHoldToTheNextChange() {
    Draft d = type(empty(0), "CDEFGABCDEFG");
    Draft keyed = d.barBy(-1).bars().key(-1);
    assertThat(keyed.page().bars()).extracting(b -> b.key().fifths()).containsExactly(0, -1, -1);
    Draft metre = d.barBy(-5).bars().metre(TimeSignature.of(3, 4));
    assertThat(metre.page().bars()).allMatch(b -> b.time().beats() == 3);
    assertThat(metre.page().bars().get(0).length()).isEqualTo(Fraction.ONE);
    assertThat(bars(metre.bars().rebar())).containsExactly(3, 3, 3, 3);
    Draft clef = d.barBy(-1).bars().clef(Clef.ALTO);
    assertThat(clef.page().bars().get(1).clefAt(clef.caret())).isEqualTo(Clef.ALTO);
    assertThat(clef.page().bars().get(2).clef()).isEqualTo(Clef.ALTO);
    assertThat(clef.page().bars().get(1).clef()).isEqualTo(Clef.TREBLE);
  }

  @Test
  void aPickupLiesBeforeTheFirstFullBar() {
    Draft d = type(empty(0), "G").bars().insert();
    Draft pickup = type(d, "C").bars().pickup();
    assertThat(pickup.page().bars().get(0).start()).isEqualTo(Fraction.of(-1, 4));
    assertThat(pickup.page().bars().get(0).number()).isEqualTo("0");
    assertThat(pickup.page().bars().get(1).number()).isEqualTo("1");
    assertThat(pickup.bars().pickup().page().bars().get(0).start()).isEqualTo(Fraction.ZERO);
  }

  @Test
  void signsGoOnAndOff() {
    Draft d = type(empty(0), "CDE");
    Draft slurred = Writing.slur(d);
    assertThat(slurred.bar().events().get(1).signs().slurStarts()).hasSize(1);
    assertThat(slurred.bar().events().get(2).signs().slurStops()).hasSize(1);
    assertThat(Writing.slur(slurred.left()).page()).isEqualTo(d.page());
    Draft three = Writing.slur(d.selecting(Draft::left).selecting(Draft::left));
    assertThat(three.bar().events().get(0).signs().slurStarts()).hasSize(1);
    assertThat(three.bar().events().get(2).signs().slurStops()).hasSize(1);
    Draft dotted = Writing.articulation(d, Signs.Articulation.STACCATO);
    assertThat(dotted.current().orElseThrow().signs().articulations()).hasSize(1);
    assertThat(Writing.articulation(dotted, Signs.Articulation.STACCATO).page())
        .isEqualTo(d.page());
    assertThat(Writing.bow(d, Signs.Bow.UP).current().orElseThrow().signs().bow())
        .isEqualTo(Signs.Bow.UP);
  }

  @Test
  void dynamicsClimbAndHairpinsEnd() {
    Draft d = type(empty(0), "CDE");
    Draft loud = Writing.dynamic(Writing.dynamic(d, 1), 1);
    assertThat(loud.bar().directions()).extracting(Direction::text).containsExactly("f");
    Draft open = Writing.hairpin(d.left(), Direction.Kind.CRESCENDO);
    Draft closed = Writing.hairpin(open.right(), Direction.Kind.CRESCENDO);
    assertThat(closed.bar().directions())
        .extracting(Direction::kind)
        .containsExactly(Direction.Kind.CRESCENDO, Direction.Kind.HAIRPIN_END);
    Draft words = Writing.words(d, Direction.Kind.WORDS, "sul G");
    assertThat(words.bar().directions()).extracting(Direction::text).containsExactly("sul G");
    assertThat(Writing.clearDirections(words).page()).isEqualTo(d.page());
  }

  @Test
  void metresAreRead() {
    assertThat(Writing.metre("2+3/8").orElseThrow().groups()).containsExactly(2, 3);
    assertThat(Writing.metre("C").orElseThrow().sign()).isEqualTo(TimeSignature.Sign.COMMON);
    assertThat(Writing.metre("cut").orElseThrow().sign()).isEqualTo(TimeSignature.Sign.CUT);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "4", "0/4", "3/5", "4/128", "99/4", "a/b"})
  void otherTextsAreNoMetre(String text) {
    assertThat(Writing.metre(text)).isEmpty();
  }

  @Test
  void everyOperationLeavesAReadablePageWhateverIsTyped() {
    java.util.Random random = new java.util.Random(3);
    Draft d = empty(0);
    for (int i = 0; i < 4000; i++) {
      d = step(d, random.nextInt(24), random);
      assertThat(d.page().bars()).isNotEmpty();
      Fraction at = d.page().bars().get(0).start();
      for (var bar : d.page().bars()) {
        assertThat(bar.start()).isEqualTo(at);
        at = at.add(bar.length());
      }
      if (i % 200 == 0) {
        Resolver.resolve(d.page());
      }
    }
  }

  private static Draft step(Draft d, int which, java.util.Random random) {
    Step letter = Step.values()[random.nextInt(7)];
    return switch (which) {
      case 0, 1, 2, 3, 4 -> d.note(letter);
      case 5 -> d.rest();
      case 6 -> d.chord(letter);
      case 7 -> d.dot();
      case 8 -> value(d, 1 << random.nextInt(6));
      case 9 -> d.delete();
      case 10 -> d.left();
      case 11 -> d.right();
      case 12 -> d.tie();
      case 13 -> d.octave(random.nextBoolean() ? 1 : -1);
      case 14 -> d.with(d.pen().triplets());
      case 15 -> d.page().bars().size() > 60 ? d.bars().delete() : d.bars().insert();
      case 16 -> d.alter(random.nextInt(3) - 1);
      case 17 -> d.selecting(Draft::left);
      case 18 -> d.figureAgain(random.nextInt(3) - 1);
      case 19 -> d.bars().rebar();
      case 20 -> d.bars().metre(TimeSignature.of(2 + random.nextInt(4), 4));
      case 21 -> d.bars().pickup();
      case 22 -> d.bars().nextClef();
      default -> Writing.slur(d);
    };
  }
}
