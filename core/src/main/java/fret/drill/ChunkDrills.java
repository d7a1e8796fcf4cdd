package fret.drill;

import fret.base.Fractions;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The drills that are made of the notes of a chunk alone. Everything but the straight drill goes
 * through one voice without its grace notes; fingers, slurs and bow marks stay where their notes
 * stay.
 */
final class ChunkDrills {
  /** The four rhythms in halves of the running value; four notes take 8, 8, 6, 6 of them. */
  private static final int[][] BY_FOUR = {{3, 1}, {1, 3}, {3, 1, 1, 1}, {1, 1, 2, 2}};

  /** The same for groups of three, which take 6 as they do when straight. */
  private static final int BY_THREE_UNITS = 6;

  private static final int[][] BY_THREE = {{4, 1, 1}, {1, 4, 1}, {1, 1, 4}};

  private static final Set<Signs.Articulation> MARKS =
      EnumSet.of(Signs.Articulation.ACCENT, Signs.Articulation.MARCATO, Signs.Articulation.TENUTO);

  /** What goes with the notes into a drill. */
  private static final Set<Direction.Kind> BESIDE =
      EnumSet.of(
          Direction.Kind.DYNAMIC,
          Direction.Kind.CRESCENDO,
          Direction.Kind.DIMINUENDO,
          Direction.Kind.HAIRPIN_END,
          Direction.Kind.PLUCKED,
          Direction.Kind.BOWED);

  private static final int NOTE_BY_NOTE = 8;
  private static final int BEAT_BY_BEAT = 16;
  private static final int LONG_NOTES = 2;

  private final Score full;
  private final Score cut;
  private final Fraction start;
  private final Fraction beat;
  private final List<Event> line;
  private final List<Event> notes;
  private final List<Direction> beside;
  private int said;

  /**
   * @param full the part that the stretch was cut from, for its bars
   */
  ChunkDrills(Score full, Score cut) {
    this.full = full;
    this.cut = cut;
    this.start = cut.bars().get(0).start();
    this.beat = cut.bars().get(0).time().beatLength();
    this.line = line(cut);
    this.beside =
        cut.bars().stream()
            .flatMap(b -> b.directions().stream())
            .filter(d -> BESIDE.contains(d.kind()))
            .sorted(Comparator.comparing(Direction::onset))
            .toList();
    this.notes = line.stream().filter(e -> !e.isRest() && !isTiedOn(e)).toList();
  }

  /** The parts of a drill; none where the chunk has nothing for it. */
  List<Score> parts(DrillKind kind) {
    if (notes.isEmpty()) {
      return List.of(); // A line by itself may rest all through a stretch.
    }
    return switch (kind) {
      case FOCUS_TUNE, FOCUS_SHIFT, FOCUS_BOW, FOCUS_RELEASE, FIRST_READING ->
          one(marked(DrillKind.STRAIGHT));
      case STRAIGHT, SILENT, SYLLABLES, NO_VIBRATO, STEADY_NOTES -> one(marked(kind));
      case RHYTHMS -> isByThree() ? inRhythms(BY_THREE) : inRhythms(BY_FOUR);
      case TRIPLET_RHYTHMS -> inRhythms(BY_THREE);
      case ADD_A_NOTE -> added();
      case ADD_FROM_END -> addedFromEnd();
      case BACKWARDS -> one(Mirror.of(cut));
      case CHAIN_BACK -> chained();
      case ACCENTS -> one(accented(0));
      case ACCENTS_DISPLACED -> displaced();
      case DOUBLED -> one(repeated(2));
      case TREBLED -> one(repeated(3));
      case BURSTS -> bursts();
      case FINGER_FIRST -> one(halved(true));
      case END_CLICK -> one(halved(false));
      case VIBRATO_PULSES -> pulses();
      case VIBRATO_NARROWING -> one(narrowing());
      case SOFT_ENDINGS -> softEndings();
      default -> List.of();
    };
  }

  private static List<Score> one(Score score) {
    return List.of(score);
  }

  // ---- what is there -------------------------------------------------------------------------

  private static List<Event> line(Score cut) {
    List<Event> all = new ArrayList<>();
    Fraction at = null;
    for (Event e : cut.events()) {
      boolean first = at == null || e.onset().compareTo(at) >= 0;
      if (!e.isGrace() && !e.cue() && first) {
        all.add(e);
        at = e.end();
      }
    }
    return all;
  }

  private static boolean isTiedOn(Event e) {
    return !e.isRest() && e.heads().stream().allMatch(Head::tieStop);
  }

  /** Sounding length, ties joined. */
  private Fraction length(Event note) {
    Fraction length = note.duration();
    for (int i = line.indexOf(note) + 1; i < line.size() && isTiedOn(line.get(i)); i++) {
      length = length.add(line.get(i).duration());
    }
    return length;
  }

  /** The value that most notes have. */
  private Event running() {
    Map<Fraction, Integer> count = new HashMap<>();
    notes.forEach(e -> count.merge(e.duration(), 1, Integer::sum));
    Event best = notes.get(0);
    for (Event e : notes) {
      int more = count.get(e.duration()) - count.get(best.duration());
      boolean shorter = more == 0 && e.duration().compareTo(best.duration()) < 0;
      best = more > 0 || shorter ? e : best;
    }
    return best;
  }

  /** Whether the running notes go by in threes. */
  private boolean isByThree() {
    Event running = running();
    TimeSignature time = cut.bars().get(0).time();
    boolean inTuplets = running.signs().tuplet().actual() == 3;
    return inTuplets || time.isCompound() && running.duration().equals(time.unit());
  }

  private LineBuilder builder(TimeSignature time) {
    Bar first = cut.bars().get(0);
    return new LineBuilder(time, first.key(), first.clefAt(start)).numbered(first.number());
  }

  /** A line in the metre of the first bar that begins where the first note stands in it. */
  private LineBuilder builder() {
    said = 0;
    return builder(cut.bars().get(0).time()).pickUp(full.barAt(start).placeOf(start));
  }

  /** Adds a note with the clef and key of its place and what stands beside it on the page. */
  private LineBuilder towards(LineBuilder made, Event e) {
    Bar bar = cut.barAt(e.onset());
    made.under(bar.clefAt(e.onset()), bar.key()).numbered(bar.number());
    while (said < beside.size() && beside.get(said).onset().compareTo(e.onset()) <= 0) {
      made.say(beside.get(said));
      said++;
    }
    return made;
  }

  private Score built(LineBuilder line) {
    line.fillBar();
    return line.build("", cut.transposition());
  }

  private static List<Head> untied(Event e) {
    return e.heads().stream().map(h -> h.withTies(false, false)).toList();
  }

  private static Signs plain(Event e) {
    return e.signs().withTuplet(Signs.Tuplet.NONE);
  }

  private boolean isOnBeat(Event e) {
    return onBeat(e.onset());
  }

  /** Where an onset stands in its bar, in beats. */
  private Fraction inBeats(Fraction onset) {
    return full.barAt(onset).placeOf(onset).divide(beat);
  }

  private boolean onBeat(Fraction onset) {
    return inBeats(onset).getDenominator() == 1;
  }

  // ---- rhythms -------------------------------------------------------------------------------

  /**
   * Running notes in rhythm, with half their value as unit; longer notes keep their length and
   * start the pattern anew.
   */
  private List<Score> inRhythms(int[][] patterns) {
    Event running = running();
    boolean tuplet = running.signs().tuplet().isPresent();
    Fraction unit = running.value().length().divide(Fraction.of(2));
    List<Score> parts = new ArrayList<>();
    for (int[] pattern : patterns) {
      LineBuilder made = builder();
      int at = 0;
      boolean inThree = false;
      for (Event e : notes) {
        boolean runs = e.duration().equals(running.duration());
        boolean held = length(e).compareTo(running.duration()) > 0;
        if (!runs || held) {
          at = 0;
          towards(made, e).add(rounded(length(e), unit), untied(e), plain(e));
          continue;
        }
        int place = at % pattern.length;
        Fraction value = unit.multiply(pattern[place]);
        Fraction group = unit.multiply(Fraction.of(2 * BY_THREE_UNITS, 3));
        if (place == 0) {
          // A group of three that would go over the bar line is written out plainly.
          inThree =
              tuplet
                  && pattern.length == 3
                  && isGroup(e, running)
                  && made.inBar().add(group).compareTo(barLength()) <= 0;
        }
        if (inThree) {
          towards(made, e).add(inTuplet(e, value, place));
        } else {
          towards(made, e).add(value, untied(e), plain(e));
        }
        at++;
      }
      parts.add(built(made));
    }
    return parts;
  }

  private Fraction barLength() {
    return cut.bars().get(0).time().barLength();
  }

  /** Whether a note and the two after it run on. */
  private boolean isGroup(Event e, Event running) {
    int i = notes.indexOf(e);
    return i + 3 <= notes.size()
        && notes.subList(i, i + 3).stream()
            .allMatch(
                n ->
                    n.duration().equals(running.duration())
                        && length(n).equals(running.duration()));
  }

  /** A length that can be written without a tuplet. */
  private static Fraction rounded(Fraction length, Fraction unit) {
    if (NoteValue.ofLength(length).isPresent() || isDyadic(length)) {
      return length;
    }
    long units = Math.max(1, Math.round(length.divide(unit).doubleValue()));
    return unit.multiply((int) units);
  }

  private static boolean isDyadic(Fraction f) {
    return Integer.bitCount(f.getDenominator()) == 1;
  }

  private static Event inTuplet(Event e, Fraction value, int place) {
    Signs.Tuplet t = new Signs.Tuplet(3, 2, place == 0, place == 2);
    return new Event(
        e.voice(),
        e.onset(),
        value.multiply(Fraction.of(2, 3)),
        NoteValue.ofLength(value).orElseThrow(),
        untied(e),
        Event.Grace.NONE,
        false,
        e.signs().withTuplet(t));
  }

  // ---- building up ---------------------------------------------------------------------------

  /** The page from one place to another; the bar in which it ends is filled with rests. */
  private Score stage(Fraction from, Fraction to) {
    Score part = ScoreCut.cut(cut, from, to);
    Bar last = part.bars().get(part.bars().size() - 1);
    Bar page = full.barAt(last.start());
    Fraction end = page.end();
    if (last.end().compareTo(end) >= 0) {
      return part;
    }
    LineBuilder rests =
        new LineBuilder(last.time(), last.key(), last.clef()).pickUp(page.placeOf(last.end()));
    Fraction left = end.subtract(last.end());
    Bar silence = rests.add(left).build("", cut.transposition()).bars().get(0);
    List<Event> events = new ArrayList<>(last.events());
    Fraction by = last.end().subtract(silence.start());
    silence.events().forEach(e -> events.add(e.withOnset(e.onset().add(by))));
    List<Bar> bars = new ArrayList<>(part.bars());
    bars.set(bars.size() - 1, last.lasting(end.subtract(last.start())).withEvents(events));
    return part.withBars(bars);
  }

  /** Where a build-up stops: note by note, then beat by beat, then bar by bar, to the whole. */
  private List<Fraction> stops(boolean fromEnd) {
    List<Fraction> all = new ArrayList<>();
    for (int n = 2; n < notes.size(); n++) {
      int first = fromEnd ? notes.size() - n : 0;
      Event edge = fromEnd ? notes.get(first) : notes.get(n - 1);
      Fraction stop = fromEnd ? edge.onset() : edge.onset().add(length(edge));
      boolean inTuplet = edge.signs().tuplet().isPresent() || isSplit(stop);
      boolean wanted =
          n <= NOTE_BY_NOTE && !inTuplet
              || n <= BEAT_BY_BEAT && onBeat(stop)
              || stop.equals(cut.barAt(stop).start());
      if (wanted) {
        all.add(stop);
      }
    }
    all.add(fromEnd ? start : cut.end());
    return all;
  }

  private boolean isSplit(Fraction stop) {
    return !isDyadic(stop);
  }

  private List<Score> added() {
    return notes.size() < 2
        ? List.of()
        : stops(false).stream().map(to -> stage(start, to)).toList();
  }

  private List<Score> addedFromEnd() {
    return notes.size() < 2
        ? List.of()
        : stops(true).stream().map(from -> stage(from, cut.end())).toList();
  }

  /** The last beats first, then each time some more before them. */
  private List<Score> chained() {
    List<Fraction> starts = new ArrayList<>();
    boolean bars = cut.bars().size() > 2;
    for (int i = line.size() - 1; i > 0; i--) {
      Event e = line.get(i);
      boolean edge = bars ? e.onset().equals(cut.barAt(e.onset()).start()) : isOnBeat(e);
      if (edge && !isTiedOn(e) && !e.isRest()) {
        starts.add(e.onset());
      }
    }
    starts.add(start);
    return starts.stream().map(from -> stage(from, cut.end())).toList();
  }

  // ---- accents, repeated notes, bursts -------------------------------------------------------

  /** The place of a note in its beat, counted in notes. */
  private int inGroup(int note) {
    int back = note;
    while (back > 0 && !isOnBeat(notes.get(back))) {
      back--;
    }
    return note - back;
  }

  private Score accented(int place) {
    return edited(
        e -> {
          int at = notes.indexOf(e);
          boolean hit = at >= 0 && inGroup(at) == place;
          return hit
              ? Optional.of(DrillSource.with(e.signs(), Signs.Articulation.ACCENT))
              : Optional.empty();
        });
  }

  private Score edited(java.util.function.Function<Event, Optional<Signs>> edit) {
    List<Bar> bars = new ArrayList<>();
    for (Bar b : cut.bars()) {
      bars.add(
          b.withEvents(
              b.events().stream().map(e -> edit.apply(e).map(e::withSigns).orElse(e)).toList()));
    }
    return cut.withBars(bars);
  }

  private List<Score> displaced() {
    int largest = 0;
    for (int i = 0; i < notes.size(); i++) {
      largest = Math.max(largest, inGroup(i));
    }
    List<Score> parts = new ArrayList<>();
    for (int place = 1; place <= Math.min(3, largest); place++) {
      parts.add(accented(place));
    }
    return parts;
  }

  private Score repeated(int times) {
    LineBuilder made = builder();
    for (Event e : notes) {
      for (int i = 0; i < times; i++) {
        towards(made, e)
            .add(
                rounded(length(e), Fraction.of(1, 16)), untied(e), once(e, i == 0, i == times - 1));
      }
    }
    return built(made);
  }

  /** A slur goes over the repetitions too; what else is printed stands on the first. */
  private static Signs once(Event e, boolean first, boolean last) {
    Signs signs = first ? plain(e) : Signs.PLAIN;
    return signs.withSlurs(
        first ? e.signs().slurStarts() : List.of(), last ? e.signs().slurStops() : List.of());
  }

  /** Each beat quick on to the next note, then a rest to prepare. */
  private List<Score> bursts() {
    List<Score> parts = new ArrayList<>();
    List<Event> heads = notes.stream().filter(this::isOnBeat).toList();
    for (int i = 0; i < heads.size(); i++) {
      boolean lands = i + 1 < heads.size();
      Fraction from = heads.get(i).onset();
      Fraction to =
          lands
              ? heads.get(i + 1).onset().add(landing(heads.get(i + 1)))
              : Fractions.max(notes.get(notes.size() - 1).onset().add(Fraction.of(1, 64)), end());
      boolean alone = notes.get(notes.size() - 1).equals(heads.get(i));
      if (!alone) {
        parts.add(stage(from, to));
      }
    }
    return parts;
  }

  private Fraction end() {
    Event last = notes.get(notes.size() - 1);
    return last.onset().add(length(last));
  }

  /** As much of the note after a burst as is held. */
  private Fraction landing(Event e) {
    return Fractions.min(Fractions.min(beat, Fraction.of(1, 4)), e.duration());
  }

  /** Half of each note is silence: before it, to set the finger, or behind it, to end on time. */
  private Score halved(boolean before) {
    LineBuilder made = builder();
    for (Event e : notes) {
      Fraction half = rounded(length(e), Fraction.of(1, 16)).divide(Fraction.of(2));
      if (before) {
        made.add(half, List.of(), Signs.PLAIN);
      }
      towards(made, e).add(half, untied(e), plain(e).withSlurs(List.of(), List.of()));
      if (!before) {
        made.add(half, List.of(), Signs.PLAIN);
      }
    }
    return built(made);
  }

  /** Long notes with two, three and four pulses a beat. */
  private List<Score> pulses() {
    List<Score> parts = new ArrayList<>();
    for (int pulses = 2; pulses <= 4; pulses++) {
      LineBuilder made = builder(TimeSignature.COMMON_TIME);
      made.say(Direction.Kind.WORDS, String.valueOf(pulses));
      for (Event e : notes.subList(0, Math.min(NOTE_BY_NOTE, notes.size()))) {
        made.add(Fraction.of(1, 2), untied(e), Signs.PLAIN);
      }
      parts.add(built(made));
    }
    return parts;
  }

  /** The longest notes, each four times with less vibrato. */
  private Score narrowing() {
    List<Event> longest =
        notes.stream()
            .sorted(Comparator.comparing(this::length).reversed())
            .limit(LONG_NOTES)
            .sorted(Comparator.comparing(Event::onset))
            .toList();
    LineBuilder made = builder(TimeSignature.COMMON_TIME);
    for (Event e : longest) {
      for (String width : List.of("wide", "less", "narrow", "none")) {
        made.numbered(cut.barAt(e.onset()).number());
        made.say(Direction.Kind.WORDS, width);
        made.add(Fraction.of(1, 2), untied(e), Signs.PLAIN);
      }
    }
    return built(made);
  }

  /** The last two notes, the second long and dying away, on either bow. */
  private List<Score> softEndings() {
    if (notes.size() < 2) {
      return List.of();
    }
    List<Score> parts = new ArrayList<>();
    for (boolean down : new boolean[] {true, false}) {
      LineBuilder made = builder(TimeSignature.COMMON_TIME);
      made.add(Fraction.of(1, 4), untied(notes.get(notes.size() - 2)), DrillSource.bowed(!down));
      made.say(Direction.Kind.DIMINUENDO, "");
      made.add(Fraction.of(3, 4), untied(notes.get(notes.size() - 1)), DrillSource.bowed(down));
      made.say(Direction.Kind.HAIRPIN_END, "");
      parts.add(built(made));
    }
    return parts;
  }

  // ---- as written, with a word ---------------------------------------------------------------

  private Score marked(DrillKind kind) {
    return switch (kind) {
      case SYLLABLES -> counted();
      case STEADY_NOTES ->
          edited(
              e ->
                  notes.contains(e) && isSteady(e)
                      ? Optional.of(DrillSource.with(e.signs(), Signs.Articulation.TENUTO))
                      : Optional.empty());
      default -> cut;
    };
  }

  /** The notes that are marked on the page; where none is, those on the beat. */
  private boolean isSteady(Event e) {
    boolean any = notes.stream().anyMatch(ChunkDrills::isMarked);
    return any ? isMarked(e) : isOnBeat(e);
  }

  private static boolean isMarked(Event e) {
    return e.signs().articulations().stream().anyMatch(MARKS::contains);
  }

  /** The beats of the bar over their notes. */
  private Score counted() {
    List<Bar> bars = new ArrayList<>();
    for (Bar b : cut.bars()) {
      List<Direction> words = new ArrayList<>(b.directions());
      Consumer<Event> count =
          e -> {
            Fraction in = inBeats(e.onset());
            int number = in.intValue() + 1;
            String said = in.getDenominator() == 1 ? String.valueOf(number) : "+";
            words.add(new Direction(e.onset(), Direction.Kind.WORDS, said, 0));
          };
      b.events().stream()
          .filter(notes::contains)
          .filter(e -> inBeats(e.onset()).multiply(2).getDenominator() == 1)
          .forEach(count);
      bars.add(b.withDirections(words));
    }
    return cut.withBars(bars);
  }
}
