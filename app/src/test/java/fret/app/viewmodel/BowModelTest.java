package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.BowEffort;
import fret.bowing.BowHabit;
import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.PhraseMark;
import fret.mark.BowLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.score.Signs;
import fret.session.BowDecisions;
import fret.session.Session;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a key of the bow arm does, and what is looked at beside it. */
class BowModelTest {
  @TempDir Path dir;
  private Room room;
  private Studio studio;
  private BowModel model;
  private StrokeDecisions keys;

  @BeforeEach
  void open() {
    room = new Room(dir.resolve("library.sqlite"));
    studio = room.studio;
    room.open(0);
    room.settle();
    model = new BowModel(studio);
    keys = model.decisions();
    studio.select(3);
  }

  @AfterEach
  void close() {
    room.close();
  }

  private Session shown() {
    room.settle();
    return studio.shown();
  }

  private <V> Optional<V> at(NoteLayer<V> layer, int moment) {
    return BowDecisions.at(shown(), layer, moment);
  }

  private Marks stored() {
    room.settle();
    return room.passage(0).marks();
  }

  @Test
  void oneKeyTurnsTheStrokeAndUndoTurnsItBack() {
    boolean down = model.stroke().orElseThrow().down();
    keys.turn();
    assertThat(shown().bowing().strokeAt(3).orElseThrow().down()).isEqualTo(!down);
    assertThat(stored().of(BowLayer.BOW)).hasSize(2);
    studio.undo();
    assertThat(shown().bowing().strokeAt(3).orElseThrow().down()).isEqualTo(down);
    assertThat(stored().of(BowLayer.BOW)).isEmpty();
  }

  @Test
  void jointsKindsPlacesLengthsAndAmountsAreDecidedAtTheSelectedNote() {
    keys.joint(BowRules.Joint.BREAK);
    assertThat(at(BowLayers.JOINT, 3)).contains(BowRules.Joint.BREAK);
    keys.nextKind();
    assertThat(at(BowLayers.STROKE, 3)).isPresent();
    keys.nextPlace();
    assertThat(at(BowLayers.PLACE, 3)).contains(0.0);
    keys.nextPlace();
    assertThat(at(BowLayers.PLACE, 3)).contains(0.5);
    keys.longer(-1);
    assertThat(at(BowLayers.SOUNDS, 3).orElseThrow()).isLessThan(1);
    keys.amount(true);
    assertThat(at(BowLayers.AMOUNT, 3).orElseThrow()).isGreaterThan(1);
    keys.clear(3, 3);
    for (NoteLayer<?> layer : BowLayers.ALL) {
      assertThat(at(layer, 3)).as(layer.id()).isEmpty();
    }
  }

  @Test
  void theLineIsDecidedByKeyAndByDrawing() {
    keys.louder(1);
    assertThat(at(BowLayers.LEVEL, 3)).contains(5.0);
    keys.drawLevel(5, 2.2);
    assertThat(at(BowLayers.LEVEL, 5)).contains(2.0);
    keys.nextVibrato();
    assertThat(at(VibratoLayer.VIBRATO, 3)).contains(VibratoWish.USUAL);
    keys.phrase(PhraseMark.TOP);
    assertThat(at(BowLayers.PHRASE, 3)).contains(PhraseMark.TOP);
    assertThat(stored().of(BowLayers.LEVEL)).hasSize(2);
  }

  @Test
  void whatCannotBeIsToldAndChangesNothing() {
    Marks before = stored();
    studio.select(0);
    keys.joint(BowRules.Joint.HOOK);
    keys.slur(0, 0);
    keys.turnSecondTime();
    keys.levelABar(0, 3, 1);
    assertThat(stored()).isEqualTo(before);
    assertThat(studio.messageProperty().get()).isNotBlank();
  }

  @Test
  void notesAreSlurredOverTheSelection() {
    keys.slur(2, 5);
    assertThat(shown().bowing().strokeAt(2).orElseThrow().toMoment()).isEqualTo(5);
  }

  @Test
  void anotherWayIsTriedAndAdopted() {
    model.setComparing(true);
    room.settle();
    List<BowModel.Option> all = model.optionsProperty().get().orElseThrow();
    assertThat(all).extracting(BowModel.Option::kind).contains(BowModel.Kind.STANDING);
    assertThat(all).extracting(BowModel.Option::kind).contains(BowModel.Kind.PRINTED);
    Bowing other =
        all.stream()
            .filter(o -> o.kind() == BowModel.Kind.PROPOSED)
            .findFirst()
            .orElseThrow()
            .bowing();
    model.tryOut(other);
    room.settle();
    assertThat(model.shown().bowing()).isEqualTo(other);
    assertThat(shown().passage().marks().any(BowLayers.ADOPTED)).as("only tried").isFalse();
    model.adopt();
    assertThat(shown().bowing().differsFrom(other)).isEmpty();
    assertThat(model.triedProperty().get()).as("what stands is shown again").isEmpty();
  }

  @Test
  void theOtherDirectionHasItsPrice() {
    model.setComparing(true);
    room.settle();
    BowModel.Turned turned = model.turnedProperty().get().orElseThrow();
    boolean down = model.stroke().orElseThrow().down();
    assertThat(turned.arm().bowing().strokeAt(3).orElseThrow().down()).isEqualTo(!down);
    assertThat(turned.extraEffort()).isGreaterThanOrEqualTo(0);
  }

  @Test
  void versionsAreKeptUsedAndForgotten() {
    keys.turn();
    boolean turned = shown().bowing().strokeAt(3).orElseThrow().down();
    keys.keep("section");
    keys.use("");
    assertThat(shown().bowing().strokeAt(3).orElseThrow().down()).isEqualTo(!turned);
    keys.use("section");
    assertThat(shown().bowing().strokeAt(3).orElseThrow().down()).isEqualTo(turned);
    keys.forget("section");
    assertThat(stored().versions(BowLayer.BOW)).isEmpty();
    keys.keep("  ");
    assertThat(stored().versions(BowLayer.BOW)).as("a version has a name").isEmpty();
  }

  @Test
  void weightsAndHabitsAreTheBowsOwnSettings() {
    keys.weigh(BowEffort.HOOK, 0.2);
    assertThat(shown().bowTask().preset().weight(BowEffort.HOOK)).isEqualTo(0.2);
    keys.change(
        fret.base.Said.of("bow.hair.set"),
        b -> b.withHair(50).withHabits(b.habits().with(BowHabit.SOUND, BowHabit.Way.BY_WEIGHT)));
    assertThat(shown().bowTask().bow().hairCm()).isEqualTo(50);
    assertThat(shown().bowTask().speed().meaning()).isEqualTo(0.8);
  }

  /** A range holds the weight that stands. */
  @Test
  void eachWeightHasItsRange() {
    model.findRanges();
    room.settle();
    assertThat(model.rangesProperty().get()).containsKeys(BowEffort.UP_FIRST, BowEffort.UNLIKE);
    double weight = shown().bowTask().preset().weight(BowEffort.UP_FIRST);
    assertThat(model.rangesProperty().get().get(BowEffort.UP_FIRST).least())
        .isLessThanOrEqualTo(weight);
  }

  @Test
  void theMarkOfADirectionStandsInTheFileThatIsSaved() {
    keys.turn();
    Signs.Bow mark = shown().bowAt(3);
    assertThat(mark).isNotEqualTo(Signs.Bow.NONE);
  }

  /** Nothing of the bow is planned on the interface thread; the second key counts on the first. */
  @Test
  void keysDoNotWaitForTheAnswerToTheKeyBefore() {
    Session before = studio.shown();
    boolean down = before.bowing().strokeAt(3).orElseThrow().down();
    keys.turn();
    assertThat(studio.shown()).as("the answer is under way").isSameAs(before);
    keys.turn();
    keys.louder(1);
    keys.louder(1);
    keys.longer(-1);
    keys.longer(-1);
    assertThat(shown().bowing().strokeAt(3).orElseThrow().down())
        .as("turned twice")
        .isEqualTo(down);
    assertThat(at(BowLayers.LEVEL, 3)).as("two levels").contains(6.0);
    assertThat(at(BowLayers.SOUNDS, 3)).as("two eighths shorter").contains(0.75);
    keys.slur(2, 5);
    keys.slur(2, 5);
    assertThat(at(BowLayers.JOINT, 4)).as("slurred and parted").contains(BowRules.Joint.BREAK);
  }
}
