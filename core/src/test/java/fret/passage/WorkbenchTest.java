package fret.passage;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.mark.Reattachment;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Divided;
import fret.score.Event;
import fret.score.LineBuilder;
import fret.score.NoteKey;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
            new Tempo(Beat.QUARTER, 80),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return new Passage(1, 0, "line", "", 0, settings, Marks.NONE);
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
            "quick", passage().settings(), preset(passage().settings(), "quick"));
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
            preset(adopted.settings().withTarget(new Tempo(Beat.QUARTER, 150)), "singing"));
    Workbench later = Workbench.of(faster, score());
    assertThat(later.fingering().notesUnlike(kept.fingering())).isZero();
    assertThat(kept.fingering().notes().get(4).orElseThrow().finger()).isEqualTo(Finger.THIRD);
    assertThat(
            Workbench.of(kept.release().applyTo(adopted), score())
                .fingering()
                .notesUnlike(bench.fingering()))
        .isZero();
  }

  private static Passage.Settings preset(Passage.Settings settings, String id) {
    return settings.withSetup(settings.setup().withPreset(id));
  }

  private static Score without(Score page, int event) {
    List<Event> events = new ArrayList<>(page.bars().get(0).events());
    events.remove(event);
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(0, bars.get(0).withEvents(events));
    return page.withBars(bars);
  }

  @Test
  void marksMoveAlongWithTheirNotesAndLostOnesAreTold() {
    Workbench bench = Workbench.of(passage(), score());
    Marks marks =
        passage()
            .marks()
            .with(mark(bench, 2))
            .with(mark(bench, 11))
            .withBows(Map.of(bench.resolved().notes().get(11).key(), Signs.Bow.UP));
    Bar extra = score().bars().get(0).withEvents(List.of());
    List<Bar> longer = new ArrayList<>(score().bars());
    longer.add(1, extra);
    Score after = without(score().withBars(longer).laidOut(), 2);
    Reattachment moved =
        Reattachment.of(marks, bench.resolved(), fret.score.Resolver.resolve(after));
    assertThat(moved.lost()).containsExactly(mark(bench, 2));
    assertThat(moved.moved()).containsExactly(mark(bench, 11));
    NoteKey key = moved.marks().all().get(0).key();
    assertThat(key.barIndex()).isEqualTo(2);
    assertThat(moved.marks().bows()).containsExactly(Map.entry(key, Signs.Bow.UP));
  }

  private static Mark mark(Workbench bench, int note) {
    return new Mark(
        bench.resolved().notes().get(note).key(),
        Optional.of(Finger.FIRST),
        1,
        Mark.Standing.PINNED);
  }

  @Test
  void aChangeOfThePageHoldsOnlyTheBarsThatDifferAndGoesBack() {
    Score after = without(score(), 3);
    var change = Change.PageChange.between("cut", score(), after, Marks.NONE, Marks.NONE);
    assertThat(change.bars()).hasSize(1);
    assertThat(change.applyTo(score())).isEqualTo(after);
    assertThat(change.inverse()).isInstanceOf(Change.PageChange.class);
    assertThat(((Change.PageChange) change.inverse()).applyTo(after)).isEqualTo(score());
  }

  @Test
  void aBarRangeKeepsTheKeysOfTheWholePage() {
    var settings = passage().settings().withReading(Reading.PLAIN.withBars("2", "2"));
    Workbench range = Workbench.of(passage().withSettings(settings), score());
    Workbench whole = Workbench.of(passage(), score());
    assertThat(range.resolved().notes()).hasSize(4);
    assertThat(range.resolved().notes().get(0).key())
        .isEqualTo(whole.resolved().notes().get(8).key());
  }

  @Test
  void aBowMarkReplacesThePrintedOneAndCanBeTakenAway() {
    Workbench bench = Workbench.of(passage(), score());
    Passage down = bench.bow(4, Signs.Bow.DOWN).applyTo(passage());
    Workbench marked = Workbench.of(down, score());
    assertThat(marked.bowAt(4)).isEqualTo(Signs.Bow.DOWN);
    assertThat(marked.bowAt(5)).isEqualTo(Signs.Bow.NONE);
    Passage none = marked.bow(4, Signs.Bow.NONE).applyTo(down);
    assertThat(Workbench.of(none, score()).bowAt(4)).isEqualTo(Signs.Bow.NONE);
  }

  @Test
  void ofADividedSectionOneLineIsPlayed() {
    Score two =
        score()
            .withBars(
                score().bars().stream()
                    .map(
                        b -> {
                          List<Event> all = new ArrayList<>(b.events());
                          b.events().forEach(e -> all.add(lower(e)));
                          return b.withEvents(all);
                        })
                    .toList());
    assertThat(Divided.barsWithTwoVoices(two)).containsExactly("1", "2");
    assertThat(Divided.UPPER.of(two).events()).hasSize(12).allMatch(e -> e.voice().equals("1"));
    assertThat(Divided.LOWER.of(two).events()).hasSize(12).allMatch(e -> e.voice().equals("2"));
    assertThat(Divided.DOUBLE_STOPS.of(two).events()).hasSize(24);
  }

  private static Event lower(Event e) {
    return new Event(
        "2",
        e.onset(),
        e.duration(),
        e.value(),
        e.heads().stream().map(h -> h.withPitch(h.pitch().plus(new Interval(-2, -3)))).toList(),
        e.grace(),
        false,
        e.signs());
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
