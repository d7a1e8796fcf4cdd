package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.drill.BowDrillKind;
import fret.drill.DrillKind;
import fret.drill.Remedy;
import fret.intonation.Temperament;
import fret.intonation.TuningSetup;
import fret.journal.Breakage;
import fret.score.Bar;
import fret.score.Score;
import fret.search.Token;
import fret.take.Expected;
import fret.take.Expected.Join;
import fret.take.Fault;
import fret.take.Finding;
import fret.take.Heard;
import fret.take.HeardNote;
import fret.take.Planting;
import fret.take.Recording;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Style;
import fret.take.TakeReport;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What takes are checked against, and how what they show is told. Eighths at quarter = 80. */
class TakeScoreTest {
  private static final double EIGHTH = 375;

  private static Expected expected(Session s) {
    return TakeScore.of(s, Ear.tuned(s, Ear.harmony(s, List.of())));
  }

  private static TakeReport report(Session s, List<Fault> faults, long seed) {
    Expected e = expected(s);
    var played = SimulatedPlayer.play(e, faults, Style.USUAL.withSeed(seed));
    Recording r = Recording.of(played.samples(), SimulatedPlayer.RATE);
    return TakeReport.of(r, e, Token.NEVER, p -> {});
  }

  /** Nothing heard but what is said. */
  private static TakeReport saying(Session s, Fault fault) {
    Expected e = expected(s);
    Heard heard = new Heard(1, List.of(), List.of(), List.of(), List.of(), 0, 1);
    TakeReport empty = TakeReport.of(e, heard);
    return new TakeReport(e, heard, empty.tempo(), 0, List.of(new Finding(fault, 0.9)));
  }

  private static Session twice(String notes) {
    Score page = Lines.page(notes);
    List<Bar> bars = new ArrayList<>();
    for (Bar b : page.bars()) {
      bars.add(b.withRepeats(b.index() == 0, b.index() == page.bars().size() - 1, List.of()));
    }
    return Session.of(Lines.passage(), page.withBars(bars));
  }

  @Test
  void everyMomentStandsAtItsTimeInItsTuning() {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5");
    Expected e = expected(s);
    assertThat(e.moments()).hasSize(8);
    for (int i = 0; i < 8; i++) {
      assertThat(e.moments().get(i).startMs()).isCloseTo(EIGHTH * i, within(1e-6));
      double pitch = s.resolved().notes().get(i).pitch().hertz(440);
      double hertz = e.moments().get(i).starting().get(0).hertz();
      assertThat(1200 * Math.log(hertz / pitch) / Math.log(2)).isBetween(-25.0, 25.0);
    }
    assertThat(e.moments().get(0).join()).isEqualTo(Join.ENTRY);
    assertThat(e.lengthMs()).isCloseTo(8 * EIGHTH, within(1e-6));
  }

  @Test
  void repeatsAreWrittenOutWithTheirOwnTimes() {
    Session s = twice("B4 C5 D5 E5 F5 G5 A5 B5");
    Expected e = expected(s);
    assertThat(e.moments()).hasSize(16);
    assertThat(e.bars()).hasSize(2);
    assertThat(e.bars().get(1).number()).isEqualTo(e.bars().get(0).number());
    assertThat(e.moments().get(8).slice()).isZero();
    assertThat(e.moments().get(8).startMs()).isCloseTo(8 * EIGHTH, within(1e-6));
    assertThat(e.moments().get(8).join()).isEqualTo(Join.PLAIN);
  }

  @Test
  void aRepeatIsHeardBothTimes() {
    Session s = twice("B4 C5 D5 E5 F5 G5 A5 B5");
    TakeReport r = report(s, List.of(), 3);
    assertThat(r.heard().notes()).hasSize(16);
    assertThat(r.heard().taken()).isEmpty();
    assertThat(r.findings()).isEmpty();
  }

  @Test
  void shiftsAndSlursAreKnownFromTheFingeringAndThePage() {
    Session s = Lines.session("(B4 C5 D5 E5) G5 C6 E6 G6");
    Expected e = expected(s);
    List<Integer> shifts =
        IntStream.range(0, 8).filter(i -> e.moments().get(i).join() == Join.SHIFT).boxed().toList();
    assertThat(shifts)
        .isEqualTo(s.fingering().shifts().stream().map(x -> x.toSlice()).distinct().toList());
    assertThat(IntStream.range(0, 8).filter(i -> e.moments().get(i).slurred()).boxed())
        .containsExactly(1, 2, 3);
  }

  @Test
  void aLateNoteAfterAShiftIsTellingOfTheShift() {
    Session s = Lines.session("B4 C5 D5 E5 G5 C6 E6 G6");
    Expected e = expected(s);
    int at =
        IntStream.range(0, 8)
            .filter(i -> e.moments().get(i).join() == Join.SHIFT)
            .findFirst()
            .orElseThrow();
    TakeFindings f = TakeFindings.of(s, saying(s, new Fault(Fault.Kind.LATE, at, 60))).get(0);
    assertThat(f.remedy()).isEqualTo(Remedy.of(DrillKind.STOP_BEFORE_SHIFT));
    assertThat(f.breakage()).isEqualTo(Breakage.SHIFT);
    assertThat(f.cause().map(Said::id)).contains("take.cause.shift");
    assertThat(f.words().args()).contains(60L);
    assertThat(f.slice()).isEqualTo(at);
  }

  /** G4 open, then B4 on the next string: the two notes are practised, not the hand's shapes. */
  @Test
  void aLateNoteOrAnUnevenOneAfterACrossingIsCuredByTheCrossingOfThoseTwo() {
    Session s = Lines.session("D4 B4 D4 B4 D4 B4 D4 B4");
    int at = 3;
    assertThat(expected(s).moments().get(at).join()).isEqualTo(Join.CROSSING);
    for (Fault.Kind kind : List.of(Fault.Kind.LATE, Fault.Kind.UNEVEN)) {
      TakeFindings f = TakeFindings.of(s, saying(s, new Fault(kind, at, 60))).get(0);
      assertThat(f.remedy()).isEqualTo(Remedy.of(BowDrillKind.CROSSING));
      assertThat(List.of(f.from(), f.to())).containsExactly(at - 1, at);
      assertThat(
              BowSpots.made(
                  s, Covered.stretch(s.resolved(), f.from(), f.to()), BowDrillKind.CROSSING))
          .hasValueSatisfying(d -> assertThat(d.events()).hasSize(8));
    }
  }

  @Test
  void everyKindHasItsDrillAndItsPlaceInTheRecord() {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5");
    for (Fault.Kind kind : Fault.Kind.values()) {
      TakeFindings f =
          TakeFindings.of(s, saying(s, new Fault(kind, 3, Planting.usual(kind)))).get(0);
      assertThat(f.remedy().kind()).as(kind.id()).isNotEqualTo(DrillKind.NONE);
      assertThat(f.breakage()).as(kind.id()).isNotEqualTo(Breakage.NONE);
      assertThat(f.weight()).as(kind.id()).isPositive();
      assertThat(Fault.Kind.named(kind.id())).contains(kind);
    }
    assertThat(Fault.Kind.named("out-of-tune")).isEmpty();
  }

  @Test
  void theWorstStandFirstAndAreFive() {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5");
    Expected e = expected(s);
    Heard heard = new Heard(1, List.of(), List.of(), List.of(), List.of(), 0, 1);
    List<Finding> found = new ArrayList<>();
    for (int i = 0; i < 7; i++) {
      found.add(new Finding(new Fault(Fault.Kind.SHARP, i, 13 + 3 * i), 0.9));
    }
    found.add(new Finding(new Fault(Fault.Kind.RESTART, 7, 1), 0.9));
    TakeReport r = new TakeReport(e, heard, TakeReport.of(e, heard).tempo(), 0, found);
    List<TakeFindings> worst = TakeFindings.worst(TakeFindings.of(s, r));
    assertThat(worst).hasSize(TakeFindings.MOST);
    assertThat(worst.get(0).finding().kind()).isEqualTo(Fault.Kind.RESTART);
    assertThat(worst.get(1).finding().amount()).isEqualTo(31);
  }

  @Test
  void tempoIsToldApartByNoteValue() {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 C5");
    TakeReport r = report(s, List.of(), 4);
    List<TakePace> paces = TakePace.of(s.resolved(), r);
    assertThat(paces).hasSize(1);
    assertThat(paces.get(0).times()).isCloseTo(1, within(0.02));
    assertThat(paces.get(0).steps()).isEqualTo(15);
    assertThat(TakePace.of(s.resolved(), saying(s, new Fault(Fault.Kind.LATE, 1, 40)))).isEmpty();
  }

  @Test
  void whatIsHeardOfANoteCanBeAskedForByItsMoment() {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5");
    Heard heard = report(s, List.of(), 5).heard();
    for (int i = 0; i < 8; i++) {
      assertThat(heard.of(i).map(HeardNote::moment)).contains(i);
    }
    assertThat(heard.of(99)).isEmpty();
    assertThat(heard.alignedShare()).isGreaterThan(0.95);
  }

  @Test
  void theSmallestChunkAroundAMomentIsFound() {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 C5");
    var wide = Covered.stretch(s.resolved(), 0, 15);
    var near = Covered.stretch(s.resolved(), 4, 8);
    assertThat(Covered.around(s.resolved(), List.of(wide, near), 5)).contains(near);
    assertThat(Covered.around(s.resolved(), List.of(wide, near), 12)).contains(wide);
    assertThat(Covered.around(s.resolved(), List.of(near), 12)).isEmpty();
  }

  /** The upper notes of two sixths are 20 cents high: each is told by its own name. */
  @Test
  void theNoteOfADoubleStopThatIsOffIsNamed() {
    Session s = Session.of(Lines.passage(), Lines.page("D4+B4 C4+A4 D4+B4 E4+C5"));
    Expected e = expected(s);
    Expected sharp = sharpened(e, 1, 20);
    var played = SimulatedPlayer.play(sharp, List.of(), Style.USUAL.withTempo(0.6));
    Recording r = Recording.of(played.samples(), SimulatedPlayer.RATE);
    TakeReport report = TakeReport.of(r, e, Token.NEVER, p -> {});
    HeardNote heard = report.heard().of(1).orElseThrow();
    assertThat(heard.tones()).hasSize(2);
    assertThat(report.tones(heard).get(0)).isCloseTo(0, within(8.0));
    assertThat(report.tones(heard).get(1)).isCloseTo(20, within(8.0));
    List<TakeFindings> told = TakeFindings.of(s, report);
    assertThat(told).extracting(f -> f.finding().kind()).containsExactly(Fault.Kind.SHARP);
    assertThat(told.get(0).words().args()).contains("A4");
  }

  /** The same with the upper note of one moment higher. */
  private static Expected sharpened(Expected e, int moment, double cents) {
    List<Expected.Moment> all = new ArrayList<>(e.moments());
    Expected.Moment m = all.get(moment);
    List<Expected.Tone> tones = new ArrayList<>(m.starting());
    Expected.Tone top = tones.get(tones.size() - 1);
    double hertz = top.hertz() * Math.pow(2, cents / 1200);
    tones.set(tones.size() - 1, new Expected.Tone(top.note(), top.pitch(), hertz));
    all.set(
        moment,
        new Expected.Moment(
            m.slice(),
            m.bar(),
            m.startMs(),
            m.endMs(),
            m.soundsMs(),
            tones,
            m.held(),
            m.join(),
            m.connected(),
            m.slurred(),
            m.ornament(),
            m.level()));
    return new Expected(all, e.bars(), e.a4());
  }

  private static Expected any(Session s) {
    return Ear.expected(s, Ear.harmony(s, List.of()));
  }

  private static boolean isOneEach(Expected e) {
    return e.moments().stream()
        .flatMap(m -> m.starting().stream())
        .allMatch(t -> t.below() == 0 && t.above() == 0);
  }

  /** F#5 in D: a pure third over D, 15.6 cents low, or in the chain of fifths, 21.5 higher. */
  @Test
  void aNoteAloneIsRightInEachTuningUntilOneIsChosen() {
    Session s = Lines.session("D5 F#5 A5 F#5 D5 E5 D5 A4");
    Expected.Tone free = any(s).moments().get(1).starting().get(0);
    assertThat(free.below()).isZero();
    assertThat(free.above()).isCloseTo(21.5, within(0.05));
    assertThat(free.outside(10)).isZero();
    assertThat(free.outside(31.5)).isCloseTo(10, within(0.05));
    assertThat(free.outside(-9)).isEqualTo(-9);
    Session melodic = Lines.after(s, Ear.tune(s, TuningSetup.USUAL.with(Temperament.PYTHAGOREAN)));
    assertThat(isOneEach(any(melodic))).isTrue();
    Session alone = Lines.after(s, Ear.tune(s, TuningSetup.USUAL.withAlone(true)));
    assertThat(isOneEach(any(alone))).isTrue();
    Session one = Lines.after(s, Ear.tune(s, 1, 1, Temperament.PYTHAGOREAN));
    assertThat(any(one).moments().get(1).starting().get(0).above()).isZero();
    assertThat(any(one).moments().get(3).starting().get(0).above()).isGreaterThan(21);
    assertThat(isOneEach(any(Lines.session("D4+F#4 D4+A4 G4+B4 E4+C#5")))).isTrue();
  }
}
