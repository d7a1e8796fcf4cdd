package fret.bench;

import fret.base.UnusableInput;
import fret.format.abc.AbcReader;
import fret.instrument.InstrumentType;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Parts as they lie on stands, by seed: scales and sung lines, broken chords, arpeggios and swings
 * over strings in a fifth of the bars, chords of two to four notes, two voices, grace notes and
 * trills in a twentieth each, rests, a repeat, changes of clef, and figures that return.
 */
final class RealPart {
  private static final String[] LETTERS = {"C", "D", "E", "F", "G", "A", "B"};
  private static final String KEYS = "G D A F Bb C";
  private static final int BARS_OF_A_SECTION = 16;
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private final Random random;
  private final InstrumentType type;
  private final int lowest;
  private final List<String> made = new ArrayList<>();
  private final List<Integer> twoVoiced = new ArrayList<>();
  private int step;

  private RealPart(InstrumentType type, long seed) {
    this.random = new Random(seed);
    this.type = type;
    // Steps of the scale over C0: the second lowest string.
    this.lowest =
        switch (type) {
          case VIOLIN -> 29;
          case VIOLA -> 25;
          case CELLO -> 18;
          case BASS -> throw new IllegalArgumentException("no part for the bass");
        };
    this.step = lowest + 5;
  }

  /** A part of some bars in common time. */
  static Score of(InstrumentType type, int bars, long seed) {
    return new RealPart(type, seed).make(bars);
  }

  private Score make(int bars) {
    StringBuilder abc = new StringBuilder("X:1\nT:part\nM:4/4\nL:1/16\nQ:1/4=96\n");
    String clef =
        switch (type) {
          case VIOLIN -> "treble";
          case VIOLA -> "alto";
          default -> "bass";
        };
    abc.append("K:").append(KEYS.split(" ")[random.nextInt(6)]).append(" clef=").append(clef);
    abc.append('\n');
    for (int i = 0; i < bars; i++) {
      boolean opens = i == BARS_OF_A_SECTION;
      boolean closes = i == 2 * BARS_OF_A_SECTION - 1 && i + 1 < bars;
      abc.append(opens ? "|:" : "").append(bar(i)).append(closes ? " :|" : " |");
      abc.append(i % 4 == 3 ? "\n" : "");
    }
    try {
      return withLowerVoices(AbcReader.read("part.abc", abc + "\n").value());
    } catch (UnusableInput e) {
      throw new IllegalStateException(e);
    }
  }

  private boolean chance(int percent) {
    return random.nextInt(100) < percent;
  }

  /** What comes is new, or was there before. */
  private String bar(int index) {
    if (index > 4 && chance(25)) {
      made.add(made.get(index - 1 - random.nextInt(Math.min(index - 1, 8))));
      return made.get(index);
    }
    int kind = random.nextInt(100);
    String bar;
    if (kind < 20) {
      bar = broken(kind % 3);
    } else if (kind < 25) {
      bar = chords();
    } else if (kind < 30) {
      twoVoiced.add(index);
      bar = sung(lowest + 8, 4, 16);
    } else if (kind < 35) {
      bar = ornamented();
    } else if (kind < 40) {
      bar = "z4 " + sung(lowest + 4, 4, 12);
    } else if (kind < 65) {
      bar = run();
    } else {
      bar = sung(lowest + 4, chance(50) ? 2 : 4, 16);
    }
    made.add(bar);
    return bar;
  }

  /** Nearer the middle than before, by a step or two, seldom more. */
  private int next(int from) {
    int middle = lowest + 8;
    int leap = chance(80) ? 1 + random.nextInt(2) : 3 + random.nextInt(4);
    int way = random.nextInt(20) < 10 + from - middle ? -1 : 1;
    return Math.max(lowest, Math.min(lowest + 17, from + way * leap));
  }

  private String run() {
    StringBuilder line = new StringBuilder();
    int way = step > lowest + 8 ? -1 : 1;
    for (int i = 0; i < 16; i++) {
      boolean opens = i % 8 == 0;
      line.append(opens ? "(" : "").append(note(step)).append(i % 8 == 7 ? ") " : "");
      way = chance(12) || step + way < lowest || step + way > lowest + 17 ? -way : way;
      step += way;
    }
    return line.toString();
  }

  private String broken(int kind) {
    int root = lowest + random.nextInt(6);
    int[] steps =
        switch (kind) {
          case 0 -> new int[] {0, 2, 4, 7, 9, 7, 4, 2};
          case 1 -> new int[] {0, 4, 9, 4, 0, 4, 9, 4};
          default -> new int[] {4, 0, 5, 0, 6, 0, 5, 0};
        };
    StringBuilder line = new StringBuilder();
    for (int i = 0; i < 16; i++) {
      boolean slurred = kind < 2;
      line.append(slurred && i % 4 == 0 ? "(" : "").append(note(root + steps[i % 8]));
      line.append(slurred && i % 4 == 3 ? ") " : i % 4 == 3 ? " " : "");
    }
    return line.toString();
  }

  private String chords() {
    StringBuilder line = new StringBuilder();
    for (int i = 0; i < 4; i++) {
      int root = lowest + random.nextInt(4);
      int notes = 2 + random.nextInt(3);
      // Octave, then third or fifth over it: what lies under a hand over neighbouring strings.
      int[] steps = notes == 2 ? new int[] {0, 5} : new int[] {-4, 0, 5, 9};
      line.append('[');
      for (int k = 0; k < notes; k++) {
        line.append(note(root + steps[k]));
      }
      line.append("]4 ");
    }
    return line.toString();
  }

  private String ornamented() {
    step = next(step);
    String trill = "T" + note(step) + "8";
    int after = next(step);
    return trill + " {" + note(after + 1) + "}" + note(after) + "4 " + note(next(after)) + "4";
  }

  private String sung(int from, int longest, int length) {
    StringBuilder line = new StringBuilder();
    step = Math.max(from, step);
    int left = length;
    while (left > 0) {
      int value = Math.min(left, chance(30) ? longest : 2);
      boolean slur = value == 2 && left >= 4 && chance(50);
      line.append(slur ? "(" : "").append(note(step)).append(value);
      left -= value;
      step = next(step);
      if (slur) {
        line.append(note(step)).append("2)");
        left -= 2;
        step = next(step);
      }
      line.append(' ');
    }
    return line.toString();
  }

  /** Quarters on the second lowest string under bars that were set aside for it. */
  private Score withLowerVoices(Score score) {
    List<Bar> bars = new ArrayList<>(score.bars());
    for (int index : twoVoiced) {
      Bar bar = bars.get(index);
      List<Event> events = new ArrayList<>(bar.events());
      for (Fraction at = bar.start(); at.compareTo(bar.end()) < 0; at = at.add(QUARTER)) {
        Pitch pitch = Pitch.parse(pitch(lowest + random.nextInt(3)));
        events.add(
            new Event(
                "2",
                at,
                QUARTER,
                NoteValue.ofLength(QUARTER).orElseThrow(),
                List.of(Head.of(pitch)),
                Event.Grace.NONE,
                false,
                Signs.PLAIN));
      }
      bars.set(index, bar.withEvents(events));
    }
    return score.withBars(bars);
  }

  private static String pitch(int step) {
    return LETTERS[step % 7] + step / 7;
  }

  /** A step over C0 as ABC writes it. */
  private static String note(int step) {
    int octave = step / 7;
    String letter = LETTERS[step % 7];
    if (octave >= 5) {
      return letter.toLowerCase(Locale.ROOT) + "'".repeat(octave - 5);
    }
    return letter + ",".repeat(4 - octave);
  }
}
