package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.harmony.Harmony;
import fret.intonation.DroneLine;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.intonation.TuningSetup;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Broken chords in C major, a bar each: I, IV, V, I. */
class EarTest {
  private static final String CADENCE =
      "C4 E4 G4 C5 E5 C5 G4 E4 F4 A4 C5 F5 A5 F5 C5 A4 "
          + "G4 B4 D5 G5 B5 G5 D5 B4 C5 G4 E4 G4 C5 G4 E4 C4";

  private static Tuned tuned(Session s) {
    return Ear.tuned(s, Ear.harmony(s, List.of()));
  }

  private static Session with(Session s, TuningSetup setup) {
    return Session.of(
        s.passage()
            .withMarks(
                s.passage()
                    .marks()
                    .with(
                        fret.intonation.TuningLayer.TUNING,
                        fret.mark.Place.WHOLE,
                        java.util.Optional.of(setup))),
        s.page());
  }

  @Test
  void theDroneFollowsTheRoots() {
    Session s = Lines.session(CADENCE);
    DroneLine line = DroneLine.of(s.resolved(), tuned(s));
    assertThat(line.spans())
        .extracting(x -> x.pitch().toString())
        .containsExactly("C4", "F4", "G3", "C4");
    assertThat(line.spans()).extracting(DroneLine.Span::slice).containsExactly(0, 8, 16, 24);
    assertThat(line.at(11).pitch()).hasToString("F4");
    // G3 as the violin's own string, two pure fifths under A4: 3.9 cents under equal
    double cents = 1200 * Math.log(line.at(16).hertz() / 195.9977) / Math.log(2);
    assertThat(cents).isCloseTo(-3.9, within(0.05));
  }

  /** On the way to the relative minor: the leading note's chord is spelled as the page has it. */
  @Test
  void aRootIsSpelledAsThePageHasIt() {
    Session s =
        Lines.session("C4 E4 G4 C5 E5 C5 G4 E4 G#4 B4 D5 G#5 B5 G#5 D5 B4 A4 C5 E5 A5 E5 C5 A4 E4");
    DroneLine line = DroneLine.of(s.resolved(), tuned(s));
    assertThat(line.spans()).extracting(x -> x.pitch().toString()).doesNotContain("Ab3", "Ab4");
  }

  /** Every other note is the open D: it stays under what moves above it. */
  @Test
  void aPedalStaysUnderTheChords() {
    Session s = Lines.session("F#4 D4 A4 D4 F#4 D4 A4 D4 G4 D4 B4 D4 G4 D4 B4 D4");
    DroneLine line = DroneLine.of(s.resolved(), tuned(s));
    assertThat(line.spans()).extracting(x -> x.pitch().toString()).containsExactly("D4");
  }

  @Test
  void withoutHarmonyTheDroneStaysOnTheTonic() {
    Session s = Lines.session("C4 D4 E4 F4 G4 A4 B4 C5");
    DroneLine line = DroneLine.of(s.resolved(), Ear.tuned(s, Harmony.NONE));
    assertThat(line.spans()).hasSize(1);
    assertThat(line.at(5).pitch()).hasToString("C4");
  }

  /** B4 goes to C5: pure it is the third of G, 5:4; high it stands a comma further up. */
  @Test
  void leadingNotesStandHighOnlyWhereTheyLeadAndAreAskedTo() {
    Session s = Lines.session(CADENCE);
    Tuned plain = tuned(s);
    Tuned high = tuned(with(s, TuningSetup.USUAL.withHighLeading(true)));
    assertThat(Ear.leads(s, Ear.harmony(s, List.of()), 23)).isTrue();
    assertThat(Ear.leads(s, Ear.harmony(s, List.of()), 17)).isFalse();
    double apart =
        high.notes().get(23).orElseThrow().cents() - plain.notes().get(23).orElseThrow().cents();
    assertThat(apart).isCloseTo(21.506, within(0.01)); // 81:80
    assertThat(high.notes().get(23).orElseThrow().temperament()).isEqualTo(Temperament.PYTHAGOREAN);
    assertThat(high.notes().get(17)).isEqualTo(plain.notes().get(17));
  }

  @Test
  void chordsAreBuiltAfterTheSchoolThatIsChosen() {
    Session s = Lines.session("G3+D4+B4 D4 E4 F4 G4 A4");
    assertThat(tuned(s).orders().get(0).notes(Tuned.School.FIFTH_FIRST)).containsExactly(0, 1, 2);
    assertThat(tuned(s).orders().get(0).notes(Tuned.School.FROM_TOP)).containsExactly(2, 1, 0);
    Session top = with(s, TuningSetup.USUAL.with(Tuned.School.FROM_TOP));
    var drill =
        new DrillBook(top)
            .of(Learning.chunks(top).get(0), fret.drill.DrillKind.CHORD_BUILD)
            .orElseThrow();
    assertThat(drill.parts().get(0).bars().get(0).events().get(0).heads().get(0).pitch())
        .hasToString("B4");
  }
}
