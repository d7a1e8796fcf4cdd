package fret.format.abc;

import fret.base.RefusedValue;
import fret.base.Said;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/** The bars of a tune as they grow, note by note. */
final class AbcBars {
  /** No note is longer than so many whole notes. */
  private static final Fraction LONGEST_NOTE = Fraction.of(16);

  private final List<Bar> bars = new ArrayList<>();
  private final Map<Integer, Integer> accidentals = new HashMap<>();
  private TimeSignature time = TimeSignature.COMMON_TIME;
  private KeySignature key = KeySignature.NONE;
  private Clef clef = Clef.TREBLE;
  private Fraction unit;

  private List<Event> events = new ArrayList<>();
  private List<Direction> directions = new ArrayList<>();
  private Fraction start = Fraction.ZERO;
  private Fraction onset = Fraction.ZERO;
  private boolean repeatStart;
  private List<Integer> ending = List.of();
  private int slurs;
  private int slursToStart;
  private boolean tied;
  private boolean grace;
  private int tupletLeft;
  private Signs.Tuplet tuplet = Signs.Tuplet.NONE;
  private Fraction broken = Fraction.ONE;
  private Signs pending = Signs.PLAIN;
  private int eventCount;

  // ---- fields ----------------------------------------------------------------------------------

  void metre(String value) {
    time = AbcFields.metre(value).orElse(time);
  }

  void unit(String value) {
    unit = AbcFields.length(value);
  }

  void tempo(String value) {
    directions.addAll(AbcFields.tempo(value, onset));
  }

  void key(String value) {
    key = AbcFields.key(value);
    AbcFields.mode(value, onset).ifPresent(directions::add);
    clef = AbcFields.clef(value).orElse(clef);
  }

  TimeSignature time() {
    return time;
  }

  /** The length that a note without one has. */
  Fraction unit() {
    if (unit != null) {
      return unit;
    }
    return time.barLength().compareTo(Fraction.of(3, 4)) < 0
        ? Fraction.of(1, 16)
        : Fraction.of(1, 8);
  }

  // ---- what is there ---------------------------------------------------------------------------

  boolean isEmpty() {
    return bars.isEmpty();
  }

  boolean hasNotes() {
    return bars.stream().flatMap(b -> b.events().stream()).anyMatch(e -> !e.isRest());
  }

  /** How many notes and rests were taken. */
  int eventCount() {
    return eventCount;
  }

  Score score(String title, String composer) {
    return new Score(title, composer, "", Interval.UNISON, bars).laidOut();
  }

  // ---- notes -----------------------------------------------------------------------------------

  /**
   * A pitch in the key and with the signs of its bar.
   *
   * @param diatonic steps above C0
   * @param alter as its own sign has it, where {@code signed}
   */
  Pitch spelled(int diatonic, boolean signed, int alter) {
    Step step = Step.of(diatonic);
    if (signed) {
      accidentals.put(diatonic, alter);
    }
    int used = accidentals.getOrDefault(diatonic, key.alterOf(step));
    int octave = Math.floorDiv(diatonic, 7);
    if (octave < 0 || octave > 9 || Math.abs(used) > 2) {
      throw new RefusedValue(Said.of("value.range"));
    }
    return new Pitch(step, used, octave);
  }

  /** A chord, some of its notes tied on inside the brackets. */
  void chord(List<Pitch> pitches, Fraction length, boolean tiedInside) {
    add(pitches.stream().distinct().toList(), length);
    if (tiedInside) {
      tie();
    }
  }

  /** Whole bars of rest. */
  void restBars(int count) {
    for (int i = 0; i < count; i++) {
      add(List.of(), time.barLength());
      closeBar(Bar.Line.PLAIN, false);
    }
  }

  /** A note, a chord or, without pitches, a rest. */
  void add(List<Pitch> pitches, Fraction asked) {
    eventCount++;
    boolean small = grace;
    Signs.Tuplet member = Signs.Tuplet.NONE;
    if (tupletLeft > 0 && !small) {
      tupletLeft--;
      member = new Signs.Tuplet(tuplet.actual(), tuplet.normal(), tuplet.starts(), tupletLeft == 0);
      tuplet = new Signs.Tuplet(tuplet.actual(), tuplet.normal(), false, false);
    }
    Fraction written = small ? Fraction.of(1, 8) : asked.multiply(broken);
    broken = small ? broken : Fraction.ONE;
    if (written.compareTo(LONGEST_NOTE) > 0) {
      throw new RefusedValue(Said.of("value.whole", written));
    }
    NoteValue value = NoteValue.ofLength(written).orElse(null);
    if (value == null) {
      addTied(pitches, written);
      return;
    }
    Fraction length =
        small ? Fraction.ZERO : written.multiply(Fraction.of(member.normal(), member.actual()));
    boolean stop = tied;
    tied = false;
    Signs signs = pending.withTuplet(member).withSlurs(startedSlurs(pitches, small), List.of());
    pending = small ? pending : Signs.PLAIN;
    List<Head> heads = pitches.stream().map(p -> Head.of(p).withTies(false, stop)).toList();
    events.add(
        new Event(
            "1",
            onset,
            length,
            value,
            heads,
            small ? Event.Grace.SLASHED : Event.Grace.NONE,
            false,
            pitches.isEmpty() ? signs.withSlurs(List.of(), List.of()) : signs));
    onset = onset.add(length);
  }

  /** A length that needs two values: the larger first, tied. */
  private void addTied(List<Pitch> pitches, Fraction length) {
    for (int denominator = 1; denominator <= 128; denominator *= 2) {
      Fraction first = Fraction.of(1, denominator);
      Fraction rest = length.subtract(first);
      if (rest.signum() > 0 && length.getDenominator() <= 256) {
        add(pitches, first);
        if (!pitches.isEmpty()) {
          tie();
        }
        add(pitches, rest);
        return;
      }
    }
    throw new RefusedValue(Said.of("value.whole", length));
  }

  void grace(boolean on) {
    grace = on;
  }

  /** {@code count} notes, {@code actual} in the time of {@code normal}. */
  void tuplet(int actual, int normal, int count) {
    tuplet = new Signs.Tuplet(actual, normal, true, false);
    tupletLeft = count;
  }

  /** The note before becomes longer and the next one shorter, or the other way round. */
  void breakRhythm(boolean firstLonger, int signs) {
    int power = 1 << Math.min(3, signs);
    Fraction longer = Fraction.of(2 * power - 1, power);
    Fraction shorter = Fraction.of(1, power);
    if (!events.isEmpty()) {
      Event last = events.remove(events.size() - 1);
      Fraction length = last.duration().multiply(firstLonger ? longer : shorter);
      onset = last.onset().add(length);
      events.add(remade(last, length));
      broken = firstLonger ? shorter : longer;
    }
  }

  private static Event remade(Event e, Fraction length) {
    Signs.Tuplet t = e.signs().tuplet();
    Fraction written = length.multiply(Fraction.of(t.actual(), t.normal()));
    NoteValue value = NoteValue.ofLength(written).orElse(e.value());
    return new Event(e.voice(), e.onset(), length, value, e.heads(), e.grace(), e.cue(), e.signs());
  }

  void tie() {
    int i = events.size() - 1;
    if (i >= 0 && !events.get(i).isRest()) {
      Event e = events.get(i);
      events.set(
          i, e.withHeads(e.heads().stream().map(h -> h.withTies(true, h.tieStop())).toList()));
      tied = true;
    }
  }

  // ---- slurs -----------------------------------------------------------------------------------

  void startSlur() {
    slursToStart++;
  }

  private List<Integer> startedSlurs(List<Pitch> pitches, boolean small) {
    if (pitches.isEmpty() || small || slursToStart == 0) {
      return List.of();
    }
    List<Integer> numbers = new ArrayList<>();
    for (; slursToStart > 0; slursToStart--) {
      numbers.add(++slurs);
    }
    return numbers;
  }

  /**
   * Ends the newest slur at the note before.
   *
   * @return false where that note is in a bar before: the slur stays open
   */
  boolean endSlur() {
    if (slurs == 0) {
      return true;
    }
    int number = slurs--;
    int i = lastNote();
    if (i < 0) {
      return false;
    }
    Event e = events.get(i);
    List<Integer> stops = new ArrayList<>(e.signs().slurStops());
    stops.add(number);
    events.set(i, e.withSigns(e.signs().withSlurs(e.signs().slurStarts(), stops)));
    return true;
  }

  private int lastNote() {
    for (int i = events.size() - 1; i >= 0; i--) {
      if (!events.get(i).isRest()) {
        return i;
      }
    }
    return -1;
  }

  // ---- signs -----------------------------------------------------------------------------------

  /** A decoration by its name; others than the usual ones are passed over. */
  void decorate(String name) {
    switch (name) {
      case "trill" -> pending = pending.withOrnament(Signs.Ornament.TRILL);
      case "turn" -> pending = pending.withOrnament(Signs.Ornament.TURN);
      case "lowermordent", "mordent" -> pending = pending.withOrnament(Signs.Ornament.MORDENT);
      case "uppermordent", "pralltriller" ->
          pending = pending.withOrnament(Signs.Ornament.INVERTED_MORDENT);
      case "fermata" -> pending = pending.withFermata(true);
      case "accent", "emphasis", ">" -> articulation(Signs.Articulation.ACCENT);
      case "tenuto" -> articulation(Signs.Articulation.TENUTO);
      case "wedge" -> articulation(Signs.Articulation.STACCATISSIMO);
      case "upbow" -> pending = pending.withBow(Signs.Bow.UP);
      case "downbow" -> pending = pending.withBow(Signs.Bow.DOWN);
      case "crescendo(", "<(" -> direction(Direction.Kind.CRESCENDO, "");
      case "diminuendo(", ">(" -> direction(Direction.Kind.DIMINUENDO, "");
      case "crescendo)", "<)", "diminuendo)", ">)" -> direction(Direction.Kind.HAIRPIN_END, "");
      default -> {
        if (name.matches("p{1,4}|mp|mf|f{1,4}|sfz")) {
          direction(Direction.Kind.DYNAMIC, name);
        }
      }
    }
  }

  /** A decoration by its one letter. */
  void decorate(char c) {
    switch (c) {
      case '.' -> articulation(Signs.Articulation.STACCATO);
      case 'u' -> pending = pending.withBow(Signs.Bow.UP);
      case 'v' -> pending = pending.withBow(Signs.Bow.DOWN);
      case 'T' -> pending = pending.withOrnament(Signs.Ornament.TRILL);
      case 'H' -> pending = pending.withFermata(true);
      case 'L' -> articulation(Signs.Articulation.ACCENT);
      case '~' -> pending = pending.withOrnament(Signs.Ornament.TURN);
      default -> {}
    }
  }

  void words(String words) {
    direction(Direction.Kind.WORDS, words);
  }

  private void direction(Direction.Kind kind, String words) {
    directions.add(new Direction(onset, kind, words, 0));
  }

  private void articulation(Signs.Articulation which) {
    Set<Signs.Articulation> all = EnumSet.of(which);
    all.addAll(pending.articulations());
    pending = pending.withArticulations(all);
  }

  // ---- bars ------------------------------------------------------------------------------------

  /** A bar line as it is written, such as {@code |:}. */
  void line(String sign) {
    boolean end = sign.startsWith(":");
    Bar.Line kind =
        sign.contains("|]")
            ? Bar.Line.FINAL
            : sign.contains("||") ? Bar.Line.DOUBLE : Bar.Line.PLAIN;
    closeBar(end || sign.endsWith(":") ? Bar.Line.PLAIN : kind, end);
    boolean starts = sign.endsWith(":") && sign.length() > 1 || sign.equals("::");
    repeatStart |= starts;
    if (starts || end) {
      ending = List.of();
    }
  }

  /** The passes that what follows is for. */
  void ending(List<Integer> passes) {
    ending = passes;
  }

  /** What there is after the last bar line. */
  void close() {
    closeBar(Bar.Line.FINAL, false);
  }

  private void closeBar(Bar.Line kind, boolean repeatEnd) {
    if (events.isEmpty()) {
      if (!bars.isEmpty() && (repeatEnd || kind != Bar.Line.PLAIN)) {
        Bar last = bars.remove(bars.size() - 1);
        bars.add(lined(last, kind, repeatEnd || last.repeatEnd()));
      }
      return;
    }
    Fraction length = onset.subtract(start);
    boolean pickup = bars.isEmpty() && length.compareTo(time.barLength()) < 0;
    int number =
        bars.isEmpty()
            ? (pickup ? 0 : 1)
            : Integer.parseInt(bars.get(bars.size() - 1).number()) + 1;
    bars.add(
        new Bar(
            bars.size(),
            String.valueOf(number),
            start,
            length,
            time,
            key,
            clef,
            List.of(),
            events,
            directions,
            repeatStart,
            repeatEnd,
            ending,
            kind));
    events = new ArrayList<>();
    directions = new ArrayList<>();
    accidentals.clear();
    start = onset;
    repeatStart = false;
  }

  private static Bar lined(Bar b, Bar.Line kind, boolean repeatEnd) {
    return new Bar(
        b.index(),
        b.number(),
        b.start(),
        b.length(),
        b.time(),
        b.key(),
        b.clef(),
        b.clefChanges(),
        b.events(),
        b.directions(),
        b.repeatStart(),
        repeatEnd,
        b.endings(),
        kind);
  }
}
