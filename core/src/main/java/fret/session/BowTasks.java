package fret.session;

import fret.bowing.Adopted;
import fret.bowing.BowEffort;
import fret.bowing.BowLayers;
import fret.bowing.BowPreset;
import fret.bowing.BowRules;
import fret.bowing.BowSetup;
import fret.bowing.BowSpeed;
import fret.bowing.BowTask;
import fret.bowing.HandAt;
import fret.fingering.Fingering;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.joint.Hands;
import fret.mark.BowLayer;
import fret.mark.DampLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.mark.ReturnsWish;
import fret.passage.Passage;
import fret.score.LoudnessLine;
import fret.score.OwnLine;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import org.apache.commons.numbers.fraction.Fraction;

/** Makes the task of the bow from a passage's marks and settings. */
final class BowTasks {
  /** Effort of a bar bowed unlike its like where the player wants them alike. */
  private static final double WANTED = 10;

  private BowTasks() {}

  /**
   * @param printed the passage without any decision
   * @param version empty for what counts
   * @param held moments at which an adopted bowing counts
   */
  static BowTask of(
      Passage passage,
      ResolvedPassage printed,
      TempoMap tempo,
      Fingering fingering,
      String version,
      IntPredicate held) {
    BowSetup setup = passage.settings().bow();
    Instrument instrument = passage.settings().setup().strung();
    Marks marks = passage.marks();
    Map<Fraction, Double> offsets = new HashMap<>();
    Strands.offsets(marks, printed)
        .forEach((slice, level) -> offsets.put(printed.slices().get(slice).onset(), level));
    Map<Integer, Adopted> adopted = at(marks, BowLayers.ADOPTED, printed, version);
    adopted.keySet().removeIf(m -> !held.test(m));
    List<HandAt> hand = Hands.of(printed, fingering);
    BowRules rules =
        new BowRules(
            setup.slurs(),
            at(marks, BowLayer.BOW, printed, version),
            at(marks, BowLayers.JOINT, printed, version),
            at(marks, BowLayers.STROKE, printed, version),
            at(marks, BowLayers.SOUNDS, printed, version),
            at(marks, BowLayers.PLACE, printed, version),
            at(marks, BowLayers.SPOT, printed, version),
            at(marks, BowLayers.AMOUNT, printed, version),
            at(marks, BowLayers.CONTACT, printed, version),
            at(marks, BowLayers.SOUND, printed, version),
            damped(marks, printed, hand));
    return new BowTask(
        printed,
        tempo,
        instrument,
        hand,
        LoudnessLine.of(printed.score(), ownLine(marks, printed, version))
            .shaped(setup.shape().of(printed, at(marks, BowLayers.PHRASE, printed, version)))
            .offset(offsets),
        setup.bow(instrument),
        new BowSpeed(
            BowSpeed.usual(instrument.type()).instrument(),
            setup.meaning() * setup.habits().speed()),
        alike(setup.preset(), Pipeline.returns(passage)),
        rules.over(adopted),
        setup.habits());
  }

  /** Where a finger damps that has nothing else to do. */
  private static Set<Integer> damped(Marks marks, ResolvedPassage printed, List<HandAt> hand) {
    Map<Integer, Finger> marked = at(marks, DampLayer.DAMP, printed, "");
    marked.entrySet().removeIf(e -> hand.get(e.getKey()).fingers().contains(e.getValue().rank()));
    return marked.keySet();
  }

  /** What it is worth that bars which come back are bowed alike. */
  private static BowPreset alike(BowPreset preset, ReturnsWish returns) {
    return switch (returns) {
      case USUAL -> preset;
      case ALIKE -> preset.with(preset.id(), Map.of(BowEffort.UNLIKE, WANTED));
      case VARIED, OTHERWISE -> preset.with(preset.id(), Map.of(BowEffort.UNLIKE, 0.0));
    };
  }

  /** The player's own loudness. */
  static OwnLine ownLine(Marks marks, ResolvedPassage printed, String version) {
    return OwnLines.of(
        marks,
        printed.slices(),
        at(marks, BowLayers.LEVEL, printed, version),
        at(marks, BowLayers.SWELL, printed, version));
  }

  /** What a layer says in a version, by moment. */
  private static <V> Map<Integer, V> at(
      Marks marks, NoteLayer<V> layer, ResolvedPassage resolved, String version) {
    Map<Integer, V> all = new HashMap<>();
    if (!marks.of(layer).isEmpty()) {
      for (SoundingNote n : resolved.notes()) {
        Optional<V> value = marks.at(layer, Place.of(n.key()).in(version));
        value.ifPresent(v -> all.put(n.slice(), v));
      }
    }
    return all;
  }
}
