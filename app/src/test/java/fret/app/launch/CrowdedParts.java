package fret.app.launch;

import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Direction;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Parts that are as crowded as parts get, by seed: chords of up to four notes, ledger lines,
 * accidentals, dots over and under, accents, dynamics, hairpins, slurs, sixteenths, every
 * instrument and key.
 */
final class CrowdedParts {
  private static final List<TimeSignature> METRES =
      List.of(
          TimeSignature.COMMON_TIME,
          TimeSignature.of(3, 4),
          TimeSignature.of(6, 8),
          TimeSignature.of(5, 8));
  private static final List<String> DYNAMICS = List.of("pp", "p", "mf", "f", "ff", "sfz");

  /** Chords that lie in a hand, low to high. */
  private static final String[][] CHORDS = {
    {"G3 D4 B4 G5", "A3 E4 C5 A5", "D4 A4 F5", "G3 E4 Bb4", "C4 A4", "G4 E5"},
    {"C3 G3 E4 C5", "D3 A3 F4 D5", "G3 D4 B4", "C3 A3", "F3 D4"},
    {"C2 G2 E3 C4", "D2 A2 F3 D4", "G2 D3 B3", "C2 A2", "F2 D3"},
    {"A2 E3", "D3 A3", "G2 D3"}
  };

  private static final int[][] RANGES = {{55, 98}, {48, 88}, {36, 79}, {40, 74}};
  private static final List<Clef> CLEFS = List.of(Clef.TREBLE, Clef.ALTO, Clef.BASS, Clef.BASS);
  private static final List<InstrumentType> TYPES =
      List.of(
          InstrumentType.VIOLIN, InstrumentType.VIOLA, InstrumentType.CELLO, InstrumentType.BASS);

  private final Random random;
  private final int which;
  private final KeySignature key;
  private int midi;

  private CrowdedParts(long seed) {
    random = new Random(seed);
    which = (int) (seed % TYPES.size());
    key = new KeySignature(random.nextInt(11) - 5);
    midi = (RANGES[which][0] + RANGES[which][1]) / 2;
  }

  /** The part of a seed, ready to be drawn. */
  static Session of(long seed) {
    CrowdedParts made = new CrowdedParts(seed);
    Passage.Settings settings =
        new Passage.Settings(
            "",
            new Tempo(Beat.QUARTER, 60 + made.random.nextInt(60)),
            Setup.usual(TYPES.get(made.which)),
            Reading.PLAIN,
            false);
    return Session.of(Passage.of("", "", settings), made.score());
  }

  private boolean chance(int percent) {
    return random.nextInt(100) < percent;
  }

  private Score score() {
    TimeSignature metre = METRES.get(random.nextInt(METRES.size()));
    LineBuilder line = new LineBuilder(metre, key, CLEFS.get(which));
    int notes = 14 + random.nextInt(12);
    boolean slurred = false;
    for (int i = 0; i < notes; i++) {
      if (chance(15)) {
        line.say(Direction.Kind.DYNAMIC, DYNAMICS.get(random.nextInt(DYNAMICS.size())));
      }
      Fraction left = metre.barLength().subtract(line.inBar());
      Fraction length = Fraction.of(1, List.of(4, 8, 8, 16, 16).get(random.nextInt(5)));
      while (length.compareTo(left) > 0) {
        length = length.divide(2);
      }
      boolean ends = i + 1 == notes || chance(40);
      Signs signs = signs(slurred, ends);
      slurred = signs.slurStarts().isEmpty() ? slurred && signs.slurStops().isEmpty() : true;
      line.add(length, heads(), signs);
    }
    return line.fillBar().build("crowded", Interval.UNISON);
  }

  private Signs signs(boolean slurred, boolean ends) {
    Signs signs = Signs.PLAIN;
    if (slurred && ends) {
      signs = signs.withSlurs(List.of(), List.of(1));
    } else if (!slurred && !ends && chance(25)) {
      signs = signs.withSlurs(List.of(1), List.of());
    }
    if (chance(20)) {
      Signs.Articulation[] all = Signs.Articulation.values();
      signs = signs.withArticulations(EnumSet.of(all[random.nextInt(all.length)]));
    }
    return chance(8) ? signs.withBow(chance(50) ? Signs.Bow.DOWN : Signs.Bow.UP) : signs;
  }

  private List<Head> heads() {
    if (chance(18)) {
      String[] chords = CHORDS[which];
      return Arrays.stream(chords[random.nextInt(chords.length)].split(" "))
          .map(p -> Head.of(Pitch.parse(p)))
          .toList();
    }
    int[] range = RANGES[which];
    int step = chance(10) ? random.nextInt(25) - 12 : random.nextInt(9) - 4;
    midi = Math.max(range[0], Math.min(range[1], midi + step));
    return List.of(Head.of(Pitch.ofMidi(midi, key)));
  }
}
