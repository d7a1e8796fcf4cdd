package fret.drill;

import fret.bowing.Bowing;
import fret.bowing.Crossing;
import fret.bowing.Stroke;
import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/** Drills of the bow, made of a few moments of a passage as real notation with its bowing on it. */
public final class BowDrills {
  /** Drills of the bow; their words stand under their names. All are common practice, no source. */
  public enum Kind {
    /** The bow alone: the same strokes on the open strings. */
    OPEN_STRINGS,
    /** The crossing held: the lower string, both, the upper one, both. */
    CROSSING,
    /** Doubled notes: the bow at speed, the fingers at half of it. */
    DOUBLED,
    /** Saving and spending: all notes in one bow, the accent on one after the other. */
    SPENDING,
    /** One string at a time: each stroke twice, first on its open string. */
    BARE_FIRST
  }

  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final int MOST_CROSSINGS = 4;
  private static final int MOST_IN_A_BOW = 8;

  private final ResolvedPassage passage;
  private final Bowing bowing;
  private final Instrument instrument;
  private final int from;
  private final int to;
  private final LineBuilder line;

  private BowDrills(
      ResolvedPassage passage, Bowing bowing, Instrument instrument, int from, int to) {
    this.passage = passage;
    this.bowing = bowing;
    this.instrument = instrument;
    this.from = from;
    this.to = to;
    SoundingNote first = passage.notes().get(passage.slices().get(from).starting().get(0));
    Bar bar = passage.score().bar(first.key().barIndex());
    this.line = new LineBuilder(TimeSignature.COMMON_TIME, bar.key(), bar.clefAt(bar.start()));
  }

  /**
   * The notation of a drill; empty where there is nothing to make it of, as a crossing on one
   * string.
   *
   * @param from first moment; {@code to} the last one, included
   */
  public static Optional<Score> notation(
      ResolvedPassage passage,
      Bowing bowing,
      BowGeometry bow,
      Instrument instrument,
      int from,
      int to,
      Kind kind) {
    BowDrills made = new BowDrills(passage, bowing, instrument, from, to);
    boolean any =
        switch (kind) {
          case OPEN_STRINGS -> made.openStrings();
          case CROSSING -> made.crossings(bow);
          case DOUBLED -> made.doubled();
          case SPENDING -> made.spending();
          case BARE_FIRST -> made.bareFirst();
        };
    made.line.fillBar();
    return any
        ? Optional.of(made.line.build("", passage.score().transposition()))
        : Optional.empty();
  }

  // ---- what it is made of ----------------------------------------------------------------------

  private List<Integer> moments() {
    List<Integer> all = new ArrayList<>();
    for (int m = from; m <= to; m++) {
      if (passage.slices().get(m).grace() == 0 && bowing.strokeAt(m).isPresent()) {
        all.add(m);
      }
    }
    return all;
  }

  private Fraction length(int moment) {
    return passage.slices().get(moment).duration();
  }

  /** The heads as written, with their printed fingers. */
  private List<Head> heads(int moment) {
    NoteKey key = passage.notes().get(passage.slices().get(moment).starting().get(0)).key();
    return passage.score().bar(key.barIndex()).events().stream()
        .filter(e -> !e.isGrace() && !e.isRest())
        .filter(e -> e.onset().equals(key.onset()) && e.voice().equals(key.voice()))
        .findFirst()
        .map(Event::heads)
        .orElse(List.of());
  }

  private List<Head> open(List<Integer> strings) {
    return strings.stream().map(this::open).toList();
  }

  private Head open(int string) {
    Pitch written = instrument.open(string).plus(passage.score().transposition().negated());
    return new Head(written, Head.Accidental.NONE, false, false, Head.Harmonic.NONE, "0", string);
  }

  private List<Integer> strings(int moment) {
    return bowing.moments().get(moment).strings();
  }

  /** Slur and bow mark of a moment within its stroke, as far as that lies inside. */
  private Signs signs(int moment) {
    Stroke s = bowing.strokeAt(moment).orElseThrow();
    int first = Math.max(from, s.fromMoment());
    int last = Math.min(to, s.toMoment());
    boolean starts = moment == first && last > first;
    boolean stops = moment == last && last > first;
    Signs signs =
        Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of());
    return moment == first ? signs.withBow(bow(s.down())) : signs;
  }

  private static Signs.Bow bow(boolean down) {
    return down ? Signs.Bow.DOWN : Signs.Bow.UP;
  }

  // ---- the drills ------------------------------------------------------------------------------

  private boolean openStrings() {
    moments().forEach(m -> line.add(length(m), open(strings(m)), signs(m)));
    return !moments().isEmpty();
  }

  private boolean crossings(BowGeometry bow) {
    int count = 0;
    for (Crossing c : Crossing.of(bowing, bow)) {
      if (c.fromMoment() >= from && c.toMoment() <= to && count < MOST_CROSSINGS) {
        boolean down = bowing.strokeAt(c.fromMoment()).orElseThrow().down();
        held(c, down);
        count++;
      }
    }
    return count > 0;
  }

  /** First alone, both together, second alone, both together. */
  private void held(Crossing c, boolean down) {
    List<Head> first = open(c.fromStrings());
    List<Head> second = open(c.toStrings());
    List<Head> both = new ArrayList<>(first);
    second.stream().filter(h -> !first.contains(h)).forEach(both::add);
    line.add(QUARTER, first, Signs.PLAIN.withBow(bow(down)));
    line.add(QUARTER, both, Signs.PLAIN);
    line.add(QUARTER, second, Signs.PLAIN);
    line.add(QUARTER, both, Signs.PLAIN);
  }

  private boolean doubled() {
    List<Integer> all = moments();
    for (int m : all) {
      Signs first = m == all.get(0) ? signs(m).withSlurs(List.of(), List.of()) : Signs.PLAIN;
      line.add(length(m), heads(m), first);
      line.add(length(m), heads(m), Signs.PLAIN);
    }
    return !all.isEmpty();
  }

  private boolean spending() {
    List<Integer> all = moments();
    List<Integer> notes = all.subList(0, Math.min(MOST_IN_A_BOW, all.size()));
    if (notes.size() < 2) {
      return false;
    }
    boolean down = true;
    for (int accent = 0; accent < notes.size(); accent++) {
      for (int i = 0; i < notes.size(); i++) {
        boolean last = i == notes.size() - 1;
        Signs signs =
            Signs.PLAIN.withSlurs(i == 0 ? List.of(1) : List.of(), last ? List.of(1) : List.of());
        Set<Signs.Articulation> marks = EnumSet.noneOf(Signs.Articulation.class);
        if (i == accent) {
          marks.add(Signs.Articulation.ACCENT);
        }
        signs = signs.withArticulations(marks);
        line.add(
            length(notes.get(i)), heads(notes.get(i)), i == 0 ? signs.withBow(bow(down)) : signs);
      }
      down = !down;
    }
    return true;
  }

  private boolean bareFirst() {
    for (int at = from; at <= to; ) {
      Optional<Stroke> s = bowing.strokeAt(at);
      int end = s.map(Stroke::toMoment).orElse(at);
      List<Integer> stroke =
          moments().stream().filter(inside(at, Math.min(to, end))::contains).toList();
      stroke.forEach(m -> line.add(length(m), open(strings(m)), signs(m)));
      stroke.forEach(m -> line.add(length(m), heads(m), signs(m)));
      at = end + 1;
    }
    return !moments().isEmpty();
  }

  private static List<Integer> inside(int from, int to) {
    List<Integer> all = new ArrayList<>();
    for (int m = from; m <= to; m++) {
      all.add(m);
    }
    return all;
  }
}
