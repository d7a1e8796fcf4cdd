package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.ContactWish;
import fret.bowing.HairWish;
import fret.bowing.PhraseMark;
import fret.bowing.SoundWish;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.bowing.Swell;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.score.Bar;
import fret.score.Direction;
import fret.search.Token;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** One key acts on all that is selected, once, and is undone once. */
class BowSelectionTest {
  private static final int FROM = 3;
  private static final int TO = 10;

  private Session s;
  private Marks page;

  @BeforeEach
  void open() {
    s = Lines.session("D5 E5 F5 G5 A5 G5 F5 E5 D5 E5 F5 G5 A5 G5 F5 E5");
    page = s.passage().marks();
  }

  private void press(Function<BowSelection, Optional<Change>> key) {
    press(FROM, TO, key);
  }

  private void press(int from, int to, Function<BowSelection, Optional<Change>> key) {
    Change change = key.apply(new BowSelection(s, from, to)).orElseThrow();
    s = s.after(s.step(change)).computed(Token.NEVER);
  }

  private void undo() {
    s = s.after(s.undo().orElseThrow()).computed(Token.NEVER);
  }

  private Stroke at(int moment) {
    return s.bowing().strokeAt(moment).orElseThrow();
  }

  private <V> List<V> all(NoteLayer<V> layer, int from, int to) {
    return IntStream.rangeClosed(from, to)
        .mapToObj(m -> BowDecisions.at(s, layer, m).orElse(null))
        .toList();
  }

  private <V> List<V> in(NoteLayer<V> layer) {
    return all(layer, FROM, TO);
  }

  @Test
  void theFirstIsTurnedAndTheRestAlternatesFromIt() {
    press(2, 2, selected -> selected.joint(BowRules.Joint.HOOK));
    List<Boolean> before = s.bowing().strokes().stream().map(Stroke::down).toList();
    press(BowSelection::turn);
    assertThat(at(FROM).down()).isNotEqualTo(before.get(FROM));
    for (int m = FROM + 1; m <= TO; m++) {
      assertThat(at(m).down()).as("moment %d", m).isNotEqualTo(at(m - 1).down());
    }
    assertThat(at(FROM - 1).down()).as("what is before stays").isEqualTo(before.get(FROM - 1));
    undo();
    assertThat(s.bowing().strokes().stream().map(Stroke::down)).isEqualTo(before);
  }

  @Test
  void aHookOrARetakeStandsBeforeEachOrBeforeNone() {
    press(selected -> selected.joint(BowRules.Joint.RETAKE));
    assertThat(in(BowLayers.JOINT)).containsOnly(BowRules.Joint.RETAKE);
    assertThat(at(FROM + 2).retake()).isPresent();
    press(selected -> selected.joint(BowRules.Joint.RETAKE));
    assertThat(in(BowLayers.JOINT)).containsOnlyNulls();
    undo();
    undo();
    assertThat(s.passage().marks()).isEqualTo(page);
  }

  @Test
  void allGetTheNextKindOfTheFirst() {
    press(FROM + 1, FROM + 1, BowSelection::nextKind);
    press(BowSelection::nextKind);
    assertThat(in(BowLayers.STROKE)).containsOnly(StrokeKind.DETACHE);
    press(BowSelection::nextKind);
    assertThat(in(BowLayers.STROKE)).containsOnly(StrokeKind.MARTELE);
    assertThat(at(TO).kind()).isEqualTo(StrokeKind.MARTELE);
    undo();
    undo();
    assertThat(in(BowLayers.STROKE).stream().filter(Objects::nonNull)).hasSize(1);
  }

  /**
   * A kind that slurred notes alone can have goes past the single ones, and the other way round.
   */
  @Test
  void whatCannotHaveAKindKeepsItsOwn() {
    s = s.after(s.step(BowDecisions.slur(s, 5, 7).orElseThrow())).computed(Token.NEVER);
    press(BowSelection::nextKind);
    press(BowSelection::nextKind);
    assertThat(all(BowLayers.STROKE, FROM, 4)).containsOnly(StrokeKind.MARTELE);
    assertThat(all(BowLayers.STROKE, 5, 5)).containsOnlyNulls();
    assertThat(at(5).kind()).isEqualTo(StrokeKind.LEGATO);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, -1})
  void eachIsLongerOrShorterByAStep(int way) {
    List<Double> before =
        IntStream.rangeClosed(FROM, TO).mapToObj(m -> at(m).at(m).sounds()).toList();
    press(selected -> selected.longer(way));
    for (int m = FROM; m <= TO; m++) {
      double sounds = BowDecisions.at(s, BowLayers.SOUNDS, m).orElseThrow();
      assertThat(sounds).isCloseTo(Math.min(1.2, before.get(m - FROM) + way * 0.125), within(1e-9));
    }
    undo();
    assertThat(in(BowLayers.SOUNDS)).containsOnlyNulls();
  }

  /** Louder as far as the selection goes, and as loud as before after it. */
  @Test
  void theSelectionAloneIsLouder() {
    double before = s.bowing().moments().get(FROM).level();
    press(selected -> selected.louder(1));
    press(selected -> selected.louder(1));
    for (int m = 0; m < s.bowing().moments().size(); m++) {
      double level = s.bowing().moments().get(m).fromLevel();
      assertThat(level).as("moment %d", m).isEqualTo(m < FROM || m > TO ? before : before + 2);
    }
    undo();
    undo();
    assertThat(s.passage().marks()).isEqualTo(page);
    press(FROM, FROM, selected -> selected.louder(-1));
    assertThat(s.bowing().moments().get(TO + 3).fromLevel())
        .as("one note: from there on")
        .isEqualTo(before - 1);
  }

  @Test
  void bowIsSavedOrSpentOnAll() {
    press(selected -> selected.amount(true));
    assertThat(in(BowLayers.AMOUNT)).containsOnly(BowDecisions.SPENT);
    press(selected -> selected.amount(false));
    assertThat(in(BowLayers.AMOUNT)).containsOnly(BowDecisions.SAVED);
    press(selected -> selected.amount(false));
    assertThat(in(BowLayers.AMOUNT)).containsOnlyNulls();
  }

  @Test
  void theWaysOfVibratoGoRoundForAll() {
    for (VibratoWish wish : VibratoWish.values()) {
      press(BowSelection::nextVibrato);
      assertThat(in(VibratoLayer.VIBRATO)).containsOnly(wish);
    }
    press(BowSelection::nextVibrato);
    assertThat(in(VibratoLayer.VIBRATO)).containsOnlyNulls();
  }

  @Test
  void aPhraseHasItsTopOnTheHighestNoteAndItsEndOnTheLast() {
    press(selected -> selected.phrase(PhraseMark.TOP));
    assertThat(BowDecisions.at(s, BowLayers.PHRASE, 4)).contains(PhraseMark.TOP);
    press(selected -> selected.phrase(PhraseMark.END));
    assertThat(BowDecisions.at(s, BowLayers.PHRASE, TO)).contains(PhraseMark.END);
  }

  /** An own hairpin over a stretch is one slope, drawn on the page, and taken back by its key. */
  @Test
  void anOwnHairpinGoesOverTheSelection() {
    double before = s.bowing().moments().get(FROM).fromLevel();
    press(selected -> selected.swell(Swell.GROWS));
    assertThat(in(BowLayers.SWELL)).containsOnly(Swell.GROWS);
    assertThat(s.bowing().moments().get(FROM).fromLevel()).isCloseTo(before, within(1e-9));
    assertThat(s.bowing().moments().get(TO).toLevel()).isCloseTo(before + 1, within(1e-6));
    assertThat(s.arm().page().score().bars())
        .flatExtracting(Bar::directions)
        .extracting(Direction::kind)
        .contains(Direction.Kind.CRESCENDO);
    press(selected -> selected.swell(Swell.FADES));
    assertThat(s.bowing().moments().get(TO).toLevel()).isCloseTo(before - 1, within(1e-6));
    press(selected -> selected.swell(Swell.FADES));
    assertThat(in(BowLayers.SWELL)).containsOnlyNulls();
  }

  @Test
  void contactHairAndMoverGoRoundForAll() {
    double planned = at(FROM).at(FROM).contactMm();
    press(BowSelection::nextContact);
    assertThat(in(BowLayers.CONTACT)).containsOnly(ContactWish.NEARER);
    assertThat(at(FROM).at(FROM).contactMm()).isCloseTo(0.75 * planned, within(0.3));
    press(BowSelection::nextHair);
    assertThat(in(BowLayers.HAIR)).contains(HairWish.FLAT);
    press(BowSelection::nextMover);
    assertThat(in(BowLayers.MOVER)).contains(StrokeKind.Mover.ARM);
    for (int i = 1; i < ContactWish.values().length + 1; i++) {
      press(BowSelection::nextContact);
    }
    assertThat(in(BowLayers.CONTACT)).containsOnlyNulls();
  }

  /** A quarter more bow, a quarter less with the bow nearer the bridge, then as it was. */
  @Test
  void whatTheSoundIsMadeOfGoesRoundForAll() {
    double usual = at(FROM).naturalCm();
    double far = at(FROM).at(FROM).contactMm();
    double force = at(FROM).at(FROM).force();
    press(BowSelection::nextSound);
    assertThat(in(BowLayers.SOUND)).containsOnly(SoundWish.MUCH_BOW);
    assertThat(at(FROM).naturalCm()).isCloseTo(1.25 * usual, within(1e-6));
    assertThat(at(FROM).at(FROM).force()).as("little weight").isLessThan(force);
    press(BowSelection::nextSound);
    assertThat(at(FROM).naturalCm()).isCloseTo(0.75 * usual, within(1e-6));
    assertThat(at(FROM).at(FROM).contactMm()).isLessThan(far);
    assertThat(at(FROM).at(FROM).force()).as("much weight").isGreaterThan(force);
    press(BowSelection::nextSound);
    press(BowSelection::nextSound);
    assertThat(in(BowLayers.SOUND)).containsOnlyNulls();
    assertThat(at(FROM).naturalCm()).isCloseTo(usual, within(1e-9));
  }

  /** Along a swell by weight alone the bow keeps the speed with which the stretch began. */
  @Test
  void aSwellByWeightKeepsTheSpeedOfTheBow() {
    press(selected -> selected.swell(Swell.GROWS));
    double growing = at(TO).naturalCm();
    for (int i = 0; i <= SoundWish.SWELL_BY_WEIGHT.ordinal(); i++) {
      press(BowSelection::nextSound);
    }
    assertThat(in(BowLayers.SOUND)).containsOnly(SoundWish.SWELL_BY_WEIGHT);
    assertThat(at(TO).naturalCm()).isLessThan(growing);
    double perMs = at(FROM).naturalCm() / at(FROM).timeMs();
    assertThat(at(TO).naturalCm() / at(TO).timeMs()).isCloseTo(perMs, within(1e-9));
    assertThat(s.bowing().moments().get(TO).toLevel()).as("as loud as before").isGreaterThan(4);
  }

  /** At the frog, in the middle, near the tip: the middle of every stroke stays there. */
  @Test
  void aStretchStaysOnItsSpot() {
    double hair = s.bowTask().bow().hairCm();
    for (double spot : new double[] {0.2, 0.5, 0.8}) {
      press(BowSelection::nextPlace);
      for (int m = FROM; m <= TO; m++) {
        double middle = (at(m).startCm() + at(m).endCm()) / 2;
        assertThat(middle / hair).as("%s at %d", spot, m).isCloseTo(spot, within(0.04));
      }
    }
    press(BowSelection::nextPlace);
    assertThat(in(BowLayers.SPOT)).containsOnlyNulls();
  }

  /** Every key, on any selection, is one step that one undo takes back. */
  @Test
  void everyKeyIsUndoneAtOnce() {
    List<Function<BowSelection, Optional<Change>>> keys =
        List.of(
            BowSelection::turn,
            selected -> selected.joint(BowRules.Joint.BREAK),
            selected -> selected.joint(BowRules.Joint.HOOK),
            selected -> selected.joint(BowRules.Joint.RETAKE),
            BowSelection::nextKind,
            BowSelection::nextPlace,
            selected -> selected.longer(-1),
            selected -> selected.louder(1),
            selected -> selected.amount(true),
            BowSelection::nextVibrato,
            selected -> selected.swell(Swell.GROWS),
            BowSelection::nextContact,
            BowSelection::nextHair,
            BowSelection::nextMover,
            selected -> selected.phrase(PhraseMark.TOP));
    for (int from = 0; from < 5; from++) {
      for (Function<BowSelection, Optional<Change>> key : keys) {
        Session before = s;
        int to = from + 6;
        Optional<Change> change = key.apply(new BowSelection(s, from, to));
        assertThat(change).isPresent();
        s = s.after(s.step(change.get())).computed(Token.NEVER);
        assertThat(s.passage().marks()).isNotEqualTo(before.passage().marks());
        undo();
        assertThat(s.passage().marks()).isEqualTo(before.passage().marks());
        assertThat(s.bowing().strokes()).isEqualTo(before.bowing().strokes());
      }
    }
  }
}
