package fret.care;

import static org.assertj.core.api.Assertions.assertThat;

import fret.care.Recovery.Step;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What hurts waits, is asked after, and comes back by steps (common practice, no source). */
class CareTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 2);
  private static final Set<BodyPart> NOWHERE = Set.of();

  private static JournalEntry hurt(long id, LocalDate day, String chunk, int seconds) {
    return new JournalEntry(
        id, 1, day, chunk, DrillKind.STRAIGHT, 80, 80, seconds, Verdict.HURTS, Breakage.NONE, "");
  }

  private static Told told(long id, BodyPart part, HowMuch much) {
    return Told.NOTHING.with(id, new Ache(part, much));
  }

  @Test
  void nothingWaitsWhereNothingHurt() {
    Care care = Care.of(List.of(), Told.NOTHING, DAY);
    assertThat(care.isAny()).isFalse();
    assertThat(care.share(DAY)).isEqualTo(1);
    Strain much = Strain.NONE.with(Strain.MUCH, BodyPart.THUMB);
    assertThat(care.opens(much, NOWHERE)).isEmpty();
  }

  /** The day is over, whatever was planned; what is not said yet counts as anything. */
  @Test
  void theSessionStopsAndWhatIsNotSaidIsAnything() {
    Care care = Care.of(List.of(hurt(7, DAY, "bars-1-2", 20)), Told.NOTHING, DAY);
    assertThat(care.rests()).isTrue();
    assertThat(care.share(DAY)).isZero();
    assertThat(care.parts()).extracting(Recovery::part).containsExactly(BodyPart.ELSEWHERE);
    assertThat(care.opens(Strain.NONE.with(Strain.SOME, BodyPart.NECK), NOWHERE)).isPresent();
    assertThat(care.asks(Told.NOTHING)).as("not on the same day").isFalse();
  }

  /** Rest, light work, more, all: each step so many days as it hurt. */
  @ParameterizedTest
  @EnumSource(HowMuch.class)
  void itComesBackBySteps(HowMuch much) {
    List<JournalEntry> journal = List.of(hurt(7, DAY, "bars-1-2", 20));
    Told told = told(7, BodyPart.FOURTH_FINGER, much);
    List<Step> seen = new ArrayList<>();
    LocalDate day = DAY;
    for (int i = 0; i <= 2 * much.days() + 1; i++) {
      Care care = Care.of(journal, told, day);
      assertThat(care.asks(told)).isEqualTo(care.isAny() && i > 0);
      told = i == 0 ? told : told.answered(day, true);
      Care after = Care.of(journal, told, day);
      seen.add(after.isAny() ? after.parts().get(0).step() : Step.ALL);
      assertThat(after.asks(told)).isFalse();
      day = day.plusDays(1);
    }
    List<Step> expected = new ArrayList<>(List.of(Step.WAITS));
    expected.addAll(java.util.Collections.nCopies(much.days(), Step.LIGHT));
    expected.addAll(java.util.Collections.nCopies(much.days(), Step.MORE));
    expected.add(Step.ALL);
    assertThat(seen).isEqualTo(expected);
  }

  @Test
  void withoutAnAnswerNothingComesBackAndStillBeginsAgain() {
    List<JournalEntry> journal = List.of(hurt(7, DAY, "bars-1-2", 20));
    Told said = told(7, BodyPart.WRIST, HowMuch.A_LITTLE);
    assertThat(Care.of(journal, said, DAY.plusDays(20)).rests()).isTrue();
    Told better = said.answered(DAY.plusDays(1), true);
    assertThat(Care.of(journal, better, DAY.plusDays(9)).parts().get(0).step())
        .isEqualTo(Step.LIGHT);
    Told still = better.answered(DAY.plusDays(2), false);
    Care care = Care.of(journal, still, DAY.plusDays(2));
    assertThat(care.rests()).isTrue();
    assertThat(care.parts().get(0).last()).isEqualTo(DAY.plusDays(2));
  }

  /** The plan counts with the earliest days, never before what it was told. */
  @Test
  void whatLoadsItMuchComesBackLast() {
    Care care =
        Care.of(
            List.of(hurt(7, DAY, "bars-1-2", 20)),
            told(7, BodyPart.LEFT_HAND, HowMuch.CLEARLY),
            DAY);
    Strain some = Strain.NONE.with(Strain.SOME, BodyPart.LEFT_HAND);
    Strain much = Strain.NONE.with(Strain.MUCH, BodyPart.LEFT_HAND);
    Strain bow = Strain.NONE.with(Strain.MUCH, BodyPart.BOW_ARM);
    assertThat(care.opens(Strain.NONE, NOWHERE)).isEmpty();
    assertThat(care.opens(bow, NOWHERE)).as("it does not load the hand").isEmpty();
    assertThat(care.opens(some, NOWHERE)).contains(DAY.plusDays(3));
    assertThat(care.opens(much, NOWHERE)).contains(DAY.plusDays(5));
    assertThat(care.opens(Strain.NONE, Set.of(BodyPart.LEFT_HAND)))
        .as("the music at which it hurt")
        .contains(DAY.plusDays(5));
    assertThat(care.over()).isEqualTo(DAY.plusDays(5));
    assertThat(care.share(DAY.plusDays(1))).isEqualTo(1 / 3.0);
    assertThat(care.share(DAY.plusDays(3))).isEqualTo(2 / 3.0);
    assertThat(care.share(DAY.plusDays(5))).isEqualTo(1);
  }

  @Test
  void lightWorkIsAThirdAndOnlyOnTheDayOnWhichItIsWanted() {
    List<JournalEntry> journal = List.of(hurt(7, DAY, "bars-1-2", 20));
    Told told = told(7, BodyPart.NECK, HowMuch.BADLY).light(DAY);
    assertThat(Care.of(journal, told, DAY).share(DAY)).isEqualTo(1 / 3.0);
    LocalDate next = DAY.plusDays(1);
    assertThat(Care.of(journal, told, next).share(next)).isZero();
  }

  /** Twice within seven days is a week of rest; eight days apart it is not. */
  @Test
  void twiceInAWeekIsRest() {
    Told told =
        told(7, BodyPart.THUMB, HowMuch.A_LITTLE)
            .with(9, new Ache(BodyPart.THUMB, HowMuch.CLEARLY))
            .answered(DAY.plusDays(1), true)
            .answered(DAY.plusDays(6), true);
    LocalDate second = DAY.plusDays(5);
    List<JournalEntry> near = List.of(hurt(7, DAY, "a", 20), hurt(9, second, "b", 20));
    Care care = Care.of(near, told, DAY.plusDays(6));
    assertThat(care.isAgain()).isTrue();
    assertThat(care.parts().get(0).step()).isEqualTo(Step.WAITS);
    assertThat(care.parts().get(0).much()).isEqualTo(HowMuch.CLEARLY);
    assertThat(care.asks(told)).as("rest, whatever is said").isFalse();
    assertThat(care.parts().get(0).on(second.plusDays(6))).isEqualTo(Step.WAITS);
    assertThat(care.parts().get(0).on(second.plusDays(7))).isEqualTo(Step.LIGHT);
    Care later = Care.of(near, told, second.plusDays(7));
    assertThat(later.asks(told)).isTrue();
    LocalDate far = DAY.plusDays(8);
    List<JournalEntry> apart = List.of(hurt(7, DAY, "a", 20), hurt(9, far, "b", 20));
    assertThat(Care.of(apart, told, far).isAgain()).isFalse();
    Told elsewhere = told.with(9, new Ache(BodyPart.NECK, HowMuch.A_LITTLE));
    assertThat(Care.of(near, elsewhere, second).isAgain()).as("another part").isFalse();
  }

  /** A try that is written to several chunks hurt once. */
  @Test
  void theChunksOfOneTryAreOnePain() {
    List<JournalEntry> one = List.of(hurt(7, DAY, "a", 20), hurt(8, DAY, "b", 0));
    Care care = Care.of(one, told(7, BodyPart.NECK, HowMuch.A_LITTLE), DAY);
    assertThat(care.isAgain()).isFalse();
    assertThat(care.parts()).hasSize(1);
    assertThat(care.parts().get(0).where())
        .containsExactlyInAnyOrder(new Recovery.Where(1, "a"), new Recovery.Where(1, "b"));
    List<JournalEntry> two = List.of(hurt(7, DAY, "a", 20), hurt(8, DAY, "b", 15));
    Told both =
        told(7, BodyPart.NECK, HowMuch.A_LITTLE).with(8, new Ache(BodyPart.NECK, HowMuch.A_LITTLE));
    assertThat(Care.of(two, both, DAY).isAgain()).isTrue();
  }

  @Test
  void thePlayerMayHaveEverythingBackAtOnce() {
    List<JournalEntry> journal = List.of(hurt(7, DAY, "a", 20));
    assertThat(Care.of(journal, Told.NOTHING.overUpTo(7), DAY).isAny()).isFalse();
    assertThat(Care.of(journal, Told.NOTHING.overUpTo(6), DAY).isAny()).isTrue();
  }
}
