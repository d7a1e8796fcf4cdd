package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing;
import fret.app.work.Computing.Rank;
import fret.app.work.Storing;
import fret.base.Outcome;
import fret.base.Problem;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Reattachment;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.ScoreReader;
import fret.passage.Setup;
import fret.passage.SourceLayer;
import fret.score.Score;
import fret.search.Token;
import fret.session.Change;
import fret.session.Computed;
import fret.session.Decisions;
import fret.session.NewPassage;
import fret.session.Opening;
import fret.session.Pipeline;
import fret.session.Session;
import fret.session.Step;
import fret.shelf.Deed;
import fret.shelf.Library;
import fret.shelf.Relearning;
import fret.shelf.StoreFailure;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.LongConsumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * The open passage and the way of every decision: the change is made from the newest session, the
 * next session counts at once, the change is stored behind it and what follows is computed. All
 * methods are called on the interface thread.
 */
public final class OpenPassage {
  /** What bears on no answer that takes time. */
  private static final Set<Layer.Concern> QUICK = EnumSet.of(Layer.Concern.NOTHING);

  /** Kinds of questions to {@link Computing}. */
  private enum Ask {
    OPEN,
    STANDING
  }

  private final Studio studio;
  private final Library library;
  private final ScoreReader reader;
  private final Computing computing;
  private final Storing storing;
  private final ReadOnlyObjectWrapper<Session> shown = new ReadOnlyObjectWrapper<>();
  private final Map<Long, Session> unstored = new HashMap<>();
  private final Map<Long, Integer> underWay = new HashMap<>();
  private Session session;

  /** What is told of the last decision. */
  private String latest = "";

  private int intent;
  private boolean reading;
  private long count;

  OpenPassage(
      Studio studio, Library library, ScoreReader reader, Computing computing, Storing storing) {
    this.studio = studio;
    this.library = library;
    this.reader = reader;
    this.computing = computing;
    this.storing = storing;
  }

  /** The newest session; null when no passage is open. */
  public Session session() {
    return session;
  }

  /** The newest session of which everything is computed; null when no passage is open. */
  public ReadOnlyObjectProperty<Session> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** Counts what was shown, so that an answer knows whether it comes too late. */
  long shownCount() {
    return count;
  }

  // ---- opening -------------------------------------------------------------------------------

  /** Opens a passage of the library; until it is there, the one before stays. */
  public void open(Passage passage) {
    open(passage.id(), true);
  }

  private void open(long id, boolean fromStart) {
    int mine = ++intent;
    Session waiting = unstored.get(id);
    if (waiting != null) {
      computing.forget(Ask.OPEN);
      opened(waiting, fromStart);
      if (!waiting.isComputed()) {
        askStanding(Optional.empty());
      }
      return;
    }
    computing.ask(
        Ask.OPEN,
        Rank.OPENING,
        token -> load(id, token),
        s -> {
          if (mine == intent) {
            // What was decided of it meanwhile, before it was closed and opened again, is newer.
            opened(unstored.getOrDefault(id, s), fromStart);
          }
        });
  }

  private Session load(long id, Token token) throws UnusableInput {
    Library.Stored stored =
        library.load(id).orElseThrow(() -> new StoreFailure(StoreFailure.Cause.GONE, null));
    Outcome<Score> page = page(stored);
    Opening.Opened opened = Opening.of(stored.passage(), page.value(), token);
    List<Problem> problems = new ArrayList<>(opened.problems());
    problems.addAll(page.problems());
    return new Session(
        opened.passage(),
        page.value(),
        problems,
        stored.revision(),
        stored.log(),
        opened.computed());
  }

  /** The page as mended by hand, else as in the file. */
  Outcome<Score> page(Library.Stored stored) throws UnusableInput {
    return stored.page().isPresent()
        ? new Outcome<>(stored.page().get(), List.of())
        : read(stored.passage());
  }

  /** What reads pages: other readers may read other notes. */
  Class<?> readerClass() {
    return reader.getClass();
  }

  private Outcome<Score> read(Passage p) throws UnusableInput {
    byte[] bytes = library.source(p.id(), p.source().id());
    return reader.read(p.sourceName(), bytes, p.partName());
  }

  private void opened(Session opened, boolean fromStart) {
    boolean other = session == null || session.passage().id() != opened.passage().id();
    computing.forget(Ask.STANDING);
    session = opened;
    reading = false;
    if (other || fromStart) {
      studio.unselect();
    }
    show();
    if (other || fromStart) {
      studio.select(0);
    }
  }

  /** Hands the newest session on to whoever looks at it. */
  private void show() {
    count++;
    shown.set(session);
    studio.follow(session);
  }

  /**
   * Makes something of the parts that stand beside a passage's own, away from the window.
   *
   * @param then takes it in the window
   */
  public <T> void ofOthers(Passage passage, Function<List<Score>, T> make, Consumer<T> then) {
    studio.run("other-parts", Rank.BESIDE, token -> make.apply(otherParts(passage)), then);
  }

  /** The parts that stand beside a passage's own in its file. */
  List<Score> otherParts(Passage passage) throws UnusableInput {
    List<Score> others = new ArrayList<>();
    if (passage.sourceName().isEmpty()) {
      return others;
    }
    byte[] bytes = library.source(passage.id(), passage.source().id());
    List<ScoreReader.PartChoice> parts = reader.parts(passage.sourceName(), bytes);
    String own = passage.partName().isEmpty() ? parts.get(0).id() : passage.partName();
    for (ScoreReader.PartChoice p : parts) {
      // Older libraries have the part's name.
      if (!p.id().equals(own) && !p.name().equals(own)) {
        others.add(reader.read(passage.sourceName(), bytes, p.id()).value());
      }
    }
    return others;
  }

  /** Reads a part of a file into the library and opens it. */
  public void importFile(String name, byte[] bytes, String partName, Reading how) {
    int mine = ++intent;
    computing.ask(
        Ask.OPEN,
        Rank.OPENING,
        token -> {
          Score score = reader.read(name, bytes, partName).value();
          Outcome<Marks> kept = reader.decided(name, bytes, partName);
          return new Outcome<>(
              NewPassage.with(NewPassage.of(name, partName, score, how), kept.value()),
              kept.problems());
        },
        made -> {
          made.problems().stream().findFirst().ifPresent(studio::report);
          add(made.value(), bytes, Optional.empty(), mine, Said.of("opened", name));
        });
  }

  /** Starts a page by hand and opens it. */
  public void startPage(Score empty, Setup setup) {
    startPage(empty, setup, id -> {});
  }

  /**
   * Starts a page by hand and opens it.
   *
   * @param also stored with it, by its id
   */
  void startPage(Score empty, Setup setup, LongConsumer also) {
    add(
        NewPassage.byHand(empty, setup),
        new byte[0],
        Optional.of(empty),
        ++intent,
        Said.of("page.new"),
        also);
  }

  private void add(Passage passage, byte[] source, Optional<Score> page, int mine, Said told) {
    add(passage, source, page, mine, told, id -> {});
  }

  private void add(
      Passage passage,
      byte[] source,
      Optional<Score> page,
      int mine,
      Said told,
      LongConsumer also) {
    storing.store(
        "shelf",
        () -> {
          long audition = studio.plans().ensureOne();
          Passage added = library.add(passage.withAudition(audition), source, page);
          also.accept(added.id());
          return added;
        },
        added -> {
          studio.passages().add(added);
          studio.tell(Sentences.of(told));
          studio.plans().askDate(added);
          if (mine == intent) {
            open(added.id(), true);
          }
        });
  }

  /** Brings the open passage's file in again; marks go with their notes, and what moved is told. */
  public void bringInAgain(String name, byte[] bytes) {
    if (session == null) {
      return;
    }
    Passage into = session.passage();
    computing.ask(
        "bring in " + into.id(),
        Rank.OPENING,
        token -> reader.read(name, bytes, into.partName()),
        read ->
            storing.store(
                into.id(),
                () -> library.addSource(into.id(), bytes),
                id -> broughtIn(into.id(), new SourceLayer.Source(id, name), read)));
  }

  private void broughtIn(long id, SourceLayer.Source source, Outcome<Score> read) {
    if (session.passage().id() != id) {
      studio.report(Problem.of(Said.of("source.left"), Said.of("source.left.do")));
      return;
    }
    Decisions.Moved moved = Decisions.bringIn(session, source, read.value());
    List<Problem> told = new ArrayList<>(report(moved.marks()));
    told.addAll(read.problems());
    make(session.step(moved.change()), s -> s.withPage(read.value(), told));
    studio.tell(Sentences.of("source.read", source.name()));
  }

  /** What moved and what was lost, in players' words. */
  private List<Problem> report(Reattachment r) {
    List<Problem> told = new ArrayList<>();
    String moved =
        r.moved().entrySet().stream()
            .map(e -> e.getValue() + " " + Sentences.of("kind." + e.getKey().id()))
            .sorted()
            .collect(Collectors.joining(", "));
    if (!moved.isEmpty()) {
      told.add(Problem.of(Said.of("reattached.moved", moved), Said.NOTHING));
    }
    for (Reattachment.Lost lost : r.lost()) {
      told.add(Problem.of(lost(lost), Said.of("reattached.do")));
    }
    return told;
  }

  private Said lost(Reattachment.Lost lost) {
    Anchor anchor = lost.place().anchor();
    Said what = lost.told();
    var key =
        anchor instanceof Anchor.Note n
            ? n.key()
            : anchor instanceof Anchor.Stretch s ? s.from() : null;
    if (key == null) {
      return Said.of("reattached.lost.place", what);
    }
    String bar =
        session.page().bars().stream()
            .filter(b -> b.index() == key.barIndex())
            .map(fret.score.Bar::number)
            .findFirst()
            .orElse("?");
    return lost.place().counts()
        ? Said.of("reattached.lost", what, key.pitch(), bar)
        : Said.of("reattached.lost.kept", what, key.pitch(), bar, lost.place().version());
  }

  // ---- deciding ------------------------------------------------------------------------------

  /** Makes a change from the newest session; nothing happens where it gives none. */
  public void decide(Function<Session, Optional<Change>> decision) {
    if (session == null) {
      return;
    }
    if (reading) {
      studio.tell(Sentences.of("reading"));
      return;
    }
    decision.apply(session).filter(c -> !c.isEmpty()).ifPresent(c -> make(step(c), s -> s));
  }

  /** What goes on from the last thing that was done is taken back with it. */
  private Step step(Change change) {
    return studio.deeds().isStepOf(session.passage().id())
        ? session.step(change)
        : session.stepAlone(change);
  }

  /**
   * The same, as an entry of its own.
   *
   * @param joined whether it belongs to what was done just now: both are taken back together
   */
  void decideWith(Function<Session, Optional<Change>> decision, boolean joined) {
    if (session != null && !reading) {
      decision
          .apply(session)
          .filter(c -> !c.isEmpty())
          .ifPresent(c -> make(session.stepAlone(c), s -> s, joined));
    }
  }

  public void undo() {
    step(session == null ? Optional.empty() : session.undo(), "undo.none");
  }

  public void redo() {
    step(session == null ? Optional.empty() : session.redo(), "redo.none");
  }

  private void step(Optional<Step> step, String none) {
    if (reading) {
      studio.tell(Sentences.of("reading"));
    } else if (step.isEmpty()) {
      studio.tell(Sentences.of(none));
    } else if (Decisions.changesPage(step.get())) {
      readAgain(step.get());
    } else {
      make(step.get(), UnaryOperator.identity());
    }
  }

  /** Another file or page counts after the step: it is read before anything else is decided. */
  private void readAgain(Step step) {
    Session next = session.after(step);
    reading = true;
    computing.ask(
        Ask.OPEN,
        Rank.OPENING,
        token -> read(next.passage()),
        page -> {
          reading = false;
          if (session.passage().id() == next.passage().id()
              && session.revision() + 1 == next.revision()) {
            make(step, s -> s.withPage(page.value(), page.problems()));
          }
        },
        () -> reading = false);
  }

  private void make(Step step, UnaryOperator<Session> also) {
    make(step, also, false);
  }

  private void make(Step step, UnaryOperator<Session> also, boolean joined) {
    Session before = session;
    Session next = also.apply(before.after(step));
    long id = next.passage().id();
    session = next;
    unstored.put(id, next);
    underWay.merge(id, 1, Integer::sum);
    String name = Sentences.of(step.logged().name());
    String told =
        switch (step.kind()) {
          case UNDO -> Sentences.of("undone", name);
          case REDO -> Sentences.of("redone", name);
          default -> name;
        };
    latest = told;
    Deed deed = studio.deeds().step(step.logged().name(), id, joined);
    if (step.kind() == Step.Kind.DO) {
      studio.deeds().did(deed);
      studio.dismissError(); // What was refused before is not what stands now.
    }
    storing.store(
        id,
        () -> library.apply(id, before.revision(), step, before.page(), deed),
        ok -> stored(id, ok, told));
    studio.decided(next.passage());
    if (QUICK.containsAll(step.change().concerns())) {
      session =
          next.with(
              Pipeline.compute(
                  next.passage(), next.page(), Optional.of(next.computed()), Token.NEVER));
      if (session.isComputed()) {
        unstored.put(id, session);
        show();
      }
    } else if (step.change().bars().isPresent()) {
      studio.typed(); // Fingered anew when nothing has been typed for a moment.
    } else {
      askStanding(Optional.of(told));
    }
  }

  /** Computes what stands anew; an answer that was overtaken is dropped. */
  void askStanding(Optional<String> told) {
    Session asked = session;
    if (asked == null) {
      return;
    }
    computing.ask(
        Ask.STANDING,
        Rank.STANDING,
        token ->
            Pipeline.compute(asked.passage(), asked.page(), Optional.of(asked.computed()), token),
        made -> standing(made, told));
  }

  private void standing(Computed made, Optional<String> told) {
    Session before = shown.get();
    Session now = session.with(made);
    if (now.isComputed()) {
      session = now;
      unstored.computeIfPresent(now.passage().id(), (id, s) -> now);
      show();
      told.flatMap(t -> relearning(before, now).map(r -> t + ". " + r)).ifPresent(studio::tell);
    }
  }

  private Optional<String> relearning(Session before, Session now) {
    boolean same = before != null && before.passage().id() == now.passage().id();
    return same
        ? Relearning.of(before, now, studio.plans().plannedProperty().get(), studio.journal())
            .map(r -> Sentences.of(r.told()))
        : Optional.empty();
  }

  private void stored(long id, boolean ok, String told) {
    if (!ok) {
      refused(id);
      return;
    }
    if (underWay.merge(id, -1, Integer::sum) == 0) {
      underWay.remove(id);
      unstored.remove(id);
    }
    boolean overtaken = !told.equals(latest); // What was said of a later decision stays.
    if (!overtaken && !studio.messageProperty().get().startsWith(told)) {
      studio.tell(told);
    }
  }

  private void refused(long id) {
    forget(id);
    studio.report(Problem.of(Said.of("store.refused"), Said.of("store.refused.do")));
  }

  /** Drops what is not stored of a passage and shows it as it is stored. */
  void forget(long id) {
    storing.giveUp(id);
    unstored.remove(id);
    underWay.remove(id);
    studio.deeds().readAgain();
    if (session != null && session.passage().id() == id) {
      computing.forget(Ask.STANDING);
      open(id, false);
    }
  }

  /** Whether a passage has decisions that are not stored yet. */
  public boolean isWaiting(long id) {
    return unstored.containsKey(id);
  }
}
