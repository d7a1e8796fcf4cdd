package fret.drill;

import fret.instrument.Instrument;
import fret.pitch.Clef;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Scales and arpeggios of a passage's key over the range that it uses. */
public final class ScaleLine {
  private static final Fraction EIGHTH = Fraction.of(1, 8);
  private static final int FEWEST_OCTAVES = 1;
  private static final int MOST_OCTAVES = 3;
  private static final int STEPS = 7;

  private final ResolvedPassage passage;
  private final Instrument instrument;
  private final KeySignature key;
  private final boolean minor;

  public ScaleLine(ResolvedPassage passage, Instrument instrument) {
    this.passage = passage;
    this.instrument = instrument;
    this.key = passage.score().bars().get(0).key();
    this.minor = mode().map("minor"::equals).orElseGet(this::endsInMinor);
  }

  /** What the page says of the mode; empty where it says nothing. */
  private Optional<String> mode() {
    return passage.score().bars().get(0).directions().stream()
        .filter(d -> d.kind() == Direction.Kind.MODE)
        .map(Direction::text)
        .reduce((a, b) -> b);
  }

  /**
   * Major, unless the lowest note of the end is the relative minor's tonic (common practice, no
   * source).
   */
  private boolean endsInMinor() {
    if (passage.notes().isEmpty()) {
      return false;
    }
    SoundingNote last =
        passage.notes().get(passage.slices().get(passage.slices().size() - 1).starting().get(0));
    return written(last.pitch()).step() == tonic(true).step();
  }

  private Pitch written(Pitch sounding) {
    return sounding.plus(passage.score().transposition().negated());
  }

  /** The tonic of the key as a pitch of some octave. */
  private Pitch tonic(boolean ofMinor) {
    int fifths = key.fifths();
    int step = Math.floorMod(4 * fifths, STEPS);
    Step major = Step.of(step);
    Step used = ofMinor ? Step.of(Math.floorMod(step - 2, STEPS)) : major;
    return new Pitch(used, key.alterOf(used), 4);
  }

  /** The name of the tonic, such as {@code Bb}. */
  public String tonicName() {
    return tonic(minor).name().replaceAll("-?\\d+$", "");
  }

  /** The lowest sounding tonic that can be played. */
  public Pitch lowestTonic() {
    return roots().get(0);
  }

  public boolean isMinor() {
    return minor;
  }

  /** The sounding tonics from the lowest one that can be played, as high as the passage goes. */
  private List<Pitch> roots() {
    int low = instrument.open(instrument.stringCount()).midi();
    int high = passage.notes().stream().mapToInt(n -> n.pitch().midi()).max().orElse(low + 24);
    Pitch root = tonic(minor).plus(passage.score().transposition());
    Pitch at = new Pitch(root.step(), root.alter(), 0);
    while (at.midi() < low) {
      at = new Pitch(at.step(), at.alter(), at.octave() + 1);
    }
    List<Pitch> roots = new ArrayList<>(List.of(at));
    while (roots.size() <= FEWEST_OCTAVES
        || roots.size() <= MOST_OCTAVES && at.midi() + 12 <= high + 2) {
      at = new Pitch(at.step(), at.alter(), at.octave() + 1);
      roots.add(at);
    }
    return roots;
  }

  private LineBuilder line() {
    Clef clef = passage.score().bars().get(0).clef();
    return new LineBuilder(TimeSignature.COMMON_TIME, key, clef);
  }

  private Score built(LineBuilder line, String title) {
    line.fillBar();
    return line.build(title, passage.score().transposition());
  }

  /** The notes of the scale upwards, tonic to tonic, as written; the minor melodic. */
  private List<Pitch> up() {
    List<Pitch> roots = roots();
    List<Pitch> all = new ArrayList<>();
    for (int o = 0; o + 1 < roots.size(); o++) {
      for (int degree = 0; degree < STEPS; degree++) {
        all.add(degree(roots.get(o), degree, minor && degree >= 5));
      }
    }
    all.add(written(roots.get(roots.size() - 1)));
    return all;
  }

  private List<Pitch> down() {
    List<Pitch> roots = roots();
    List<Pitch> all = new ArrayList<>();
    for (int o = roots.size() - 2; o >= 0; o--) {
      for (int degree = STEPS - 1; degree >= 0; degree--) {
        all.add(degree(roots.get(o), degree, false));
      }
    }
    return all;
  }

  private Pitch degree(Pitch root, int degree, boolean raised) {
    Pitch from = written(root);
    int diatonic = from.step().ordinal() + degree;
    Step step = Step.of(Math.floorMod(diatonic, STEPS));
    int octave = from.octave() + Math.floorDiv(diatonic, STEPS);
    return new Pitch(step, key.alterOf(step) + (raised ? 1 : 0), octave);
  }

  /** Up and down in even notes. */
  public Score scale() {
    LineBuilder line = line();
    addEven(line);
    return built(line, "");
  }

  private void addEven(LineBuilder line) {
    List<Pitch> all = new ArrayList<>(up());
    all.addAll(down());
    for (int i = 0; i < all.size() - 1; i++) {
      line.add(EIGHTH, all.get(i));
    }
    line.add(Fraction.of(1, 2), all.get(all.size() - 1));
  }

  /** The chord of the tonic, broken, up and down. */
  public Score arpeggio() {
    List<Pitch> roots = roots();
    List<Pitch> all = new ArrayList<>();
    for (int o = 0; o + 1 < roots.size(); o++) {
      for (int degree : new int[] {0, 2, 4}) {
        all.add(degree(roots.get(o), degree, false));
      }
    }
    all.add(written(roots.get(roots.size() - 1)));
    for (int i = all.size() - 2; i >= 0; i--) {
      all.add(all.get(i));
    }
    LineBuilder line = line();
    for (int i = 0; i < all.size() - 1; i++) {
      line.add(EIGHTH, all.get(i));
    }
    line.add(Fraction.of(1, 2), all.get(all.size() - 1));
    return built(line, "");
  }

  /** Up and down with a word over it. */
  public Score scale(String word) {
    LineBuilder line = line();
    line.say(Direction.Kind.WORDS, word);
    addEven(line);
    return built(line, "");
  }

  /**
   * A figure of scale steps on each degree of one octave, and the tonic over it.
   *
   * @param octave above the lowest tonic at which it begins
   */
  public Score exercise(List<List<Integer>> figure, int octave) {
    Pitch lowest = roots().get(0);
    Pitch root = new Pitch(lowest.step(), lowest.alter(), lowest.octave() + octave);
    LineBuilder line = line();
    Fraction each = figure.size() == 1 ? Fraction.of(1, 4) : EIGHTH;
    for (int degree = 0; degree <= STEPS; degree++) {
      for (List<Integer> together : figure) {
        int at = degree;
        line.add(
            each, together.stream().map(s -> degree(root, at + s, false)).toArray(Pitch[]::new));
      }
    }
    return built(line, "");
  }

  /** The scale growing on its way up and falling on its way down. */
  public Score swell() {
    LineBuilder line = line();
    List<Pitch> rising = up();
    line.say(Direction.Kind.DYNAMIC, "p");
    line.say(Direction.Kind.CRESCENDO, "");
    for (int i = 0; i < rising.size() - 1; i++) {
      line.add(EIGHTH, rising.get(i));
    }
    line.say(Direction.Kind.HAIRPIN_END, "");
    line.say(Direction.Kind.DYNAMIC, "f");
    line.say(Direction.Kind.DIMINUENDO, "");
    line.add(EIGHTH, rising.get(rising.size() - 1));
    List<Pitch> falling = down();
    for (int i = 0; i < falling.size() - 1; i++) {
      line.add(EIGHTH, falling.get(i));
    }
    line.say(Direction.Kind.HAIRPIN_END, "");
    line.say(Direction.Kind.DYNAMIC, "p");
    line.add(Fraction.of(1, 2), falling.get(falling.size() - 1));
    return built(line, "");
  }
}
