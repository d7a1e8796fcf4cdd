package fret.session;

import fret.base.Said;
import fret.fingering.Fingering;
import fret.harmony.BarChords;
import fret.harmony.Chord;
import fret.harmony.ChordLayer;
import fret.harmony.Harmony;
import fret.harmony.HarmonyFinder;
import fret.harmony.HarmonyNote;
import fret.harmony.Key;
import fret.instrument.Instrument;
import fret.intonation.OpenStrings;
import fret.intonation.Temperament;
import fret.intonation.TemperamentLayer;
import fret.intonation.Tuned;
import fret.intonation.Tuner;
import fret.intonation.TuningLayer;
import fret.intonation.TuningSetup;
import fret.mark.Anchor;
import fret.mark.Place;
import fret.score.Bar;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.take.Expected;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** The ear's side of a passage: its harmony and tuning, and what the player decides of them. */
public final class Ear {
  private Ear() {}

  /** How the passage is tuned. */
  public static TuningSetup setup(Session s) {
    return s.passage().marks().at(TuningLayer.TUNING, Place.WHOLE).orElse(TuningSetup.USUAL);
  }

  /**
   * The harmony, from all parts that are given.
   *
   * @param others further parts of the file; those with other bars are left aside
   */
  public static Harmony harmony(Session s, List<Score> others) {
    List<HarmonyNote> notes = new ArrayList<>();
    add(s.resolved().notes(), notes);
    for (Score other : others) {
      if (other.bars().size() == s.page().bars().size()) {
        add(Resolver.resolve(other).notes(), notes);
      }
    }
    Map<Integer, BarChords> asked = new HashMap<>();
    s.passage()
        .marks()
        .of(ChordLayer.CHORD)
        .forEach(
            (place, chord) -> {
              if (place.anchor() instanceof Anchor.OfBar bar) {
                asked.put(bar.index(), chord);
              }
            });
    return HarmonyFinder.of(s.score(), notes, asked);
  }

  private static void add(List<SoundingNote> notes, List<HarmonyNote> into) {
    for (SoundingNote n : notes) {
      if (!n.isGrace()) {
        into.add(new HarmonyNote(n.onset(), n.duration(), n.pitch()));
      }
    }
  }

  /** Every note in its place. */
  public static Tuned tuned(Session s, Harmony harmony) {
    return tuned(s, s.fingering(), harmony);
  }

  /** The same under a fingering that is tried. */
  public static Tuned tuned(Session s, Fingering fingering, Harmony harmony) {
    TuningSetup setup = setup(s);
    return Tuner.of(
        s.resolved(),
        fingering,
        s.task().hand(),
        setup.of(instrument(s), a4(s)),
        harmony,
        n ->
            s.at(TemperamentLayer.TEMPERAMENT, n)
                .orElseGet(
                    () ->
                        setup.highLeading() && leads(s, harmony, n)
                            ? Temperament.PYTHAGOREAN
                            : setup.temperament()),
        setup.septimal());
  }

  /** The passage in each tuning, over strings that are tuned so. */
  public static List<Tuned> inEveryTuning(Session s, OpenStrings strings, Harmony harmony) {
    List<Tuned> all = new ArrayList<>();
    for (Temperament t : Temperament.values()) {
      all.add(
          Tuner.of(s.resolved(), s.fingering(), s.task().hand(), strings, harmony, n -> t, false));
    }
    return all;
  }

  private static Instrument instrument(Session s) {
    return s.task().hand().instrument();
  }

  private static double a4(Session s) {
    return s.passage().settings().setup().a4Hz();
  }

  /**
   * What a take of it is checked against: where a tuning was chosen, for the passage or for a note,
   * that one; else a note alone is in tune in any.
   */
  public static Expected expected(Session s, Harmony harmony) {
    TuningSetup setup = setup(s);
    List<Tuned> others =
        setup.isChosen() ? List.of() : inEveryTuning(s, setup.of(instrument(s), a4(s)), harmony);
    return TakeScore.of(s, tuned(s, harmony), others);
  }

  /** Whether a note is the seventh step of its key and goes up to the tonic. */
  static boolean leads(Session s, Harmony harmony, int note) {
    SoundingNote n = s.resolved().notes().get(note);
    Optional<Key> key = harmony.keyAt(n.key().barIndex());
    int next = n.slice() + 1;
    if (key.isEmpty() || next >= s.resolved().slices().size()) {
      return false;
    }
    boolean seventh = Math.floorMod(n.pitch().midi() + 1, 12) == key.get().tonic();
    return seventh
        && s.resolved().slices().get(next).starting().stream()
            .anyMatch(i -> s.resolved().notes().get(i).pitch().midi() == n.pitch().midi() + 1);
  }

  // ---- decisions -------------------------------------------------------------------------------

  /** The passage is tuned otherwise. */
  public static Change tune(Session s, TuningSetup setup) {
    Optional<TuningSetup> own =
        setup.equals(TuningSetup.USUAL) ? Optional.empty() : Optional.of(setup);
    return Change.of(
        Said.of("tuning.set"),
        s.passage().marks(),
        s.passage().marks().with(TuningLayer.TUNING, Place.WHOLE, own));
  }

  /** Notes are tuned otherwise; the passage's own tuning takes the mark away. */
  public static Change tune(Session s, int fromNote, int toNote, Temperament temperament) {
    boolean usual = setup(s).temperament() == temperament;
    var marks = s.passage().marks();
    for (int i = Math.min(fromNote, toNote); i <= Math.max(fromNote, toNote); i++) {
      Place place = Place.of(s.resolved().notes().get(i).key());
      marks =
          marks.with(
              TemperamentLayer.TEMPERAMENT,
              place,
              usual ? Optional.empty() : Optional.of(temperament));
    }
    return Change.of(
        Said.of("tuning.notes", Said.of("mark.tuning." + temperament)), s.passage().marks(), marks);
  }

  /**
   * The player names a chord where it stands in a bar; empty takes the name back. Where another one
   * is heard in the bar it stays.
   *
   * @param onset of the chord, in the bar
   */
  public static Change chord(Session s, Fraction onset, Optional<Chord> chord) {
    Bar bar = s.score().barAt(onset);
    Fraction at = onset.subtract(bar.start());
    Place place = Place.of(new Anchor.OfBar(bar.index()));
    Optional<BarChords> stands = s.passage().marks().at(ChordLayer.CHORD, place);
    Optional<BarChords> named =
        chord.isPresent()
            ? Optional.of(
                stands
                    .map(b -> b.with(at, chord.get()))
                    .orElseGet(() -> BarChords.at(at, chord.get())))
            : stands.flatMap(b -> b.without(at));
    return Change.of(
        Said.of("tuning.chord", bar.number()),
        s.passage().marks(),
        s.passage().marks().with(ChordLayer.CHORD, place, named));
  }
}
