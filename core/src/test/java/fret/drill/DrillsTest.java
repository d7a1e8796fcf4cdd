package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.journal.Chance;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteKey;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.tempo.Ladder;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The drill book: lengths, notes and marks of what is made of a chunk. */
class DrillsTest {
  private static final Signs SLUR_STARTS = Signs.PLAIN.withSlurs(List.of(1), List.of());
  private static final Signs SLUR_STOPS = Signs.PLAIN.withSlurs(List.of(), List.of(1));

  /** Bars of sixteenths, slurred in twos, a down-bow on the first. */
  private static Score sixteenths(int bars) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < bars * 16; i++) {
      Signs signs = i % 2 == 0 ? SLUR_STARTS : SLUR_STOPS;
      Pitch pitch = Pitch.ofMidi(60 + i % 13, KeySignature.NONE);
      line.add(
          Fraction.of(1, 16),
          List.of(Head.of(pitch)),
          i == 0 ? signs.withBow(Signs.Bow.DOWN) : signs);
    }
    return line.build("", Interval.UNISON);
  }

  private static Chunk whole(Score score) {
    NoteKey key = new NoteKey(0, "1", Fraction.ZERO, 0, Pitch.parse("C4"));
    Fraction start = score.bars().get(0).start();
    return new Chunk(
        "x", Chunk.Kind.BARS, key, key, "1", "1", start, score.end(), 1, Said.of("chunk.own"));
  }

  private static Drill drill(Score score, DrillKind kind) {
    return Drills.of(score, whole(score), kind).orElseThrow();
  }

  /** One line by itself may rest through a stretch that holds notes of the other. */
  @ParameterizedTest
  @EnumSource(DrillKind.class)
  void ofRestsThereIsNoDrill(DrillKind kind) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.ONE);
    Score rests = line.build("", Interval.UNISON);
    if (kind.of() == DrillKind.Of.CHUNK) {
      assertThat(Drills.of(rests, whole(rests), kind)).isEmpty();
    }
  }

  private static double length(Drill d) {
    return d.lengths().stream().mapToDouble(x -> x).sum();
  }

  private static List<Event> notes(Score score) {
    return score.events().stream().filter(e -> !e.isRest()).toList();
  }

  private static List<Pitch> pitches(Score score) {
    return notes(score).stream()
        .filter(e -> !e.heads().get(0).tieStop())
        .map(e -> e.heads().get(0).pitch())
        .toList();
  }

  /**
   * Common practice, no source: with half the running value as unit four notes take 8, 8, 6 and 6
   * halves against 8, so that a level straight, rhythms, straight is 5.5 straight plays.
   */
  @Test
  void rhythmsTakeTheirTime() {
    Score eight = sixteenths(8);
    Drill rhythms = drill(eight, DrillKind.RHYTHMS);
    assertThat(rhythms.lengths()).containsExactly(8.0, 8.0, 6.0, 6.0);
    double level = 2 + length(rhythms) / 8;
    assertThat(level).isCloseTo(5.5, within(1e-9));
    double plays = 0;
    for (double tempo : Ladder.between(60, 120).tempos()) {
      plays += level * 60 / tempo;
    }
    assertThat(plays).isCloseTo(27.06, within(0.01));
    assertThat(plays * 32 / 60).as("minutes").isCloseTo(14.4, within(0.05));
    // The literal form, a sixteenth for the shortest note, is twice as long.
    double literal = 0;
    for (double tempo : Ladder.between(60, 120).tempos()) {
      literal += (2 + 2 * length(rhythms) / 8) * 60 / tempo;
    }
    assertThat(literal).isCloseTo(44.27, within(0.01));
    assertThat(literal * 32 / 60).isCloseTo(23.6, within(0.05));
  }

  /** Planned honestly at 0.8 the same ladder is 30.8 minutes. */
  @Test
  void theHonestLadder() {
    Drill rhythms = drill(sixteenths(8), DrillKind.RHYTHMS);
    double seconds = 0;
    for (double tempo : Ladder.between(60, 120).tempos()) {
      double whole = 4 * 60 / tempo;
      seconds += Chance.UNKNOWN.plays(3) * (8 * whole + 6);
      for (double part : rhythms.lengths()) {
        seconds += Chance.UNKNOWN.plays(1) * (part * whole + 6);
      }
    }
    assertThat(seconds / 60).isCloseTo(30.8, within(0.05));
  }

  /**
   * Each join gets more time in one rhythm and less in another: also in a passage of sixteenths.
   */
  @Test
  void eachJoinGetsOnceMoreAndOnceLessTime() {
    Drill rhythms = drill(sixteenths(1), DrillKind.RHYTHMS);
    Fraction straight = Fraction.of(1, 16);
    for (int join = 0; join < 12; join++) {
      boolean more = false;
      boolean less = false;
      for (Score part : rhythms.parts()) {
        Fraction time = notes(part).get(join).duration();
        more |= time.compareTo(straight) > 0;
        less |= time.compareTo(straight) < 0;
      }
      assertThat(more && less).as("join %s", join).isTrue();
    }
  }

  @Test
  void slursAndBowMarksStay() {
    Score one = sixteenths(1);
    for (DrillKind kind : List.of(DrillKind.RHYTHMS, DrillKind.ADD_A_NOTE)) {
      Score part = drill(one, kind).parts().get(drill(one, kind).parts().size() - 1);
      assertThat(notes(part).get(0).signs().bow()).as("%s", kind).isEqualTo(Signs.Bow.DOWN);
      assertThat(notes(part).stream().filter(e -> !e.signs().slurStarts().isEmpty()).count())
          .as("%s", kind)
          .isEqualTo(8);
    }
  }

  /** Over eight notes by beats, then bars: a bar of sixteen is built to its end. */
  @Test
  void addANoteGoesToTheWhole() {
    Score one = sixteenths(1);
    Drill added = drill(one, DrillKind.ADD_A_NOTE);
    List<Integer> counts = added.parts().stream().map(p -> pitches(p).size()).toList();
    assertThat(counts).containsExactly(2, 3, 4, 5, 6, 7, 8, 12, 16);
    assertThat(pitches(added.parts().get(8))).isEqualTo(pitches(one));
    Drill fromEnd = drill(one, DrillKind.ADD_FROM_END);
    assertThat(fromEnd.parts().stream().map(p -> pitches(p).size()).toList())
        .containsExactly(2, 3, 4, 5, 6, 7, 8, 12, 16);
    assertThat(pitches(fromEnd.parts().get(0))).isEqualTo(pitches(one).subList(14, 16));
    List<Integer> two =
        drill(sixteenths(2), DrillKind.ADD_A_NOTE).parts().stream()
            .map(p -> pitches(p).size())
            .toList();
    assertThat(two).endsWith(16, 32);
  }

  @Test
  void backwardsTwiceIsTheOriginal() {
    Score one = sixteenths(2);
    Score back = drill(one, DrillKind.BACKWARDS).parts().get(0);
    List<Pitch> reversed = new ArrayList<>(pitches(one));
    java.util.Collections.reverse(reversed);
    assertThat(pitches(back)).isEqualTo(reversed);
    Score again = drill(back, DrillKind.BACKWARDS).parts().get(0);
    assertThat(pitches(again)).isEqualTo(pitches(one));
    for (int i = 0; i < notes(one).size(); i++) {
      Event a = notes(one).get(i);
      Event b = notes(again).get(i);
      assertThat(b.onset()).isEqualTo(a.onset());
      assertThat(b.duration()).isEqualTo(a.duration());
      assertThat(b.signs().slurStarts()).isEqualTo(a.signs().slurStarts());
    }
  }

  @Test
  void chainsGrowFromTheEnd() {
    Drill chain = drill(sixteenths(1), DrillKind.CHAIN_BACK);
    assertThat(chain.parts().stream().map(p -> pitches(p).size()).toList())
        .containsExactly(4, 8, 12, 16);
    assertThat(pitches(chain.parts().get(0))).isEqualTo(pitches(sixteenths(1)).subList(12, 16));
  }

  @Test
  void accentsStandOnTheirNotes() {
    Score one = sixteenths(1);
    List<Event> onBeat = notes(drill(one, DrillKind.ACCENTS).parts().get(0));
    for (int i = 0; i < 16; i++) {
      boolean accent = onBeat.get(i).signs().articulations().contains(Signs.Articulation.ACCENT);
      assertThat(accent).isEqualTo(i % 4 == 0);
    }
    Drill displaced = drill(one, DrillKind.ACCENTS_DISPLACED);
    assertThat(displaced.parts()).hasSize(3);
    List<Event> third = notes(displaced.parts().get(1));
    assertThat(third.get(2).signs().articulations()).contains(Signs.Articulation.ACCENT);
    assertThat(third.get(0).signs().articulations()).isEmpty();
  }

  @Test
  void doubledAndTrebled() {
    Score one = sixteenths(1);
    assertThat(pitches(drill(one, DrillKind.DOUBLED).parts().get(0)).subList(0, 4))
        .containsExactly(
            Pitch.parse("C4"), Pitch.parse("C4"), pitches(one).get(1), pitches(one).get(1));
    assertThat(length(drill(one, DrillKind.DOUBLED))).isEqualTo(2);
    assertThat(length(drill(one, DrillKind.TREBLED))).isEqualTo(3);
  }

  @Test
  void burstsLandOnTheNextBeat() {
    Drill bursts = drill(sixteenths(1), DrillKind.BURSTS);
    // The last beat has no note to land on, and is played all the same.
    assertThat(bursts.parts()).extracting(p -> pitches(p).size()).containsExactly(5, 5, 5, 4);
  }

  /** Triplets stay triplets: their rhythms are made by three and fill the same beats. */
  @Test
  void tripletsHaveTheirOwnRhythms() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 12; i++) {
      Signs.Tuplet t = new Signs.Tuplet(3, 2, i % 3 == 0, i % 3 == 2);
      line.add(
          new Event(
              "1",
              Fraction.ZERO,
              Fraction.of(1, 12),
              new NoteValue(8, 0),
              List.of(Head.of(Pitch.ofMidi(60 + i, KeySignature.NONE))),
              Event.Grace.NONE,
              false,
              Signs.PLAIN.withTuplet(t)));
    }
    Score triplets = line.build("", Interval.UNISON);
    Drill rhythms = drill(triplets, DrillKind.RHYTHMS);
    assertThat(rhythms.lengths()).containsExactly(1.0, 1.0, 1.0);
    assertThat(notes(rhythms.parts().get(0)).get(0).value()).isEqualTo(new NoteValue(4, 0));
    for (Score part : rhythms.parts()) {
      assertThat(pitches(part)).isEqualTo(pitches(triplets));
      assertThat(part.bars()).allMatch(b -> sounding(b).equals(b.length()));
    }
    assertThat(drill(triplets, DrillKind.ADD_A_NOTE).parts())
        .as("no triplet is cut")
        .allMatch(p -> pitches(p).size() % 3 == 0);
  }

  private static Fraction sounding(Bar b) {
    Fraction sum = Fraction.ZERO;
    for (Event e : b.events()) {
      sum = sum.add(e.duration());
    }
    return sum;
  }

  /** Whatever the drill: bars are full, and every note is one of the passage. */
  @ParameterizedTest
  @EnumSource(DrillKind.class)
  void everyDrillIsWholeBarsOfTheSameNotes(DrillKind kind) {
    if (kind.of() != DrillKind.Of.CHUNK) {
      return;
    }
    Score one = sixteenths(1);
    for (Score part : Drills.of(one, whole(one), kind).map(Drill::parts).orElse(List.of())) {
      for (Bar b : part.bars()) {
        assertThat(sounding(b)).as("%s", kind).isEqualTo(b.length());
      }
      assertThat(pitches(one)).as("%s", kind).containsAll(pitches(part));
    }
  }

  @Test
  void partsOneAfterTheOtherAreOnePiece() {
    Drill d = drill(sixteenths(1), DrillKind.ADD_A_NOTE);
    Score all = d.whole();
    double length = all.end().subtract(all.bars().get(0).start()).doubleValue();
    assertThat(length).isCloseTo(length(d), within(1e-9));
    for (int i = 0; i < all.bars().size(); i++) {
      assertThat(all.bars().get(i).index()).isEqualTo(i);
    }
  }

  /** Thirds up C major on the violin: each double stop a third of the key. */
  @Test
  void aSkillIsPreparedUpTheScaleOfTheKey() {
    LineBuilder page = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    page.add(Fraction.of(1, 2), Pitch.parse("C5"), Pitch.parse("E5"));
    page.add(Fraction.of(1, 2), Pitch.parse("C5"));
    fret.session.Session s =
        fret.session.Session.of(
            fret.passage.Passage.of(
                "x",
                "",
                new fret.passage.Passage.Settings(
                    "x",
                    new fret.tempo.Tempo(fret.tempo.Beat.QUARTER, 80),
                    fret.passage.Setup.usual(fret.instrument.InstrumentType.VIOLIN),
                    fret.passage.Reading.PLAIN,
                    false)),
            page.build("x", Interval.UNISON));
    assertThat(Skill.of(s.resolved(), s.fingering()))
        .extracting(Skill::id)
        .containsExactly("thirds");
    Drill drill = new fret.session.DrillBook(s).ofPassage(DrillKind.SKILLS).orElseThrow();
    assertThat(drill.parts()).hasSize(1);
    List<String> stops =
        drill.parts().get(0).events().stream()
            .filter(e -> !e.isRest())
            .map(e -> e.heads().get(0).pitch() + "+" + e.heads().get(1).pitch())
            .toList();
    assertThat(stops)
        .containsExactly("C4+E4", "D4+F4", "E4+G4", "F4+A4", "G4+B4", "A4+C5", "B4+D5", "C5+E5");
  }
}
