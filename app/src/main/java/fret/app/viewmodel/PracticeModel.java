package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.app.work.Computing.Rank;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.journal.Breakage;
import fret.journal.Cure;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.Score;
import fret.session.Covered;
import fret.session.Session;
import fret.shelf.Asked;
import fret.shelf.Planning;
import fret.tempo.Level;
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

/**
 * Today's practice over all passages: what is on the stand, at which level, and what each verdict
 * leads to.
 */
public final class PracticeModel {
  /** What waits to come back, and which of today's items it is; -1 for none. */
  private record Waiting(OnStand what, int index) {}

  private final Studio studio;
  private final ReadOnlyIntegerWrapper index = new ReadOnlyIntegerWrapper(0);
  private final Today today;
  private final Stand stand;
  private final Deque<Waiting> waiting = new ArrayDeque<>();
  private Optional<Item> wanted = Optional.empty();
  private long ownPassage = -1;

  /** The passage that is on its way to the stand. */
  private long opening = -1;

  /**
   * @param now the time, for measuring how long a try took
   */
  public PracticeModel(Studio studio, Supplier<Instant> now) {
    this.studio = studio;
    this.today = new Today(studio);
    this.stand = new Stand(studio, now);
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

  /** What is on the stand, and what is judged there. */
  public Stand stand() {
    return stand;
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
    if (other && stand.isEmpty() && today.nothingDone() && index.get() > 0) {
      index.set(0);
    }
    if (!stand.isEmpty()) {
      stand.follow(studio.plans().habits().gate());
    } else if (ownPassage < 0) {
      present();
    }
  }

  /** Takes today's items from the plan anew. */
  public void restart() {
    isAsked = true;
    today.begin();
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
      stand.place(back.what());
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
      stand.clear();
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
      stand.clear();
      return;
    }
    stand.clear();
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
    if (!stand.isEmpty() || ownPassage >= 0 || opening >= 0) {
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
    studio
        .passage(passageId)
        .ifPresent(
            p -> {
              opening = passageId;
              studio.open(p);
            });
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
      stand.clear();
    }
    boolean fits = wanted.isPresent() && wanted.get().passageId() == id;
    if (stand.isEmpty() && fits && ownPassage < 0) {
      make(wanted.get(), shown);
    } else if (!stand.isEmpty() && stand.on().passageId() != id) {
      stand.clear();
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
            stand.place(
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
    if (!stand.isEmpty()) {
      waiting.push(new Waiting(stand.on().at(stand.level()), index.get()));
    }
    stand.place(what);
    index.set(-1);
  }

  /** Whether something waits to come back. */
  public boolean isAside() {
    return !waiting.isEmpty();
  }

  /** The drill against what broke goes on the stand; what was there waits. */
  public void cure(Breakage broke) {
    OnStand s = stand.on();
    Session session = studio.shown();
    Optional<Planning.Entry> e = studio.plans().ofOpen();
    Optional<DrillKind> kind = Cure.of(broke);
    if (s == null || session == null || e.isEmpty() || kind.isEmpty()) {
      return;
    }
    Optional<Chunk> chunk = e.get().learning().chunk(s.chunkIds().get(0));
    Level level = stand.level();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(session, chunk, kind.get()),
        drill ->
            own(
                s.at(level)
                    .with(drill, Sentences.of("practise.cure", Sentences.of("broke." + broke)))));
  }

  /** Another drill of what is on the stand; what was there waits. */
  public void drill(DrillKind kind) {
    OnStand s = stand.on();
    Session session = studio.shown();
    Optional<Planning.Entry> e = s == null ? Optional.empty() : entry(s.chunkIds().get(0));
    if (session == null || e.isEmpty() || !s.frames().isEmpty()) {
      return;
    }
    Optional<Chunk> chunk =
        kind.of() == DrillKind.Of.PASSAGE
            ? Optional.empty()
            : e.get().learning().chunk(s.chunkIds().get(0));
    Level level = stand.level();
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
            own(kind.isRun() ? run(s, drill, why) : s.at(level).with(drill, why));
          }
        });
  }

  /** The whole passage, at its target. */
  private static OnStand run(OnStand before, Drill drill, String why) {
    return new OnStand(
        before.passageId(),
        List.of(PracticePlan.WHOLE),
        Sentences.of("practise.the-whole"),
        drill,
        before.ladder(),
        before.ladder().top(),
        why,
        List.of());
  }

  /** What is on the stand once more, judged by one thing alone; what was there waits. */
  public void focus(DrillKind kind) {
    OnStand s = stand.on();
    Session session = studio.shown();
    if (s == null || session == null || !s.frames().isEmpty()) {
      return;
    }
    Drill same = new Drill(kind, s.drill().parts());
    own(s.at(stand.level()).with(same, Sentences.of("practise.focus.why")));
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
    return studio.title(item.passageId());
  }
}
