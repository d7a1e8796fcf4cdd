package fret.sound;

import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import fret.sound.Click.Strength;
import fret.sound.ClickRange.Kind;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The clicks of a piece of notation: metre bar by bar with three strengths, through its changes of
 * tempo.
 */
public final class ClickLine {
  /** Closer than this two clicks are one. */
  private static final double SAME_S = 0.001;

  private final Score score;
  private final TempoMap tempo;
  private final ClickStyle style;
  private final Fraction start;
  private final List<ClickRange> ranges;
  private final boolean ends;

  public ClickLine(Score score, TempoMap tempo, ClickStyle style) {
    this(score, tempo, style, List.of());
  }

  /**
   * @param ranges what is otherwise in some bars
   */
  public ClickLine(Score score, TempoMap tempo, ClickStyle style, List<ClickRange> ranges) {
    this(score, tempo, style, ranges, false);
  }

  private ClickLine(
      Score score, TempoMap tempo, ClickStyle style, List<ClickRange> ranges, boolean ends) {
    this.ends = ends;
    this.ranges = List.copyOf(ranges);
    this.score = score;
    this.tempo = tempo;
    this.style = style;
    this.start = score.bars().get(0).start();
  }

  /** The same with a second, softer click where a note must end before a rest. */
  public ClickLine withEnds() {
    return new ClickLine(score, tempo, style, ranges, true);
  }

  /** How long the notation lasts. */
  public double seconds() {
    return secondsAt(score.end());
  }

  private double secondsAt(Fraction onset) {
    return tempo.durationMs(start, onset) / 1000;
  }

  /** The clicks from the first bar on; a pick-up has the last beats of its bar. */
  public List<Click> clicks() {
    List<Click> all = new ArrayList<>();
    int bar = 0;
    for (Bar b : score.bars()) {
      boolean silent =
          style.silent() > 0 && bar % (style.sounding() + style.silent()) >= style.sounding();
      boolean quiet = silent || is(b, Kind.SILENT) || is(b, Kind.FREE);
      boolean barAlone = is(b, Kind.FREE_BARS);
      for (Click c : clicks(b)) {
        boolean heard = !quiet && (!barAlone || c.strength() == Strength.STRONG);
        all.add(heard ? c : c.as(Strength.SILENT));
      }
      if (!quiet && !barAlone) {
        running(all, b);
      }
      cues(all, b);
      if (ends) {
        noteEnds(all, b);
      }
      bar++;
    }
    all.sort(Comparator.comparingDouble(Click::seconds));
    return all;
  }

  private boolean is(Bar b, Kind kind) {
    return ranges.stream().anyMatch(r -> r.kind() == kind && r.has(b.number()));
  }

  /** The running value of the others between the counted clicks. */
  private void running(List<Click> all, Bar b) {
    for (ClickRange r : ranges) {
      if (r.kind() == Kind.RUNNING && r.has(b.number())) {
        Fraction each = r.values().get(0);
        Fraction lead = b.placeOf(b.start());
        for (Fraction at = Fraction.ZERO;
            at.compareTo(lead.add(b.length())) < 0;
            at = at.add(each)) {
          double seconds =
              at.compareTo(lead) < 0 ? -1 : secondsAt(b.start().add(at.subtract(lead)));
          boolean free = all.stream().noneMatch(c -> Math.abs(c.seconds() - seconds) < SAME_S);
          if (seconds >= 0 && free) {
            all.add(new Click(seconds, Strength.BETWEEN, 0, 0));
          }
        }
      }
    }
  }

  private void noteEnds(List<Click> all, Bar b) {
    for (int i = 0; i + 1 < b.events().size(); i++) {
      Event e = b.events().get(i);
      Event next = b.events().get(i + 1);
      if (!e.isRest() && !e.isGrace() && next.isRest() && next.voice().equals(e.voice())) {
        all.add(new Click(secondsAt(e.end()), Strength.END, 0, 0));
      }
    }
  }

  /** The last notes of the others, before the end of the last bar of their range. */
  private void cues(List<Click> all, Bar b) {
    for (ClickRange r : ranges) {
      if (r.kind() == Kind.CUE && r.toBar().equals(b.number())) {
        Fraction at = b.end();
        for (int i = r.values().size() - 1; i >= 0; i--) {
          at = at.subtract(r.values().get(i));
          if (at.compareTo(start) >= 0) {
            all.add(new Click(secondsAt(at), Strength.CUE, 0, 0));
          }
        }
      }
    }
  }

  private List<Click> clicks(Bar b) {
    Fraction counted = counted(b);
    Set<Fraction> groups = new HashSet<>(b.time().groupStarts());
    List<Click> all = new ArrayList<>();
    Fraction lead = b.placeOf(b.start());
    int count = 1;
    for (Fraction at = Fraction.ZERO;
        at.compareTo(lead.add(b.length())) < 0;
        at = at.add(counted), count++) {
      Strength strength =
          at.signum() == 0
              ? Strength.STRONG
              : groups.contains(at) ? Strength.MEDIUM : Strength.WEAK;
      if (at.compareTo(lead) >= 0) {
        beat(all, b, at.subtract(lead), counted, strength, count);
      }
    }
    return all;
  }

  private Fraction counted(Bar b) {
    if (style.barsOnly()) {
      return b.time().barLength();
    }
    if (style.counted().isPresent()) {
      return style.counted().get().length();
    }
    boolean uneven = b.time().groups().size() > 1;
    return uneven ? b.time().unit() : b.time().beatLength();
  }

  private void beat(
      List<Click> all, Bar b, Fraction at, Fraction counted, Strength strength, int count) {
    Fraction onset = b.start().add(at);
    Strength heard = style.offBeat() ? Strength.SILENT : strength;
    all.add(new Click(secondsAt(onset), heard, count, 0));
    int between = style.offBeat() ? Math.max(2, style.between()) : style.between();
    divide(all, b, onset, counted, between, Strength.BETWEEN);
    divide(all, b, onset, counted, style.against(), Strength.END);
  }

  private void divide(
      List<Click> all, Bar b, Fraction onset, Fraction counted, int by, Strength strength) {
    for (int i = 1; i < by; i++) {
      Fraction at = onset.add(counted.multiply(Fraction.of(i, by)));
      if (at.compareTo(b.end()) < 0) {
        all.add(new Click(secondsAt(at), strength, 0, 0));
      }
    }
  }

  /** A bar counted in at the tempo of the start, as long as a full bar. */
  public List<Click> countIn() {
    Bar first = score.bars().get(0);
    Fraction counted = style.barsOnly() ? first.time().beatLength() : counted(first);
    double each = counted.doubleValue() * tempo.at(start).wholeNoteMs() / 1000;
    int beats = (int) Math.max(1, Math.ceil(barSeconds() / each - 1e-9));
    List<Click> all = new ArrayList<>();
    for (int i = 0; i < beats; i++) {
      all.add(new Click(i * each, Strength.COUNT_IN, i + 1, 0));
    }
    return all;
  }

  /** Seconds of the first full bar. */
  public double barSeconds() {
    return score.bars().get(0).time().barLength().doubleValue()
        * tempo.at(start).wholeNoteMs()
        / 1000;
  }
}
