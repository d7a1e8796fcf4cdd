package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteRule;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The drill of a shift, from E3 with 1 to A3 with 4 on the cello's D string. */
class ShiftDrillTest {
  private static ResolvedPassage passage(boolean slurred, Interval transposition) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS);
    Interval written = transposition.negated();
    Signs starts = slurred ? Signs.PLAIN.withSlurs(List.of(1), List.of()) : Signs.PLAIN;
    Signs stops = slurred ? Signs.PLAIN.withSlurs(List.of(), List.of(1)) : Signs.PLAIN;
    line.add(Fraction.of(1, 4), List.of(Head.of(Pitch.parse("E3").plus(written))), starts);
    line.add(Fraction.of(1, 4), List.of(Head.of(Pitch.parse("A3").plus(written))), stops);
    return Resolver.resolve(line.build("two notes", transposition));
  }

  private static Score drill(ResolvedPassage passage, ShiftDrill.Manner manner) {
    FingeringTask task =
        new FingeringTask(
                passage,
                TempoMap.steady(new Tempo(Beat.QUARTER, 96)),
                new HandModel(Instrument.standard(InstrumentType.CELLO), School.USUAL, Hand.MEDIUM),
                Preset.SURE)
            .withRules(
                List.of(NoteRule.pin(0, Finger.FIRST, 2), NoteRule.pin(1, Finger.FOURTH, 2)));
    Fingering f = new FingeringSolver(task).best();
    return ShiftDrill.notation(
        passage,
        f.shifts().get(0),
        f.notes().get(0).orElseThrow(),
        f.notes().get(1).orElseThrow(),
        manner);
  }

  private static List<Event> sounding(Score drill) {
    return drill.events().stream().filter(e -> !e.isRest()).toList();
  }

  private static String digits(Score drill) {
    return sounding(drill).stream()
        .map(e -> e.heads().get(0).printedFinger())
        .reduce("", String::concat);
  }

  @Test
  void theOldFingerIsHeardThreeTimesThenOnlyTravels() {
    Score drill = drill(passage(false, Interval.UNISON), ShiftDrill.Manner.USUAL);
    assertThat(digits(drill)).isEqualTo("114" + "114" + "114" + "14" + "14" + "41");
    // the first finger's note in third position, as for the worked example
    assertThat(sounding(drill).get(1).heads().get(0).pitch()).isEqualTo(Pitch.parse("F#3"));
    List<String> words =
        drill.bars().stream()
            .flatMap(b -> b.directions().stream())
            .filter(d -> d.kind() == Direction.Kind.WORDS)
            .map(Direction::text)
            .toList();
    assertThat(words).containsExactly("slow", "faster", "quick", "stop the bow", "silent", "back");
  }

  @Test
  void theNewFingerGuidesWhereThatIsTheManner() {
    Score drill = drill(passage(false, Interval.UNISON), new ShiftDrill.Manner(false, false, 2));
    assertThat(digits(drill)).startsWith("144");
    assertThat(sounding(drill).get(1).heads().get(0).pitch()).isEqualTo(Pitch.parse("G3"));
  }

  @Test
  void everyBarIsFullAndTheStopIsARest() {
    Score drill = drill(passage(true, Interval.UNISON), ShiftDrill.Manner.USUAL);
    assertThat(drill.bars()).allMatch(b -> b.length().equals(Fraction.ONE));
    assertThat(drill.events()).anyMatch(Event::isRest);
  }

  @Test
  void theBowChangeOfThePassageIsKept() {
    Score slurred = drill(passage(true, Interval.UNISON), ShiftDrill.Manner.USUAL);
    assertThat(sounding(slurred).get(11).signs().slurStarts()).as("in one bow").isNotEmpty();
    Score changed = drill(passage(false, Interval.UNISON), ShiftDrill.Manner.USUAL);
    assertThat(sounding(changed).get(11).signs().slurStarts()).isEmpty();
    // with the change: the slide belongs to the old bow; late: to the new one
    assertThat(sounding(changed).get(0).signs().slurStarts()).isNotEmpty();
    assertThat(sounding(changed).get(1).signs().slurStops()).isNotEmpty();
    Score late = drill(passage(false, Interval.UNISON), new ShiftDrill.Manner(true, true, 2));
    assertThat(sounding(late).get(0).signs().slurStarts()).isEmpty();
    assertThat(sounding(late).get(1).signs().slurStarts()).isNotEmpty();
    assertThat(sounding(late).get(2).signs().slurStops()).isNotEmpty();
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 4, 6, 8})
  void theSlowSlideIsCounted(int beats) {
    Score drill = drill(passage(false, Interval.UNISON), new ShiftDrill.Manner(true, false, beats));
    Fraction length =
        sounding(drill).stream()
            .dropWhile(e -> !e.heads().get(0).pitch().equals(Pitch.parse("F#3")))
            .takeWhile(e -> e.heads().get(0).pitch().equals(Pitch.parse("F#3")))
            .map(Event::duration)
            .reduce(Fraction.ZERO, Fraction::add);
    assertThat(length).isEqualTo(Fraction.of(beats, 4));
    assertThatThrownBy(() -> new ShiftDrill.Manner(true, false, 9))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void theDrillIsWrittenAsThePartIs() {
    Score drill = drill(passage(false, Interval.OCTAVE_DOWN), ShiftDrill.Manner.USUAL);
    assertThat(sounding(drill).get(0).heads().get(0).pitch()).isEqualTo(Pitch.parse("E4"));
    assertThat(Resolver.resolve(drill).notes().get(0).pitch()).isEqualTo(Pitch.parse("E3"));
  }
}
