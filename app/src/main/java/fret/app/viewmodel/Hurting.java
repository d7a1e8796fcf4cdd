package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.care.Ache;
import fret.care.BodyPart;
import fret.care.Care;
import fret.care.HowMuch;
import fret.care.Recovery;
import fret.care.Told;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.shelf.Planning;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.collections.ListChangeListener;

/** What hurts: where and how much the player says, what is asked the day after, what is told. */
public final class Hurting {
  private static final String ABOUT = "hurts";

  private final Studio studio;

  /** What was said before the try was stored. */
  private Optional<Ache> waiting = Optional.empty();

  Hurting(Studio studio) {
    this.studio = studio;
    studio.journal().addListener((ListChangeListener<Object>) c -> arrived());
  }

  private Told told() {
    return studio.plans().habits().told();
  }

  /** What hurts today, by the record and what was said. */
  public Care care() {
    return Care.of(List.copyOf(studio.journal()), told(), studio.today());
  }

  /** Whether the player did not say yet where the newest try hurt. */
  public boolean isToSay() {
    return waiting.isEmpty()
        && newest()
            .filter(e -> e.date().equals(studio.today()))
            .filter(e -> e.id() > told().over() && !told().aches().containsKey(e.id()))
            .isPresent();
  }

  /** The newest try that hurt; of those stored together the first. */
  private Optional<JournalEntry> newest() {
    JournalEntry found = null;
    for (JournalEntry e : studio.journal()) {
      if (e.verdict() == Verdict.HURTS) {
        found = found != null && Care.isSameTry(found, e) ? found : e;
      }
    }
    return Optional.ofNullable(found);
  }

  /** A try was judged so: until it is stored, what is said of it waits. */
  void judged() {
    waiting = Optional.of(Ache.UNSAID);
  }

  /** The try was taken back: nothing is to be said of it. */
  void withdrawn() {
    waiting = Optional.empty();
  }

  /** Where and how much the newest try hurt. */
  public void say(BodyPart part, HowMuch much) {
    Ache ache = new Ache(part, much);
    if (waiting.isPresent()) {
      waiting = Optional.of(ache);
    } else {
      newest().ifPresent(e -> keep(e, ache));
    }
  }

  private void arrived() {
    Optional<JournalEntry> stored =
        newest()
            .filter(e -> e.date().equals(studio.today()) && !told().aches().containsKey(e.id()));
    if (waiting.isPresent() && stored.isPresent()) {
      Ache said = waiting.get();
      waiting = Optional.empty();
      if (!said.equals(Ache.UNSAID)) {
        keep(stored.get(), said);
      }
    }
  }

  private void keep(JournalEntry e, Ache ache) {
    save(Said.of("deed.hurts", Said.of("hurts.part." + ache.part())), told().with(e.id(), ache));
  }

  private void save(Said name, Told told) {
    studio.plans().saveHabits(name, studio.plans().habits().with(told));
  }

  // ---- the days after ------------------------------------------------------------------------

  /** Asks how it is today, where it hurt on an earlier day and nothing was said yet. */
  void ask() {
    Care care = care();
    if (!care.asks(told())) {
      studio.asking().forget(ABOUT);
      return;
    }
    Said words = Said.of("hurts.ask", Said.words(names(care)));
    studio
        .asking()
        .ask(
            new Asking.Question(
                ABOUT,
                words,
                List.of(
                    new Asking.Answer(Said.of("hurts.ask.better"), () -> answer(true)),
                    new Asking.Answer(Said.of("hurts.ask.still"), () -> answer(false)))));
  }

  /** How it is today. */
  public void answer(boolean isBetter) {
    studio.asking().forget(ABOUT);
    save(
        Said.of(isBetter ? "deed.hurts.better" : "deed.hurts.still"),
        told().answered(studio.today(), isBetter));
  }

  /** Whether light work may be offered today: something waits, and it did not come twice. */
  public boolean offersLight() {
    Care care = care();
    return care.rests() && !care.light() && !care.isAgain();
  }

  /** Light work is wanted today. */
  public void light() {
    save(Said.of("deed.hurts.light"), told().light(studio.today()));
  }

  /** The player wants everything back at once. */
  public void allBack() {
    long newest =
        studio.journal().stream()
            .filter(e -> e.verdict() == Verdict.HURTS)
            .mapToLong(JournalEntry::id)
            .max()
            .orElse(0);
    studio.asking().forget(ABOUT);
    save(Said.of("deed.lift"), told().overUpTo(newest));
    studio.tell(Sentences.of("plan.stretches-are"));
  }

  // ---- what is told --------------------------------------------------------------------------

  private static String names(Care care) {
    return care.parts().stream()
        .map(r -> Sentences.of("hurts.part." + r.part()))
        .collect(Collectors.joining(", "));
  }

  /** What is to be known, one sentence after the other; empty where nothing hurts. */
  public List<String> sentences() {
    Care care = care();
    List<String> all = new ArrayList<>();
    if (!care.isAny()) {
      return all;
    }
    care.parts().forEach(r -> all.add(of(r, care.light())));
    Planning planned = studio.plans().plannedProperty().get();
    if (planned != null && planned.held() > 0) {
      long passages =
          planned.entries().values().stream()
              .filter(e -> !e.held().isEmpty())
              .map(Planning.Entry::passageId)
              .distinct()
              .count();
      all.add(
          Sentences.of(
              "hurts.waiting", count(planned.held(), "chunk"), count(passages, "passage")));
    }
    if (care.asks(told())) {
      all.add(Sentences.of("hurts.say-first"));
    } else if (care.rests() && !care.isAgain()) {
      all.add(Sentences.of("hurts.asks-tomorrow"));
    }
    all.add(Sentences.of("hurts.care"));
    return all;
  }

  private static String count(long many, String what) {
    return Words.count((int) many, what);
  }

  private String of(Recovery r, boolean light) {
    String name = Sentences.of("hurts.part." + r.part());
    String part = name.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + name.substring(1);
    String day = day(r.last());
    if (r.again()) {
      return Sentences.of("hurts.again", part, day(r.last().plusDays(7)));
    }
    return switch (r.step()) {
      case WAITS ->
          Sentences.of(
              light ? "hurts.waits-light" : "hurts.waits",
              part,
              Sentences.of("hurts.much." + r.much()),
              r.last().equals(studio.today()) ? Sentences.of("day.today") : day);
      case LIGHT -> Sentences.of("hurts.light", part, day(r.opens(fret.care.Strain.SOME)));
      case MORE -> Sentences.of("hurts.more", part, day(r.opens(fret.care.Strain.MUCH)));
      case ALL -> "";
    };
  }

  private static String day(LocalDate day) {
    return Sentences.of(Said.of("day", day));
  }
}
