package fret.passage;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.Marks;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.HandSize;
import fret.player.School;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class WorkbenchTest {
  private static Score score() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : "B4 C5 D5 E5 F5 G5 A5 B5 C6 B5 A5 G5".split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(p));
    }
    return line.build("line", Interval.UNISON);
  }

  private static Passage passage() {
    var settings =
        new Passage.Settings(
            "line",
            InstrumentType.VIOLIN,
            new Tempo(Beat.QUARTER, 80),
            "sure",
            School.USUAL,
            HandSize.MEDIUM,
            false,
            false);
    return new Passage(1, 0, "line", "", settings, Marks.NONE);
  }

  @Test
  void changesAndTheirInversesGiveThePassageBack() {
    Workbench bench = Workbench.of(passage(), score());
    Change pin = bench.pin(3, Optional.of(Finger.FOURTH), 2);
    Passage pinned = pin.applyTo(passage());
    assertThat(pin.inverse().applyTo(pinned)).isEqualTo(passage());
    assertThat(pin.inverse().inverse()).isEqualTo(pin);
    assertThat(bench.after(pinned, 3).fingering().notes().get(3).orElseThrow().finger())
        .isEqualTo(Finger.FOURTH);
    Change settings =
        new Change.SettingsChange(
            "quick", passage().settings(), passage().settings().withPreset("quick"));
    assertThat(settings.inverse().applyTo(settings.applyTo(pinned))).isEqualTo(pinned);
  }

  /** What the player adopted is never overwritten: not by another tempo, not by other wishes. */
  @Test
  void anAdoptedFingeringStaysWhateverElseChanges() {
    Workbench bench = Workbench.of(passage(), score());
    Passage adopted =
        bench
            .adopt(bench.freeSolver().bestWith(4, Optional.of(Finger.THIRD), 2).orElseThrow())
            .applyTo(passage());
    Workbench kept = Workbench.of(adopted, score());
    Passage faster =
        adopted.withSettings(
            adopted.settings().withTarget(new Tempo(Beat.QUARTER, 150)).withPreset("singing"));
    Workbench later = Workbench.of(faster, score());
    assertThat(later.fingering().notesUnlike(kept.fingering())).isZero();
    assertThat(kept.fingering().notes().get(4).orElseThrow().finger()).isEqualTo(Finger.THIRD);
    assertThat(
            Workbench.of(kept.release().applyTo(adopted), score())
                .fingering()
                .notesUnlike(bench.fingering()))
        .isZero();
  }

  @Test
  void marksOfNotesThatAreGoneAreReported() {
    Workbench bench = Workbench.of(passage(), score());
    Passage pinned = bench.pin(11, Optional.of(Finger.FIRST), 1).applyTo(passage());
    var shorter = fret.score.Resolver.resolve(score().range("1", "1"));
    assertThat(pinned.marks().lost(shorter)).hasSize(1);
    assertThat(pinned.marks().lost(bench.resolved())).isEmpty();
  }

  @Test
  void drillsCarryTheFingeringOfTheTarget() {
    Workbench bench = Workbench.of(passage(), score());
    var digits =
        bench.fingered(i -> i == 2).events().stream()
            .flatMap(e -> e.heads().stream())
            .map(h -> h.printedFinger())
            .filter(d -> !d.isEmpty())
            .toList();
    assertThat(digits)
        .containsExactly(bench.fingering().notes().get(2).orElseThrow().finger().digit());
  }
}
