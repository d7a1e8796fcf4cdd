package fret.drill;

import fret.base.RefusedValue;
import fret.base.Said;
import fret.instrument.Instrument;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Direction;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A scale, an arpeggio or thirds as players name them: {@code G minor thirds, 2 octaves, 4 a
 * stroke, at 80}.
 *
 * @param tonic of some octave
 * @param octaves 1 to 4
 * @param aStroke notes in a slur, 1 to 48
 * @param perMinute its target in quarters, 20 to 400; 0 where none is said
 */
public record NamedScale(
    Kind kind, Pitch tonic, boolean minor, int octaves, int aStroke, int perMinute) {
  /** What of the key is played. */
  public enum Kind {
    SCALE,
    /** The chord of the tonic, broken. */
    ARPEGGIO,
    /** The scale in thirds, as double stops. */
    THIRDS
  }

  private static final Pattern NAME =
      Pattern.compile(
          "\\s*([a-g])\\s*(-?\\s*flat|-?\\s*sharp|b|#|\u266d|\u266f)?\\s*(major|minor)?\\b(.*)");
  private static final Pattern OCTAVES = Pattern.compile("(\\d+|one|two|three|four)\\s+octaves?");
  private static final Pattern STROKE =
      Pattern.compile(
          "(?:slur(?:s|red)?\\s*(?:of|in)?\\s*(\\d+))|(?:(\\d+)\\s*(?:notes)?\\s*a\\s*(?:stroke|bow))");
  private static final List<String> NUMBERS = List.of("one", "two", "three", "four");

  private static final Fraction EIGHTH = Fraction.of(1, 8);
  private static final int STEPS = 7;
  private static final int MOST_OCTAVES = 4;
  private static final int MOST_A_STROKE = 48;

  private static final Pattern TEMPO = Pattern.compile("\\bat\\s+(\\d{1,4})\\b");
  private static final int SLOWEST = 20;
  private static final int QUICKEST = 400;

  public NamedScale {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(tonic);
    if (octaves < 1 || octaves > MOST_OCTAVES) {
      throw new RefusedValue(Said.of("scale.octaves", octaves));
    }
    if (aStroke < 1 || aStroke > MOST_A_STROKE) {
      throw new RefusedValue(Said.of("scale.stroke", aStroke));
    }
    if (perMinute != 0 && (perMinute < SLOWEST || perMinute > QUICKEST)) {
      throw new RefusedValue(Said.of("scale.tempo", perMinute));
    }
  }

  /**
   * Reads a name: the key first, then in any order what of it, octaves and notes a stroke; a major
   * scale of two octaves without slurs where nothing is said.
   *
   * @throws RefusedValue where it names no key that is written with seven signs at most
   */
  public static NamedScale parse(String name) {
    Matcher m = NAME.matcher(name.toLowerCase(Locale.ROOT));
    if (!m.matches()) {
      throw new RefusedValue(Said.of("scale.no-key", name.strip()));
    }
    String sign = m.group(2) == null ? "" : m.group(2);
    int alter =
        sign.isEmpty()
            ? 0
            : sign.contains("flat") || sign.equals("b") || sign.equals("\u266d") ? -1 : 1;
    String rest = m.group(4);
    boolean minor = "minor".equals(m.group(3)) || rest.contains("minor");
    Matcher octaves = OCTAVES.matcher(rest);
    Matcher stroke = STROKE.matcher(rest);
    Matcher tempo = TEMPO.matcher(rest);
    NamedScale made =
        new NamedScale(
            rest.contains("arpeggio")
                ? Kind.ARPEGGIO
                : rest.contains("third") ? Kind.THIRDS : Kind.SCALE,
            new Pitch(Step.valueOf(m.group(1).toUpperCase(Locale.ROOT)), alter, 4),
            minor,
            octaves.find() ? number(octaves.group(1)) : 2,
            stroke.find()
                ? Integer.parseInt(stroke.group(1) == null ? stroke.group(2) : stroke.group(1))
                : 1,
            tempo.find() ? Integer.parseInt(tempo.group(1)) : 0);
    if (Math.abs(made.fifths()) > STEPS) {
      throw new RefusedValue(Said.of("scale.no-key", name.strip()));
    }
    return made;
  }

  private static int number(String word) {
    int at = NUMBERS.indexOf(word);
    return at >= 0 ? at + 1 : Integer.parseInt(word);
  }

  /** Sharps of the key, flats below 0; minor keys have those of their relative major. */
  private int fifths() {
    // F C G D A E B stand a fifth apart, C major has none.
    int fifth = List.of("F", "C", "G", "D", "A", "E", "B").indexOf(tonic.step().name()) - 1;
    return fifth + STEPS * tonic.alter() - (minor ? 3 : 0);
  }

  private KeySignature key() {
    return new KeySignature(fifths());
  }

  /** Name of it, such as {@code Bb minor arpeggio}. */
  public Said title() {
    String letter = tonic.name().replaceAll("-?\\d+$", "");
    return Said.of("scale.title." + kind, letter, Said.of(minor ? "scale.minor" : "scale.major"));
  }

  /**
   * Its notes up and down from the lowest tonic on the instrument, in eighths, with its slurs.
   *
   * @param below how far below its writing the part sounds, as a bass an octave
   * @throws RefusedValue where so many octaves go beyond the fingerboard
   */
  public Score score(Instrument instrument, Clef clef, Interval below, String title) {
    List<List<Pitch>> up = new ArrayList<>();
    Pitch root = lowest(instrument);
    for (int o = 0; o < octaves; o++) {
      for (int degree : degrees()) {
        up.add(sounding(root, o, degree, minor && degree >= 5 && kind == Kind.SCALE));
      }
    }
    up.add(sounding(root, octaves, 0, false));
    int highest = instrument.open(1).midi() + instrument.highestSemitone();
    int top = up.get(up.size() - 1).stream().mapToInt(Pitch::midi).max().orElseThrow();
    if (top > highest) {
      throw new RefusedValue(Said.of("scale.too-high", octaves));
    }
    List<List<Pitch>> all = new ArrayList<>(up);
    int[] degrees = degrees();
    for (int o = octaves - 1; o >= 0; o--) {
      for (int i = degrees.length - 1; i >= 0; i--) {
        all.add(sounding(root, o, degrees[i], false));
      }
    }
    return line(all, clef, below, title);
  }

  private int[] degrees() {
    return kind == Kind.ARPEGGIO ? new int[] {0, 2, 4} : new int[] {0, 1, 2, 3, 4, 5, 6};
  }

  /** The lowest tonic that can be played; of thirds on the two lowest strings. */
  private Pitch lowest(Instrument instrument) {
    int low = instrument.open(instrument.stringCount()).midi();
    int next = instrument.open(instrument.stringCount() - 1).midi();
    Pitch at = new Pitch(tonic.step(), tonic.alter(), 0);
    while (at.midi() < low || kind == Kind.THIRDS && note(at, 2, false).midi() < next) {
      at = new Pitch(at.step(), at.alter(), at.octave() + 1);
    }
    return at;
  }

  private List<Pitch> sounding(Pitch root, int octave, int degree, boolean raised) {
    Pitch from = new Pitch(root.step(), root.alter(), root.octave() + octave);
    Pitch one = note(from, degree, raised);
    return kind == Kind.THIRDS ? List.of(one, note(from, degree + 2, false)) : List.of(one);
  }

  private Pitch note(Pitch root, int degree, boolean raised) {
    int diatonic = root.step().ordinal() + degree;
    Step step = Step.of(Math.floorMod(diatonic, STEPS));
    int octave = root.octave() + Math.floorDiv(diatonic, STEPS);
    return new Pitch(step, key().alterOf(step) + (raised ? 1 : 0), octave);
  }

  private Score line(List<List<Pitch>> all, Clef clef, Interval below, String title) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, key(), clef);
    line.say(Direction.Kind.MODE, minor ? "minor" : "major");
    for (int i = 0; i < all.size(); i++) {
      boolean last = i == all.size() - 1;
      List<Head> heads = all.get(i).stream().map(p -> Head.of(p.plus(below.negated()))).toList();
      line.add(last ? lastLength(i) : EIGHTH, heads, slurred(i, all.size() - 1));
    }
    line.fillBar();
    Score score = line.build(title, Interval.UNISON);
    return perMinute == 0 ? score : DrillTempo.at(score, new Tempo(Beat.QUARTER, perMinute), 1);
  }

  /** The last note is as long as its bar has room for, a half at most. */
  private static Fraction lastLength(int before) {
    int left = 8 - before % 8;
    return Fraction.of(left >= 4 ? 4 : left >= 2 ? 2 : 1, 8);
  }

  /** The last note, which is long, has a stroke of its own. */
  private Signs slurred(int note, int even) {
    int end = Math.min(even, note / aStroke * aStroke + aStroke) - 1;
    boolean starts = aStroke > 1 && note % aStroke == 0 && note < end;
    boolean stops = aStroke > 1 && note == end && note % aStroke > 0 && note < even;
    return Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of());
  }
}
