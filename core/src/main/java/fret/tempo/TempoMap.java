package fret.tempo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Tempo over a whole part: steady sections, gradual changes and holds, turning exact onsets into
 * milliseconds.
 *
 * <p>In a gradual change the rate moves evenly along the written music, so a stretch of length
 * {@code l} from rate {@code a} to {@code b} (whole notes a second) lasts {@code l ln(b/a)/(b-a)}.
 */
public final class TempoMap {
  /**
   * One section, in force until the next one starts.
   *
   * @param onset where it starts, in whole notes from the first full bar
   * @param start the tempo at its start
   * @param end the tempo reached where the next section starts; equal to {@code start} when steady
   */
  public record Section(Fraction onset, Tempo start, Tempo end) {
    public Section {
      Objects.requireNonNull(onset);
      Objects.requireNonNull(start);
      Objects.requireNonNull(end);
    }
  }

  /**
   * A hold (fermata): the stretch that starts at {@code onset} lasts longer.
   *
   * @param extraMs milliseconds added at the written end of the stretch, 0 or more
   */
  public record Hold(Fraction onset, Fraction length, double extraMs) {
    public Hold {
      if (!(extraMs >= 0)) {
        throw new IllegalArgumentException("hold of " + extraMs + " ms is below 0");
      }
    }
  }

  private static final int GRID = 960;
  private static final int LONGEST_WHOLES = 1 << 14;

  private final List<Section> sections;
  private final List<Hold> holds;
  private final double[] startsMs;

  private TempoMap(List<Section> sections, List<Hold> holds) {
    this.sections = sections;
    this.holds = holds;
    this.startsMs = new double[sections.size()];
    for (int i = 1; i < startsMs.length; i++) {
      startsMs[i] = startsMs[i - 1] + within(i - 1, sections.get(i).onset());
    }
  }

  /** One tempo throughout. */
  public static TempoMap steady(Tempo tempo) {
    return of(List.of(new Section(Fraction.ZERO, tempo, tempo)), List.of());
  }

  /**
   * A map of one or more sections.
   *
   * @throws IllegalArgumentException if there is no section or two start at the same onset
   */
  public static TempoMap of(List<Section> sections, List<Hold> holds) {
    if (sections.isEmpty()) {
      throw new IllegalArgumentException("a tempo map needs at least one section");
    }
    List<Section> sorted = new ArrayList<>(sections);
    sorted.sort(Comparator.comparing(Section::onset));
    for (int i = 1; i < sorted.size(); i++) {
      if (sorted.get(i).onset().equals(sorted.get(i - 1).onset())) {
        throw new IllegalArgumentException("two sections start at " + sorted.get(i).onset());
      }
    }
    return new TempoMap(List.copyOf(sorted), List.copyOf(holds));
  }

  public List<Section> sections() {
    return sections;
  }

  public List<Hold> holds() {
    return holds;
  }

  /** The tempo in force at an onset. */
  public Tempo at(Fraction onset) {
    return at(indexAt(onset), onset);
  }

  /** The tempo that is reached just before an onset. */
  public Tempo before(Fraction onset) {
    int i = indexAt(onset);
    boolean starts = i > 0 && sections.get(i).onset().equals(onset);
    return at(starts ? i - 1 : i, onset);
  }

  private Tempo at(int i, Fraction onset) {
    Section s = sections.get(i);
    if (i + 1 == sections.size() || s.start().equals(s.end())) {
      return s.start();
    }
    double share =
        onset.subtract(s.onset()).doubleValue()
            / sections.get(i + 1).onset().subtract(s.onset()).doubleValue();
    double from = s.start().perMinute();
    double to = s.end().perMinuteOf(s.start().beat());
    return s.start().at(from + (to - from) * Math.max(0, share));
  }

  /** Milliseconds from onset 0 to an onset; negative within a pick-up. */
  public double msAt(Fraction onset) {
    int i = indexAt(onset);
    double ms = startsMs[i] + within(i, onset);
    for (Hold hold : holds) {
      if (onset.compareTo(hold.onset().add(hold.length())) >= 0) {
        ms += hold.extraMs();
      }
    }
    return ms;
  }

  /** Milliseconds between two onsets. */
  public double durationMs(Fraction from, Fraction to) {
    return msAt(to) - msAt(from);
  }

  /** The same shape with every rate multiplied by {@code factor}, which is above 0. */
  public TempoMap scaled(double factor) {
    List<Section> scaled = new ArrayList<>();
    for (Section s : sections) {
      scaled.add(
          new Section(
              s.onset(),
              s.start().at(s.start().perMinute() * factor),
              s.end().at(s.end().perMinute() * factor)));
    }
    List<Hold> longer =
        holds.stream().map(h -> new Hold(h.onset(), h.length(), h.extraMs() / factor)).toList();
    return new TempoMap(List.copyOf(scaled), longer);
  }

  /** The same tempos on onsets that lie so much later, for notes that were cut out. */
  public TempoMap moved(Fraction by) {
    return new TempoMap(
        sections.stream().map(s -> new Section(s.onset().add(by), s.start(), s.end())).toList(),
        holds.stream().map(h -> new Hold(h.onset().add(by), h.length(), h.extraMs())).toList());
  }

  /** Whole notes that have gone by since an onset after a time, to a 960th of a whole note. */
  public double wholesAfter(Fraction from, double ms) {
    int low = 0;
    int high = GRID;
    while (durationMs(from, from.add(Fraction.of(high, GRID))) <= ms
        && high < LONGEST_WHOLES * GRID) {
      high *= 2;
    }
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (durationMs(from, from.add(Fraction.of(middle, GRID))) <= ms) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (double) low / GRID;
  }

  private int indexAt(Fraction onset) {
    int i = sections.size() - 1;
    while (i > 0 && sections.get(i).onset().compareTo(onset) > 0) {
      i--;
    }
    return i;
  }

  private double within(int index, Fraction onset) {
    Section s = sections.get(index);
    double length = onset.subtract(s.onset()).doubleValue();
    double msPerWhole = s.start().wholeNoteMs();
    if (index + 1 == sections.size() || s.start().equals(s.end()) || length <= 0) {
      return length * msPerWhole;
    }
    double full = sections.get(index + 1).onset().subtract(s.onset()).doubleValue();
    double a = 1 / msPerWhole;
    double b = a + (1 / s.end().wholeNoteMs() - a) * Math.min(1, length / full);
    return Math.abs(b - a) < 1e-15 ? length * msPerWhole : length * Math.log(b / a) / (b - a);
  }
}
