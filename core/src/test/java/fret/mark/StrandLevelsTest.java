package fret.mark;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class StrandLevelsTest {
  @ParameterizedTest
  @EnumSource(Strand.class)
  void eachLineHasItsOwnLevel(Strand strand) {
    StrandLevels levels = StrandLevels.EVEN.with(strand, -1.5);
    for (Strand other : Strand.values()) {
      assertThat(levels.of(other)).isEqualTo(other == strand ? -1.5 : 0);
    }
    assertThat(levels.with(strand, 0)).isEqualTo(StrandLevels.EVEN);
  }

  @ParameterizedTest
  @ValueSource(doubles = {-3.5, 4, Double.NaN})
  void whatLiesTooFarFromThePassageIsRefused(double level) {
    assertThatThrownBy(() -> StrandLevels.EVEN.with(Strand.PEDAL, level))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("levels louder");
  }

  @Test
  void theyAreStoredAndReadBack() {
    StrandLevels levels = new StrandLevels(0.5, -1.5, 1);
    assertThat(StrandLevelsLayer.LEVELS.read(StrandLevelsLayer.LEVELS.write(levels)))
        .isEqualTo(levels);
    for (Strand strand : Strand.values()) {
      assertThat(StrandLayer.STRAND.read(StrandLayer.STRAND.write(strand))).isEqualTo(strand);
    }
    assertThat(StrandLayer.STRAND.concern()).isEqualTo(Layer.Concern.BOW);
  }
}
