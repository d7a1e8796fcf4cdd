package fret.writing;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.KeySignature;
import fret.pitch.Step;
import fret.score.Direction;
import fret.score.NoteValue;
import fret.score.Resolver;
import fret.score.TimeSignature;
import fret.writing.BarCure.Kind;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Bars that are too long by a known amount, counted by hand. */
class BarCureTest {
  private static final int BEATS = 2;

  /** Notes in 2/4 by their values, one after the other. */
  private static Draft written(int... denominators) {
    Draft d =
        Draft.atEnd(
            Draft.emptyPage("page", TimeSignature.of(BEATS, 4), KeySignature.NONE, Clef.TREBLE));
    for (int denominator : denominators) {
      d = d.with(d.pen().withValue(new NoteValue(denominator, 0))).note(Step.A);
    }
    return d;
  }

  private static BarCure cure(Draft d, Kind kind) {
    return BarCure.of(d).stream().filter(c -> c.kind() == kind).findFirst().orElseThrow();
  }

  private static List<Integer> values(Draft d, int bar) {
    return d.page().bars().get(bar).events().stream().map(e -> e.value().denominator()).toList();
  }

  @Test
  void aBarThatFitsOrIsEmptyHasNone() {
    Draft full = written(4, 4);
    assertThat(BarCure.over(full)).isEqualTo(Fraction.ZERO);
    assertThat(BarCure.of(full)).isEmpty();
    assertThat(BarCure.over(written())).isEqualTo(Fraction.ZERO);
    assertThat(BarCure.over(written(4, 8))).isEqualTo(Fraction.of(-1, 8));
    assertThat(BarCure.of(written(4, 8))).isEmpty();
  }

  @Test
  void threeEighthsForABeatAreATriplet() {
    Draft over = within(written(4, 8, 8), 8);
    assertThat(BarCure.over(over)).isEqualTo(Fraction.of(1, 8));
    Draft after = cure(over, Kind.TUPLET).after();
    assertThat(BarCure.over(after)).isEqualTo(Fraction.ZERO);
    assertThat(after.bar().events())
        .extracting(e -> e.signs().tuplet().actual())
        .containsExactly(1, 3, 3, 3);
    assertThat(after.bar().events().get(1).signs().tuplet().starts()).isTrue();
    assertThat(after.bar().events().get(3).signs().tuplet().stops()).isTrue();
  }

  @Test
  void theLastNoteGivesWhatIsTooMuch() {
    Draft d = written(4);
    Draft over = d.with(d.pen().withValue(new NoteValue(2, 0))).note(Step.B);
    assertThat(BarCure.over(over)).isEqualTo(Fraction.of(1, 4));
    Draft after = cure(over, Kind.SHORTEN).after();
    assertThat(values(after, 0)).containsExactly(4, 4);
    assertThat(BarCure.of(after)).isEmpty();
  }

  @Test
  void whatIsTooMuchGoesOnTiedInTheNextBar() {
    Draft d = written(4);
    Draft over = d.with(d.pen().withValue(new NoteValue(2, 0))).note(Step.B);
    Draft after = cure(over, Kind.CARRY).after();
    assertThat(after.page().bars()).hasSize(2);
    assertThat(values(after, 0)).containsExactly(4, 4);
    assertThat(values(after, 1)).containsExactly(4);
    assertThat(after.page().bars().get(0).events().get(1).heads().get(0).tieStart()).isTrue();
    assertThat(Resolver.resolve(after.page()).notes()).hasSize(2);
    assertThat(after.at()).isEqualTo(new Draft.Place(1, 0));
  }

  /** Dynamics, words and clefs stand at the notes they stood at. */
  @Test
  void whatStandsAtTheNotesGoesWithThem() {
    Draft d = written(4, 4, 4, 4);
    Draft loud = Writing.dynamic(d.left(), 1);
    Fraction before = loud.page().bars().get(1).directions().get(0).onset();
    // A quarter more in the first bar: everything stands a quarter later.
    Draft over = within(loud, 4);
    Draft after = cure(over, Kind.CARRY).after();
    List<Direction> all =
        after.page().bars().stream().flatMap(b -> b.directions().stream()).toList();
    assertThat(all).hasSize(1);
    assertThat(all.get(0).onset()).isEqualTo(before.add(Fraction.of(1, 4)));
    assertThat(after.page().bars()).allMatch(b -> b.length().equals(Fraction.of(BEATS, 4)));
  }

  /** One more note after the first one of the bar. */
  private static Draft within(Draft d, int denominator) {
    Draft first = new Draft(d.page(), new Draft.Place(0, 0), d.pen(), Optional.empty());
    Draft more = first.with(first.pen().withValue(new NoteValue(denominator, 0))).note(Step.B);
    int last = more.bar().events().size() - 1;
    return new Draft(more.page(), new Draft.Place(0, last), more.pen(), Optional.empty());
  }
}
