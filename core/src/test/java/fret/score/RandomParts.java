package fret.score;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Parts of any shape for a violin, by seed: changing metres, pick-ups, rests, repeats with endings,
 * slurs, ties, grace notes, double stops, dynamics, hairpins and printed bow marks.
 */
public final class RandomParts {
  private static final List<TimeSignature> METRES =
      List.of(
          TimeSignature.COMMON_TIME,
          TimeSignature.of(3, 4),
          TimeSignature.of(6, 8),
          TimeSignature.of(2, 4),
          TimeSignature.of(5, 8));

  private static final List<String> SCALE =
      List.of("G3 A3 B3 C4 D4 E4 F#4 G4 A4 B4 C5 D5 E5 F#5 G5 A5 B5".split(" "));

  private final Random random;
  private final List<Bar> bars = new ArrayList<>();
  private Fraction at = Fraction.ZERO;
  private TimeSignature metre = TimeSignature.COMMON_TIME;
  private boolean slurred;
  private boolean tied;
  private int step;
  private int section;

  private RandomParts(long seed) {
    this.random = new Random(seed);
    this.step = random.nextInt(SCALE.size());
  }

  /** A part of some bars. */
  public static Score of(long seed, int bars) {
    return new RandomParts(seed).make(bars);
  }

  private boolean chance(int percent) {
    return random.nextInt(100) < percent;
  }

  private Score make(int count) {
    if (chance(30)) {
      at = Fraction.of(-1, 8);
      bar(Fraction.of(1, 8), false);
    }
    for (int i = 0; i < count; i++) {
      metre = chance(15) ? METRES.get(random.nextInt(METRES.size())) : metre;
      boolean last = i + 1 == count;
      bar(last && chance(20) ? metre.unit() : metre.barLength(), last);
    }
    repeats();
    return new Score("random", "", "", Interval.UNISON, bars);
  }

  private void bar(Fraction length, boolean last) {
    List<Event> events = new ArrayList<>();
    List<Direction> directions = new ArrayList<>();
    Fraction end = at.add(length);
    Fraction start = at;
    boolean rests = chance(8);
    while (at.compareTo(end) < 0) {
      Fraction value = value(end.subtract(at));
      boolean ends = last && at.add(value).equals(end);
      if (chance(8)) {
        directions.add(new Direction(at, Direction.Kind.DYNAMIC, dynamic(), 0));
      } else if (chance(4)) {
        directions.add(new Direction(at, Direction.Kind.CRESCENDO, "", 1));
        directions.add(new Direction(at.add(value), Direction.Kind.HAIRPIN_END, "", 1));
      }
      if (rests || !tied && chance(10)) {
        events.add(rest(value, ends));
      } else {
        grace(events);
        events.add(note(value, ends));
      }
      at = at.add(value);
    }
    bars.add(
        new Bar(
            bars.size(),
            String.valueOf(bars.size() + 1),
            start,
            length,
            metre,
            KeySignature.NONE,
            Clef.TREBLE,
            List.of(),
            events,
            directions,
            false,
            false,
            List.of(),
            Bar.Line.PLAIN));
  }

  private String dynamic() {
    return LoudnessLine.WORDS.get(1 + random.nextInt(6));
  }

  private Fraction value(Fraction room) {
    Fraction value = Fraction.of(1, List.of(4, 8, 8, 16, 16, 2).get(random.nextInt(6)));
    while (value.compareTo(room) > 0) {
      value = value.divide(2);
    }
    return value;
  }

  private Event rest(Fraction value, boolean ends) {
    Signs signs = Signs.PLAIN;
    if (slurred) {
      endSlur();
    }
    slurred &= !ends;
    return new Event(
        "1",
        at,
        value,
        NoteValue.ofLength(value).orElseThrow(),
        List.of(),
        Event.Grace.NONE,
        false,
        signs);
  }

  /** A slur cannot go over a rest: it ends with the last note before it. */
  private void endSlur() {
    slurred = false;
    for (int i = bars.size() - 1; i >= 0; i--) {
      List<Event> events = new ArrayList<>(bars.get(i).events());
      for (int k = events.size() - 1; k >= 0; k--) {
        Event e = events.get(k);
        if (!e.isRest() && !e.isGrace()) {
          List<Integer> starts = e.signs().slurStarts();
          List<Integer> stops = starts.isEmpty() ? List.of(1) : List.of();
          events.set(k, e.withSigns(e.signs().withSlurs(List.of(), stops)));
          bars.set(i, bars.get(i).withEvents(events));
          return;
        }
      }
    }
  }

  private void grace(List<Event> events) {
    if (!tied && chance(4)) {
      events.add(
          new Event(
              "1",
              at,
              Fraction.ZERO,
              new NoteValue(8, 0),
              List.of(Head.of(pitch())),
              Event.Grace.SLASHED,
              false,
              Signs.PLAIN));
    }
  }

  private Pitch pitch() {
    step = Math.max(0, Math.min(SCALE.size() - 1, step + random.nextInt(7) - 3));
    return Pitch.parse(SCALE.get(step));
  }

  private Event note(Fraction value, boolean ends) {
    Signs signs = Signs.PLAIN;
    if (slurred && (ends || chance(35))) {
      signs = signs.withSlurs(List.of(), List.of(1));
      slurred = false;
    } else if (!slurred && !ends && chance(20)) {
      signs = signs.withSlurs(List.of(1), List.of());
      slurred = true;
    }
    if (chance(6)) {
      signs = signs.withBow(chance(50) ? Signs.Bow.DOWN : Signs.Bow.UP);
    }
    if (chance(8)) {
      signs = signs.withArticulations(articulations());
    }
    boolean stop = tied;
    boolean tieOn = !ends && chance(5);
    Pitch pitch = stop ? Pitch.parse(SCALE.get(step)) : pitch();
    List<Head> heads = new ArrayList<>(List.of(Head.of(pitch).withTies(tieOn, stop)));
    if (!stop && !tieOn && chance(8) && step >= 2) {
      heads.add(Head.of(Pitch.parse(SCALE.get(step - 2))));
    }
    tied = tieOn;
    NoteValue written = NoteValue.ofLength(value).orElseThrow();
    return new Event("1", at, value, written, heads, Event.Grace.NONE, false, signs);
  }

  private Set<Signs.Articulation> articulations() {
    Signs.Articulation[] all = Signs.Articulation.values();
    return EnumSet.of(all[random.nextInt(all.length)]);
  }

  /** Repeat signs, some with two endings; no tie leads over one. */
  private void repeats() {
    section = 0;
    for (int i = 1; i < bars.size(); i++) {
      if (chance(25)) {
        bars.set(
            section,
            bars.get(section).withRepeats(true, bars.get(section).repeatEnd(), ends(section)));
        boolean endings = i > section + 1 && i + 1 < bars.size() && chance(50);
        bars.set(
            i,
            bars.get(i)
                .withRepeats(bars.get(i).repeatStart(), true, endings ? List.of(1) : List.of()));
        if (endings) {
          bars.set(i + 1, bars.get(i + 1).withRepeats(false, false, List.of(2)));
          i++;
        }
        section = i + 1;
        i++;
      }
    }
  }

  private List<Integer> ends(int bar) {
    return bars.get(bar).endings();
  }
}
