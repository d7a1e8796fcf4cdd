package fret.player;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.base.Leanings;
import fret.bowing.BowEffort;
import fret.bowing.BowLeaning;
import fret.bowing.BowPreset;
import fret.bowing.BowSetup;
import fret.instrument.InstrumentType;
import fret.passage.SettingLayers;
import fret.passage.Setup;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Habits move weights, to either side alike, and nothing in the middle. */
class HandHabitTest {
  @ParameterizedTest
  @EnumSource(HandHabit.class)
  void eachHabitMovesSomethingAndItsEndsAreOpposite(HandHabit habit) {
    Leanings<HandHabit> second = Leanings.<HandHabit>none().with(habit, 2);
    Leanings<HandHabit> first = Leanings.<HandHabit>none().with(habit, -2);
    int moved = 0;
    for (EffortKind kind : EffortKind.values()) {
      double on = HandHabit.factor(kind, second);
      assertThat(on * HandHabit.factor(kind, first)).isCloseTo(1, within(1e-12));
      moved += on == 1 ? 0 : 1;
      if (habit.more().contains(kind)) {
        assertThat(on).as(kind.id()).isGreaterThan(1);
      }
    }
    assertThat(moved).isPositive();
    assertThat(HandHabit.over(Preset.QUICK, Leanings.none())).isEqualTo(Preset.QUICK);
  }

  @ParameterizedTest
  @EnumSource(BowLeaning.class)
  void theSameOfTheBow(BowLeaning habit) {
    Leanings<BowLeaning> second = Leanings.<BowLeaning>none().with(habit, 1);
    int moved = 0;
    for (BowEffort kind : BowEffort.values()) {
      double usual = BowPreset.SURE.weight(kind);
      double now = BowSetup.USUAL.withLeanings(second).preset().weight(kind);
      assertThat(now).isCloseTo(usual * BowLeaning.factor(kind, second), within(1e-12));
      moved += now == usual ? 0 : 1;
    }
    assertThat(moved).isPositive();
  }

  @Test
  void aWeightIsThatOfThePresetTimesTheHabitTimesThePlayersOwn() {
    Leanings<HandHabit> leans = Leanings.<HandHabit>none().with(HandHabit.OPEN, 1);
    Setup setup =
        Setup.usual(InstrumentType.CELLO)
            .withWeights(Map.of(EffortKind.OPEN_LONG, 2.0))
            .withHabits(leans);
    assertThat(setup.preset().weight(EffortKind.OPEN_LONG)).isCloseTo(3.2, within(1e-12));
    assertThat(setup.withPreset("quick").habits()).as("a habit is the player's").isEqualTo(leans);
    assertThat(HandHabit.THUMB.isOf(InstrumentType.VIOLA)).isFalse();
    assertThat(HandHabit.THUMB.isOf(InstrumentType.BASS)).isTrue();
  }

  @Test
  void habitsAreStoredAndOldFormsLeanNowhere() {
    Setup setup =
        Setup.usual(InstrumentType.BASS)
            .withHabits(
                Leanings.<HandHabit>none().with(HandHabit.MOVE, -1).with(HandHabit.THUMB, 2));
    assertThat(SettingLayers.SETUP.read(SettingLayers.SETUP.write(setup))).isEqualTo(setup);
    BowSetup bow =
        BowSetup.USUAL.withLeanings(Leanings.<BowLeaning>none().with(BowLeaning.AGAIN, -2));
    assertThat(SettingLayers.BOW.read(SettingLayers.BOW.write(bow))).isEqualTo(bow);
  }

  @Test
  void nobodyLeansFurtherThanTheEnd() {
    Leanings<HandHabit> none = Leanings.none();
    assertThat(none.with(HandHabit.OPEN, 2).with(HandHabit.OPEN, 0).isNone()).isTrue();
    assertThatThrownBy(() -> none.with(HandHabit.OPEN, 3))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("OPEN");
  }
}
