package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Build;
import fret.app.work.Computing.Rank;
import fret.base.Later;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.Chunk;
import fret.journal.JournalEntry;
import fret.mark.Marks;
import fret.passage.Passage;
import fret.passage.PracticeSetup;
import fret.plan.Budget;
import fret.plan.Goal;
import fret.plan.Move;
import fret.plan.ReadyDate;
import fret.search.Token;
import fret.session.Decisions;
import fret.session.Learning;
import fret.session.Session;
import fret.shelf.Audition;
import fret.shelf.Deed;
import fret.shelf.Library;
import fret.shelf.PlanChange;
import fret.shelf.Planning;
import fret.shelf.StoreFailure;
import fret.tempo.LadderKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The dates to be ready for, the player's minutes, and the one plan that leads to all of them. */
public final class Plans {
  private static final Logger LOG = Logger.getLogger(Plans.class.getName());

  /** What there is to learn in a passage as it stood. */
  private record Known(Marks marks, LadderKind kind, int start, Learning learning) {}

  private final Studio studio;
  private final Library library;
  private final Later<String> build;
  private final ReadOnlyObjectWrapper<Planning> planned = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Planning.Outlook> outlook =
      new ReadOnlyObjectWrapper<>(Planning.Outlook.NONE);
  private final Set<Object> watching = new HashSet<>();

  /** How many plans were made, and which of them the outlook is of. */
  private int plans;

  private int ahead;

  private final Map<Long, Known> known = new HashMap<>();
  private final Set<Long> unreadable = new HashSet<>();
  private volatile List<Audition> auditions;
  private boolean reading;
  private final ReadOnlyObjectWrapper<List<PlanChange>> changes =
      new ReadOnlyObjectWrapper<>(List.of());
  private boolean asksWhatChanged;
  private boolean isAsked;

  Plans(Studio studio, Library library) {
    this.studio = studio;
    this.library = library;
    this.build = Later.of(() -> Build.of(Learning.class, studio.open().readerClass()));
    this.auditions = library.auditions();
  }

  public List<Audition> auditions() {
    return auditions;
  }

  /** The plan over all passages; null until every passage has been read once. */
  public ReadOnlyObjectProperty<Planning> plannedProperty() {
    return planned.getReadOnlyProperty();
  }

  /**
   * When each passage will be ready, and what would make the plan fit; made behind the plan while
   * somebody looks at it.
   */
  public ReadOnlyObjectProperty<Planning.Outlook> outlookProperty() {
    return outlook.getReadOnlyProperty();
  }

  /** The outlook is looked at by this: it follows the plan from now on. */
  public void watch(Object who) {
    watching.add(who);
    lookAhead();
  }

  /** It is not looked at by this any more. */
  public void unwatch(Object who) {
    watching.remove(who);
  }

  private void lookAhead() {
    Planning now = planned.get();
    if (now != null && !watching.isEmpty() && ahead != plans) {
      int which = plans;
      studio.run(
          "outlook",
          Rank.BEHIND,
          now::outlook,
          made -> {
            ahead = which;
            outlook.set(made);
          });
    }
  }

  /** What the player's last change of minutes, days or habits came to. */
  public ReadOnlyObjectProperty<List<PlanChange>> changesProperty() {
    return changes.getReadOnlyProperty();
  }

  /** What the plan says of the open passage. */
  public Optional<Planning.Entry> ofOpen() {
    Session now = studio.shown();
    return now == null || planned.get() == null
        ? Optional.empty()
        : planned.get().of(now.passage().id());
  }

  /** A chunk of the open passage by its id. */
  Optional<Chunk> chunk(String id) {
    return ofOpen().flatMap(e -> e.learning().chunk(id));
  }

  /** What the player set for the plan and the practice. */
  public Planning.Habits habits() {
    return studio.preferences().habits();
  }

  public void saveHabits(Planning.Habits habits) {
    saveHabits(Said.of("deed.habits"), habits);
  }

  void saveHabits(Said name, Planning.Habits habits) {
    asksWhatChanged = true;
    studio.does(name, 0, studio.preferences().changing(habits));
    update();
  }

  /** The player's minutes. */
  public Budget budget() {
    return studio.preferences().budget();
  }

  public void saveBudget(Said name, Budget budget) {
    asksWhatChanged = true;
    studio.does(name, 0, studio.preferences().changing(budget));
    update();
  }

  /** What a visit has comes on another day. */
  public void move(List<Move> visit) {
    asksWhatChanged = true;
    List<Move> all = new ArrayList<>(studio.preferences().moves());
    for (Move move : visit) {
      all.removeIf(
          m ->
              m.passageId() == move.passageId()
                  && m.unit().equals(move.unit())
                  && m.to().equals(move.from()));
      all.add(move);
    }
    studio.does(
        Said.of("deed.move", visit.get(0).to()),
        visit.get(0).passageId(),
        studio.preferences().changing(all, studio.today()));
    update();
  }

  /** The open passage counts for twice as much, half as much, then as usual again. */
  public void nextWeight() {
    studio
        .open()
        .decide(
            s -> {
              PracticeSetup now = Learning.setup(s.passage());
              double weight = now.weight() == 1 ? 2 : now.weight() == 2 ? 0.5 : 1;
              return Optional.of(Decisions.practice(s, now.withWeight(weight)));
            });
  }

  /** The open passage is run through a notch under its target too, or no more. */
  public void toggleUnder() {
    studio
        .open()
        .decide(
            s -> {
              PracticeSetup now = Learning.setup(s.passage());
              return Optional.of(Decisions.practice(s, now.withUnder(!now.under())));
            });
  }

  /** Long rests of the open passage are cut in run-throughs, plan and takes, or no more. */
  public void cutRests(boolean cut) {
    studio
        .open()
        .decide(
            s -> Optional.of(Decisions.practice(s, Learning.setup(s.passage()).withRestsCut(cut))));
  }

  /**
   * The audition that a new passage is for. A new library gets a date to plan for; the player
   * changes it in the Plan. Called where things are stored.
   */
  long ensureOne() {
    List<Audition> all = library.auditions();
    if (all.isEmpty()) {
      LocalDate today = studio.today();
      LocalDate date = today.plusDays(56);
      library.save(
          new Audition(0, Sentences.of("plan.my-next-date"), date, ReadyDate.of(today, date)));
      all = library.auditions();
    }
    auditions = all;
    return next().orElse(all.get(0)).id();
  }

  /** The date that is next; empty where all are over. */
  private Optional<Audition> next() {
    return auditions.stream()
        .filter(a -> !a.date().isBefore(studio.today()))
        .min(Comparator.comparing(Audition::date));
  }

  /** A new passage is for the date that is next; whether that is so is asked, once. */
  void askDate(Passage added) {
    Optional<Audition> date = auditionOf(added);
    boolean isFile = !added.sourceName().isEmpty();
    if (date.isEmpty() || !isFile || studio.passages().size() < 2) {
      return; // The first one has the date that was made for it; pages by hand are begun for it.
    }
    Said title = Said.words(added.settings().title());
    studio
        .asking()
        .ask(
            new Asking.Question(
                "date." + added.id(),
                Said.of(
                    "date.ask",
                    title,
                    Said.words(date.get().name()),
                    Said.of("day", date.get().date())),
                List.of(
                    new Asking.Answer(Said.of("date.ask.no"), () -> unassign(added)),
                    new Asking.Answer(Said.of("date.ask.yes"), () -> {}))));
  }

  /** A passage is for no date of the player's. */
  private void unassign(Passage passage) {
    does(
        Said.of("plan.unassigned", passage.settings().title()),
        List.of(new Deed.Belongs(passage.id(), passage.auditionId(), 0)));
  }

  /** The audition of a passage. */
  public Optional<Audition> auditionOf(Passage passage) {
    return auditions.stream().filter(a -> a.id() == passage.auditionId()).findFirst();
  }

  // ---- planning ------------------------------------------------------------------------------

  /**
   * Somebody looks at the plan: it is made where there is none yet, or where it is of another day,
   * and followed from now on.
   */
  public void ensure() {
    isAsked = true;
    studio.hurting().ask();
    Planning p = planned.get();
    if (p == null || !p.today().equals(studio.today())) {
      update();
    }
  }

  /** Plans everything anew: what is not known yet is read first, behind everything else. */
  void update() {
    if (!isAsked) {
      return; // Reading every passage is work that nobody waits for yet.
    }
    Session now = studio.shown();
    if (now != null && !isKnown(now.passage())) {
      Planning.Habits habits = habits();
      studio.compute(
          "learning",
          Rank.BESIDE,
          token -> kept(now, now.revision(), habits),
          () -> true,
          l -> {
            remember(now.passage(), habits, l);
            goOn();
          });
      return;
    }
    goOn();
  }

  private boolean isKnown(Passage p) {
    Known k = known.get(p.id());
    return k != null
        && k.marks().equals(p.marks())
        && k.kind() == habits().ladder()
        && k.start() == habits().ladderStart();
  }

  private void remember(Passage p, Planning.Habits habits, Learning l) {
    known.put(p.id(), new Known(p.marks(), habits.ladder(), habits.ladderStart(), l));
  }

  private void goOn() {
    if (reading) {
      return; // What is being read goes on by itself.
    }
    Optional<Passage> next =
        studio.passages().stream()
            .filter(p -> !unreadable.contains(p.id()) && !isKnown(p))
            .filter(p -> studio.session() == null || studio.session().passage().id() != p.id())
            .findFirst();
    next.ifPresentOrElse(this::read, this::plan);
  }

  private void read(Passage passage) {
    Planning.Habits habits = habits();
    reading = true;
    studio.runOrElse(
        "learning-" + passage.id(),
        Rank.BEHIND,
        token -> {
          Optional<Learning> kept = library.learning(passage.id(), madeBy(habits));
          return kept.isPresent() ? kept.get() : learned(passage.id(), habits, token);
        },
        l -> {
          reading = false;
          remember(passage, habits, l);
          goOn();
        },
        () -> {
          reading = false;
          unreadable.add(passage.id());
          goOn();
        });
  }

  private Learning learned(long id, Planning.Habits habits, Token token) throws UnusableInput {
    Library.Stored stored = library.load(id).orElseThrow();
    Session session = Session.of(stored.passage(), studio.open().page(stored).value(), token);
    return kept(session, stored.revision(), habits);
  }

  /** What there is to learn in a passage, kept for the next start as well. */
  private Learning kept(Session s, long revision, Planning.Habits habits) {
    Learning made = Learning.of(s, habits.ladder(), habits.ladderStart());
    try {
      library.keepLearning(revision, madeBy(habits), made);
    } catch (StoreFailure e) {
      LOG.log(Level.FINE, "it is made anew at the next start", e);
    }
    return made;
  }

  /** The build of all that answers, and what the answer is for. */
  private String madeBy(Planning.Habits habits) {
    return build.get() + " " + habits.ladder() + " " + habits.ladderStart();
  }

  private void plan() {
    List<Learning> all = new ArrayList<>();
    Map<Goal.Id, Audition> dates = new HashMap<>();
    Set<Long> away = studio.preferences().away();
    for (Passage p : studio.passages()) {
      if (away.contains(p.id())) {
        continue; // It is not prepared now.
      }
      Known k = known.get(p.id());
      if (k != null) {
        all.add(k.learning());
        dates.putAll(Planning.dates(k.learning(), p.auditionId(), auditions));
      }
    }
    List<JournalEntry> entries = List.copyOf(studio.journal());
    LocalDate today = studio.today();
    Planning.Habits habits = habits();
    Budget budget = budget();
    List<Move> moves = studio.preferences().moves();
    studio.run(
        "plan",
        Rank.BESIDE,
        token -> Planning.of(all, dates, budget, entries, moves, today, habits, token),
        made -> {
          Planning before = planned.get();
          boolean told = asksWhatChanged && before != null;
          asksWhatChanged = false;
          changes.set(told ? PlanChange.of(before, made) : List.of());
          plans++;
          planned.set(made);
          lookAhead();
        });
  }

  // ---- dates ---------------------------------------------------------------------------------

  /** Saves what the player says of an audition. */
  public void saveAudition(Audition audition) {
    Optional<Audition> before = auditions.stream().filter(a -> a.id() == audition.id()).findFirst();
    does(
        Said.of("plan.saved", audition.name()),
        List.of(new Deed.Date(before, Optional.of(audition))));
  }

  /** A further date, for the open passage. */
  public void addAudition(Audition audition, Passage passage) {
    does(
        Said.of("plan.saved", audition.name()),
        List.of(
            new Deed.Date(Optional.empty(), Optional.of(audition)),
            new Deed.Belongs(passage.id(), passage.auditionId(), Deed.Belongs.NEW_DATE)));
  }

  /** A passage is for another date. */
  public void assign(Passage passage, Audition audition) {
    does(
        Said.of("plan.assigned", passage.settings().title(), audition.name()),
        List.of(new Deed.Belongs(passage.id(), passage.auditionId(), audition.id())));
  }

  /** A date is taken away; its passages stay. */
  public void removeAudition(Audition audition) {
    List<Deed.Part> parts = new ArrayList<>();
    studio.passages().stream()
        .filter(p -> p.auditionId() == audition.id())
        .forEach(p -> parts.add(new Deed.Belongs(p.id(), audition.id(), 0)));
    parts.add(new Deed.Date(Optional.of(audition), Optional.empty()));
    does(Said.of("plan.removed", audition.name()), parts);
  }

  private void does(Said name, List<Deed.Part> parts) {
    studio.does(name, 0, parts);
    studio.tell(Sentences.of(name));
  }

  /** Dates, what is for them and settings became otherwise. */
  void follow(List<Deed.Part> parts) {
    if (parts.stream().anyMatch(p -> p instanceof Deed.Date)) {
      auditions = library.auditions();
    }
    for (Deed.Part part : parts) {
      if (part instanceof Deed.Belongs b) {
        studio.passages().replaceAll(p -> p.id() == b.passageId() ? p.withAudition(b.after()) : p);
      }
    }
    update();
  }
}
