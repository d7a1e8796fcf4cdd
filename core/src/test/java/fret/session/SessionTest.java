package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.Said;
import fret.bowing.BowRules;
import fret.bowing.PhraseMark;
import fret.bowing.Swell;
import fret.drill.Approach;
import fret.drill.Chunk;
import fret.drill.Frame;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.NoteFinger;
import fret.harmony.Chord;
import fret.instrument.Finger;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.intonation.TuningSetup;
import fret.mark.Anchor;
import fret.mark.BowLayer;
import fret.mark.DampLayer;
import fret.mark.FingerLayer;
import fret.mark.GuideLayer;
import fret.mark.Layer;
import fret.mark.LengthLayer;
import fret.mark.LengthWish;
import fret.mark.Marks;
import fret.mark.Reattachment;
import fret.mark.ReductionLayer;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.mark.ReturnsWish;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.mark.Strand;
import fret.mark.SupportLayer;
import fret.mark.SupportWish;
import fret.mark.VibratoLayer;
import fret.mark.VibratoRule;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.mark.WishLayer;
import fret.passage.Layers;
import fret.passage.Passage;
import fret.passage.PracticeSetup;
import fret.passage.Reading;
import fret.passage.SourceLayer;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.score.Bar;
import fret.score.Divided;
import fret.score.Event;
import fret.score.Reduction;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.sound.ClickRange;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SessionTest {
  private static Score score() {
    return Lines.page("B4 C5 D5 E5 F5 G5 A5 B5 C6 B5 A5 G5");
  }

  private static Session session() {
    return Session.of(Lines.passage(), score());
  }

  private static Finger fingerAt(Session s, int note) {
    return s.fingering().notes().get(note).orElseThrow().finger();
  }

  @Test
  void changesAndTheirInversesGiveThePassageBack() {
    Session s = session();
    Change pin = Decisions.pin(s, 3, Optional.of(Finger.FOURTH), 2);
    Passage pinned = pin.applyTo(Lines.passage());
    assertThat(pin.inverse().applyTo(pinned)).isEqualTo(Lines.passage());
    assertThat(pin.inverse().inverse()).isEqualTo(pin);
    assertThat(fingerAt(Lines.after(s, pin), 3)).isEqualTo(Finger.FOURTH);
    Change settings =
        Decisions.settings(s, Said.of("preset", "x"), o -> preset(o, "quick")).orElseThrow();
    assertThat(settings.inverse().applyTo(settings.applyTo(pinned))).isEqualTo(pinned);
    assertThat(Decisions.settings(s, Said.of("preset", "x"), o -> preset(o, "sure"))).isEmpty();
  }

  /** What stands is a function of what is stored, whatever the order in which it was decided. */
  @Test
  void theOrderOfPinsAndOpeningAgainChangeNothing() {
    Session s = session();
    List<Change> pins =
        List.of(
            Decisions.pin(s, 1, Optional.of(Finger.SECOND), 2),
            Decisions.pin(s, 7, Optional.of(Finger.FOURTH), 1),
            Decisions.wish(s, new Wish.Ask(Wish.Kind.NO_OPEN, 0), 2, 5),
            Decisions.bow(s, 4, Signs.Bow.UP));
    Session forwards = s;
    Session backwards = s;
    for (int i = 0; i < pins.size(); i++) {
      forwards = Lines.after(forwards, pins.get(i));
      backwards = Lines.after(backwards, pins.get(pins.size() - 1 - i));
    }
    Session again = Session.of(forwards.passage(), score());
    assertThat(forwards.fingering().notes()).isEqualTo(backwards.fingering().notes());
    assertThat(again.fingering()).isEqualTo(forwards.fingering());
    Session back = forwards;
    while (back.undo().isPresent()) {
      back = back.after(back.undo().get()).computed(Token.NEVER);
    }
    assertThat(back.passage()).isEqualTo(Lines.passage());
    assertThat(back.fingering()).isEqualTo(s.fingering());
  }

  @Test
  void aBowMarkOrAReminderFingersNothingAgain() {
    Session s = session();
    Session bowed = Lines.after(s, Decisions.bow(s, 4, Signs.Bow.UP));
    Session reminded =
        Lines.after(
            bowed, Decisions.toggle(bowed, ReminderLayer.REMINDER, 5, Reminder.word("listen")));
    assertThat(reminded.computed().standing()).isSameAs(s.computed().standing());
  }

  @Test
  void changesOfTheSameKindInARowAreOneStep() {
    Session s = session();
    for (double weight : new double[] {0.2, 0.3, 0.5}) {
      Map<EffortKind, Double> weights = Map.of(EffortKind.SHIFT, weight);
      Change change =
          Decisions.settings(
                  s, Said.of("weigh", "x"), o -> o.withSetup(o.setup().withWeights(weights)))
              .orElseThrow()
              .merging();
      s = s.after(s.step(change));
    }
    assertThat(s.passage().settings().setup().weights()).containsEntry(EffortKind.SHIFT, 0.5);
    Session back = s.after(s.undo().orElseThrow());
    assertThat(back.passage()).isEqualTo(Lines.passage());
    assertThat(back.undo()).isEmpty();
    assertThat(back.after(back.redo().orElseThrow()).passage()).isEqualTo(s.passage());
  }

  @Test
  void aStepFromAnotherStateIsRefused() {
    Session s = session();
    Session pinned = s.after(s.step(Decisions.pin(s, 3, Optional.of(Finger.FOURTH), 2)));
    Step late = s.step(Decisions.pin(s, 3, Optional.of(Finger.THIRD), 2));
    assertThatThrownBy(() -> pinned.after(late)).isInstanceOf(IllegalArgumentException.class);
  }

  private static String own(Session s) {
    return Learning.chunks(s).get(0).id();
  }

  /** Every change, and every kind of mark, is the same after it was stored and read. */
  @Test
  void everyLayerHasAStoredForm() {
    Session s = session();
    s = Lines.after(s, Decisions.pin(s, 3, Optional.of(Finger.FOURTH), 2));
    s = Lines.after(s, Decisions.wish(s, new Wish.Ask(Wish.Kind.ON_STRING, 2), 2, 5));
    s = Lines.after(s, Decisions.bow(s, 4, Signs.Bow.DOWN));
    s = Lines.after(s, Decisions.toggle(s, VibratoLayer.VIBRATO, 6, VibratoWish.USUAL));
    s = Lines.after(s, Decisions.toggle(s, LengthLayer.LENGTH, 6, LengthWish.FULL));
    s = Lines.after(s, Decisions.toggle(s, SupportLayer.SUPPORT, 6, SupportWish.BEHIND));
    s = Lines.after(s, Decisions.toggle(s, DampLayer.DAMP, 5, Finger.THIRD));
    s = Lines.after(s, Decisions.returns(s, ReturnsWish.ALIKE));
    s = Lines.after(s, Decisions.vibratoRule(s, VibratoRule.FROM_QUARTER));
    s = Lines.after(s, Ornaments.change(s, 5, f -> f.at(9).first(1.5)).orElseThrow());
    s =
        Lines.after(
            s,
            Ear.tune(
                s,
                new TuningSetup(
                    Temperament.EQUAL,
                    TuningSetup.Strings.OWN,
                    List.of(1.5, 0.0, -2.0, -4.5),
                    Tuned.School.FROM_TOP,
                    true,
                    true,
                    true)));
    s = Lines.after(s, Ear.tune(s, 3, 3, Temperament.PYTHAGOREAN));
    s = Lines.after(s, Strands.mark(s, 2, 4, Optional.of(Strand.PEDAL)));
    s = Lines.after(s, Strands.level(s, Strand.PEDAL, -1.5));
    s = Lines.after(s, Decisions.toggle(s, SlideLayer.SLIDE, 6, SlideWish.HEARD));
    s = Lines.after(s, Decisions.toggle(s, GuideLayer.GUIDE, 6, Finger.FOURTH));
    s = Lines.after(s, Decisions.hideSlides(s, true));
    s = Lines.after(s, Decisions.namePositions(s, true));
    s = Lines.after(s, Decisions.toggle(s, ReductionLayer.REDUCTION, 6, Reduction.TOP));
    s = Lines.after(s, Decisions.limits(s, new fret.load.Limits(8, 6.5, 12, 14)));
    s =
        Lines.after(
            s, Ear.chord(s, s.score().bars().get(1).start(), Optional.of(Chord.parse("F#m7"))));
    s =
        Lines.after(
            s, Decisions.toggle(s, ReminderLayer.REMINDER, 6, Reminder.of(Reminder.Kind.GLASSES)));
    s = Lines.after(s, Decisions.keep(s, "dry", s.fingering()));
    s = Lines.after(s, BowVersions.adopt(s, s.bowing()));
    s = Lines.after(s, BowDecisions.joint(s, 3, BowRules.Joint.BREAK));
    s = Lines.after(s, LineDecisions.hairpinsGoOn(s, true));
    s = Lines.after(s, new BowSelection(s, 7, 8).swell(Swell.FADES).orElseThrow());
    s = Lines.after(s, new BowSelection(s, 7, 8).nextContact().orElseThrow());
    s = Lines.after(s, new BowSelection(s, 7, 8).nextHair().orElseThrow());
    s = Lines.after(s, new BowSelection(s, 7, 8).nextMover().orElseThrow());
    s = Lines.after(s, new BowSelection(s, 7, 8).nextSound().orElseThrow());
    s = Lines.after(s, BowDecisions.nextKind(s, 5).orElseThrow());
    s = Lines.after(s, new BowSelection(s, 4, 6).nextPlace().orElseThrow());
    s = Lines.after(s, BowDecisions.longer(s, 5, -1).orElseThrow());
    s = Lines.after(s, BowDecisions.place(s, 5, 0.5).orElseThrow());
    s = Lines.after(s, BowDecisions.amount(s, 5, true));
    s = Lines.after(s, LineDecisions.louder(s, 6, 1));
    s = Lines.after(s, LineDecisions.phrase(s, 6, PhraseMark.TOP));
    s = Lines.after(s, BowVersions.keep(s, "section"));
    s =
        Lines.after(
            s,
            Decisions.practice(
                s, new PracticeSetup(2, 40, 108, true, PracticeSetup.Line.QUICK, true)));
    Chunk chunk = Learning.chunks(s).get(0);
    s = Lines.after(s, Decisions.practised(s, chunk).orElseThrow());
    s = Lines.after(s, Decisions.page(s, Said.of("words", "cut"), without(score(), 7)).change());
    s = Lines.after(s, new ChunkDecisions(s).split(6).orElseThrow());
    s = Lines.after(s, new ChunkDecisions(s).excerpt(0, 5, "opening", 72, 0));
    s = Lines.after(s, new ChunkDecisions(s).approach(own(s), Approach.RHYTHMS).orElseThrow());
    Frame frame =
        new Frame(
            "frame-1",
            "top line",
            0,
            new Frame.Box(0.1, 0.2, 0.5, 0.1),
            21,
            8,
            new TimeSignature(List.of(2, 3), 8, TimeSignature.Sign.NUMBERS),
            60);
    s =
        Lines.after(
            s,
            ChunkDecisions.frames(s, Said.of("frame.drawn"), all -> List.of(frame)).orElseThrow());
    ClickRange cue =
        new ClickRange(
            "3", "4", ClickRange.Kind.CUE, List.of(Fraction.of(1, 4), Fraction.of(1, 6)));
    s = Lines.after(s, Decisions.clicks(s, List.of(cue)));
    Marks marks = s.passage().marks();
    for (Layer<?, ?> layer : Layers.ALL) {
      assertThat(marks.of(layer)).as(layer.id()).isNotEmpty();
      roundTrip(layer, marks);
      assertThat(Layers.of(layer.id()).orElseThrow()).isSameAs(layer);
    }
    Session back = s;
    while (back.undo().isPresent()) {
      Change change = back.undo().get().logged();
      assertThat(ChangeForm.read(ChangeForm.of(change))).isEqualTo(change);
      back = back.after(back.undo().get());
    }
    assertThat(back.passage()).isEqualTo(Lines.passage());
    assertThat(back.page()).isEqualTo(score());
  }

  private static <A extends Anchor, V> void roundTrip(Layer<A, V> layer, Marks marks) {
    marks
        .of(layer)
        .forEach(
            (place, value) -> {
              assertThat(layer.read(layer.write(value))).isEqualTo(value);
              assertThat(Anchor.parse(place.anchor().text())).isEqualTo(place.anchor());
            });
  }

  /** What the player adopted is never overwritten: not by another tempo, not by other wishes. */
  @Test
  void anAdoptedFingeringStaysWhateverElseChanges() {
    Session s = session();
    Fingering chosen =
        s.freeSolver(Token.NEVER).bestWith(4, Optional.of(Finger.THIRD), 2).orElseThrow();
    Session kept = Lines.after(s, Decisions.adopt(s, chosen));
    Session later =
        Lines.after(
            kept,
            Decisions.settings(
                    kept,
                    Said.of("preset", "x"),
                    o -> preset(o.withTarget(new Tempo(Beat.QUARTER, 150)), "singing"))
                .orElseThrow());
    assertThat(later.fingering().notesUnlike(kept.fingering())).isZero();
    assertThat(fingerAt(kept, 4)).isEqualTo(Finger.THIRD);
    assertThat(Lines.after(kept, Decisions.release(kept)).fingering().notesUnlike(s.fingering()))
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
  void marksOfEveryKindMoveAlongWithTheirNotesAndLostOnesAreTold() {
    Session s = session();
    s = Lines.after(s, Decisions.pin(s, 2, Optional.of(Finger.FIRST), 2));
    s = Lines.after(s, Decisions.pin(s, 11, Optional.of(Finger.THIRD), 1));
    s = Lines.after(s, Decisions.bow(s, 11, Signs.Bow.UP));
    s = Lines.after(s, Decisions.bow(s, 2, Signs.Bow.UP));
    s =
        Lines.after(
            s, Decisions.toggle(s, ReminderLayer.REMINDER, 2, Reminder.of(Reminder.Kind.COMMA)));
    s = Lines.after(s, Decisions.toggle(s, VibratoLayer.VIBRATO, 2, VibratoWish.USUAL));
    s = Lines.after(s, Decisions.keep(s, "dry", s.fingering()));
    s = Lines.after(s, Decisions.wish(s, new Wish.Ask(Wish.Kind.NO_OPEN, 0), 2, 4));
    s = Lines.after(s, Decisions.wish(s, new Wish.Ask(Wish.Kind.NOT_STRING, 3), 2, 2));
    Bar extra = score().bars().get(0).withEvents(List.of());
    List<Bar> longer = new ArrayList<>(score().bars());
    longer.add(1, extra);
    Score page = without(score().withBars(longer).laidOut(), 2);
    Reattachment r = Decisions.page(s, Said.of("words", "x"), page).marks();
    assertThat(r.lost())
        .extracting(l -> l.layer().id() + (l.place().counts() ? "" : "/" + l.place().version()))
        .containsExactly(
            "bow", "finger.adopted/dry", "finger.pinned", "reminder", "vibrato", "wish");
    assertThat(r.moved())
        .containsOnly(
            Map.entry(FingerLayer.PINNED, 1),
            Map.entry(BowLayer.BOW, 1),
            Map.entry(WishLayer.WISH, 1));
    var moved = r.marks().of(BowLayer.BOW).keySet().iterator().next();
    assertThat(((Anchor.Note) moved.anchor()).key().barIndex()).isEqualTo(2);
    assertThat(Wish.all(r.marks()))
        .singleElement()
        .satisfies(w -> assertThat(w.from().pitch()).isEqualTo(Pitch.parse("E5")));
  }

  /** A part taken to another octave keeps its marks when its file comes in again. */
  @Test
  void marksOfAPartInAnotherOctaveStay() {
    Passage high =
        Lines.passage()
            .withSettings(Lines.passage().settings().withReading(Reading.PLAIN.withOctaves(1)));
    Session s = Session.of(high, score());
    s = Lines.after(s, Decisions.pin(s, 2, Optional.of(Finger.FIRST), 1));
    Reattachment r = Decisions.bringIn(s, new SourceLayer.Source(4, "line.abc"), score()).marks();
    assertThat(r.lost()).isEmpty();
    assertThat(r.marks().of(FingerLayer.PINNED))
        .isEqualTo(s.passage().marks().of(FingerLayer.PINNED));
  }

  @Test
  void aChangeOfThePageHoldsOnlyTheBarsThatDifferAndItsHeading() {
    Session s = session();
    Score page = without(score(), 3).withTitle("Another").withTransposition(Interval.OCTAVE_DOWN);
    Change change = Decisions.page(s, Said.of("words", "cut"), page).change();
    assertThat(change.bars().orElseThrow().before()).hasSize(1);
    Session cut = s.after(s.step(change));
    assertThat(cut.page()).isEqualTo(page);
    Change title = Decisions.page(cut, Said.of("words", "title"), page.withTitle("More")).change();
    assertThat(title.bars()).isEmpty();
    Session titled = cut.after(cut.step(title));
    assertThat(titled.page().title()).isEqualTo("More");
    assertThat(titled.after(titled.undo().orElseThrow()).page()).isEqualTo(page);
    assertThat(Decisions.changesPage(cut.undo().orElseThrow())).isTrue();
  }

  @Test
  void aBarRangeKeepsTheKeysOfTheWholePage() {
    var settings = Lines.passage().settings().withReading(Reading.PLAIN.withBars("2", "2"));
    Session range = Session.of(Lines.passage().withSettings(settings), score());
    Session whole = session();
    assertThat(range.resolved().notes()).hasSize(4);
    assertThat(range.resolved().notes().get(0).key())
        .isEqualTo(whole.resolved().notes().get(8).key());
  }

  @Test
  void aBowMarkReplacesThePrintedOneAndCanBeTakenAway() {
    Session s = session();
    Session marked = Lines.after(s, Decisions.bow(s, 4, Signs.Bow.DOWN));
    assertThat(marked.bowAt(4)).isEqualTo(Signs.Bow.DOWN);
    assertThat(marked.bowAt(5)).isEqualTo(Signs.Bow.NONE);
    assertThat(Lines.after(marked, Decisions.bow(marked, 4, Signs.Bow.NONE)).bowAt(4))
        .isEqualTo(Signs.Bow.NONE);
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
    assertThat(Divided.bars(two)).containsExactly("1", "2");
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
    Session bench = session();
    var digits =
        bench.fingered(i -> i == 2).events().stream()
            .flatMap(e -> e.heads().stream())
            .map(h -> h.printedFinger())
            .filter(d -> !d.isEmpty())
            .toList();
    assertThat(digits)
        .containsExactly(bench.fingering().notes().get(2).orElseThrow().finger().digit());
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void pinAfterPinStandsAsAllPinsAtOnce(long seed) {
    Random random = new Random(seed);
    List<String> names = List.of("G3", "B3", "D4", "F4", "A4", "C5", "E5", "G5", "B4+G5", "D5+F5");
    StringBuilder notes = new StringBuilder("C5");
    for (int i = 1; i < 96; i++) {
      notes.append(' ').append(names.get(random.nextInt(names.size())));
    }
    Session now = Lines.session(notes.toString());
    FingeringSolver ways = new FingeringSolver(now.task());
    for (int pin = 0; pin < 40; pin++) {
      int note = random.nextInt(now.resolved().notes().size());
      List<NoteFinger> all =
          ways.choicesAt(note).stream().flatMap(w -> w.notes().get(note).stream()).toList();
      NoteFinger any = all.get(random.nextInt(all.size()));
      now = now.after(now.step(Decisions.pin(now, any))).computed(Token.NEVER);
      assertThat(now.fingering())
          .as("pin " + pin)
          .isEqualTo(Session.of(now.passage(), now.page()).fingering());
    }
  }
}
