package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.Stroke;
import fret.pitch.Pitch;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import fret.score.Signs;
import fret.session.BowDecisions;
import fret.session.Lines;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class BowDrillsTest {
  private final Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 A4");

  private Optional<Score> drill(int from, int to, BowDrillKind kind) {
    return BowDrills.notation(
        s.resolved(), s.bowing(), s.arm().report(), s.bowTask().instrument(), from, to, kind);
  }

  private static List<Event> notes(Score score) {
    return score.events().stream().filter(e -> !e.isRest()).toList();
  }

  private static List<String> pitches(List<Event> notes) {
    return notes.stream()
        .map(
            e -> e.heads().stream().map(h -> h.pitch().toString()).collect(Collectors.joining("+")))
        .toList();
  }

  @Test
  void theBowAloneKeepsStringsStrokesAndTimes() {
    List<Event> notes = notes(drill(0, 7, BowDrillKind.OPEN_STRINGS).orElseThrow());
    assertThat(notes).hasSize(8);
    for (int m = 0; m < 8; m++) {
      int string = s.bowing().moments().get(m).strings().get(0);
      Pitch open = s.bowTask().instrument().open(string);
      assertThat(notes.get(m).heads()).extracting(Head::pitch).containsExactly(open);
      Stroke stroke = s.bowing().strokeAt(m).orElseThrow();
      if (stroke.fromMoment() == m) {
        assertThat(notes.get(m).signs().bow())
            .isEqualTo(stroke.down() ? Signs.Bow.DOWN : Signs.Bow.UP);
      }
      assertThat(notes.get(m).duration()).isEqualTo(s.resolved().slices().get(m).duration());
    }
  }

  @Test
  void aCrossingIsHeldOneStringBothTheOtherBoth() {
    Score drill = drill(0, 15, BowDrillKind.CROSSING).orElseThrow();
    List<String> first = pitches(notes(drill)).subList(0, 4);
    assertThat(first.get(0)).doesNotContain("+");
    assertThat(first.get(1)).contains("+").contains(first.get(0)).contains(first.get(2));
    assertThat(first.get(3)).isEqualTo(first.get(1));
    assertThat(drill(0, 1, BowDrillKind.CROSSING)).as("on one string").isEmpty();
  }

  @Test
  void doubledNotesComeTwiceInTheirOwnLength() {
    List<Event> notes = notes(drill(0, 3, BowDrillKind.DOUBLED).orElseThrow());
    assertThat(pitches(notes)).containsExactly("B4", "B4", "C5", "C5", "D5", "D5", "E5", "E5");
    assertThat(notes.get(1).duration()).isEqualTo(s.resolved().slices().get(0).duration());
  }

  @Test
  void theAccentGoesFromNoteToNoteWithinOneBow() {
    List<Event> notes = notes(drill(0, 3, BowDrillKind.SPENDING).orElseThrow());
    assertThat(notes).hasSize(16);
    for (int bow = 0; bow < 4; bow++) {
      for (int i = 0; i < 4; i++) {
        Event e = notes.get(4 * bow + i);
        boolean accented = e.signs().articulations().contains(Signs.Articulation.ACCENT);
        assertThat(accented).isEqualTo(i == bow);
      }
      assertThat(notes.get(4 * bow).signs().slurStarts()).hasSize(1);
      assertThat(notes.get(4 * bow + 3).signs().slurStops()).hasSize(1);
    }
    assertThat(drill(2, 2, BowDrillKind.SPENDING)).isEmpty();
  }

  /** Every drill is real notation: bars are full, bow marks and lengths are there. */
  @ParameterizedTest
  @EnumSource(BowDrillKind.class)
  void everyDrillIsWholeBarsOfNotation(BowDrillKind kind) {
    Optional<Score> drill = drill(0, 15, kind);
    if (kind == BowDrillKind.DRIFT) {
      assertThat(drill).as("nothing wanders in single strokes").isEmpty();
      return;
    }
    Score score = drill.orElseThrow();
    assertThat(notes(score)).isNotEmpty();
    for (var bar : score.bars()) {
      assertThat(bar.length()).isEqualTo(bar.time().barLength());
      Fraction sum =
          bar.events().stream().map(Event::duration).reduce(Fraction.ZERO, Fraction::add);
      assertThat(sum).as(kind + " bar " + bar.number()).isEqualTo(bar.length());
    }
    List<Integer> open =
        notes(score).stream().flatMap(e -> e.signs().slurStarts().stream()).toList();
    List<Integer> closed =
        notes(score).stream().flatMap(e -> e.signs().slurStops().stream()).toList();
    assertThat(open).hasSameSizeAs(closed);
  }

  private static List<String> words(Score score) {
    return score.bars().stream()
        .flatMap(b -> b.directions().stream())
        .filter(d -> d.kind() == Direction.Kind.WORDS)
        .map(Direction::text)
        .toList();
  }

  @Test
  void theSameCrossingComesAtThreePlaces() {
    Score score = drill(0, 15, BowDrillKind.CROSSING_PLACES).orElseThrow();
    assertThat(words(score)).containsExactly("frog", "middle of the bow", "tip");
    assertThat(Set.copyOf(pitches(notes(score)))).hasSize(2);
  }

  @Test
  void theSamePatternGoesToEveryPairOfStrings() {
    Score score = drill(0, 15, BowDrillKind.OTHER_PAIRS).orElseThrow();
    assertThat(Set.copyOf(pitches(notes(score)))).containsExactlyInAnyOrder("G3", "D4", "A4", "E5");
  }

  @Test
  void theFingerIsSetInASilenceBeforeTheBowComes() {
    Score score = drill(0, 15, BowDrillKind.FINGER_FIRST).orElseThrow();
    long rests = score.events().stream().filter(Event::isRest).count();
    int crossings = s.arm().report().crossings().size();
    assertThat(crossings).isPositive();
    assertThat(rests).isEqualTo(crossings);
  }

  @Test
  void eachVoiceIsAloneThenBoth() {
    Score score = drill(0, 15, BowDrillKind.VOICES).orElseThrow();
    assertThat(notes(score)).as("each note once alone, once with the others").hasSize(32);
    assertThat(pitches(notes(score)).subList(16, 32))
        .containsExactly("B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 A4".split(" "));
  }

  @Test
  void amountsAreWordsOverTheNotes() {
    assertThat(words(drill(0, 3, BowDrillKind.BOW_SHARES).orElseThrow()))
        .containsExactly("whole bow", "half the bow", "a third of the bow");
    Score fade = drill(0, 1, BowDrillKind.FADE).orElseThrow();
    assertThat(words(fade)).containsExactly("tip", "tip");
    assertThat(notes(fade)).allMatch(e -> e.signs().bow() == Signs.Bow.UP);
    List<Direction.Kind> lines =
        fade.bars().stream()
            .flatMap(b -> b.directions().stream())
            .map(Direction::kind)
            .filter(k -> k != Direction.Kind.WORDS)
            .toList();
    assertThat(lines)
        .containsExactly(
            Direction.Kind.DIMINUENDO,
            Direction.Kind.HAIRPIN_END,
            Direction.Kind.DIMINUENDO,
            Direction.Kind.HAIRPIN_END);
  }

  @Test
  void eachNoteGrowsAndFallsOnEitherBow() {
    List<Event> notes = notes(drill(0, 1, BowDrillKind.SWELL).orElseThrow());
    assertThat(pitches(notes)).containsExactly("B4", "B4", "B4", "B4", "C5", "C5", "C5", "C5");
    assertThat(notes.stream().limit(4).map(e -> e.signs().bow()))
        .as("down growing, up falling, up growing, down falling")
        .containsExactly(Signs.Bow.DOWN, Signs.Bow.UP, Signs.Bow.UP, Signs.Bow.DOWN);
  }

  /** Over the strings and back in one direction a pass, from the lowest string. */
  @Test
  void aBounceTurnsOnTheOuterStrings() {
    List<Event> notes = notes(drill(0, 15, BowDrillKind.BOUNCE_TURNS).orElseThrow());
    assertThat(notes.stream().limit(4).map(e -> e.signs().bow()))
        .containsExactly(Signs.Bow.DOWN, Signs.Bow.NONE, Signs.Bow.UP, Signs.Bow.NONE);
    assertThat(notes.get(0).signs().slurStarts()).hasSize(1);
    assertThat(notes.get(1).signs().slurStops()).hasSize(1);
  }

  /** Of two double stops with a string in common that one is held, never three strings. */
  @Test
  void noCrossingHoldsThreeStrings() {
    Session thirds = Lines.session("B4+D4 C5+E4 A4+F4 E5+G4 B4+D4 F5+A4");
    BowDrills.notation(
            thirds.resolved(),
            thirds.bowing(),
            thirds.arm().report(),
            thirds.bowTask().instrument(),
            0,
            5,
            BowDrillKind.CROSSING)
        .ifPresent(score -> assertThat(notes(score)).allMatch(e -> e.heads().size() <= 2));
  }

  @Test
  void accentsMoveByOneNoteEachTime() {
    List<Event> notes = notes(drill(0, 7, BowDrillKind.ACCENTS).orElseThrow());
    int rounds = notes.size() / 8;
    assertThat(rounds).isBetween(2, 4);
    for (int i = 0; i < notes.size(); i++) {
      boolean accented = notes.get(i).signs().articulations().contains(Signs.Articulation.ACCENT);
      assertThat(accented).isEqualTo(i % 8 % rounds == i / 8);
    }
  }

  @Test
  void pairsInADottedRhythmGoOneWay() {
    List<Event> notes = notes(drill(0, 3, BowDrillKind.HOOKED).orElseThrow());
    assertThat(notes.stream().map(e -> e.signs().bow()))
        .containsExactly(Signs.Bow.DOWN, Signs.Bow.DOWN, Signs.Bow.UP, Signs.Bow.UP);
    assertThat(notes.get(0).duration()).isEqualTo(Fraction.of(3, 16));
    assertThat(notes.get(1).duration()).isEqualTo(Fraction.of(1, 16));
  }

  @Test
  void notesEndWhereTheyAreMeantTo() {
    Session released =
        Session.of(BowDecisions.longer(s, 0, -1).orElseThrow().applyTo(s.passage()), s.page());
    for (int i = 0; i < 3; i++) {
      released =
          Session.of(
              BowDecisions.longer(released, 0, -1).orElseThrow().applyTo(released.passage()),
              released.page());
    }
    Score score =
        BowDrills.notation(
                released.resolved(),
                released.bowing(),
                released.arm().report(),
                released.bowTask().instrument(),
                0,
                1,
                BowDrillKind.ENDINGS)
            .orElseThrow();
    Fraction written = s.resolved().slices().get(0).duration();
    assertThat(score.events().get(0).duration()).isEqualTo(written.multiply(Fraction.of(1, 2)));
    assertThat(score.events().get(1).isRest()).isTrue();
  }

  @Test
  void aBounceIsBuiltInStages() {
    List<Event> drop = notes(drill(0, 3, BowDrillKind.BOUNCE_DROP).orElseThrow());
    assertThat(drop).hasSize(12).allMatch(e -> e.heads().get(0).printedFinger().equals("0"));
    assertThat(drop.get(0).signs().slurStarts()).hasSize(1);
    assertThat(drop.get(3).signs().slurStops()).hasSize(1);
    List<String> turns = pitches(notes(drill(0, 15, BowDrillKind.BOUNCE_TURNS).orElseThrow()));
    assertThat(turns.subList(0, 4)).containsExactly("A4", "E5", "E5", "A4");
    assertThat(drill(0, 1, BowDrillKind.BOUNCE_TURNS)).as("on one string").isEmpty();
  }

  @Test
  void aTurnIsCaughtAndTheLoopComesBackToTheString() {
    List<Event> caught = notes(drill(0, 15, BowDrillKind.BOUNCE_CATCH).orElseThrow());
    assertThat(pitches(caught).subList(0, 8))
        .containsExactly("A4", "E5", "E5", "A4", "A4", "E5", "E5", "A4");
    assertThat(caught).hasSize(12).allMatch(e -> !e.signs().articulations().isEmpty());
    List<Event> loop = notes(drill(0, 15, BowDrillKind.BOUNCE_LOOP).orElseThrow());
    assertThat(pitches(loop).subList(0, 5)).containsExactly("A4", "E5", "E5", "A4", "A4");
    assertThat(loop.get(4).duration()).isEqualTo(Fraction.of(1, 2));
    assertThat(loop.get(4).signs().articulations()).isEmpty();
  }

  @Test
  void theChangeOfBowComesAtThreePlacesAndTheBareStrokeOnOneString() {
    Score change = drill(0, 3, BowDrillKind.CHANGE).orElseThrow();
    assertThat(words(change)).containsExactly("frog", "middle of the bow", "tip");
    assertThat(notes(change).stream().map(e -> e.signs().bow()).limit(4))
        .containsExactly(Signs.Bow.DOWN, Signs.Bow.UP, Signs.Bow.DOWN, Signs.Bow.UP);
    List<Event> bare = notes(drill(0, 15, BowDrillKind.ONE_STRING).orElseThrow());
    assertThat(pitches(bare)).hasSize(16).containsOnly(pitches(bare).get(0));
    assertThat(drill(0, 1, BowDrillKind.ONE_STRING)).as("on one string already").isEmpty();
  }

  @Test
  void aWanderingPatternIsLoopedWithItsAmounts() {
    Session three = Lines.session("(B4 C5 D5) E5 (B4 C5 D5) E5 (B4 C5 D5) E5 (B4 C5 D5) E5");
    assertThat(three.arm().report().drifts()).isNotEmpty();
    Score score =
        BowDrills.notation(
                three.resolved(),
                three.bowing(),
                three.arm().report(),
                three.bowTask().instrument(),
                0,
                3,
                BowDrillKind.DRIFT)
            .orElseThrow();
    assertThat(notes(score)).hasSize(16);
    assertThat(words(score)).hasSize(2).allMatch(w -> w.endsWith(" cm"));
    assertThat(BowDrills.askedFor(three.bowing(), three.arm().report(), 0, 3))
        .contains(BowDrillKind.DRIFT);
  }

  @Test
  void whatIsHardAsksForItsDrill() {
    Session swings = Lines.session("C4 B4 C4 B4 C4 B4 C4 B4");
    assertThat(BowDrills.askedFor(swings.bowing(), swings.arm().report(), 0, 7))
        .contains(BowDrillKind.CROSSING);
    assertThat(BowDrills.askedFor(s.bowing(), s.arm().report(), 0, 1)).isEmpty();
  }

  @Test
  void eachStrokeIsBareFirst() {
    List<Event> notes = notes(drill(0, 1, BowDrillKind.BARE_FIRST).orElseThrow());
    assertThat(pitches(notes)).containsExactly("A4", "B4", "A4", "C5");
  }
}
