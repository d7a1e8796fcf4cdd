package fret.format.midi;

import fret.base.Fractions;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Sets played notes on a grid and writes them as one voice. Each quarter is divided by 1, 2, 3, 4,
 * 6 or 8, whichever fits best with as few parts as needed.
 */
final class Quantizer {
  private static final int[] DIVISIONS = {1, 2, 4, 3, 8, 6};

  /** Quarters of mean deviation that a finer grid has to save for each part it adds. */
  private static final double PRICE_OF_A_PART = 0.006;

  private final List<MidiReader.Metre> metres;
  private final TreeMap<Double, KeySignature> keys;
  private final Map<Integer, Integer> divisionOfQuarter = new TreeMap<>();
  private double errorSum;
  private double worst;
  private int count;

  Quantizer(List<MidiReader.Metre> metres, TreeMap<Double, KeySignature> keys) {
    this.metres = metres;
    this.keys = keys;
  }

  /** Mean distance that onsets were moved, in quarters. */
  double meanError() {
    return count == 0 ? 0 : errorSum / count;
  }

  /** Largest distance that an onset was moved, in quarters. */
  double worstError() {
    return worst;
  }

  /** A chord or note on the grid; lengths in whole notes. */
  private record Placed(Fraction onset, Fraction end, List<Integer> midi) {}

  Score score(String name, List<MidiReader.Played> played, NavigableMap<Double, Double> tempos) {
    chooseGrid(played);
    TreeMap<Fraction, TreeSet<Integer>> chords = new TreeMap<>();
    Map<Fraction, Fraction> ends = new TreeMap<>();
    for (MidiReader.Played p : played) {
      Fraction onset = snapped(p.onset());
      double moved = Math.abs(onset.doubleValue() * 4 - p.onset());
      errorSum += moved;
      worst = Math.max(worst, moved);
      count++;
      chords.computeIfAbsent(onset, o -> new TreeSet<>()).add(p.midi());
      Fraction end = snapped(p.end());
      ends.merge(onset, end, Fractions::max);
    }
    return write(name, placed(chords, ends), tempos);
  }

  private void chooseGrid(List<MidiReader.Played> played) {
    Map<Integer, List<Double>> byQuarter = new TreeMap<>();
    for (MidiReader.Played p : played) {
      int quarter = (int) Math.floor(p.onset() + 0.06);
      byQuarter.computeIfAbsent(quarter, q -> new ArrayList<>()).add(p.onset() - quarter);
    }
    byQuarter.forEach((quarter, places) -> divisionOfQuarter.put(quarter, division(places)));
  }

  private static int division(List<Double> places) {
    int best = 1;
    double least = Double.MAX_VALUE;
    for (int division : DIVISIONS) {
      double error = 0;
      for (double place : places) {
        error += Math.abs(Math.rint(place * division) / division - place);
      }
      double price = error / places.size() + PRICE_OF_A_PART * division;
      if (price < least - 1e-12) {
        least = price;
        best = division;
      }
    }
    return best;
  }

  /** The grid's nearest onset in whole notes. */
  private Fraction snapped(double quarters) {
    int quarter = (int) Math.floor(quarters + 0.06);
    int division = divisionOfQuarter.getOrDefault(quarter, 4);
    int part = (int) Math.rint((quarters - quarter) * division);
    return Fraction.of(quarter, 4).add(Fraction.of(Math.max(0, part), 4 * division));
  }

  /** One voice: a note ends at the next one at the latest; small gaps are no rests. */
  private static List<Placed> placed(
      TreeMap<Fraction, TreeSet<Integer>> chords, Map<Fraction, Fraction> ends) {
    List<Placed> placed = new ArrayList<>();
    for (Fraction onset : chords.keySet()) {
      Fraction next = chords.higherKey(onset);
      Fraction end = Fractions.max(ends.get(onset), onset.add(Fraction.of(1, 64)));
      if (next != null) {
        Fraction gap = next.subtract(end);
        boolean small =
            gap.compareTo(Fraction.of(1, 16)) < 0
                || gap.compareTo(end.subtract(onset)) <= 0
                    && next.subtract(onset).compareTo(Fraction.of(1, 4)) <= 0;
        end = small ? next : end;
      } else {
        double quarters = end.doubleValue() * 4;
        end = Fractions.max(Fraction.of((int) Math.ceil(quarters - 0.01), 4), end);
      }
      placed.add(new Placed(onset, end, List.copyOf(chords.get(onset))));
    }
    return placed;
  }

  // ---- writing ---------------------------------------------------------------------------------

  private Score write(String name, List<Placed> placed, NavigableMap<Double, Double> tempos) {
    Clef clef = clef(placed);
    List<Bar> bars = new ArrayList<>();
    Fraction end = placed.get(placed.size() - 1).end();
    Fraction start = Fraction.ZERO;
    while (start.compareTo(end) < 0) {
      TimeSignature time = timeAt(start);
      Fraction barEnd = start.add(time.barLength());
      KeySignature key = keyAt(start);
      List<Event> events = new ArrayList<>();
      Fraction at = start;
      for (Placed p : placed) {
        if (p.end().compareTo(start) > 0 && p.onset().compareTo(barEnd) < 0) {
          Fraction from = Fractions.max(p.onset(), start);
          Fraction to = Fractions.min(p.end(), barEnd);
          piece(events, at, from, List.of(), key, false, false);
          piece(
              events,
              from,
              to,
              p.midi(),
              key,
              p.onset().compareTo(start) < 0,
              p.end().compareTo(barEnd) > 0);
          at = to;
        }
      }
      piece(events, at, barEnd, List.of(), key, false, false);
      List<Direction> directions = tempos(tempos, start, barEnd);
      bars.add(bar(bars.size(), start, time, key, clef, tuplets(events), directions));
      start = barEnd;
    }
    return new Score(name, "", name, Interval.UNISON, bars);
  }

  /**
   * The tempos that begin in a bar, to the nearest eighth; the first of all stands at the start.
   */
  private static List<Direction> tempos(
      NavigableMap<Double, Double> tempos, Fraction start, Fraction end) {
    Map<Fraction, Direction> all = new TreeMap<>();
    double apart = 2 * 4 * end.subtract(start).doubleValue();
    for (Map.Entry<Double, Double> e : tempos.entrySet()) {
      double quarter = Math.max(0, e.getKey());
      Fraction at = Fraction.of((int) Math.round(2 * quarter), 8);
      if (at.compareTo(start) >= 0 && at.compareTo(end) < 0) {
        Double before = tempos.lowerKey(e.getKey());
        Double after = tempos.higherKey(e.getKey());
        // Tempos that follow each other closely were played, not printed.
        boolean printed =
            (before == null || quarter - before >= apart)
                && (after == null || after - quarter >= apart);
        String text =
            printed || quarter == 0 && after == null
                ? String.format(Locale.ROOT, "quarter=%.0f", e.getValue())
                : "";
        all.put(at, new Direction(at, Direction.Kind.TEMPO, text, e.getValue()));
      }
    }
    return List.copyOf(all.values());
  }

  private static Bar bar(
      int index,
      Fraction start,
      TimeSignature time,
      KeySignature key,
      Clef clef,
      List<Event> events,
      List<Direction> directions) {
    return new Bar(
        index,
        String.valueOf(index + 1),
        start,
        time.barLength(),
        time,
        key,
        clef,
        List.of(),
        events,
        directions,
        false,
        false,
        List.of(),
        Bar.Line.PLAIN);
  }

  private TimeSignature timeAt(Fraction onset) {
    TimeSignature found = TimeSignature.COMMON_TIME;
    for (MidiReader.Metre m : metres) {
      found = m.quarter() <= onset.doubleValue() * 4 + 1e-9 ? m.time() : found;
    }
    return found;
  }

  private KeySignature keyAt(Fraction onset) {
    var entry = keys.floorEntry(onset.doubleValue() * 4 + 1e-9);
    return entry == null ? KeySignature.NONE : entry.getValue();
  }

  /** The clef with the fewest ledger lines. */
  private static Clef clef(List<Placed> placed) {
    double mean =
        placed.stream()
            .flatMap(p -> p.midi().stream())
            .mapToInt(Integer::intValue)
            .average()
            .orElse(70);
    return mean >= 64 ? Clef.TREBLE : mean >= 55 ? Clef.ALTO : Clef.BASS;
  }

  /** Adds notes or rests from one onset to another, cut where one value is not enough. */
  private void piece(
      List<Event> into,
      Fraction from,
      Fraction to,
      List<Integer> midi,
      KeySignature key,
      boolean tiedFrom,
      boolean tiedOn) {
    Fraction at = from;
    boolean first = true;
    while (at.compareTo(to) < 0) {
      Cut cut = next(at, to);
      Fraction end = at.add(cut.length());
      boolean more = end.compareTo(to) < 0;
      boolean before = !first || tiedFrom;
      boolean after = more || tiedOn;
      List<Head> heads =
          midi.stream().map(m -> Head.of(Pitch.ofMidi(m, key)).withTies(after, before)).toList();
      Signs signs =
          cut.triplet()
              ? Signs.PLAIN.withTuplet(new Signs.Tuplet(3, 2, false, false))
              : Signs.PLAIN;
      into.add(
          new Event("1", at, cut.length(), cut.value(), heads, Event.Grace.NONE, false, signs));
      at = end;
      first = false;
    }
  }

  private record Cut(Fraction length, NoteValue value, boolean triplet) {}

  /** The longest plain value that fits; within a quarter of triplets, one of a triplet. */
  private Cut next(Fraction at, Fraction to) {
    Fraction quarter = Fraction.of((int) Math.floor(at.doubleValue() * 4 + 1e-9), 4);
    int division = divisionOfQuarter.getOrDefault((int) Math.rint(quarter.doubleValue() * 4), 4);
    boolean onQuarter = at.equals(quarter);
    boolean triplets = division % 3 == 0;
    Fraction wholeQuarter = quarter.add(Fraction.of(1, 4));
    boolean insideTriplet = triplets && (!onQuarter || to.compareTo(wholeQuarter) < 0);
    Fraction limit = insideTriplet ? Fractions.min(to, wholeQuarter) : to;
    Fraction room = limit.subtract(at);
    if (insideTriplet) {
      for (int denominator = 8; denominator <= 64; denominator *= 2) {
        for (int quarterOrLess : new int[] {denominator / 2, denominator}) {
          NoteValue value = new NoteValue(quarterOrLess, 0);
          Fraction length = value.length().multiply(Fraction.of(2, 3));
          if (length.compareTo(room) <= 0) {
            return new Cut(length, value, true);
          }
        }
      }
    }
    for (int denominator = 1; denominator <= 128; denominator *= 2) {
      for (int dots = 1; dots >= 0; dots--) {
        NoteValue value = new NoteValue(denominator, dots);
        boolean dottedFits = dots == 0 || denominator >= 2;
        if (dottedFits && value.length().compareTo(room) <= 0) {
          return new Cut(value.length(), value, false);
        }
      }
    }
    return new Cut(room, new NoteValue(256, 0), false);
  }

  /** Marks where the groups of triplets begin and end: a group fills a quarter. */
  private static List<Event> tuplets(List<Event> events) {
    List<Event> marked = new ArrayList<>();
    for (int i = 0; i < events.size(); i++) {
      Event e = events.get(i);
      if (!e.signs().tuplet().isPresent()) {
        marked.add(e);
        continue;
      }
      boolean starts = e.onset().multiply(4).getDenominator() == 1;
      boolean stops = e.end().multiply(4).getDenominator() == 1;
      marked.add(e.withSigns(e.signs().withTuplet(new Signs.Tuplet(3, 2, starts, stops))));
    }
    return marked;
  }
}
