package fret.app.viewmodel;

import fret.app.words.PlanPages;
import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Way;
import fret.plan.Gate;
import fret.plan.Part;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.session.Session;
import fret.shelf.Asked;
import fret.shelf.Planning;
import fret.tempo.Ladder;
import java.time.Instant;
import java.util.ArrayDeque;
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
  /** So few plays are upkeep: one clean play is enough (see how plays are expected). */
  private static final int FEW_PLAYS = 2;

  /** What waits to come back, and which of today's items it is; -1 for none. */
  private record Waiting(OnStand what, int index) {}

  private final Studio studio;
  private final ReadOnlyIntegerWrapper index = new ReadOnlyIntegerWrapper(0);
  private final Today today;
  private final Stand stand;
  private final OwnPractice own;
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
    this.own = new OwnPractice(studio, stand, this::items, this::expect, this::putBefore);
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

  /** Whether all of some items are done. */
  public boolean areDone(int from, int to) {
    return today.areDone(from, to);
  }

  /** Whether there is a plan by now. */
  public boolean isPlanned() {
    return studio.plans().plannedProperty().get() != null;
  }

  /** Whether everything of today was played or left out. */
  public boolean isDayDone() {
    return today.isOver();
  }

  /** Whether today is for rest because something hurts. */
  public boolean isRest() {
    return studio.hurting().care().rests();
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
    } else if (other && !stand.isEmpty() && index.get() >= 0) {
      // The list is another one: it marks what is on the stand, or nothing.
      index.set(wanted.map(items()::indexOf).orElse(-1));
    }
    if (other && stand.isHurt() && !items().isEmpty()) {
      show(0); // What is light stands ready; what hurt is over.
    } else if (!stand.isEmpty()) {
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

  /** The next item is looked at; nothing is ticked off by that. */
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
    if (index.get() + 1 < items().size()) {
      show(index.get() + 1);
    } else if (isDayDone()) {
      wanted = Optional.empty();
      stand.clear();
    }
  }

  /**
   * The player is done with the item, whatever was judged: it is ticked off, the next one comes.
   */
  public void done() {
    if (waiting.isEmpty() && index.get() >= 0) {
      today.setDone(index.get(), true);
    }
    next();
  }

  /**
   * Something was judged, or taken back: the item is done when its level is closed, its drill is
   * over, or as many plays were judged as were planned.
   */
  public void judged() {
    Optional<Item> item = item();
    if (item.isEmpty() || stand.isEmpty() || ownPassage >= 0 || !waiting.isEmpty()) {
      return;
    }
    today.setDone(index.get(), isOver(item.get()));
  }

  private boolean isOver(Item item) {
    Gate g = stand.gateProperty().get();
    if (stand.steps() > 0) {
      return g.end() == Gate.End.CLOSED;
    }
    boolean climbed =
        stand.on().climbs() && g.level().perMinute() > item.level().perMinute() + 1e-9;
    boolean once =
        item.drill() == DrillKind.FIRST_READING || item.plays() <= FEW_PLAYS && stand.on().climbs();
    boolean upkeep = item.plays() > 0 && once && stand.lastWasClean();
    return g.end() == Gate.End.CLOSED
        || climbed
        || upkeep
        || (stand.on().climbs() || item.drill() == DrillKind.FIRST_READING)
            && item.plays() > 0
            && stand.judgedPlays() >= item.plays();
  }

  /** The item is left out today, with the reason. */
  public void skip(Skipped.Why why) {
    item().ifPresent(i -> studio.preferences().skip(new Skipped(studio.today(), label(i), why)));
    done();
  }

  /** The item before is looked at. */
  public void previous() {
    if (index.get() > 0) {
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
      own.practise(0, shown.resolved().notes().size() - 1, DrillKind.STRAIGHT);
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
                    e.ladder(item.unit()),
                    item.level(),
                    Sentences.of(item.why()),
                    Asked.frames(e, item)),
                item.visit(),
                Part.of(item.unit()).isReading() ? Reading.of(e, drill) : Reading.NONE);
          }
        });
  }

  // ---- of the player's own -------------------------------------------------------------------

  /** What the player puts on the stand without the plan. */
  public OwnPractice own() {
    return own;
  }

  /** The player chose a passage: what is due of others waits until its drill is made. */
  private void expect(long passageId) {
    ownPassage = passageId;
  }

  private void putBefore(OnStand what) {
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

  /** The layer that is on the stand; empty where all of the notes are played. */
  public Optional<Way> layer() {
    return stand.isEmpty()
        ? Optional.empty()
        : studio
            .plans()
            .chunk(stand.on().chunkIds().get(0))
            .map(Chunk::way)
            .filter(w -> w != Way.ALL && stand.on().climbs());
  }

  /** Name of an item as the player knows it. */
  public String label(Item item) {
    return pages().item(item);
  }

  /** Name of a visit as the player knows it: from bar to bar, or of what it is. */
  public String label(List<Item> visit) {
    return pages().visit(visit);
  }

  /** The plan in words. */
  public PlanPages pages() {
    return new PlanPages(studio.plans().plannedProperty().get(), studio::title);
  }

  /** The passage of an item; empty for a break. */
  public String passage(Item item) {
    return studio.title(item.passageId());
  }

  /** The ladder of what an item is about. */
  public Ladder ladder(Item item) {
    Planning p = studio.plans().plannedProperty().get();
    return Optional.ofNullable(p)
        .flatMap(x -> x.of(item))
        .map(e -> e.ladder(item.unit()))
        .orElse(new Ladder(List.of(item.level())));
  }
}
