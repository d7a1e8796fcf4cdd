package fret.session;

import fret.base.Fractions;
import fret.drill.BowDrillKind;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Drills;
import fret.drill.Figure;
import fret.drill.OneLine;
import fret.drill.ScaleLine;
import fret.drill.ScoreCut;
import fret.drill.ShiftDrill;
import fret.drill.ShiftStages;
import fret.drill.Skill;
import fret.drill.StretchDrill;
import fret.drill.Tenths;
import fret.drill.Way;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.fingering.SparseDigits;
import fret.instrument.Finger;
import fret.mark.Anchor;
import fret.mark.FingerLayer;
import fret.mark.Strand;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Every drill of the book made for an open passage, with its fingering and its bow. For one thread.
 */
public final class DrillBook {
  private static final int WARM_UP_SKILLS = 2;
  private static final int HIGHEST_OCTAVE = 1;
  private static final String NO_VIBRATO = "non vibrato";
  private static final String VIBRATO = "vibrato";

  /** Steps of the scale that sound together. */
  private static final List<List<List<Integer>>> INTERVALS =
      List.of(List.of(List.of(0, 2)), List.of(List.of(0, 5)), List.of(List.of(0, 7)));

  private final Session session;
  private final Set<Integer> sparse;
  private Score page;
  private Score bowed;
  private Score everyDigit;
  private TuningDrills ear;

  public DrillBook(Session session) {
    this.session = session;
    this.sparse =
        SparseDigits.of(
            session.resolved(),
            session.task().hand().instrument(),
            session.fingering(),
            i -> session.at(FingerLayer.PINNED, i).isPresent());
  }

  /**
   * A drill of a chunk.
   *
   * @return empty where the chunk has nothing for it
   */
  public Optional<Drill> of(Chunk chunk, DrillKind kind) {
    return made(chunk, kind).map(d -> d.titled(t -> t.isEmpty() ? chunk.label() : t));
  }

  private Optional<Drill> made(Chunk chunk, DrillKind kind) {
    if (chunk.way() == Way.BOW) {
      return kind == DrillKind.STRAIGHT ? bowAlone(chunk) : Optional.empty();
    }
    if (isLine(chunk) && kind.of() != DrillKind.Of.CHUNK) {
      return Optional.empty(); // Shifts and stretches are those of the whole hand.
    }
    return switch (kind.of()) {
      case CHUNK -> ofNotes(chunk, kind);
      case SHIFT -> hardest(chunk).flatMap(s -> ofShift(s, kind));
      case STRETCH -> stretch(chunk);
      case BOW ->
          BowSpots.of(session, chunk).stream()
              .findFirst()
              .map(s -> new Drill(kind, List.of(s.notation())));
      case PASSAGE, NOTHING -> Optional.empty();
    };
  }

  /** A drill of the passage as a whole. */
  public Optional<Drill> ofPassage(DrillKind kind) {
    return switch (kind) {
      case RUN_THROUGH, MOCK, FIRST_READING -> Optional.of(new Drill(kind, List.of(run())));
      case WARM_UP -> Optional.of(new Drill(kind, warmUp()));
      case SKILLS -> {
        List<Score> all = skills(Skill.TABLE.size());
        yield all.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, all));
      }
      default -> Optional.empty();
    };
  }

  private Score run() {
    boolean cut = Learning.setup(session.passage()).restsCut();
    return cut ? Runs.withoutLongRests(page()) : page();
  }

  /** A run-through of a stretch, both ends included. */
  public Optional<Drill> ofStretch(Anchor.Stretch stretch, DrillKind kind) {
    ResolvedPassage p = session.resolved();
    Optional<Integer> from = p.indexOf(stretch.from());
    Optional<Integer> to = p.indexOf(stretch.to());
    if (from.isEmpty() || to.isEmpty()) {
      return Optional.empty();
    }
    Slice last = p.slices().get(p.notes().get(to.get()).slice());
    Score cut =
        ScoreCut.cut(
            page(),
            p.notes().get(from.get()).onset(),
            last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64))));
    return Optional.of(new Drill(kind, List.of(cut)));
  }

  /** The strokes of a chunk on the open strings, with its bow. */
  private Optional<Drill> bowAlone(Chunk chunk) {
    return BowSpots.made(session, chunk, BowDrillKind.OPEN_STRINGS)
        .map(score -> new Drill(DrillKind.STRAIGHT, List.of(score)));
  }

  /** The first note of each finger in a chunk, long, in the order of the fingers. */
  private Optional<Score> fingerByFinger(Chunk chunk) {
    Map<Finger, Integer> first = new TreeMap<>();
    for (int i = 0; i < session.resolved().notes().size(); i++) {
      int note = i;
      boolean here = in(chunk, slice(i)) && !session.resolved().notes().get(i).isGrace();
      session
          .fingering()
          .notes()
          .get(i)
          .filter(f -> here && !f.isOpen() && !f.harmonic())
          .ifPresent(f -> first.putIfAbsent(f.lastFinger(), note));
    }
    if (first.size() < 2) {
      return Optional.empty();
    }
    ResolvedPassage p = session.resolved();
    LineBuilder line =
        LineBuilder.about(p.score(), p.notes().get(first.values().iterator().next()).key());
    line.say(Direction.Kind.WORDS, VIBRATO);
    first.forEach(
        (finger, note) ->
            line.add(
                Fraction.ONE,
                List.of(Head.of(p.notes().get(note).written()).withPrintedFinger(finger.digit())),
                Signs.PLAIN));
    return Optional.of(line.build("", p.score().transposition()));
  }

  /** The part with the digits that a page needs. */
  public Score page() {
    page = page == null ? session.fingered(sparse::contains) : page;
    return page;
  }

  private Optional<Drill> ofNotes(Chunk chunk, DrillKind kind) {
    if (kind == DrillKind.DYNAMICS_SCALE) {
      return Optional.of(new Drill(kind, List.of(fingered(scales().swell()))));
    }
    if (kind == DrillKind.STRANDS) {
      return strands(chunk);
    }
    if (kind == DrillKind.SCALE_ON_DRONE) {
      ScaleLine s = scales();
      Score plain = fingered(s.scale(NO_VIBRATO));
      return Optional.of(new Drill(kind, List.of(plain, fingered(s.scale(VIBRATO)))));
    }
    if (kind == DrillKind.INTERVALS || kind == DrillKind.TENTHS) {
      return ladders(kind);
    }
    if (kind == DrillKind.CHECKS || kind == DrillKind.NEIGHBOURS || kind == DrillKind.CHORD_BUILD) {
      ear = ear == null ? new TuningDrills(session) : ear;
      return ear.of(chunk, kind).map(score -> new Drill(kind, List.of(score)));
    }
    if (kind == DrillKind.ORNAMENTS) {
      List<Score> ornaments = Ornaments.drills(session, chunk);
      return ornaments.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, ornaments));
    }
    if (kind == DrillKind.VIBRATO_FINGERS) {
      return fingerByFinger(chunk).map(score -> new Drill(kind, List.of(score)));
    }
    if (kind == DrillKind.BLOCKS || kind == DrillKind.KEPT_FINGERS) {
      List<Score> parts =
          kind == DrillKind.BLOCKS
              ? new HandBlocks(session).of(chunk)
              : new KeptFingers(session).of(chunk);
      return parts.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, parts));
    }
    return Drills.of(byItself(fingered(chunk), chunk), chunk, kind);
  }

  /** What of a chunk's notes is played: of voices and chords one, else the line of a pattern. */
  private Score byItself(Score page, Chunk chunk) {
    if (!isLine(chunk)) {
      return page;
    }
    Score one = OneLine.of(page, chunk.way());
    Strand line = chunk.way() == Way.LOWER ? Strand.LOWER : Strand.UPPER;
    boolean same =
        ScoreCut.cut(page, chunk.fromOnset(), chunk.toOnset())
            .equals(ScoreCut.cut(one, chunk.fromOnset(), chunk.toOnset()));
    return same && hasLine(chunk, line) ? Strands.line(session, page, line) : one;
  }

  private static boolean isLine(Chunk chunk) {
    return chunk.way() == Way.UPPER || chunk.way() == Way.LOWER;
  }

  private boolean hasLine(Chunk chunk, Strand line) {
    List<Integer> inside =
        session.resolved().slices().stream().filter(x -> in(chunk, x)).map(Slice::index).toList();
    return !inside.isEmpty()
        && Strands.has(session, inside.get(0), inside.get(inside.size() - 1), line);
  }

  /**
   * The part with the digits and the planned bow that a player needs, both on the chunk's first
   * note: slow work is done with the bow of the target.
   */
  private Score fingered(Chunk chunk) {
    bowed = bowed == null ? session.fingeredAndBowed(sparse::contains) : bowed;
    List<Bar> bars = new ArrayList<>(bowed.bars());
    Fraction onset = chunk.from().onset(); // An entry begins with the bar that is counted.
    Bar all = everyDigit().barAt(onset);
    int at = all.index() - bars.get(0).index();
    Bar bar = bars.get(at);
    List<Event> events = new ArrayList<>();
    for (int i = 0; i < bar.events().size(); i++) {
      boolean first = bar.events().get(i).onset().equals(onset);
      events.add(first ? begun(bar.events().get(i), all.events().get(i)) : bar.events().get(i));
    }
    bars.set(at, bar.withEvents(events));
    return bowed.withBars(bars);
  }

  /** The first event of a chunk, with its digits and its bow. */
  private Event begun(Event bowed, Event digits) {
    Signs signs = bowed.signs();
    if (signs.bow() == Signs.Bow.NONE && !bowed.isGrace() && !bowed.isRest()) {
      signs =
          session.resolved().slices().stream()
              .filter(x -> x.onset().equals(bowed.onset()) && x.grace() == 0)
              .flatMap(x -> session.bowing().strokeAt(x.index()).stream())
              .findFirst()
              .map(stroke -> bowed.signs().withBow(stroke.down() ? Signs.Bow.DOWN : Signs.Bow.UP))
              .orElse(signs);
    }
    return bowed.withHeads(digits.heads()).withSigns(signs);
  }

  /** Written once: a book makes many drills of one page. */
  private Score everyDigit() {
    everyDigit = everyDigit == null ? session.fingered(i -> true) : everyDigit;
    return everyDigit;
  }

  private ScaleLine scales() {
    return new ScaleLine(session.resolved(), session.task().hand().instrument());
  }

  /**
   * The key's scale, its arpeggio, and the scale with a swell, fingered as the passage would be.
   */
  private List<Score> warmUp() {
    ScaleLine s = scales();
    List<Score> all =
        new ArrayList<>(List.of(fingered(s.scale()), fingered(s.arpeggio()), fingered(s.swell())));
    figure().ifPresent(all::add);
    all.addAll(skills(WARM_UP_SKILLS));
    return all;
  }

  /** The longest scale or broken chord of the page with its fingers, growing and falling. */
  private Optional<Score> figure() {
    return Figure.of(session.resolved()).stream()
        .max(Comparator.comparingInt(f -> f.to() - f.from()))
        .map(this::swelling);
  }

  private Score swelling(Figure f) {
    List<Slice> slices = session.resolved().slices();
    Slice last = slices.get(f.to());
    Fraction top = slices.get((f.from() + f.to()) / 2).onset();
    Fraction end = last.onset().add(last.duration());
    Score cut = ScoreCut.cut(everyDigit(), slices.get(f.from()).onset(), end);
    List<Bar> bars = new ArrayList<>();
    for (Bar b : cut.bars()) {
      List<Direction> said = new ArrayList<>();
      if (bars.isEmpty()) {
        said.add(new Direction(b.start(), Direction.Kind.WORDS, f.words(), 0));
        said.add(new Direction(b.start(), Direction.Kind.CRESCENDO, "", 0));
      }
      if (b.start().compareTo(top) <= 0 && b.end().compareTo(top) > 0) {
        said.add(new Direction(top, Direction.Kind.HAIRPIN_END, "", 0));
        said.add(new Direction(top, Direction.Kind.DIMINUENDO, "", 0));
      }
      if (b.equals(cut.bars().get(cut.bars().size() - 1))) {
        said.add(new Direction(end, Direction.Kind.HAIRPIN_END, "", 0));
      }
      bars.add(b.withDirections(said));
    }
    return cut.withBars(bars).withTitle(f.words());
  }

  /** Exercises for what the passage asks of the hand: double stops, frames, pairs. */
  private List<Score> skills(int most) {
    return Skill.of(session.resolved(), session.fingering()).stream()
        .limit(most)
        .flatMap(skill -> exercise(skill.figure()).map(e -> e.withTitle(skill.id())).stream())
        .toList();
  }

  /** Each line of the chunk that has two notes or more, then all but the pedal. */
  private Optional<Drill> strands(Chunk chunk) {
    List<Score> parts = new ArrayList<>();
    List<List<Strand>> lines =
        List.of(
            List.of(Strand.LOWER),
            List.of(Strand.PEDAL),
            List.of(Strand.UPPER),
            List.of(Strand.LOWER, Strand.UPPER));
    for (List<Strand> line : lines) {
      long there =
          line.stream()
              .filter(
                  x ->
                      Strands.of(session).entrySet().stream()
                              .filter(e -> e.getValue() == x && in(chunk, slice(e.getKey())))
                              .count()
                          >= 2)
              .count();
      if (there == line.size()) {
        Score alone = Strands.only(session, everyDigit(), line);
        Drills.of(alone, chunk, DrillKind.STRAIGHT).ifPresent(d -> parts.addAll(d.parts()));
      }
    }
    return parts.isEmpty() ? Optional.empty() : Optional.of(new Drill(DrillKind.STRANDS, parts));
  }

  private Slice slice(int note) {
    return session.resolved().slices().get(session.resolved().notes().get(note).slice());
  }

  /** Intervals up the scale; a hand that is spared plays no tenths. */
  private Optional<Drill> ladders(DrillKind kind) {
    boolean spared = session.passage().settings().setup().hand().fourthCaution();
    if (kind == DrillKind.TENTHS) {
      return spared
          ? Optional.empty()
          : Tenths.of(scales(), session.task().hand().instrument())
              .map(score -> new Drill(kind, List.of(score)));
    }
    List<Score> parts = INTERVALS.stream().flatMap(f -> exercise(f).stream()).toList();
    return parts.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, parts));
  }

  /** A figure up the scale, as low as all of it can be played; empty where it cannot. */
  private Optional<Score> exercise(List<List<Integer>> figure) {
    ScaleLine scale = scales();
    for (int octave = 0; octave <= HIGHEST_OCTAVE; octave++) {
      Session made = likeThis(scale.exercise(figure, octave));
      if (made.fingering().problems().isEmpty()) {
        return Optional.of(new DrillBook(made).page());
      }
    }
    return Optional.empty();
  }

  private Score fingered(Score line) {
    return new DrillBook(likeThis(line)).page();
  }

  /** A page of its own, set up and fingered as the passage is. */
  private Session likeThis(Score line) {
    Passage like = Passage.of("", "", session.passage().settings().withReading(Reading.PLAIN));
    return Session.of(like, line);
  }

  // ---- what is hard in a chunk ---------------------------------------------------------------

  private static boolean in(Chunk chunk, Slice s) {
    return s.onset().compareTo(chunk.fromOnset()) >= 0 && s.onset().compareTo(chunk.toOnset()) < 0;
  }

  /** The shift of a chunk that asks for most. */
  public Optional<Shift> hardest(Chunk chunk) {
    List<Slice> slices = session.resolved().slices();
    Fingering f = session.fingering();
    return f.shifts().stream()
        .filter(s -> in(chunk, slices.get(s.toSlice())) && in(chunk, slices.get(s.fromSlice())))
        .filter(
            s -> f.notes().get(s.fromNote()).isPresent() && f.notes().get(s.toNote()).isPresent())
        .max(Comparator.comparingDouble(Shift::bitsPerSecond));
  }

  private Optional<Drill> ofShift(Shift shift, DrillKind kind) {
    List<Optional<NoteFinger>> places = session.fingering().notes();
    if (kind == DrillKind.SHIFT_TO_CHECK) {
      ear = ear == null ? new TuningDrills(session) : ear;
      return ear.toCheck(shift).map(score -> new Drill(kind, List.of(score)));
    }
    List<Score> parts =
        kind == DrillKind.SHIFT
            ? List.of(
                ShiftDrill.notation(
                    session.resolved(),
                    shift,
                    places.get(shift.fromNote()).orElseThrow(),
                    places.get(shift.toNote()).orElseThrow(),
                    ShiftDrill.Manner.USUAL))
            : new ShiftStages(session.resolved(), shift, places).parts(kind);
    return parts.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, parts));
  }

  /** Two fingers on one string that follow each other further apart than the hand lies. */
  private Optional<Drill> stretch(Chunk chunk) {
    Fingering f = session.fingering();
    for (Slice s : session.resolved().slices()) {
      boolean stretched =
          in(chunk, s)
              && f.reasonsAt(s.index()).stream()
                  .anyMatch(r -> r.id().equals("stretch") && r.quantity() >= 1);
      if (stretched && s.index() > 0) {
        List<NoteFinger> pair = new ArrayList<>();
        f.notes()
            .get(session.resolved().slices().get(s.index() - 1).starting().get(0))
            .ifPresent(pair::add);
        f.notes().get(s.starting().get(0)).ifPresent(pair::add);
        boolean usable =
            pair.size() == 2
                && pair.get(0).string() == pair.get(1).string()
                && pair.stream().noneMatch(NoteFinger::isOpen)
                && pair.get(0).semitone() != pair.get(1).semitone();
        if (usable) {
          pair.sort(Comparator.comparingInt(NoteFinger::semitone));
          return Optional.of(
              new Drill(
                  DrillKind.STRETCH,
                  StretchDrill.parts(session.resolved(), pair.get(0), pair.get(1))));
        }
      }
    }
    return Optional.empty();
  }
}
