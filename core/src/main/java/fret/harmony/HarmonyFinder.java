package fret.harmony;

import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Finds keys and chords from sounding notes: what each beat holds, keys over the bars, then the
 * bars' beats joined into as few chords as they bear.
 */
public final class HarmonyFinder {
  private final Score score;
  private final List<HarmonyNote> notes;
  private final Map<Integer, BarChords> asked;

  private HarmonyFinder(Score score, List<HarmonyNote> notes, Map<Integer, BarChords> asked) {
    this.score = score;
    this.notes = notes.stream().sorted(Comparator.comparing(HarmonyNote::onset)).toList();
    this.asked = asked;
  }

  /**
   * The harmony of a passage.
   *
   * @param notes of all parts that sound
   * @param asked chords that the player named, by index of the bar
   */
  public static Harmony of(Score score, List<HarmonyNote> notes, Map<Integer, BarChords> asked) {
    return notes.isEmpty() ? Harmony.NONE : new HarmonyFinder(score, notes, asked).find();
  }

  private Harmony find() {
    List<List<Beat>> bars = Beat.of(score, notes);
    List<Harmony.KeySpan> keys = new KeyFinder(score, bars).keys();
    Map<Integer, List<Harmony.ChordSpan>> heard =
        ChordFinder.of(bars, b -> keyAt(keys, score.bars().get(b).index())).stream()
            .collect(Collectors.groupingBy(Harmony.ChordSpan::bar));
    List<Harmony.ChordSpan> chords = new ArrayList<>();
    for (Bar bar : score.bars()) {
      int b = bar.index(); // An excerpt does not begin with the first.
      List<Harmony.ChordSpan> here = heard.getOrDefault(b, List.of());
      chords.addAll(asked.containsKey(b) ? named(bar, here, asked.get(b)) : here);
    }
    return new Harmony(keys, chords);
  }

  /** What is heard in a bar, with what the player named in its place. */
  private List<Harmony.ChordSpan> named(Bar bar, List<Harmony.ChordSpan> heard, BarChords own) {
    TreeMap<Fraction, Harmony.ChordSpan> all = new TreeMap<>();
    if (!own.whole()) {
      heard.forEach(c -> all.put(c.onset(), c));
    }
    own.at()
        .forEach(
            (place, chord) -> {
              Fraction onset = bar.start().add(place);
              all.put(onset, Harmony.ChordSpan.said(bar.index(), onset, chord));
            });
    return List.copyOf(all.values());
  }

  private static Key keyAt(List<Harmony.KeySpan> keys, int bar) {
    return keys.stream()
        .filter(k -> k.fromBar() <= bar && k.toBar() >= bar)
        .findFirst()
        .orElseThrow()
        .key();
  }
}
