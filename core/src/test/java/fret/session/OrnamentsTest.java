package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.OrnamentLayer;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.OrnamentForm;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Ornaments in an open passage: the player's form, fingers, drills, sound. */
class OrnamentsTest {
  private static Session session(String pitch, Signs.Ornament ornament) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.of(1, 4), Pitch.parse("A4"));
    line.add(Fraction.of(1, 4), Pitch.parse("B4"));
    line.add(
        Fraction.of(1, 2),
        List.of(Head.of(Pitch.parse(pitch))),
        Signs.PLAIN.withOrnament(ornament));
    line.add(Fraction.ONE, Pitch.parse("A4"));
    return passage(line);
  }

  private static Session passage(LineBuilder line) {
    Passage.Settings settings =
        new Passage.Settings(
            "x",
            new Tempo(Beat.QUARTER, 60),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return Session.of(
        Passage.of("x.xml", "", settings).withId(1), line.build("x", Interval.UNISON));
  }

  private static Session trill() {
    return session("C5", Signs.Ornament.TRILL);
  }

  /** The note below by which a trill ends is weighed with it, as little as it is: it is short. */
  @Test
  void aTurnedEndIsFingeredWithItsTrill() {
    Session plain = trill();
    assertThat(plain.resolved().notes().get(2).auxiliaries()).hasSize(1);
    Change turned =
        Ornaments.change(plain, 2, f -> f.ending(OrnamentForm.Ending.TURNED)).orElseThrow();
    Session s = plain.after(plain.step(turned)).computed(Token.NEVER);
    assertThat(s.resolved().notes().get(2).auxiliaries())
        .extracting(Pitch::toString)
        .containsExactly("D5", "B4");
    NoteFinger trilled = s.fingering().notes().get(2).orElseThrow();
    assertThat(trilled.finger()).as("a finger below it plays the turn").isEqualTo(Finger.SECOND);
    Session first = trillUnder(s, Finger.FIRST);
    Session second = trillUnder(s, Finger.SECOND);
    double slips = weakTrill(first) - weakTrill(trillUnder(plain, Finger.FIRST));
    assertThat(slips).as("one finger slips back, for the end alone").isEqualTo(0.4);
    assertThat(weakTrill(second)).isEqualTo(weakTrill(trillUnder(plain, Finger.SECOND)));
    assertThat(Ornaments.of(s, 2).orElseThrow().tones())
        .extracting(t -> t.pitch().toString())
        .endsWith("C5", "B4", "C5");
  }

  private static Session trillUnder(Session s, Finger finger) {
    return s.after(s.step(Decisions.pin(s, 2, Optional.of(finger), 2))).computed(Token.NEVER);
  }

  private static double weakTrill(Session s) {
    return s.fingering().reasonsAt(2).stream()
        .filter(r -> r.id().equals(EffortKind.WEAK_TRILL.id()))
        .mapToDouble(r -> r.quantity())
        .sum();
  }

  @Test
  void theFormIsThePlayersAndCanBeTakenBack() {
    Session s = trill();
    assertThat(Ornaments.of(s, 2).orElseThrow().tones()).hasSize(15);
    assertThat(Ornaments.of(s, 0)).as("a plain note").isEmpty();
    Change change =
        Ornaments.change(s, 2, f -> f.from(OrnamentForm.Start.UPPER).at(6)).orElseThrow();
    Session upper = s.after(s.step(change)).computed(Token.NEVER);
    assertThat(Ornaments.of(upper, 2).orElseThrow().tones()).hasSize(12);
    assertThat(Ornaments.of(upper, 2).orElseThrow().tones().get(0).pitch()).hasToString("D5");
    assertThat(upper.fingering().notes()).as("no finger moves").isEqualTo(s.fingering().notes());
    Change back = Ornaments.change(upper, 2, f -> OrnamentForm.USUAL).orElseThrow();
    Session again = upper.after(upper.step(back));
    assertThat(again.at(OrnamentLayer.ORNAMENT, 2)).isEmpty();
    assertThat(Ornaments.change(again, 2, f -> f)).as("it is so").isEmpty();
  }

  /** In first position on the A string: C5 with 2, D5 above it with 3, B4 below with 1. */
  @ParameterizedTest
  @CsvSource({"C5, 2", "D5, 3", "B4, 1", "E5, 4", "A4, 0"})
  void theNeighboursAreUnderTheSameHand(String pitch, String digit) {
    Session s = trill();
    NoteFinger main = s.fingering().notes().get(2).orElseThrow();
    assertThat(main.fingers()).isEqualTo("2");
    assertThat(Ornaments.finger(s, main, Pitch.parse(pitch)).orElseThrow().digit())
        .isEqualTo(digit);
    assertThat(Ornaments.finger(s, main, Pitch.parse("G4"))).as("below the string").isEmpty();
  }

  /** A half at 60 with eight notes a second has the time of sixteen thirty-seconds. */
  @Test
  void aTrillIsPractisedInPulsesAndThenAsItGoes() {
    Session s = trill();
    List<Score> parts = Ornaments.drill(s, 2);
    assertThat(parts).hasSize(4);
    assertThat(parts.subList(0, 3))
        .extracting(p -> p.bars().get(0).events().size())
        .containsExactly(8, 12, 16);
    List<fret.score.Event> last = parts.get(3).bars().get(0).events();
    assertThat(last.subList(0, 14)).allMatch(e -> e.value().equals(new NoteValue(32, 0)));
    assertThat(last.get(14).value()).as("it rests on its note").isEqualTo(new NoteValue(16, 0));
    assertThat(last.get(0).heads().get(0).printedFinger()).isEqualTo("2");
    assertThat(last.get(1).heads().get(0).printedFinger()).isEqualTo("3");
    parts.forEach(
        p -> p.bars().forEach(b -> assertThat(b.length()).isEqualTo(b.time().barLength())));
    assertThat(Ornaments.drill(s, 0)).as("nothing to practise").isEmpty();
  }

  @Test
  void theBookHasThemForTheChunkTheyAreIn() {
    Session s = session("C5", Signs.Ornament.TURN);
    var chunk = Learning.chunks(s).get(0);
    Optional<Drill> drill = new DrillBook(s).of(chunk, DrillKind.ORNAMENTS);
    assertThat(drill.orElseThrow().parts()).hasSize(1);
    assertThat(drill.get().whole().events().subList(0, 4))
        .extracting(e -> e.heads().get(0).pitch().toString())
        .containsExactly("D5", "C5", "B4", "C5");
    Session plain = session("C5", Signs.Ornament.NONE);
    assertThat(new DrillBook(plain).of(chunk, DrillKind.ORNAMENTS)).isEmpty();
  }

  /** A turn on a sixteenth is written in values that hold it, its slur closed. */
  @ParameterizedTest
  @CsvSource({"TURN, 16", "TRILL_WITH_TERMINATION, 16", "MORDENT, 32", "TRILL, 8"})
  void aShortNoteHoldsItsOrnament(Signs.Ornament ornament, int of) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(
        Fraction.of(1, of),
        List.of(Head.of(Pitch.parse("C5"))),
        Signs.PLAIN.withOrnament(ornament));
    line.add(Fraction.ONE, Pitch.parse("A4"));
    Session s = passage(line);
    List<Score> parts = Ornaments.drill(s, 0);
    List<fret.score.Event> events =
        parts.get(parts.size() - 1).events().stream().filter(e -> !e.isRest()).toList();
    assertThat(events.get(0).signs().slurStarts()).hasSize(1);
    assertThat(events).filteredOn(e -> !e.signs().slurStops().isEmpty()).hasSize(1);
    Fraction all = Fraction.ZERO;
    for (fret.score.Event e : events) {
      all = all.add(e.duration());
    }
    assertThat(all).isEqualTo(Fraction.of(1, of));
  }

  /** What is heard is not the plain note, and is another thing in another form. */
  @Test
  void itIsHeardAsItIsPlayed() {
    Session s = trill();
    float[] usual = heard(s);
    Session upper =
        s.after(
            s.step(Ornaments.change(s, 2, f -> f.from(OrnamentForm.Start.UPPER)).orElseThrow()));
    assertThat(usual).isNotEqualTo(heard(session("C5", Signs.Ornament.NONE)));
    assertThat(heard(upper)).hasSameSizeAs(usual).isNotEqualTo(usual);
  }

  /** C5 with a trill and the small notes B4 C5 behind it. */
  @Test
  void theTurnThatIsPrintedBehindATrillIsPractisedWithIt() {
    Session plain = trill();
    Score page = plain.page();
    Bar next = page.bars().get(1);
    List<Event> events = new ArrayList<>();
    for (String small : List.of("B4", "C5")) {
      events.add(
          new Event(
              "1",
              next.start(),
              Fraction.ZERO,
              new NoteValue(16, 0),
              List.of(Head.of(Pitch.parse(small))),
              Event.Grace.PLAIN,
              false,
              Signs.PLAIN));
    }
    events.addAll(next.events());
    List<Bar> bars = List.of(page.bars().get(0), next.withEvents(events));
    Session s = Session.of(plain.passage(), page.withBars(bars));
    List<Score> parts = Ornaments.drill(s, 2);
    assertThat(parts).hasSize(4);
    for (int i = 0; i < parts.size(); i++) {
      List<String> heard =
          parts.get(i).events().stream()
              .filter(e -> !e.isRest())
              .map(e -> e.heads().get(0).pitch().toString())
              .toList();
      int turned = heard.lastIndexOf("B4");
      assertThat(heard.subList(turned - 1, turned + 2))
          .as("part %d", i)
          .containsExactly("C5", "B4", "C5");
    }
  }

  private static float[] heard(Session s) {
    return Ornaments.heard(s, s.task().tempo(), 440).samples();
  }
}
