package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.BowLayer;
import fret.mark.NoteLayer;
import fret.passage.Passage;
import fret.score.Signs;
import fret.session.Session;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is decided of the bow survives being written down; nonsense is refused by name. */
class BowLayersTest {
  private static <V> void comesBack(NoteLayer<V> layer, List<V> values) {
    for (V value : values) {
      assertThat(layer.read(layer.write(value))).isEqualTo(value);
      assertThat(layer.told(value).id()).isNotBlank();
    }
    assertThat(layer.concern()).isEqualTo(NoteLayer.Concern.BOW);
  }

  @Test
  void everyMarkComesBack() {
    comesBack(BowLayer.BOW, List.of(Signs.Bow.values()));
    comesBack(BowLayers.JOINT, List.of(BowRules.Joint.values()));
    comesBack(BowLayers.STROKE, List.of(StrokeKind.values()));
    for (NoteLayer<Double> layer :
        List.of(
            BowLayers.SOUNDS, BowLayers.PLACE, BowLayers.SPOT, BowLayers.AMOUNT, BowLayers.LEVEL)) {
      comesBack(layer, List.of(0.25, 0.6, 1.0));
    }
    comesBack(
        BowLayers.ADOPTED,
        List.of(
            new Adopted(Signs.Bow.DOWN, Optional.empty()),
            new Adopted(Signs.Bow.UP, Optional.of(BowRules.Joint.HOOK)),
            new Adopted(Signs.Bow.NONE, Optional.of(BowRules.Joint.SLUR))));
    comesBack(BowLayers.PHRASE, List.of(PhraseMark.values()));
    comesBack(BowLayers.SWELL, List.of(Swell.values()));
    comesBack(BowLayers.CONTACT, List.of(ContactWish.values()));
    comesBack(BowLayers.HAIR, List.of(HairWish.values()));
    comesBack(BowLayers.MOVER, List.of(StrokeKind.Mover.values()));
    comesBack(BowLayers.SOUND, List.of(SoundWish.values()));
    assertThat(BowLayers.ALL.stream().map(NoteLayer::id).distinct()).hasSize(15);
  }

  @Test
  void whatIsDecidedStandsOverWhatIsHeld() {
    BowRules own =
        BowRules.NONE.withBows(Map.of(2, Signs.Bow.UP)).withJoints(Map.of(4, BowRules.Joint.BREAK));
    BowRules rules =
        own.over(
            Map.of(
                2, new Adopted(Signs.Bow.DOWN, Optional.of(BowRules.Joint.RETAKE)),
                4, new Adopted(Signs.Bow.NONE, Optional.of(BowRules.Joint.SLUR)),
                6, new Adopted(Signs.Bow.DOWN, Optional.empty())));
    assertThat(rules.bows()).isEqualTo(Map.of(2, Signs.Bow.UP, 6, Signs.Bow.DOWN));
    assertThat(rules.joints()).isEqualTo(Map.of(2, BowRules.Joint.RETAKE, 4, BowRules.Joint.BREAK));
  }

  @ParameterizedTest
  @ValueSource(doubles = {-0.1, 1.1, Double.NaN})
  void aPlaceOffTheBowIsRefused(double share) {
    assertThatThrownBy(() -> BowRules.NONE.withStarts(Map.of(3, share)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("outside 0 to 1");
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, -1, Double.NaN})
  void anAmountOfNothingIsRefused(double factor) {
    assertThatThrownBy(() -> BowRules.NONE.withAmounts(Map.of(3, factor)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("not above 0");
  }

  @Test
  void theSetupGivesTheInstrumentsBowOrThePlayersOwn() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    assertThat(BowSetup.USUAL.bow(cello).hairCm()).isEqualTo(57);
    assertThat(BowSetup.USUAL.withHair(55.5).bow(cello).hairCm()).isEqualTo(55.5);
    BowSetup own = BowSetup.USUAL.withPreset("solo").withWeight(BowEffort.HOOK, 2);
    assertThat(own.preset().weight(BowEffort.HOOK)).isEqualTo(2);
    assertThat(own.preset().weight(BowEffort.THIN))
        .isEqualTo(BowPreset.SOLO.weight(BowEffort.THIN));
    assertThat(own.withPreset("light").weights()).as("own weights go with the preset").isEmpty();
    assertThatThrownBy(() -> BowSetup.USUAL.withHair(12)).hasMessageContaining("12.0 cm");
    assertThatThrownBy(() -> BowSetup.USUAL.withMeaning(3)).hasMessageContaining("0.5 to 2");
    assertThatThrownBy(() -> BowPreset.SURE.with("x", Map.of(BowEffort.HOOK, -1.0)))
        .hasMessageContaining("hook is -1.0");
  }

  /** The player's own hair and loudness reach the plan. */
  @Test
  void theSetupIsPlannedWith() {
    Passage plain = fret.session.Lines.passage();
    Session usual = Session.of(plain, fret.session.Lines.page("D5 E5 F5 G5"));
    BowSetup mine = BowSetup.USUAL.withHair(40).withMeaning(0.5);
    Session own =
        Session.of(
            plain.withSettings(plain.settings().withBow(mine)),
            fret.session.Lines.page("D5 E5 F5 G5"));
    assertThat(own.bowTask().bow().hairCm()).isEqualTo(40);
    Stroke before = usual.bowing().strokes().get(0);
    Stroke after = own.bowing().strokes().get(0);
    assertThat(after.naturalCm())
        .isCloseTo(before.naturalCm() / 2, org.assertj.core.api.Assertions.within(1e-6));
  }
}
