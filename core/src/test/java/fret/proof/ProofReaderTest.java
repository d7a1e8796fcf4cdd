package fret.proof;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Each kind of likely misreading is found, mended at one press, and then not found any more. */
class ProofReaderTest {
  private static final Instrument VIOLIN = Instrument.standard(InstrumentType.VIOLIN);

  private static Score line(int fifths, int denominator, String pitches) {
    LineBuilder line =
        new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(fifths), Clef.TREBLE);
    for (String p : pitches.split(" ")) {
      line.add(Fraction.of(1, denominator), Pitch.parse(p));
    }
    return line.build("line", Interval.UNISON);
  }

  private static List<Finding> of(Score page, Finding.Kind kind) {
    return ProofReader.read(page, VIOLIN).stream().filter(f -> f.kind() == kind).toList();
  }

  private static Score mended(Score page, Finding.Kind kind) {
    Score after = of(page, kind).get(0).mended().orElseThrow();
    assertThat(of(after, kind)).as("after mending").isEmpty();
    return after;
  }

  private static List<String> pitches(Score page) {
    return page.events().stream()
        .filter(e -> !e.isRest())
        .map(e -> e.heads().get(0).pitch().toString())
        .toList();
  }

  @Test
  void aCleanPageRaisesNoQuestion() {
    assertThat(ProofReader.read(line(1, 8, "G4 A4 B4 C5 D5 E5 F#5 G5"), VIOLIN)).isEmpty();
  }

  @Test
  void shortBarsAreFilledAndLongOnesTold() {
    Score page = line(0, 4, "C5 D5 E5 F5 G5 A5 B5 C6");
    List<Event> three = page.bars().get(0).events().subList(0, 3);
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(0, bars.get(0).withEvents(three));
    Score after = mended(page.withBars(bars), Finding.Kind.BAR_LENGTH);
    assertThat(after.bars().get(0).events().get(3).isRest()).isTrue();
    Bar first = page.bars().get(0);
    List<Event> five = new ArrayList<>(first.events());
    five.add(five.get(0).withOnset(first.end()));
    bars.set(0, first.withEvents(five));
    assertThat(of(page.withBars(bars), Finding.Kind.BAR_LENGTH))
        .singleElement()
        .matches(
            f ->
                f.message()
                    .equals(Said.of("proof.long", Said.of("length.a", Said.of("beat.quarter")))));
  }

  @Test
  void notesOutsideTheInstrumentMoveByAnOctave() {
    Score after = mended(line(0, 4, "G4 F3 G4 A4"), Finding.Kind.OUT_OF_RANGE);
    assertThat(pitches(after)).containsExactly("G4", "F4", "G4", "A4");
  }

  @Test
  void aWideLeapMayBeAMissedClef() {
    Score after = mended(line(0, 4, "G3 A3 G5 A5 G5 A3 B3 C4"), Finding.Kind.CLEF_MISSED);
    assertThat(pitches(after)).containsExactly("G3", "A3", "G4", "A4", "G4", "A3", "B3", "C4");
  }

  @Test
  void manyLedgerLinesMayBeAnOctaveLine() {
    assertThat(of(line(0, 4, "F6 C7 D7 E7"), Finding.Kind.OCTAVE_LINE))
        .singleElement()
        .matches(f -> f.message().id().equals("proof.ledger"));
  }

  private static Score edited(Score page, int event, java.util.function.UnaryOperator<Event> edit) {
    List<Event> events = new ArrayList<>(page.bars().get(0).events());
    events.set(event, edit.apply(events.get(event)));
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(0, bars.get(0).withEvents(events));
    return page.withBars(bars);
  }

  @Test
  void aTieToAnotherPitchBecomesASlur() {
    Score tied =
        edited(
            line(0, 4, "C5 D5 E5 F5"),
            1,
            e -> e.withHeads(e.heads().stream().map(h -> h.withTies(true, false)).toList()));
    Score after = mended(tied, Finding.Kind.TIE_OR_SLUR);
    assertThat(after.bars().get(0).events().get(1).signs().slurStarts()).hasSize(1);
    assertThat(after.bars().get(0).events().get(2).signs().slurStops()).hasSize(1);
  }

  @Test
  void aSlurOverOnePitchBecomesATie() {
    Score page = line(0, 4, "C5 D5 D5 F5");
    Score slurred =
        edited(
            edited(page, 1, e -> e.withSigns(Signs.PLAIN.withSlurs(List.of(1), List.of()))),
            2,
            e -> e.withSigns(Signs.PLAIN.withSlurs(List.of(), List.of(1))));
    Score after = mended(slurred, Finding.Kind.TIE_OR_SLUR);
    assertThat(after.bars().get(0).events().get(1).heads()).allMatch(Head::tieStart);
  }

  @Test
  void aSignInAnotherOctaveIsAsked() {
    Score after = mended(line(0, 4, "F#4 G4 F5 G5"), Finding.Kind.CARRIED_ACCIDENTAL);
    assertThat(pitches(after)).containsExactly("F#4", "G4", "F#5", "G5");
  }

  @Test
  void aForgottenKeySignatureIsFoundAndThePitchesStay() {
    Score page = line(0, 8, "F#4 C#5 F#4 C#5 F#4 C#5 F#4 C#5 D5 E5 D5 A4 B4 G4 A4 D5");
    Score after = mended(page, Finding.Kind.KEY_SIGNATURE);
    assertThat(after.bars()).allMatch(b -> b.key().fifths() == 2);
    assertThat(pitches(after)).isEqualTo(pitches(page));
  }

  @Test
  void aStrangeSpellingIsOfferedInTheKey() {
    Score after = mended(line(-1, 4, "F4 A#4 C5 F5"), Finding.Kind.FAR_FROM_KEY);
    assertThat(pitches(after)).containsExactly("F4", "Bb4", "C5", "F5");
  }

  @Test
  void aFigureThatDiffersInOneNoteIsAsked() {
    Score page = line(0, 16, "C5 E5 G5 E5 C5 E5 A5 E5 C5 E5 G5 E5 D5 F5 A5 F5");
    Score after = mended(page, Finding.Kind.FIGURE_DIFFERS);
    assertThat(pitches(after).subList(4, 8)).containsExactly("C5", "E5", "G5", "E5");
  }
}
