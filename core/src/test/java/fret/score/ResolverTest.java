package fret.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.drill.ScoreCut;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class ResolverTest {
  private static final NoteValue QUARTER = new NoteValue(4, 0);

  private static Event note(
      String voice, int quarter, int length, Signs signs, Event.Grace grace, String... pitches) {
    Fraction duration = grace == Event.Grace.NONE ? Fraction.of(length, 4) : Fraction.ZERO;
    List<Head> heads = List.of(pitches).stream().map(Pitch::parse).map(Head::of).toList();
    return new Event(voice, Fraction.of(quarter, 4), duration, QUARTER, heads, grace, false, signs);
  }

  private static Score bar(Interval transposition, Event... events) {
    Bar bar =
        new Bar(
            0,
            "1",
            Fraction.ZERO,
            Fraction.ONE,
            TimeSignature.COMMON_TIME,
            new KeySignature(1),
            Clef.TREBLE,
            List.of(),
            List.of(events),
            List.of(),
            false,
            false,
            List.of(),
            Bar.Line.PLAIN);
    return new Score("", "", "", transposition, List.of(bar));
  }

  private static Signs slur(boolean starts, boolean stops) {
    return Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of());
  }

  @Test
  void heldNotesSlursAndRestsAreFound() {
    ResolvedPassage p =
        Resolver.resolve(
            bar(
                Interval.UNISON,
                note("1", 0, 1, slur(true, false), Event.Grace.NONE, "G4"),
                note("2", 0, 2, Signs.PLAIN, Event.Grace.NONE, "D4"),
                note("1", 1, 1, slur(false, true), Event.Grace.NONE, "A4"),
                note("1", 3, 1, Signs.PLAIN, Event.Grace.NONE, "B4")));
    assertThat(p.slices()).hasSize(3);
    assertThat(p.slices().get(1).held()).containsExactly(0);
    assertThat(p.notes().get(0).pitch()).isEqualTo(Pitch.parse("D4"));
    assertThat(p.slices()).extracting(Slice::slurredInto).containsExactly(false, true, false);
    assertThat(p.slices().get(1).restAfter()).isEqualTo(Fraction.of(1, 4));
  }

  @Test
  void graceNotesGetMomentsOfTheirOwnInOrder() {
    ResolvedPassage p =
        Resolver.resolve(
            bar(
                Interval.UNISON,
                note("1", 0, 1, Signs.PLAIN, Event.Grace.NONE, "G4"),
                note("1", 1, 0, Signs.PLAIN, Event.Grace.SLASHED, "A4"),
                note("1", 1, 0, Signs.PLAIN, Event.Grace.SLASHED, "B4"),
                note("1", 1, 1, Signs.PLAIN, Event.Grace.NONE, "C5")));
    assertThat(p.notes())
        .extracting(n -> n.pitch().toString())
        .containsExactly("G4", "A4", "B4", "C5");
    assertThat(p.notes()).extracting(n -> n.key().grace()).containsExactly(0, 2, 1, 0);
    assertThat(p.notes())
        .extracting(SoundingNote::isGrace)
        .containsExactly(false, true, true, false);
    p.notes().forEach(n -> assertThat(NoteKey.parse(n.key().text())).isEqualTo(n.key()));
  }

  @Test
  void trillsTakeTheirNeighbourFromTheKeyAndBassesSoundAnOctaveLower() {
    Signs trill =
        new Signs(
            List.of(),
            List.of(),
            Set.of(),
            Signs.Ornament.TRILL,
            Signs.NO_ALTER,
            Signs.Bow.NONE,
            false,
            0,
            Signs.Tuplet.NONE,
            List.of());
    ResolvedPassage p =
        Resolver.resolve(bar(Interval.OCTAVE_DOWN, note("1", 0, 4, trill, Event.Grace.NONE, "E4")));
    assertThat(p.notes().get(0).pitch()).isEqualTo(Pitch.parse("E3"));
    assertThat(p.notes().get(0).written()).isEqualTo(Pitch.parse("E4"));
    assertThat(p.notes().get(0).auxiliaries()).containsExactly(Pitch.parse("F#3"));
  }

  @Test
  void aUnisonOfTwoVoicesIsOneNoteForTheHand() {
    ResolvedPassage p =
        Resolver.resolve(
            bar(
                Interval.UNISON,
                note("1", 0, 1, Signs.PLAIN, Event.Grace.NONE, "G4"),
                note("2", 0, 1, Signs.PLAIN, Event.Grace.NONE, "G4")));
    assertThat(p.notes()).hasSize(1);
  }

  @Test
  void notesOverTheBarLineAreTiedAndJoinedAgain() {
    Score score =
        new LineBuilder(TimeSignature.of(3, 4), KeySignature.NONE, Clef.ALTO)
            .add(Fraction.of(1, 2), Pitch.parse("C4"))
            .add(Fraction.of(5, 8), Pitch.parse("D4"))
            .add(Fraction.of(3, 8))
            .build("", Interval.UNISON);
    assertThat(score.bars()).allMatch(b -> b.length().equals(Fraction.of(3, 4)));
    ResolvedPassage p = Resolver.resolve(score);
    assertThat(p.notes())
        .extracting(SoundingNote::duration)
        .containsExactly(Fraction.of(1, 2), Fraction.of(5, 8));
    assertThatThrownBy(() -> score.range("2", "1")).hasMessageContaining("comes after");
    assertThat(Resolver.resolve(score.range("2", "2")).notes()).hasSize(1);
  }

  @Test
  void cuttingDropsHalfSlursAndTies() {
    Score score =
        bar(
            Interval.UNISON,
            note("1", 0, 1, slur(true, false), Event.Grace.NONE, "G4"),
            note("1", 1, 1, slur(false, true), Event.Grace.NONE, "A4"),
            note("1", 2, 2, Signs.PLAIN, Event.Grace.NONE, "B4"));
    Score cut = ScoreCut.cut(score, Fraction.of(1, 4), Fraction.of(3, 4));
    assertThat(cut.events()).hasSize(2).allMatch(e -> e.signs().slurStops().isEmpty());
    assertThat(cut.end().subtract(cut.bars().get(0).start())).isEqualTo(Fraction.of(1, 2));
    assertThat(cut.events().get(1).duration()).isEqualTo(Fraction.of(1, 4));
  }

  /** Parts of a run-through, bar by bar where there is a bar for each, hold each note once. */
  @Test
  void partsEndAtBarLinesAndLeaveNothingOut() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 14; i++) {
      line.add(Fraction.of(1, 2), Pitch.parse(i % 2 == 0 ? "A4" : "B4"));
    }
    Score seven = line.build("", Interval.UNISON);
    for (int of : new int[] {1, 2, 3, 7, 12}) {
      int events = 0;
      for (int part = 1; part <= of; part++) {
        Score one = ScoreCut.part(seven, part, of);
        events += one.events().size();
        boolean barLine = one.bars().get(0).start().getDenominator() == 1;
        assertThat(barLine).as("part %s of %s", part, of).isEqualTo(of <= 7 || barLine);
      }
      assertThat(events).as("in %s parts", of).isEqualTo(of <= 7 ? 14 : events);
    }
    assertThat(ScoreCut.part(seven, 2, 3).bars())
        .extracting(Bar::number)
        .containsExactly("3", "4", "5");
  }

  /** Notes before the first full bar have negative onsets; they too are in order. */
  @Test
  void aPickupOfSeveralNotesStaysInOrder() {
    LineBuilder line =
        new LineBuilder(TimeSignature.of(1, 2), KeySignature.NONE, fret.pitch.Clef.TREBLE);
    for (String p : "C5 D5 E5 F5 G5".split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(p));
    }
    Score half = line.build("", Interval.UNISON);
    java.util.List<Bar> bars = new java.util.ArrayList<>();
    for (Bar b : half.bars()) {
      bars.add(
          new Bar(
              b.index(),
              b.number(),
              b.start(),
              b.length(),
              TimeSignature.COMMON_TIME,
              b.key(),
              b.clef(),
              b.clefChanges(),
              b.events(),
              b.directions(),
              false,
              false,
              java.util.List.of(),
              b.line()));
    }
    Score page = half.withBars(bars).laidOut();
    assertThat(page.bars().get(0).start()).isEqualTo(Fraction.of(-1, 2));
    assertThat(Resolver.resolve(page).notes())
        .extracting(n -> n.pitch().toString())
        .containsExactly("C5", "D5", "E5", "F5", "G5");
  }
}
