package fret.bowing;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.PlayedTimes;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

/** Makes the moments of a passage as the bow sees them. */
final class BowMoments {
  private final BowTask task;
  private final List<Slice> slices;
  private final PlayedTimes times;
  private final TreeMap<Fraction, String> words = new TreeMap<>();

  /** Words that ask for a stroke, and where one ends. */
  private final TreeMap<Fraction, String> strokes = new TreeMap<>();

  private BowMoments(BowTask task) {
    this.task = task;
    this.slices = task.passage().slices();
    this.times = PlayedTimes.of(task.passage(), task.tempo());
    for (Bar bar : task.passage().score().bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Direction.Kind.WORDS) {
          String word = d.text().toLowerCase(Locale.ROOT);
          words.merge(d.onset(), word, (a, b) -> a + " " + b);
          if (StrokeKinds.worded(word).isPresent()) {
            strokes.put(d.onset(), word);
          } else if (StrokeKinds.isOrdinary(word)) {
            strokes.putIfAbsent(d.onset(), "");
          }
        }
      }
    }
  }

  /** Notes in a row that cannot have a stroke that a word asked for: then it is over. */
  private static final int SILENT = 4;

  static List<BowMoment> of(BowTask task) {
    BowMoments made = new BowMoments(task);
    List<BowMoment> all = new ArrayList<>();
    List<String> words = made.wordsThatReach();
    for (Slice slice : made.slices) {
      all.add(made.moment(slice, words.get(slice.index())));
    }
    return all;
  }

  /** A word is silent on notes that cannot have it, counts again after them, and ends with four. */
  private List<String> wordsThatReach() {
    List<String> all = new ArrayList<>();
    String word = "";
    int silent = 0;
    for (Slice slice : slices) {
      if (!words(slice).equals(word)) {
        word = words(slice);
        silent = 0;
      }
      boolean counts = slice.grace() == 0 && !word.isEmpty() && silent < SILENT;
      silent = !counts ? silent : canHave(word, slice.index()) ? 0 : silent + 1;
      all.add(silent < SILENT ? word : "");
    }
    return all;
  }

  private boolean canHave(String word, int i) {
    double ms = times.endMs()[i] - times.startMs()[i];
    double rate = StrokeKinds.rate(ms, restMs(i));
    return StrokeKinds.worded(word).filter(k -> StrokeKinds.isFor(k, rate)).isPresent();
  }

  private BowMoment moment(Slice slice, String word) {
    SoundingNote lead = task.passage().notes().get(slice.starting().get(0));
    Bar bar = task.passage().score().bar(lead.key().barIndex());
    List<Event> events = events(bar, slice);
    Set<Signs.Articulation> articulations = EnumSet.noneOf(Signs.Articulation.class);
    int tremolo = 0;
    Signs.Bow printed = Signs.Bow.NONE;
    for (Event e : events) {
      articulations.addAll(e.signs().articulations());
      tremolo = Math.max(tremolo, e.signs().tremolo());
      printed = e.signs().bow() == Signs.Bow.NONE ? printed : e.signs().bow();
    }
    addAccent(bar, slice, articulations);
    int i = slice.index();
    Fraction end = slice.onset().add(slice.duration());
    return new BowMoment(
        slice,
        times.startMs()[i],
        times.endMs()[i],
        task.loudness().levelAt(slice.onset()),
        slice.grace() > 0
            ? task.loudness().levelAt(slice.onset())
            : task.loudness().levelBefore(end),
        slice.grace() > 0 ? BowMoment.Beat.OFF : beat(bar, slice.onset()),
        task.hand().get(i).strings(),
        task.hand().get(i).stopped(),
        lead.bar(),
        task.rules().bows().getOrDefault(i, printed),
        articulations,
        tremolo,
        word,
        slice.grace() > 0
            ? Optional.empty()
            : PlaceWords.place(words.getOrDefault(slice.onset(), "")),
        slice.duration().doubleValue(),
        restMs(i),
        task.hand().get(i).shiftInto());
  }

  private List<Event> events(Bar bar, Slice slice) {
    if (slice.grace() > 0) {
      return List.of();
    }
    Set<String> voices = new TreeSet<>();
    slice.starting().forEach(n -> voices.add(task.passage().notes().get(n).voice()));
    return bar.events().stream()
        .filter(e -> !e.isGrace() && !e.isRest() && e.onset().equals(slice.onset()))
        .filter(e -> voices.contains(e.voice()))
        .toList();
  }

  /** "sf" and its kin are dynamics in the file and accents for the bow. */
  private static void addAccent(Bar bar, Slice slice, Set<Signs.Articulation> into) {
    bar.directions().stream()
        .filter(d -> d.kind() == Direction.Kind.DYNAMIC && d.onset().equals(slice.onset()))
        .filter(d -> d.text().matches("s?fz?p?|rfz?|fp|sffz?") && !d.text().equals("f"))
        .forEach(d -> into.add(Signs.Articulation.ACCENT));
  }

  /** Silence to the next moment. */
  private double restMs(int i) {
    if (i + 1 >= slices.size()) {
      return 0;
    }
    return Math.max(0, times.startMs()[i + 1] - times.endMs()[i]);
  }

  /** The stroke that a word asks for, up to another one or to "ordinario". */
  private String words(Slice slice) {
    var here = strokes.floorEntry(slice.onset());
    return here == null ? "" : here.getValue();
  }

  /** The first beat; the half of a bar of four beats or of two groups; another beat; none. */
  static BowMoment.Beat beat(Bar bar, Fraction onset) {
    Fraction at = bar.placeOf(onset);
    if (at.signum() == 0) {
      return BowMoment.Beat.FIRST;
    }
    List<Fraction> starts = bar.time().groupStarts();
    if (!starts.contains(at)) {
      return BowMoment.Beat.OFF;
    }
    boolean half =
        starts.size() % 2 == 0
            && at.equals(bar.time().barLength().multiply(Fraction.of(1, 2)))
            && (starts.size() >= 4 || bar.time().isCompound());
    return half ? BowMoment.Beat.HALF : BowMoment.Beat.BEAT;
  }
}
