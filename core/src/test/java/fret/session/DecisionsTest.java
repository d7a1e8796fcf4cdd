package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.fingering.Fingering;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.DampLayer;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.passage.Details;
import fret.passage.Passage;
import fret.passage.Setup;
import fret.passage.TempoMark;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Resolver;
import fret.score.Score;
import fret.search.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What the player asks for, keeps and marks, as changes of a passage; tempo plans; presets. */
class DecisionsTest {
  private static final Score CLIMB = Lines.page("B4 C5 D5 E5 F5 G5 A5 B5 C6 B5 A5 G5 F5 E5 D5 C5");

  private static Session session() {
    return Session.of(Lines.passage(), CLIMB);
  }

  @Test
  void aWishIsAskedAndTakenBackByTheSameWord() {
    Session s = session();
    Wish.Ask noOpen = new Wish.Ask(Wish.Kind.NO_OPEN, 0);
    Change ask = Decisions.wish(s, noOpen, 5, 2);
    assertThat(ask.name())
        .isEqualTo(Said.of("wish.asked", Said.of("wish.NO_OPEN"), Said.of("bar", "1")));
    Session with = Lines.after(s, ask);
    assertThat(Wish.all(with.passage().marks())).hasSize(1);
    for (int i = 2; i <= 5; i++) {
      assertThat(with.fingering().notes().get(i).orElseThrow().isOpen()).isFalse();
    }
    Change back = Decisions.wish(with, noOpen, 2, 5);
    assertThat(back.name().id()).isEqualTo("wish.withdrawn");
    assertThat(back.applyTo(with.passage())).isEqualTo(Lines.passage());
    assertThat(ask.inverse().applyTo(with.passage())).isEqualTo(Lines.passage());
    Wish wish = Wish.all(with.passage().marks()).get(0);
    assertThat(Decisions.withdraw(with, wish).applyTo(with.passage())).isEqualTo(Lines.passage());
  }

  @Test
  void aFingeringIsKeptByNameAndComesBackUnchanged() {
    Session s = session();
    Fingering other = s.freeSolver(Token.NEVER).alternatives(3).get(2);
    Session kept = Lines.after(s, Decisions.keep(s, "dry room", other));
    Session adopted = Lines.after(kept, Decisions.adopt(kept, s.fingering()));
    assertThat(adopted.kept("dry room", Token.NEVER).notesUnlike(other)).isZero();
    assertThat(adopted.fingering().notesUnlike(s.fingering())).isZero();
    Session without = Lines.after(adopted, Decisions.forget(adopted, "dry room"));
    assertThat(without.passage().marks().versions(FingerLayer.ADOPTED)).isEmpty();
  }

  @Test
  void vibratoIsMarkedAndTakenOff() {
    Session s = session();
    Session marked =
        Lines.after(s, Decisions.toggle(s, VibratoLayer.VIBRATO, 3, VibratoWish.USUAL));
    assertThat(marked.at(VibratoLayer.VIBRATO, 3)).isPresent();
    assertThat(
            Decisions.toggle(marked, VibratoLayer.VIBRATO, 3, VibratoWish.USUAL)
                .applyTo(marked.passage()))
        .isEqualTo(Lines.passage());
    assertThat(marked.fingering().notes().get(3).orElseThrow().isOpen()).isFalse();
  }

  @Test
  void onlySomeNotesAreCompared() {
    Session s = session();
    for (Fingering f : s.freeSolver(4, 8, Token.NEVER).alternativesTo(s.fingering(), 3)) {
      for (int i = 0; i < 16; i++) {
        if (i < 4 || i > 8) {
          assertThat(f.notes().get(i)).isEqualTo(s.fingering().notes().get(i));
        }
      }
      assertThat(f.notesUnlike(s.fingering())).isPositive();
    }
  }

  @Test
  void aReminderIsPencilledReplacedAndRubbedOut() {
    Session s = session();
    Reminder look = Reminder.of(Reminder.Kind.GLASSES);
    Session glasses = Lines.after(s, Decisions.toggle(s, ReminderLayer.REMINDER, 3, look));
    assertThat(Digits.pencilled(glasses))
        .singleElement()
        .satisfies(t -> assertThat(t.pencilled()).containsExactly(look));
    Session word =
        Lines.after(
            glasses, Decisions.toggle(glasses, ReminderLayer.REMINDER, 3, Reminder.word("low")));
    assertThat(word.at(ReminderLayer.REMINDER, 3)).contains(Reminder.word("low"));
    Change off = Decisions.toggle(word, ReminderLayer.REMINDER, 3, Reminder.word("low"));
    assertThat(off.applyTo(word.passage())).isEqualTo(Lines.passage());
    assertThatThrownBy(() -> Reminder.word(" ")).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void printedWordsAreObeyedUnlessAPinSaysOtherwise() {
    List<Bar> bars = new ArrayList<>(CLIMB.bars());
    Direction words =
        new Direction(bars.get(0).start(), Direction.Kind.WORDS, "on the A string", 0);
    bars.set(0, bars.get(0).withDirections(List.of(words)));
    Score page = CLIMB.withBars(bars);
    Session b = Session.of(Lines.passage(), page);
    assertThat(b.printedWishes()).hasSize(1);
    assertThat(b.fingering().notes()).allMatch(n -> n.orElseThrow().string() == 2);
    Session mine = Lines.after(b, Decisions.pin(b, 8, Optional.of(Finger.FOURTH), 1));
    assertThat(mine.fingering().notes().get(8).orElseThrow().string()).isEqualTo(1);
    assertThat(mine.fingering().problems()).isNotEmpty();
  }

  @Test
  void sectionsGradualChangesAndHoldsMakeTheTempo() {
    Details details =
        Details.NONE.withTempoMarks(
            List.of(
                new TempoMark("2", TempoMark.Kind.SECTION, 40),
                new TempoMark("2", TempoMark.Kind.HOLD, 1.5)));
    Passage p = Lines.passage().withSettings(Lines.passage().settings().withDetails(details));
    var tempo = Session.of(p, CLIMB).task().tempo();
    // four quarters at 80 are 3 s; in bar 2 at 40 they are 6 s, and the hold adds 1.5 s
    assertThat(tempo.msAt(Fraction.ONE)).isCloseTo(3000, within(1e-6));
    assertThat(tempo.msAt(Fraction.of(2)) - tempo.msAt(Fraction.ONE)).isCloseTo(7500, within(1e-6));
    assertThatThrownBy(() -> new TempoMark("2", TempoMark.Kind.SECTION, 0))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aMarkAndAWishSayWhatTheyAreOrAreNone() {
    var key = Resolver.resolve(CLIMB).notes().get(0).key();
    assertThatThrownBy(() -> FingerMark.of(Optional.empty(), 0))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Wish(Wish.Kind.ON_STRING, key, key, 0))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Wish(Wish.Kind.NO_OPEN, key, key, 2))
        .isInstanceOf(IllegalArgumentException.class);
  }

  static List<Preset> presets() {
    return Preset.all();
  }

  /** Every preset gives a playable fingering, and its own weights are the ones that count. */
  @ParameterizedTest
  @MethodSource("presets")
  void everyPresetFingersThePassage(Preset preset) {
    Passage p =
        Lines.passage()
            .withSettings(
                Lines.passage()
                    .settings()
                    .withSetup(Lines.passage().settings().setup().withPreset(preset.id())));
    Session b = Session.of(p, CLIMB);
    assertThat(b.fingering().notes()).allMatch(Optional::isPresent);
    assertThat(b.task().preset()).isEqualTo(preset);
    assertThat(Preset.named(preset.id())).contains(preset);
    for (EffortKind kind : EffortKind.values()) {
      assertThat(preset.weight(kind)).isNotNegative();
    }
  }

  @Test
  void aWeightOfOnesOwnBeatsThePreset() {
    Setup mine = Setup.usual(InstrumentType.CELLO).withWeights(Map.of(EffortKind.FOURTH, 1.25));
    assertThat(mine.preset().weight(EffortKind.FOURTH)).isEqualTo(1.25);
    assertThat(mine.preset().weight(EffortKind.SHIFT))
        .isEqualTo(Preset.SURE.weight(EffortKind.SHIFT));
    assertThat(mine.withPreset("quick").weights()).as("another preset starts afresh").isEmpty();
    assertThatThrownBy(() -> Preset.SURE.with("x", Map.of(EffortKind.SHIFT, Double.NaN)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** One word over each moment of the stretch, a full stop leaves one free; one decision. */
  @Test
  void wordsAreWrittenOverAStretchAtOnce() {
    Session s = Lines.session("D5 E5 F5 G5 A5 G5");
    s = Lines.after(s, Decisions.words(s, 1, 4, List.of("ri", ".", "ver", "run", "on")));
    assertThat(s.at(ReminderLayer.REMINDER, 0)).isEmpty();
    assertThat(s.at(ReminderLayer.REMINDER, 1)).contains(Reminder.word("ri"));
    assertThat(s.at(ReminderLayer.REMINDER, 2)).isEmpty();
    assertThat(s.at(ReminderLayer.REMINDER, 3)).contains(Reminder.word("ver"));
    assertThat(s.at(ReminderLayer.REMINDER, 4)).contains(Reminder.word("run"));
    assertThat(s.at(ReminderLayer.REMINDER, 5)).as("behind the stretch").isEmpty();
  }

  /** A finger that is needed for the note damps nothing, whatever was marked. */
  @Test
  void aFingerThatPlaysDampsNothing() {
    Session s = Lines.session("D5 E5 F5 G5 A5 G5");
    int busy = s.bowTask().hand().get(2).fingers().iterator().next();
    Finger plays = Finger.values()[busy];
    Finger free = plays == Finger.FIRST ? Finger.SECOND : Finger.FIRST;
    Session damped = Lines.after(s, Decisions.toggle(s, DampLayer.DAMP, 2, free));
    assertThat(damped.bowTask().rules().damped()).containsExactly(2);
    Session needed = Lines.after(s, Decisions.toggle(s, DampLayer.DAMP, 2, plays));
    assertThat(needed.bowTask().rules().damped()).isEmpty();
  }
}
