package fret.drill;

import fret.bowing.BowReport;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.instrument.Instrument;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/** The moments that a drill of the bow is made of, and the line that it is written on. */
final class DrillSource {
  static final Fraction WHOLE = Fraction.ONE;
  static final Fraction HALF = Fraction.of(1, 2);
  static final Fraction QUARTER = Fraction.of(1, 4);
  static final Fraction SIXTEENTH = Fraction.of(1, 16);

  final Bowing bowing;
  final BowReport report;
  final Instrument instrument;
  final int from;
  final int to;
  private final ResolvedPassage passage;
  private final LineBuilder line;

  DrillSource(
      ResolvedPassage passage,
      Bowing bowing,
      BowReport report,
      Instrument instrument,
      int from,
      int to) {
    this.passage = passage;
    this.bowing = bowing;
    this.report = report;
    this.instrument = instrument;
    this.from = from;
    this.to = to;
    SoundingNote first = passage.notes().get(passage.slices().get(from).starting().get(0));
    Bar bar = passage.score().bar(first.key().barIndex());
    this.line =
        new LineBuilder(bar.time(), bar.key(), bar.clefAt(first.onset())).numbered(bar.number());
  }

  Score written() {
    line.fillBar();
    return line.build("", passage.score().transposition());
  }

  // ---- what is there ---------------------------------------------------------------------------

  /** Bowed moments without grace notes. */
  List<Integer> moments() {
    List<Integer> all = new ArrayList<>();
    for (int m = from; m <= to; m++) {
      if (passage.slices().get(m).grace() == 0 && bowing.strokeAt(m).isPresent()) {
        all.add(m);
      }
    }
    return all;
  }

  /** At most so many of them. */
  List<Integer> moments(int most) {
    List<Integer> all = moments();
    return all.subList(0, Math.min(most, all.size()));
  }

  Fraction length(int moment) {
    return passage.slices().get(moment).duration();
  }

  List<Integer> strings(int moment) {
    return bowing.moments().get(moment).strings();
  }

  /** The heads as written, with their printed fingers. */
  List<Head> heads(int moment) {
    return event(moment).map(Event::heads).orElse(List.of());
  }

  private Optional<Event> event(int moment) {
    NoteKey key = passage.notes().get(passage.slices().get(moment).starting().get(0)).key();
    return passage.score().bar(key.barIndex()).events().stream()
        .filter(e -> !e.isGrace() && !e.isRest())
        .filter(e -> e.onset().equals(key.onset()) && e.voice().equals(key.voice()))
        .findFirst();
  }

  List<Head> open(List<Integer> strings) {
    return strings.stream().map(this::open).toList();
  }

  private Head open(int string) {
    Pitch written = instrument.open(string).plus(passage.score().transposition().negated());
    return new Head(written, Head.Accidental.NONE, false, false, Head.Harmonic.NONE, "0", string);
  }

  /** Slur and bow mark of a moment within its stroke, as far as that lies inside. */
  Signs signs(int moment) {
    return signs(moment, moments());
  }

  /**
   * The same where some moments are left out.
   *
   * @param among those that are played, in order, with {@code moment} among them
   */
  Signs signs(int moment, List<Integer> among) {
    Stroke s = bowing.strokeAt(moment).orElseThrow();
    List<Integer> together = among.stream().filter(s::has).toList();
    int first = together.get(0);
    int last = together.get(together.size() - 1);
    boolean starts = moment == first && last > first;
    boolean stops = moment == last && last > first;
    Signs signs =
        Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of());
    signs =
        signs.withArticulations(event(moment).map(e -> e.signs().articulations()).orElse(Set.of()));
    return moment == first ? signs.withBow(mark(s.down())) : signs;
  }

  boolean isDown(int moment) {
    return bowing.strokeAt(moment).orElseThrow().down();
  }

  static Signs.Bow mark(boolean down) {
    return down ? Signs.Bow.DOWN : Signs.Bow.UP;
  }

  static Signs bowed(boolean down) {
    return Signs.PLAIN.withBow(mark(down));
  }

  static Signs with(Signs signs, Signs.Articulation mark) {
    Set<Signs.Articulation> marks = EnumSet.of(mark);
    marks.addAll(signs.articulations());
    return signs.withArticulations(marks);
  }

  // ---- what is written -------------------------------------------------------------------------

  void add(Fraction length, List<Head> heads, Signs signs) {
    line.add(length, heads, signs);
  }

  /** The notes of a moment, so long, under the clef, the key and the bar number of their place. */
  void add(int moment, Fraction length, Signs signs) {
    NoteKey key = passage.notes().get(passage.slices().get(moment).starting().get(0)).key();
    Bar bar = passage.score().bar(key.barIndex());
    line.under(bar.clefAt(key.onset()), bar.key()).numbered(bar.number());
    add(length, heads(moment), signs);
  }

  void rest(Fraction length) {
    line.add(length, List.of(), Signs.PLAIN);
  }

  /** The line begins where its first note stands in the bar: a pick-up stays off the beat. */
  void onItsPlace() {
    int first = moments().isEmpty() ? from : moments().get(0);
    NoteKey key = passage.notes().get(passage.slices().get(first).starting().get(0)).key();
    line.pickUp(passage.score().bar(key.barIndex()).placeOf(key.onset()));
  }

  /** A moment as it stands in the passage. */
  void asWritten(int moment) {
    add(moment, length(moment), signs(moment));
  }

  void say(String words) {
    line.say(Direction.Kind.WORDS, words);
  }

  void hairpin(boolean growing) {
    line.say(growing ? Direction.Kind.CRESCENDO : Direction.Kind.DIMINUENDO, "");
  }

  void endHairpin() {
    line.say(Direction.Kind.HAIRPIN_END, "");
  }

  void fillBar() {
    line.fillBar();
  }
}
