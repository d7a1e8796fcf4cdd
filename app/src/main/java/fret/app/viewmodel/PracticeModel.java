package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.app.work.Computing.Rank;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.engraving.FingerText;
import fret.journal.Breakage;
import fret.journal.Cure;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.plan.Gate;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.session.BounceSwitch;
import fret.session.Covered;
import fret.session.Session;
import fret.shelf.Asked;
import fret.shelf.Planning;
import fret.sound.ClickLine;
import fret.sound.ClickStyle;
import fret.sound.PassagePlayer;
import fret.sound.Performance;
import fret.sound.PlaySet;
import fret.tempo.Level;
import fret.tempo.TempoMap;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * Today's practice over all passages: what is on the stand, at which level, and what each verdict
 * leads to.
 */
public final class PracticeModel {
  /** What waits to come back, and which of today's items it is; -1 for none. */
  private record Waiting(OnStand what, int index) {}

  private static final double PAUSE_S = 6;
  private static final int LONGEST_LOOP = 60;

  private final Studio studio;
  private final Supplier<Instant> now;
  private final ReadOnlyIntegerWrapper index = new ReadOnlyIntegerWrapper(0);
  private final Today today;
  private final ReadOnlyObjectWrapper<OnStand> stand = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Gate> gate = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<ResolvedPassage> notation = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyIntegerWrapper part = new ReadOnlyIntegerWrapper(0);
  private final Deque<Judged> judged = new ArrayDeque<>();
  private final Deque<Waiting> waiting = new ArrayDeque<>();
  private Optional<Item> wanted = Optional.empty();
  private ClickStyle style = ClickStyle.PLAIN;
  private Instant tryStarted;
  private long ownPassage = -1;

  /** The passage that is on its way to the stand. */
  private long opening = -1;

  /**
   * @param now the time, for measuring how long a try took
   */
  public PracticeModel(Studio studio, Supplier<Instant> now) {
    this.studio = studio;
    this.now = now;
    this.today = new Today(studio);
    this.tryStarted = now.get();
    studio.plans().plannedProperty().addListener(o -> refresh());
    studio.shownProperty().addListener(o -> follow());
  }

  public ReadOnlyIntegerProperty indexProperty() {
    return index.getReadOnlyProperty();
  }

  /** Today's items, breaks and warm-up among them. */
  public ReadOnlyObjectProperty<List<Item>> itemsProperty() {
    return today.itemsProperty();
  }

  public List<Item> items() {
    return today.items();
  }

  /** What is on the stand; null for nothing. */
  public ReadOnlyObjectProperty<OnStand> standProperty() {
    return stand.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<Gate> gateProperty() {
    return gate.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<ResolvedPassage> notationProperty() {
    return notation.getReadOnlyProperty();
  }

  /** Which part of the drill is played, from 0. */
  public ReadOnlyIntegerProperty partProperty() {
    return part.getReadOnlyProperty();
  }

  public Optional<Item> item() {
    return today.at(index.get());
  }

  public boolean isDone(int which) {
    return today.isDone(which);
  }

  /** Whether everything of today was played or left out. */
  public boolean isDayDone() {
    return today.isOver();
  }

  /** Minutes of today's items that are not done. */
  public double minutesLeft() {
    return today.minutesLeft();
  }

  // ---- today ---------------------------------------------------------------------------------

  /** A new plan keeps what is on the stand; changed habits count at once. */
  private void refresh() {
    boolean other = today.follow(isAsked);
    if (other && stand.get() == null && today.nothingDone() && index.get() > 0) {
      index.set(0);
    }
    if (gate.get() != null) {
      gate.set(gate.get().with(studio.plans().habits().gate()));
    } else if (ownPassage < 0) {
      present();
    }
  }

  /** Takes today's items from the plan anew. */
  public void restart() {
    isAsked = true;
    today.begin();
    judged.clear();
    waiting.clear();
    ownPassage = -1;
    show(0);
  }

  /** Puts another of today's items on the stand; its passage is opened with it. */
  public void show(int which) {
    isAsked = true;
    turnTo(which);
  }

  private void turnTo(int which) {
    index.set(Math.max(0, Math.min(which, Math.max(0, items().size() - 1))));
    waiting.clear();
    ownPassage = -1;
    present();
  }

  /** The item is over: the next one comes. */
  public void next() {
    if (!waiting.isEmpty()) {
      Waiting back = waiting.pop();
      place(back.what());
      index.set(back.index());
      if (waiting.isEmpty() && back.index() >= 0) {
        ownPassage = -1;
        wanted = item();
      }
      return;
    }
    today.setDone(index.get(), true);
    if (index.get() + 1 < items().size()) {
      show(index.get() + 1);
    } else if (isDayDone()) {
      wanted = Optional.empty();
      clear();
    }
  }

  /** The item is left out today, with the reason. */
  public void skip(Skipped.Why why) {
    item().ifPresent(i -> studio.preferences().skip(new Skipped(studio.today(), label(i), why)));
    next();
  }

  public void previous() {
    if (index.get() > 0) {
      today.setDone(index.get() - 1, false);
      show(index.get() - 1);
    }
  }

  private void present() {
    Optional<Item> item = item();
    wanted = item;
    opening = -1;
    if (item.isEmpty() || item.get().kind() == Kind.BREAK) {
      clear();
      return;
    }
    clear();
    Session shown = studio.shown();
    if (shown != null && shown.passage().id() == item.get().passageId()) {
      make(item.get(), shown);
    } else {
      open(item.get().passageId());
    }
  }

  private boolean isAsked;

  /**
   * The player goes to the stand: what is due of the open passage is on it; all of it where nothing
   * is due; where no passage is open, what today begins with.
   */
  public void ask() {
    studio.plans().ensure();
    if (stand.get() != null || ownPassage >= 0 || opening >= 0) {
      return;
    }
    isAsked = true;
    Session shown = studio.shown();
    if (shown == null) {
      present();
      return;
    }
    Optional<Integer> first = today.firstOf(shown.passage().id());
    if (first.isPresent()) {
      show(first.get());
    } else if (studio.plans().ofOpen().isPresent()) {
      practise(0, shown.resolved().notes().size() - 1, DrillKind.STRAIGHT);
    }
  }

  private void open(long passageId) {
    if (!isAsked) {
      return; // Nobody is at the stand: the passage that is looked at stays.
    }
    studio.passages().stream()
        .filter(p -> p.id() == passageId)
        .findFirst()
        .ifPresent(
            p -> {
              opening = passageId;
              studio.open(p);
            });
  }

  private void clear() {
    stand.set(null);
    gate.set(null);
    notation.set(null);
  }

  /** Another passage was opened: what waits for it is made; what is of another one goes. */
  private void follow() {
    Session shown = studio.shown();
    if (shown == null) {
      return;
    }
    long id = shown.passage().id();
    opening = id == opening ? -1 : opening;
    if (ownPassage >= 0 && ownPassage != id) {
      ownPassage = -1;
      clear();
    }
    boolean fits = wanted.isPresent() && wanted.get().passageId() == id;
    if (stand.get() == null && fits && ownPassage < 0) {
      make(wanted.get(), shown);
    } else if (stand.get() != null && stand.get().passageId() != id) {
      clear();
      index.set(-1);
      wanted = Optional.empty();
      today.firstOf(id).ifPresent(this::turnTo);
    }
  }

  private void make(Item item, Session session) {
    Planning p = studio.plans().plannedProperty().get();
    Optional<Planning.Entry> entry = p == null ? Optional.empty() : p.of(item);
    if (entry.isEmpty()) {
      return;
    }
    Planning.Entry e = entry.get();
    // A try that is stored meanwhile changes nothing of what is played: the answer still counts.
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(session, e, item),
        drill -> {
          if (wanted.filter(item::equals).isPresent() && ownPassage < 0) {
            place(
                new OnStand(
                    item.passageId(),
                    List.of(item.unit().isEmpty() ? PracticePlan.WHOLE : item.unit()),
                    label(item),
                    drill,
                    e.ladder(),
                    item.level(),
                    Sentences.of(item.why()),
                    Asked.frames(e, item)));
          }
        });
  }

  private static String kindName(Kind kind) {
    return Sentences.of("plan.kind." + kind);
  }

  private void place(OnStand what) {
    judged.clear();
    part.set(0);
    stand.set(what);
    Planning.Habits habits = studio.plans().habits();
    gate.set(Gate.at(what.ladder(), habits.gate(), what.level()));
    showPart();
    tryStarted = now.get();
  }

  private void showPart() {
    Drill d = stand.get().drill();
    notation.set(Resolver.resolve(d.parts().get(part.get())));
  }

  // ---- of the player's own -------------------------------------------------------------------

  /**
   * Puts a drill on the stand that the player chose; what is due stays behind it.
   *
   * @param slice moment that it is about
   */
  public void putOnStand(int slice, String title, Score drill) {
    Planning.Entry e = studio.plans().ofOpen().orElse(null);
    if (e == null) {
      return;
    }
    own(
        new OnStand(
            studio.shown().passage().id(),
            List.of("shift-" + slice),
            title,
            new Drill(DrillKind.SHIFT, List.of(drill)),
            e.ladder(),
            e.ladder().levels().get(0),
            Sentences.of("practise.put-on"),
            List.of()));
  }

  /** Any notes with any drill; they count for the planned chunks that they cover. */
  public void practise(int fromNote, int toNote, DrillKind kind) {
    Session s = studio.shown();
    Planning.Entry e = studio.plans().ofOpen().orElse(null);
    if (s == null || e == null || s.resolved().notes().isEmpty()) {
      return;
    }
    int from = s.resolved().notes().get(Math.min(fromNote, toNote)).slice();
    int to = s.resolved().notes().get(Math.max(fromNote, toNote)).slice();
    Chunk free = Covered.stretch(s.resolved(), from, to);
    List<String> ids =
        new ArrayList<>(
            Covered.by(s.resolved(), e.chunks(), from, to).stream().map(Chunk::id).toList());
    if (ids.isEmpty()) {
      ids.add(free.id());
    }
    ownPassage = s.passage().id();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(s, Optional.of(free), kind),
        drill ->
            own(
                new OnStand(
                    s.passage().id(),
                    ids,
                    Words.chunk(free),
                    drill,
                    e.ladder(),
                    due(e, ids),
                    Sentences.of("practise.put-on"),
                    List.of())));
  }

  /** A chunk of the player's choice. */
  public void practise(Chunk chunk, DrillKind kind) {
    Session s = studio.shown();
    Planning.Entry e = entry(chunk.id()).orElse(null);
    if (s == null || e == null) {
      return;
    }
    ownPassage = s.passage().id();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(s, Optional.of(chunk), kind),
        drill -> own(free(e, chunk.id(), Words.chunk(chunk), drill, List.of())));
  }

  /** A frame of the picture, played from paper; where its notes are written, those. */
  public void practise(Frame frame) {
    studio.plans().ensure();
    Planning.Entry e = entry(frame.id()).orElse(null);
    if (e == null || studio.shown() == null) {
      return;
    }
    Optional<Chunk> written = e.learning().chunk(frame.id());
    if (written.isPresent()) {
      practise(written.get(), DrillKind.STRAIGHT);
      return;
    }
    Drill drill = new Drill(DrillKind.STRAIGHT, List.of(frame.silent()));
    own(free(e, frame.id(), Words.frame(frame), drill, List.of(frame)));
  }

  private OnStand free(Planning.Entry e, String id, String title, Drill drill, List<Frame> frames) {
    return new OnStand(
        e.passageId(),
        List.of(id),
        title,
        drill,
        e.ladder(),
        due(e, List.of(id)),
        Sentences.of("practise.put-on"),
        frames);
  }

  /** What a chunk of the open passage belongs to. */
  private Optional<Planning.Entry> entry(String unit) {
    Planning p = studio.plans().plannedProperty().get();
    Session s = studio.shown();
    return p == null || s == null
        ? Optional.empty()
        : p.all(s.passage().id()).stream()
            .filter(x -> x.has(unit))
            .findFirst()
            .or(studio.plans()::ofOpen);
  }

  /** The level that the first covered chunk is due at; the lowest where none is planned. */
  private Level due(Planning.Entry e, List<String> ids) {
    return items().stream()
        .filter(i -> i.passageId() == e.learning().passageId() && ids.contains(i.unit()))
        .map(Item::level)
        .findFirst()
        .orElse(e.ladder().levels().get(0));
  }

  private void own(OnStand what) {
    ownPassage = what.passageId();
    wanted = Optional.empty();
    if (stand.get() != null) {
      waiting.push(new Waiting(at(), index.get()));
    }
    place(what);
    index.set(-1);
  }

  /** What is on the stand, to come back to at its level. */
  private OnStand at() {
    OnStand s = stand.get();
    return s.at(gate.get().level());
  }

  /** Whether something waits to come back. */
  public boolean isAside() {
    return !waiting.isEmpty();
  }

  /** The drill against what broke goes on the stand; what was there waits. */
  public void cure(Breakage broke) {
    OnStand s = stand.get();
    Session session = studio.shown();
    Optional<Planning.Entry> e = studio.plans().ofOpen();
    Optional<DrillKind> kind = Cure.of(broke);
    if (s == null || session == null || e.isEmpty() || kind.isEmpty()) {
      return;
    }
    Optional<Chunk> chunk = e.get().learning().chunk(s.chunkIds().get(0));
    Level level = gate.get().level();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(session, chunk, kind.get()),
        drill ->
            own(
                new OnStand(
                    s.passageId(),
                    s.chunkIds(),
                    s.title(),
                    drill,
                    s.ladder(),
                    level,
                    Sentences.of("practise.cure", Sentences.of("broke." + broke)),
                    List.of())));
  }

  /** Another drill of what is on the stand; what was there waits. */
  public void drill(DrillKind kind) {
    OnStand s = stand.get();
    Session session = studio.shown();
    Optional<Planning.Entry> e = s == null ? Optional.empty() : entry(s.chunkIds().get(0));
    if (session == null || e.isEmpty() || !s.frames().isEmpty()) {
      return;
    }
    Optional<Chunk> chunk =
        kind.of() == DrillKind.Of.PASSAGE
            ? Optional.empty()
            : e.get().learning().chunk(s.chunkIds().get(0));
    Level level = gate.get().level();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(session, chunk, kind),
        drill -> {
          if (drill.kind() != kind) {
            String name = Sentences.of("drill." + kind.id());
            studio.tell(Sentences.of("practise.no-drill", name, s.title()));
          } else {
            String why = Sentences.of("practise.put-on");
            own(
                new OnStand(
                    s.passageId(),
                    s.chunkIds(),
                    s.title(),
                    drill,
                    s.ladder(),
                    level,
                    why,
                    List.of()));
          }
        });
  }

  /** What is on the stand once more, judged by one thing alone; what was there waits. */
  public void focus(DrillKind kind) {
    OnStand s = stand.get();
    Session session = studio.shown();
    if (s == null || session == null || !s.frames().isEmpty()) {
      return;
    }
    Drill same = new Drill(kind, s.drill().parts());
    own(
        new OnStand(
            s.passageId(),
            s.chunkIds(),
            s.title(),
            same,
            s.ladder(),
            gate.get().level(),
            Sentences.of("practise.focus.why"),
            List.of()));
  }

  /** What is on the stand as it should sound, at the tempo of the gate, with its dynamics. */
  public void hear(PassagePlayer player) {
    ResolvedPassage drill = notation.get();
    Session session = studio.shown();
    if (player.isPlaying()) {
      player.stop();
      return;
    }
    if (drill == null || session == null || drill.slices().isEmpty() || gate.get() == null) {
      return;
    }
    TempoMap map =
        TempoMap.steady(session.passage().settings().target().at(gate.get().level().perMinute()));
    double a4 = session.passage().settings().setup().a4Hz();
    studio.run(
        "hear",
        Rank.BESIDE,
        token ->
            Performance.samples(
                drill, LoudnessLine.of(drill.score()), map, a4, 0, drill.slices().size() - 1),
        samples -> {
          player.play(samples, false);
          studio.tell(Sentences.of("practise.heard", player.description()));
        });
  }

  /** A word of the player's own on the try or the set that was judged last. */
  public void note(String text) {
    if (!judged.isEmpty()) {
      judged.peek().note(text.strip());
    }
  }

  /** Another tempo for the next try, whatever the ladder says. */
  public void tempo(double perMinute) {
    if (gate.get() != null) {
      gate.set(gate.get().with(Level.at(Math.max(10, Math.min(400, perMinute)))));
    }
  }

  // ---- playing -------------------------------------------------------------------------------

  public ClickStyle style() {
    return style;
  }

  public void setStyle(ClickStyle other) {
    style = other;
  }

  /** The clicks of a set of plays of what is on the stand, at the gate's level. */
  public Optional<PlaySet> set(int plays) {
    return line().map(l -> PlaySet.of(l, stand.get().climbs() ? plays : 1, PAUSE_S));
  }

  /** The same again and again, without a pause, until it is stopped. */
  public Optional<PlaySet> loop() {
    return line().map(l -> PlaySet.loop(l, LONGEST_LOOP));
  }

  private Optional<ClickLine> line() {
    if (stand.get() == null || gate.get() == null || studio.shown() == null) {
      return Optional.empty();
    }
    Score score = stand.get().drill().parts().get(part.get());
    Passage.Settings settings = studio.shown().passage().settings();
    Level level = gate.get().level();
    TempoMap map =
        stand.get().drill().kind().of() == DrillKind.Of.PASSAGE
            ? studio
                .shown()
                .task()
                .tempo()
                .scaled(level.perMinute() / settings.target().perMinute())
            : TempoMap.steady(settings.target().at(level.perMinute()));
    ClickLine made = new ClickLine(score, map, styleAt(level), Clicking.ranges(studio.shown()));
    boolean ends = stand.get().drill().kind() == DrillKind.END_CLICK;
    return Optional.of(ends ? made.withEnds() : made);
  }

  /** On a slow line the rung says how often it clicks; elsewhere the player does. */
  private ClickStyle styleAt(Level level) {
    double each = level.clicks() / level.perMinute();
    if (stand.get().ladder().isSlow() && level.clicks() == 0) {
      return ClickStyle.PLAIN.silentFor(1, 0);
    }
    if (stand.get().ladder().isSlow()) {
      return each < 1
          ? ClickStyle.PLAIN.barsOnly(true)
          : style.withBetween((int) Math.min(ClickStyle.MOST_BETWEEN, Math.round(each)));
    }
    boolean halves = each > 1.5 && style.between() == 1;
    return halves ? style.withBetween(2) : style;
  }

  /** From here the try is timed. */
  public void startTry() {
    tryStarted = now.get();
  }

  // ---- judging -------------------------------------------------------------------------------

  /** Judges one try. */
  public void judge(Verdict verdict, Breakage breakage) {
    judge(verdict, breakage, 1);
  }

  /**
   * Judges the plays of a set alike and writes them to the journal.
   *
   * @param plays 1 or more
   */
  public void judge(Verdict verdict, Breakage breakage, int plays) {
    OnStand s = stand.get();
    if (s == null || gate.get() == null || gate.get().stopped() || plays < 1) {
      return;
    }
    long took = Math.max(0, Duration.between(tryStarted, now.get()).toSeconds());
    int seconds = (int) (Math.min(1800, took) / plays);
    Judged mine = new Judged(studio, gate.get(), part.get());
    judged.push(mine);
    // All plays of a set were at one level, also those after the one that opened the next.
    Level played = gate.get().level();
    for (int i = 0; i < plays; i++) {
      write(s, played, verdict, breakage, seconds, mine);
      boolean counts = !gate.get().stopped() && gate.get().level().equals(played);
      if (counts && (s.climbs() || i == 0)) {
        advance(s, verdict);
      }
    }
    tryStarted = now.get();
  }

  /** What broke in the try or the set that was judged last. */
  public void tell(Breakage broke) {
    if (!judged.isEmpty()) {
      judged.peek().tell(broke);
    }
  }

  private void write(
      OnStand s, Level level, Verdict verdict, Breakage broke, int seconds, Judged mine) {
    for (int c = 0; c < s.chunkIds().size(); c++) {
      mine.write(
          new JournalEntry(
              0,
              s.passageId(),
              studio.today(),
              s.chunkIds().get(c),
              s.drill().kind(),
              level.perMinute(),
              level.clicks(),
              c == 0 ? seconds : 0,
              verdict,
              broke,
              ""));
    }
  }

  /** Straight tries climb the ladder; another drill goes on part by part, each clean once. */
  private void advance(OnStand s, Verdict verdict) {
    if (s.climbs()) {
      gate.set(gate.get().after(verdict));
      return;
    }
    Gate g = gate.get();
    if (verdict == Verdict.HURTS) {
      gate.set(g.after(verdict));
    } else if (verdict == Verdict.CLEAN) {
      boolean last = part.get() + 1 >= s.drill().parts().size();
      if (last) {
        gate.set(new Gate(g.ladder(), g.settings(), g.level(), g.cleanInRow() + 1, true));
      } else {
        part.set(part.get() + 1);
        showPart();
      }
    }
  }

  /** Takes the last verdict back; what it wrote leaves the record. */
  public boolean takeBack() {
    if (judged.isEmpty() || stand.get() == null) {
      return false;
    }
    Judged last = judged.pop();
    last.takeBack();
    part.set(last.part());
    gate.set(last.before());
    showPart();
    return true;
  }

  // ---- what is told --------------------------------------------------------------------------

  /** Strokes on the stand that cannot bounce yet at a tempo: on the string until then. */
  public List<BounceSwitch> notYetBouncing(double perMinute) {
    Session session = studio.shown();
    OnStand s = stand.get();
    if (session == null || s == null || s.drill().kind().of() != DrillKind.Of.CHUNK) {
      return List.of();
    }
    List<BounceSwitch> all =
        studio
            .plans()
            .chunk(s.chunkIds().get(0))
            .map(c -> BounceSwitch.of(session, c.fromOnset(), c.toOnset()))
            .orElse(List.of());
    return all.stream().filter(b -> b.perMinute() > perMinute).toList();
  }

  /** Name of an item as the player knows it. */
  public String label(Item item) {
    Planning p = studio.plans().plannedProperty().get();
    boolean page = item.unit().isEmpty() || item.unit().equals(PracticePlan.WHOLE);
    String name =
        p == null || page
            ? ""
            : p.of(item.passageId()).map(e -> Words.unit(e.learning(), item.unit())).orElse("");
    return name.isEmpty() ? kindName(item.kind()) : name;
  }

  /** The passage of an item; empty for a break. */
  public String passage(Item item) {
    return studio.passages().stream()
        .filter(p -> p.id() == item.passageId())
        .map(p -> p.settings().title())
        .findFirst()
        .orElse("");
  }

  /** The fingering printed on the drill: that of the target tempo. */
  public List<FingerText> digits() {
    List<FingerText> texts = new ArrayList<>();
    ResolvedPassage drill = notation.get();
    for (int i = 0; drill != null && i < drill.notes().size(); i++) {
      String digit = drill.notes().get(i).printedFinger();
      if (!digit.isEmpty()) {
        texts.add(new FingerText(i, digit, "", false));
      }
    }
    return texts;
  }
}
