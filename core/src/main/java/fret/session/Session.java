package fret.session;

import fret.base.Later;
import fret.base.Problem;
import fret.base.Said;
import fret.bowing.BowLayers;
import fret.bowing.BowReport;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.bowing.PhraseMark;
import fret.fingering.Decided;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteFinger;
import fret.fingering.PrintedWishes;
import fret.fingering.TempoRange;
import fret.fingering.Unkept;
import fret.lane.LaneInput;
import fret.load.Beyond;
import fret.load.Limits;
import fret.load.LimitsLayer;
import fret.load.Load;
import fret.mark.FingerLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.passage.Passage;
import fret.passage.PrintedTempos;
import fret.passage.TempoPlan;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LoudnessLine;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.search.Token;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;

/**
 * An open passage: what is stored of it or is on its way there, and what was computed last.
 * Immutable; every request carries the one it was made from.
 *
 * @param passage with every decision made so far
 * @param page as written, before bars and lines are picked
 * @param problems met when the page was read
 * @param revision counts the steps that the passage has made
 * @param log what can be taken back
 * @param computed may be of an earlier revision
 */
public record Session(
    Passage passage,
    Score page,
    List<Problem> problems,
    long revision,
    Log log,
    Computed computed) {
  public Session {
    Objects.requireNonNull(passage);
    Objects.requireNonNull(page);
    problems = List.copyOf(problems);
    Objects.requireNonNull(log);
    Objects.requireNonNull(computed);
  }

  /** A passage that is not stored, with its left hand; the right arm comes when it is asked for. */
  public static Session of(Passage passage, Score page) {
    return new Session(passage, page, List.of(), 0, Log.EMPTY, Pipeline.fingered(passage, page));
  }

  /** A passage that is not stored, with everything computed. */
  public static Session of(Passage passage, Score page, Token token) {
    Computed computed = Pipeline.compute(passage, page, Optional.empty(), token);
    return new Session(passage, page, List.of(), 0, Log.EMPTY, computed);
  }

  // ---- steps ---------------------------------------------------------------------------------

  /** The step that a change is from here. */
  public Step step(Change change) {
    Optional<Change> tip = log.tip().filter(t -> t.goesOnWith(change));
    return tip.map(t -> new Step(Step.Kind.MERGE, change, t.then(change)))
        .orElseGet(() -> new Step(Step.Kind.DO, change, change));
  }

  /** The step that a change is from here, as an entry of its own whatever stands before it. */
  public Step stepAlone(Change change) {
    return new Step(Step.Kind.DO, change, change);
  }

  /** The step that takes the newest change back; empty if there is none. */
  public Optional<Step> undo() {
    return log.tip().map(c -> new Step(Step.Kind.UNDO, c.inverse(), c));
  }

  /** The step that makes the change again that was taken back last; empty if there is none. */
  public Optional<Step> redo() {
    return log.next().map(c -> new Step(Step.Kind.REDO, c, c));
  }

  /**
   * The session after a step; what was computed stays until it is computed anew.
   *
   * @throws IllegalArgumentException if the step does not start from here
   */
  public Session after(Step step) {
    if (!step.change().fits(passage.marks())) {
      throw new IllegalArgumentException("the step does not start from revision " + revision);
    }
    return new Session(
        step.change().applyTo(passage),
        step.change().bars().map(b -> b.applyTo(headed(step))).orElseGet(() -> headed(step)),
        problems,
        revision + 1,
        log.after(step),
        computed);
  }

  private Score headed(Step step) {
    return step.change()
        .applyTo(passage.marks())
        .at(fret.passage.HeadingLayer.HEADING, fret.mark.Place.WHOLE)
        .map(h -> h.withBars(page.bars()))
        .orElse(page);
  }

  /** With another page, as when another file counts. */
  public Session withPage(Score other, List<Problem> met) {
    return new Session(passage, other, met, revision, log, computed);
  }

  /** The same under another id, before it is stored. */
  public Session withPassage(Passage other) {
    return new Session(other, page, problems, revision, log, computed);
  }

  public Session with(Computed newer) {
    return new Session(passage, page, problems, revision, log, newer);
  }

  /** Whether what was computed is of this passage and page as they are. */
  public boolean isComputed() {
    return computed.passage().equals(passage) && computed.page().equals(page);
  }

  /** With everything computed as it now is. */
  public Session computed(Token token) {
    return with(Pipeline.compute(passage, page, Optional.of(computed), token));
  }

  // ---- what was computed ---------------------------------------------------------------------

  public Score score() {
    return computed.score();
  }

  public ResolvedPassage resolved() {
    return computed.resolved();
  }

  /** The tempos of the bars that are read, each with who says so. */
  public List<TempoPlan.Section> tempos() {
    Passage.Settings s = passage.settings();
    List<TempoPlan.Section> all =
        new ArrayList<>(
            TempoPlan.sections(task().passage().score(), s.target(), s.details().tempoMarks()));
    TempoPlan.Section first = all.get(0);
    TempoPlan.Section printed = PrintedTempos.of(page).at(task().passage().score(), page);
    if (first.mark().isEmpty() && printed.start().equals(first.start())) {
      all.set(0, first.by(printed.source()));
    }
    return all;
  }

  /** The bar in which a section of the tempo ends. */
  public Bar lastBarOf(TempoPlan.Section section) {
    return score().bars().stream()
        .filter(b -> b.start().compareTo(section.end()) < 0)
        .reduce((a, b) -> b)
        .orElse(section.bar());
  }

  /** The tempo at the start of a bar, in the value that its section counts. */
  public Tempo tempoAt(Bar bar) {
    return task().tempo().at(bar.start());
  }

  public FingeringTask task() {
    return computed.task();
  }

  public Fingering fingering() {
    return computed.fingering();
  }

  public Bowing bowing() {
    return computed.arm().bowing();
  }

  /** The bowing that stands, with all that is told of it. */
  public Arm arm() {
    return computed.arm();
  }

  public BowTask bowTask() {
    return computed.bowTask();
  }

  /** Another bowing of the same task with all that is told of it; takes time. */
  public Arm arm(Bowing bowing) {
    return Pipeline.arm(passage, bowTask(), bowing, Token.NEVER);
  }

  /** What is to be bowed where an adopted bowing gives way at some moments; marks stay. */
  public BowTask bowTaskFree(IntPredicate free) {
    return Pipeline.bowTask(passage, computed.standing(), "", m -> !free.test(m));
  }

  /** A kept version of the bowing as it stands at the present tempo. */
  public Bowing keptBowing(String version, Token token) {
    BowTask kept = Pipeline.bowTask(passage, computed.standing(), version, m -> true);
    return new BowSolver(kept, token).best();
  }

  /** What lanes are drawn from. */
  public LaneInput laneInput() {
    return laneInput(fingering(), arm());
  }

  /**
   * The planned bow alone under notes of the page as they are practised.
   *
   * @param drill the same moments as those from one to another of the page
   */
  public LaneInput bowUnder(ResolvedPassage drill, int from, int to) {
    LaneInput.Bow bow =
        new LaneInput.Bow(
            bowing().within(from, to),
            bowTask().bow(),
            BowReport.withoutTroubles(arm().report()),
            Map.of(),
            Map.of(),
            LoudnessLine.of(drill.score()));
    return new LaneInput(drill, Optional.empty(), task().hand().instrument(), Optional.of(bow));
  }

  /** The same with a fingering and a bowing that are tried. */
  public LaneInput laneInput(Fingering hand, Arm arm) {
    LaneInput.Bow bow =
        new LaneInput.Bow(
            arm.bowing(),
            bowTask().bow(),
            arm.report(),
            vibratoAsked(),
            phraseMarks(),
            LoudnessLine.of(bowTask().passage().score()));
    return new LaneInput(
        resolved(),
        Optional.of(hand),
        task().hand().instrument(),
        Optional.of(bow),
        Optional.of(Later.of(() -> loaded(hand, arm))),
        Optional.of(Later.of(() -> Ear.tuned(this, Ear.harmony(this, List.of())))),
        Optional.empty(),
        Optional.empty(),
        Strands.of(this));
  }

  private LaneInput.Loaded loaded(Fingering hand, Arm arm) {
    return new LaneInput.Loaded(
        load(hand, arm.bowing()),
        resolved().slices().stream().map(x -> task().tempo().at(x.onset()).perMinute()).toList(),
        resolved().slices().stream()
            .map(s -> resolved().notes().get(s.starting().get(0)).bar())
            .toList());
  }

  /** How hard each moment is at the target tempo, as it stands. */
  public Load load() {
    return load(fingering(), bowing());
  }

  /** What the player can do. */
  public Limits limits() {
    return passage.marks().at(LimitsLayer.LIMITS, Place.WHOLE).orElse(Limits.USUAL);
  }

  /** What cannot be played at the target tempo, bar by bar. */
  public List<Problem> beyond() {
    return Beyond.of(resolved(), task().tempo(), bowing(), limits()).stream()
        .map(
            b ->
                Problem.atBar(
                    b.bar(),
                    b.stroke()
                        .map(
                            k ->
                                Said.of(
                                    "beyond.stroke",
                                    tenths(b.perSecond()),
                                    Said.of("stroke." + k.id()),
                                    b.most()))
                        .orElse(Said.of("beyond.hand", tenths(b.perSecond()), b.most())),
                    Said.of("beyond.do")))
        .toList();
  }

  private static double tenths(double value) {
    return Math.round(value * 10) / 10.0;
  }

  private Load load(Fingering hand, Bowing bowing) {
    return Load.of(resolved(), task().tempo(), hand, Optional.of(bowing), limits());
  }

  /** What the player asks of the vibrato, of notes and by a rule of their own, by moment. */
  public Map<Integer, VibratoWish> vibratoAsked() {
    return VibratoAsked.moments(passage.marks(), resolved(), task().tempo());
  }

  /** Tops and ends of phrases, by moment. */
  private Map<Integer, PhraseMark> phraseMarks() {
    Map<Integer, PhraseMark> all = new HashMap<>();
    for (SoundingNote n : resolved().notes()) {
      passage.marks().at(BowLayers.PHRASE, n.key()).ifPresent(m -> all.put(n.slice(), m));
    }
    return all;
  }

  /** What counts on a note. */
  public <V> Optional<V> at(NoteLayer<V> layer, int note) {
    return passage.marks().at(layer, resolved().notes().get(note).key());
  }

  /** Whether a fingering was adopted. */
  public boolean isAdopted() {
    return passage.marks().any(FingerLayer.ADOPTED);
  }

  /** The bow mark that stands on a note. */
  public Signs.Bow bowAt(int note) {
    NoteKey key = resolved().notes().get(note).key();
    return score().bar(key.barIndex()).events().stream()
        .filter(e -> !e.isGrace() && e.onset().equals(key.onset()))
        .filter(e -> e.voice().equals(key.voice()))
        .map(e -> e.signs().bow())
        .findFirst()
        .orElse(Signs.Bow.NONE);
  }

  /** The wishes that are printed on the page as words. */
  public List<Wish> printedWishes() {
    return PrintedWishes.of(resolved(), task().hand().instrument());
  }

  /** A kept fingering with its reasons at the present tempo and weights. */
  public Fingering kept(String name, Token token) {
    Decided kept =
        new Decided(
            List.of(),
            Pipeline.rules(passage.marks(), FingerLayer.ADOPTED, name, resolved()),
            fret.fingering.Wishes.NONE);
    return new FingeringSolver(computed.standing().taskWith(kept), token).best();
  }

  /** A solver that may move every note that is not pinned, for comparing alternatives. */
  public FingeringSolver freeSolver(Token token) {
    return new FingeringSolver(freeTask(), token);
  }

  /** A solver that may move every note that is not pinned, and one note even if it is. */
  public FingeringSolver solverFreeAt(int note, Token token) {
    Decided free = computed.standing().decided().withoutAdopted().withoutPin(note);
    return new FingeringSolver(computed.standing().taskWith(free), token);
  }

  /**
   * How a note could be played, each way as all would stand once it is pinned so, the cheapest
   * first; what stands now is among them.
   *
   * @param most so many ways
   */
  public List<Fingering> waysAt(int note, int most, Token token) {
    return computed
        .standing()
        .pinned(note, most, p -> Pipeline.rule(note, Decisions.mark(this, p)), token);
  }

  /** What would stand if a fingering were adopted: pins and wishes count over it. */
  public Fingering adopted(Fingering chosen, Token token) {
    Marks after = Decisions.adopt(this, chosen).applyTo(passage.marks());
    return Pipeline.standing(computed, after, token);
  }

  /** Where the program would now propose less effort than what was adopted. */
  public List<BetterAnswer> betterAnswers(Token token) {
    return BetterAnswer.of(this, token);
  }

  /** The bowing that would stand after a change of the bow, with all that is told of it. */
  public Arm bowedAfter(Change change, Token token) {
    return change.isEmpty() ? arm() : after(step(change)).computed(token).arm();
  }

  /** What was asked of the left hand and is not played so. */
  public List<Unkept> unkept() {
    return unkept(fingering());
  }

  /**
   * What of the page cannot be fingered. A word of the page that does not suit a note is told with
   * what is not kept of it, and not as something that the player asked for.
   */
  public List<Problem> handProblems() {
    Set<String> mine = new HashSet<>();
    for (Wish w : Wish.all(passage.marks())) {
      stretch(w).forEach(n -> mine.add(n.bar()));
    }
    return fingering().problems().stream()
        .filter(p -> !p.message().id().equals("obstacle.stretch") || mine.contains(p.bar()))
        .toList();
  }

  private List<SoundingNote> stretch(Wish w) {
    Optional<Integer> from = resolved().indexOf(w.from());
    Optional<Integer> to = resolved().indexOf(w.to());
    return from.isPresent() && to.isPresent() && from.get() <= to.get()
        ? resolved().notes().subList(from.get(), to.get() + 1)
        : List.of();
  }

  /** The same in a fingering that is tried. */
  public List<Unkept> unkept(Fingering fingering) {
    return Unkept.of(
        task(),
        computed.standing().decided(),
        Wish.all(passage.marks()),
        printedWishes(),
        fingering);
  }

  /** Between which tempos the fingering that stands stays the cheapest; takes long. */
  public TempoRange tempoRange(Token token) {
    return TempoRange.of(freeTask(), fingering(), passage.settings().target().perMinute(), token);
  }

  private FingeringTask freeTask() {
    return computed.standing().taskWith(computed.standing().decided().withoutAdopted());
  }

  /** A solver that may move only some notes that follow each other; the rest stays as it is. */
  public FingeringSolver freeSolver(int fromNote, int toNote, Token token) {
    Map<Integer, NoteFinger> fixed = new HashMap<>();
    for (int i = 0; i < fingering().notes().size(); i++) {
      int note = i;
      boolean outside = i < Math.min(fromNote, toNote) || i > Math.max(fromNote, toNote);
      if (outside) {
        fingering().notes().get(i).ifPresent(p -> fixed.put(note, p));
      }
    }
    return new FingeringSolver(freeTask().withFixed(fixed), token);
  }

  /**
   * The part with digits printed on the notes that {@code shown} admits, so that drills made from
   * it carry the fingering of the target tempo.
   */
  public Score fingered(IntPredicate shown) {
    return fingered(shown, shown, score());
  }

  /**
   * The same with strings on other notes.
   *
   * @param stringed which of the notes shown have their string
   */
  public Score fingered(IntPredicate shown, IntPredicate stringed) {
    return fingered(shown, stringed, score());
  }

  /** The page as it is to be practised: with the bow that is planned, its slurs and its marks. */
  Score fingeredAndBowed(IntPredicate shown) {
    return fingered(shown, shown, arm().page().score());
  }

  private Score fingered(IntPredicate shown, IntPredicate stringed, Score page) {
    Map<NoteKey, NoteFinger> places = new HashMap<>();
    for (int i = 0; i < resolved().notes().size(); i++) {
      if (shown.test(i) && fingering().notes().get(i).isPresent()) {
        places.put(resolved().notes().get(i).key(), fingering().notes().get(i).get());
      }
    }
    return page.withEach((bar, e) -> printed(bar, e, places, stringed));
  }

  private static Event printed(
      Bar bar, Event e, Map<NoteKey, NoteFinger> places, IntPredicate stringed) {
    if (e.isGrace()) {
      return e;
    }
    List<Head> heads = new ArrayList<>();
    for (int h = 0; h < e.heads().size(); h++) {
      NoteFinger place = places.get(NoteKey.of(bar, e, 0, h));
      heads.add(printed(e.heads().get(h), place, place != null && stringed.test(place.note())));
    }
    return e.withHeads(heads);
  }

  private static Head printed(Head h, NoteFinger place, boolean stringed) {
    return new Head(
        h.pitch(),
        h.accidental(),
        h.tieStart(),
        h.tieStop(),
        place != null && place.harmonic() && h.harmonic() == Head.Harmonic.NONE
            ? Head.Harmonic.NATURAL_SOUNDING
            : h.harmonic(),
        place == null ? "" : place.fingers(),
        stringed ? place.string() : 0,
        h.leftOut());
  }
}
