package fret.session;

import fret.care.Strain;
import fret.drill.Approach;
import fret.drill.ApproachLayer;
import fret.drill.Chunk;
import fret.drill.Chunker;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.drill.FrameLayer;
import fret.drill.Inherited;
import fret.drill.Learned;
import fret.load.Load;
import fret.mark.Anchor;
import fret.mark.Marks;
import fret.mark.Place;
import fret.passage.Passage;
import fret.passage.PracticeLayer;
import fret.passage.PracticeSetup;
import fret.plan.Goal;
import fret.plan.Part;
import fret.plan.Unit;
import fret.score.LongRests;
import fret.score.Score;
import fret.score.Slice;
import fret.search.Explanation;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.MetronomeScale;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What there is to learn in a passage: its chunks and joins, each with its drills, in one goal for
 * the page or one for each of its excerpts.
 *
 * @param learned what is learned once, in order
 * @param frames of the picture of its page whose notes are not written
 * @param sections one for each goal, that of the page first where something is outside its excerpts
 * @param strains by chunk, what it loads
 * @param prints by chunk, its notes: by them the same music is known in another passage
 */
public record Learning(
    long passageId,
    PracticeSetup setup,
    List<Chunk> chunks,
    List<Learned> learned,
    List<Frame> frames,
    List<Section> sections,
    Map<String, Strain> strains,
    Map<String, List<String>> prints) {
  /** Whole bars of rest from which on they are cut. */
  /** The drills that a plan may ask for beside straight work. */
  private static final List<DrillKind> PLANNED =
      List.of(
          DrillKind.STRAIGHT,
          DrillKind.ADD_A_NOTE,
          DrillKind.RHYTHMS,
          DrillKind.SHIFT,
          DrillKind.STRETCH,
          DrillKind.BOW,
          DrillKind.CHECKS,
          DrillKind.CHORD_BUILD,
          // Asked for where the record says that something breaks.
          DrillKind.NO_VIBRATO,
          DrillKind.SYLLABLES,
          DrillKind.ACCENTS,
          DrillKind.BURSTS,
          DrillKind.FINGER_FIRST,
          DrillKind.END_CLICK,
          DrillKind.CHAIN_BACK);

  /**
   * What becomes ready together: the page, an excerpt of it, or a frame with a target of its own.
   *
   * @param name of the excerpt; empty for the page
   * @param units of it, for the plan
   * @param wholeNotes length of a run-through
   * @param auditionId what it is for; 0 for what the passage is for
   * @param stretch its notes; empty for the page and for frames
   */
  public record Section(
      Goal.Id id,
      String name,
      Tempo target,
      Ladder ladder,
      List<Unit> units,
      double wholeNotes,
      long auditionId,
      Optional<Anchor.Stretch> stretch) {
    public Section {
      units = List.copyOf(units);
    }
  }

  public Learning {
    chunks = List.copyOf(chunks);
    learned = List.copyOf(learned);
    frames = List.copyOf(frames);
    sections = List.copyOf(sections);
    strains = Map.copyOf(strains);
    prints = Map.copyOf(prints);
  }

  /** So many joins, those that give way at the lowest tempos, get more of the time. */
  private static final int WEAKEST = 5;

  /** Notes a second from which on new notes are put together one by one (from memory). */
  private static final double QUICK = 3;

  /** So much harder than the usual it is done for slow ones too (from memory). */
  private static final double HARD = 1.5;

  /** How much harder such a join makes its chunk (from memory). */
  private static final double WEAK_JOIN = 1.3;

  /** What there is to learn in an open passage. */
  public static Learning of(Session s, LadderKind kind, double start) {
    List<Chunk> chunks = chunks(s);
    List<Learned> learned = Learned.of(s.resolved(), s.task().tempo(), s.fingering(), chunks);
    List<Frame> frames = silent(s.passage().marks(), chunks);
    return new Learning(
        s.passage().id(),
        setup(s.passage()),
        chunks,
        learned,
        frames,
        new Sections(s, kind, start).of(units(s, learned, chunks), chunks, frames),
        Strains.of(s, chunks),
        prints(s, chunks));
  }

  private static Map<String, List<String>> prints(Session s, List<Chunk> chunks) {
    Map<String, List<String>> all = new HashMap<>();
    for (Chunk c : chunks) {
      List<String> notes = new ArrayList<>();
      for (Slice x : s.resolved().slices()) {
        if (x.onset().compareTo(c.fromOnset()) >= 0 && x.onset().compareTo(c.toOnset()) < 0) {
          notes.add(
              x.duration()
                  + x.starting().stream()
                      .map(n -> " " + s.resolved().notes().get(n).pitch().midi())
                      .collect(Collectors.joining()));
        }
      }
      all.put(c.id(), notes);
    }
    return all;
  }

  private static List<Unit> units(Session s, List<Learned> learned, List<Chunk> chunks) {
    Map<String, Chunk> byId = new HashMap<>();
    chunks.forEach(c -> byId.put(c.id(), c));
    DrillBook book = new DrillBook(s);
    double usual = effortPerNote(s, s.score().bars().get(0).start(), s.score().end());
    List<Integer> weakest =
        s.load().hardest().stream().limit(WEAKEST).map(Load.Share::moment).toList();
    Inherited inherited = new Inherited(s.resolved(), s.passage().marks(), byId.keySet());
    List<Unit> units = new ArrayList<>();
    List<Learned> inOrder = new ArrayList<>(learned);
    // A chunk before its spots, and a join behind both.
    inOrder.sort(
        Comparator.comparing((Learned l) -> l.chunk().fromOnset())
            .thenComparing(l -> kind(l.chunk())));
    for (Learned l : inOrder) {
      Chunk c = l.chunk();
      Map<DrillKind, List<Double>> parts = new EnumMap<>(DrillKind.class);
      for (DrillKind k : PLANNED) {
        book.of(c, k).map(Drill::lengths).ifPresent(x -> parts.put(k, x));
      }
      double hard = effortPerNote(s, c.fromOnset(), c.toOnset());
      double difficulty = usual <= 0 ? 1 : Math.max(0.5, Math.min(2, hard / usual));
      if (weakest.stream().anyMatch(m -> isIn(s, c, m))) {
        difficulty = Math.min(2, WEAK_JOIN * difficulty);
      }
      Approach approach = approach(s, l, byId);
      boolean steps = perSecond(s, c) >= QUICK || difficulty >= HARD;
      if (!steps && approach != Approach.ADD_A_NOTE) {
        parts.remove(DrillKind.ADD_A_NOTE);
      }
      if (parts.containsKey(DrillKind.STRAIGHT)) {
        units.add(
            new Unit(
                c.id(),
                kind(c),
                with(l.ids(), inherited.of(c)),
                parts,
                difficulty,
                LocalDate.MIN,
                approach,
                Optional.empty()));
      }
    }
    return units;
  }

  private static Unit.Kind kind(Chunk c) {
    return switch (c.kind()) {
      case BARS -> Unit.Kind.CHUNK;
      case JOIN -> Unit.Kind.JOIN;
      case SPOT, LAYER -> Unit.Kind.SPOT;
    };
  }

  /** Notes and chords a second at the target, rests left out. */
  private static double perSecond(Session s, Chunk c) {
    double ms =
        s.resolved().slices().stream()
            .filter(x -> x.onset().compareTo(c.fromOnset()) >= 0)
            .filter(x -> x.onset().compareTo(c.toOnset()) < 0)
            .mapToDouble(x -> s.task().tempo().durationMs(x.onset(), x.onset().add(x.duration())))
            .sum();
    return ms <= 0 ? 0 : c.noteCount() * 1000 / ms;
  }

  private static Set<String> with(Set<String> ids, Set<String> more) {
    Set<String> all = new TreeSet<>(ids);
    all.addAll(more);
    return all;
  }

  /** What the player said of a chunk, or of one that is like it. */
  private static Approach approach(Session s, Learned l, Map<String, Chunk> byId) {
    return l.ids().stream()
        .sorted()
        .filter(byId::containsKey)
        .map(byId::get)
        .flatMap(c -> s.passage().marks().at(ApproachLayer.APPROACH, c.place()).stream())
        .findFirst()
        .orElse(Approach.AS_PLANNED);
  }

  private static boolean isIn(Session s, Chunk c, int moment) {
    var onset = s.resolved().slices().get(moment).onset();
    return onset.compareTo(c.fromOnset()) > 0 && onset.compareTo(c.toOnset()) < 0;
  }

  /** Frames that are no chunk of notes yet. */
  private static List<Frame> silent(Marks marks, List<Chunk> chunks) {
    return marks.at(FrameLayer.FRAMES, Place.WHOLE).orElse(List.of()).stream()
        .filter(f -> chunks.stream().noneMatch(c -> c.id().equals(f.id())))
        .toList();
  }

  /** The chunks of an open passage. */
  public static List<Chunk> chunks(Session s) {
    return Chunker.chunks(
        s.resolved(),
        s.task().tempo(),
        s.fingering(),
        s.task().hand().instrument(),
        s.passage().marks());
  }

  /** How the passage is practised. */
  public static PracticeSetup setup(Passage passage) {
    return passage.marks().at(PracticeLayer.PRACTICE, Place.WHOLE).orElse(PracticeSetup.USUAL);
  }

  /** Whole notes of the part, its long rests cut where that is wanted. */
  static double wholeNotes(Score score, boolean cut) {
    return cut
        ? LongRests.cut(score).stream()
            .mapToDouble(i -> score.bars().get(i).length().doubleValue())
            .sum()
        : score.end().subtract(score.bars().get(0).start()).doubleValue();
  }

  private static double effortPerNote(
      Session s,
      org.apache.commons.numbers.fraction.Fraction from,
      org.apache.commons.numbers.fraction.Fraction to) {
    double sum = 0;
    int count = 0;
    for (Slice x : s.resolved().slices()) {
      if (x.onset().compareTo(from) >= 0 && x.onset().compareTo(to) < 0) {
        for (Explanation.Share share : s.fingering().reasonsAt(x.index())) {
          sum += share.effort();
        }
        count++;
      }
    }
    return count == 0 ? 0 : sum / count;
  }

  /**
   * A section as a goal of the plan.
   *
   * @param opens by the id of a chunk, the first day on which it may be practised, where it waits
   *     because something hurts
   */
  public Goal goal(
      Section section, LocalDate ready, LocalDate audition, Map<String, LocalDate> opens) {
    List<Unit> all =
        section.units().stream()
            .map(u -> u.opens(latest(u, opens)))
            .flatMap(u -> Part.fitting(u, slowest(section, u)))
            .toList();
    return new Goal(
        section.id(),
        setup.weight(),
        ready,
        audition,
        section.target(),
        section.ladder(),
        all,
        section.wholeNotes(),
        second(section));
  }

  /** Seconds of a play at the lowest level. */
  private static double slowest(Section section, Unit u) {
    Ladder ladder = u.ladder().orElse(section.ladder());
    return ladder.seconds(u.length(), ladder.start());
  }

  private static LocalDate latest(Unit u, Map<String, LocalDate> opens) {
    return u.ids().stream()
        .filter(opens::containsKey)
        .map(opens::get)
        .max(LocalDate::compareTo)
        .orElse(LocalDate.MIN);
  }

  /** The upper end of a range, or a notch under the target; slow lines keep their tempo. */
  private double second(Section section) {
    double target = section.target().perMinute();
    if (setup.upper() > target) {
      return setup.upper();
    }
    return setup.under() && !section.ladder().isSlow() ? MetronomeScale.notchSlower(target) : 0;
  }

  /** The ladder of the page, or of its first excerpt. */
  public Ladder ladder() {
    return sections.get(0).ladder();
  }

  /** What is learned in all sections. */
  public List<Unit> units() {
    return sections.stream().flatMap(x -> x.units().stream()).toList();
  }

  /** A frame without notes by its id. */
  public Optional<Frame> frame(String id) {
    return frames.stream().filter(f -> f.id().equals(id)).findFirst();
  }

  /** A chunk by its id. */
  public Optional<Chunk> chunk(String id) {
    return chunks.stream().filter(c -> c.id().equals(id)).findFirst();
  }

  /** What a chunk is learned with, by its id or that of one like it. */
  public Optional<Learned> learned(String id) {
    return learned.stream().filter(l -> l.ids().contains(id)).findFirst();
  }
}
