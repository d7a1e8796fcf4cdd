package fret.session;

import fret.base.Said;
import fret.fingering.NoteFinger;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.Strand;
import fret.mark.StrandLayer;
import fret.mark.StrandLevels;
import fret.mark.StrandLevelsLayer;
import fret.score.Event;
import fret.score.Head;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;

/** The lines within broken chords: which notes belong to each, and what the player decides. */
public final class Strands {
  /** Shorter bars have no lines to tell apart. */
  private static final int FEWEST = 4;

  private Strands() {}

  /** What is marked, by the index of the note. */
  public static Map<Integer, Strand> of(Session s) {
    Map<Integer, Strand> all = new TreeMap<>();
    if (s.passage().marks().of(StrandLayer.STRAND).isEmpty()) {
      return all;
    }
    for (int i = 0; i < s.resolved().notes().size(); i++) {
      int note = i;
      s.at(StrandLayer.STRAND, i).ifPresent(strand -> all.put(note, strand));
    }
    return all;
  }

  public static StrandLevels levels(Session s) {
    return levels(s.passage().marks());
  }

  private static StrandLevels levels(Marks marks) {
    return marks.at(StrandLevelsLayer.LEVELS, Place.WHOLE).orElse(StrandLevels.EVEN);
  }

  /** How much louder than the passage each moment is for its line; empty where all are even. */
  static Map<Integer, Double> offsets(Marks marks, ResolvedPassage passage) {
    StrandLevels levels = levels(marks);
    if (levels.equals(StrandLevels.EVEN) || marks.of(StrandLayer.STRAND).isEmpty()) {
      return Map.of();
    }
    Map<Integer, Double> all = new HashMap<>();
    for (Slice s : passage.slices()) {
      double level = 0;
      for (int note : s.starting()) {
        Place place = Place.of(passage.notes().get(note).key());
        level = marks.at(StrandLayer.STRAND, place).map(levels::of).orElse(level);
      }
      all.put(s.index(), level);
    }
    return all;
  }

  // ---- proposing -------------------------------------------------------------------------------

  /**
   * Lines told by register and string, bar by bar where the bow goes over strings at every other
   * note or more: the note that is come back to at every other note is the pedal, what lies under
   * it the lower line, what lies over it the upper one; without a pedal the lowest string has the
   * lower line and the highest the upper one.
   */
  public static Map<Integer, Strand> proposed(Session s) {
    Map<Integer, List<Integer>> bars = new TreeMap<>();
    for (Slice slice : s.resolved().slices()) {
      int note = slice.starting().get(0);
      boolean one = slice.starting().size() == 1 && slice.grace() == 0;
      if (one && s.fingering().notes().get(note).isPresent()) {
        int bar = s.resolved().notes().get(note).key().barIndex();
        bars.computeIfAbsent(bar, b -> new ArrayList<>()).add(note);
      }
    }
    Map<Integer, Strand> all = new TreeMap<>();
    bars.values().stream().filter(b -> isBroken(s, b)).forEach(b -> tell(s, b, all));
    return all;
  }

  private static int string(Session s, int note) {
    return s.fingering().notes().get(note).map(NoteFinger::string).orElse(0);
  }

  private static int midi(Session s, int note) {
    return s.resolved().notes().get(note).pitch().midi();
  }

  private static boolean isBroken(Session s, List<Integer> bar) {
    int changes = 0;
    for (int i = 1; i < bar.size(); i++) {
      changes += string(s, bar.get(i)) == string(s, bar.get(i - 1)) ? 0 : 1;
    }
    return bar.size() >= FEWEST && 2 * changes >= bar.size() - 1;
  }

  private static void tell(Session s, List<Integer> bar, Map<Integer, Strand> into) {
    OptionalInt pedal =
        bar.stream()
            .mapToInt(n -> midi(s, n))
            .filter(m -> 2 * Collections.frequency(midis(s, bar), m) >= bar.size() - 1)
            .findFirst();
    int low = bar.stream().mapToInt(n -> string(s, n)).max().orElse(0);
    int high = bar.stream().mapToInt(n -> string(s, n)).min().orElse(0);
    for (int note : bar) {
      if (pedal.isPresent()) {
        int over = Integer.compare(midi(s, note), pedal.getAsInt());
        into.put(note, over == 0 ? Strand.PEDAL : over < 0 ? Strand.LOWER : Strand.UPPER);
      } else if (string(s, note) == low) {
        into.put(note, Strand.LOWER);
      } else if (string(s, note) == high) {
        into.put(note, Strand.UPPER);
      }
    }
  }

  private static List<Integer> midis(Session s, List<Integer> bar) {
    return bar.stream().map(n -> midi(s, n)).toList();
  }

  // ---- decisions -------------------------------------------------------------------------------

  /** Notes become part of a line, or of none. */
  public static Change mark(Session s, int from, int to, Optional<Strand> strand) {
    Marks after = s.passage().marks();
    for (int i = Math.min(from, to); i <= Math.max(from, to); i++) {
      after = after.with(StrandLayer.STRAND, place(s, i), strand);
    }
    Said name = strand.map(x -> Said.of("strands.mark." + x)).orElse(Said.of("strands.mark.none"));
    return Change.of(name, s.passage().marks(), after);
  }

  /** All notes become part of the lines that are proposed; what was marked stays. */
  public static Change propose(Session s) {
    Marks after = s.passage().marks();
    for (Map.Entry<Integer, Strand> e : proposed(s).entrySet()) {
      boolean open = s.at(StrandLayer.STRAND, e.getKey()).isEmpty();
      after =
          open
              ? after.with(StrandLayer.STRAND, place(s, e.getKey()), Optional.of(e.getValue()))
              : after;
    }
    return Change.of(Said.of("strands.proposed"), s.passage().marks(), after);
  }

  /** A line becomes louder or softer than the passage. */
  public static Change level(Session s, Strand strand, double level) {
    StrandLevels now = levels(s).with(strand, level);
    Optional<StrandLevels> own =
        now.equals(StrandLevels.EVEN) ? Optional.empty() : Optional.of(now);
    Marks marks = s.passage().marks();
    return Change.of(
        Said.of("strands.levels"), marks, marks.with(StrandLevelsLayer.LEVELS, Place.WHOLE, own));
  }

  private static Place place(Session s, int note) {
    return Place.of(s.resolved().notes().get(note).key());
  }

  // ---- a line by itself ------------------------------------------------------------------------

  /** The note before ({@code way} -1) or after (1) in the same line. */
  public static OptionalInt neighbour(Session s, int note, int way) {
    Optional<Strand> own = s.at(StrandLayer.STRAND, note);
    for (int i = note + way; own.isPresent() && i >= 0 && i < s.resolved().notes().size(); ) {
      if (s.at(StrandLayer.STRAND, i).equals(own)) {
        return OptionalInt.of(i);
      }
      i += way;
    }
    return OptionalInt.empty();
  }

  /** The lines that are marked, or where none is those that the pattern has. */
  static Map<Integer, Strand> told(Session s) {
    Map<Integer, Strand> marked = of(s);
    return marked.isEmpty() ? proposed(s) : marked;
  }

  /** Whether a line has notes of its own between two moments, the last one included. */
  public static boolean has(Session s, int from, int to, Strand line) {
    return told(s).entrySet().stream()
            .filter(e -> e.getValue() == line)
            .map(e -> s.resolved().notes().get(e.getKey()).slice())
            .filter(slice -> slice >= from && slice <= to)
            .count()
        >= 2;
  }

  /** A page with the notes of some lines alone, rests in place of all others. */
  static Score only(Session s, Score page, List<Strand> wanted) {
    return only(s, page, wanted, of(s));
  }

  /** The same of the lines that the pattern has where none are marked. */
  static Score line(Session s, Score page, Strand wanted) {
    return only(s, page, List.of(wanted), told(s));
  }

  private static Score only(
      Session s, Score page, List<Strand> wanted, Map<Integer, Strand> strands) {
    Map<Event, List<Head>> kept = new HashMap<>();
    for (Map.Entry<Integer, Strand> e : strands.entrySet()) {
      SoundingNote n = s.resolved().notes().get(e.getKey());
      page.bars().stream()
          .filter(b -> b.index() == n.key().barIndex() && wanted.contains(e.getValue()))
          .flatMap(b -> b.events().stream())
          .filter(x -> x.onset().equals(n.onset()) && !x.isRest() && !x.isGrace())
          .forEach(x -> keep(s, n, x, kept));
    }
    return page.withEach((b, x) -> alone(x, kept));
  }

  private static void keep(Session s, SoundingNote n, Event x, Map<Event, List<Head>> kept) {
    for (Head h : x.heads()) {
      if (h.pitch().plus(s.page().transposition()).equals(n.pitch())) {
        kept.computeIfAbsent(x, e -> new ArrayList<>()).add(h);
      }
    }
  }

  private static Event alone(Event x, Map<Event, List<Head>> kept) {
    List<Head> heads = kept.get(x);
    if (heads == null) {
      Signs plain = Signs.PLAIN.withTuplet(x.signs().tuplet());
      return x.withHeads(List.of()).withSigns(plain);
    }
    Signs signs = x.signs().withSlurs(List.of(), List.of());
    return x.withHeads(heads.stream().map(h -> h.withTies(false, false)).toList()).withSigns(signs);
  }
}
