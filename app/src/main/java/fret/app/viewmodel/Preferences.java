package fret.app.viewmodel;

import fret.app.words.PageWordList;
import fret.app.work.Storing;
import fret.plan.Gate;
import fret.score.Glossary;
import fret.shelf.Library;
import fret.shelf.Planning;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;

/**
 * What the player set for the whole program. It counts at once and is stored off the interface
 * thread.
 */
public final class Preferences {
  /** The file of the newest warnings; older ones move on to the next number. */
  public static final String LOG = "fret-0.log";

  private static final int MOST_RECENT = 6;
  private static final String WORD = "word.";

  private final Map<String, String> newest;
  private final Storing storing;
  private final Library library;
  private Glossary glossary;
  private final ReadOnlyBooleanWrapper dark = new ReadOnlyBooleanWrapper();

  Preferences(Map<String, String> stored, Storing storing, Library library) {
    this.newest = new HashMap<>(stored);
    this.storing = storing;
    this.library = library;
    dark.set(get("theme").filter("dark"::equals).isPresent());
  }

  /** What is set under a name. */
  Optional<String> get(String name) {
    return Optional.ofNullable(newest.get(name));
  }

  void put(String name, String value) {
    newest.put(name, value);
    storing.store(
        "settings",
        () -> {
          library.putSetting(name, value);
          return name;
        },
        stored -> {});
  }

  /** Where warnings are kept. */
  String logName() {
    return LOG;
  }

  private int number(String name, int usual) {
    return get(name).map(Integer::parseInt).orElse(usual);
  }

  private boolean is(String name, boolean usual) {
    return get(name).map(Boolean::parseBoolean).orElse(usual);
  }

  /** Whether the window is dark. */
  public ReadOnlyBooleanProperty darkProperty() {
    return dark.getReadOnlyProperty();
  }

  public void toggleDark() {
    dark.set(!dark.get());
    put("theme", dark.get() ? "dark" : "light");
  }

  /** Ids of the lanes that are open in an area; the usual ones until the player chose. */
  public Set<String> openLanes(String area, List<String> usual) {
    return get("lanes." + area)
        .map(t -> t.isEmpty() ? Set.<String>of() : Set.of(t.split(" ")))
        .orElse(Set.copyOf(usual));
  }

  public void putOpenLanes(String area, List<String> open) {
    put("lanes." + area, String.join(" ", open));
  }

  /** Whether typed notes are heard. */
  public boolean isHeard() {
    return is("typedHeard", true);
  }

  public void setHeard(boolean heard) {
    put("typedHeard", String.valueOf(heard));
  }

  /** Files that were opened last, the newest first. */
  public List<String> recentFiles() {
    return get("recentFiles")
        .filter(t -> !t.isEmpty())
        .map(t -> List.of(t.split("\n")))
        .orElse(List.of());
  }

  /** Remembers a file that was opened. */
  public void remember(String path) {
    List<String> all = new ArrayList<>(recentFiles());
    all.remove(path);
    all.add(0, path);
    put("recentFiles", String.join("\n", all.subList(0, Math.min(MOST_RECENT, all.size()))));
  }

  /** What words on the page mean, the player's own meanings over the shipped ones. */
  public Glossary glossary() {
    glossary = glossary == null ? PageWordList.shipped().with(ownWords()) : glossary;
    return glossary;
  }

  private Map<String, String> ownWords() {
    Map<String, String> own = new HashMap<>();
    newest.forEach(
        (name, value) -> {
          if (name.startsWith(WORD)) {
            own.put(name.substring(WORD.length()), value);
          }
        });
    return own;
  }

  /** A word means something else to the player; an empty meaning takes it out of the list. */
  public void putMeaning(String word, String meaning) {
    glossary = null;
    put(WORD + word.strip().toLowerCase(Locale.ROOT), meaning.strip());
  }

  /** What the player set for the plan and the practice. */
  public Planning.Habits habits() {
    Gate.Settings usual = Gate.Settings.USUAL;
    Gate.Settings gate =
        new Gate.Settings(
            number("cleanNeeded", usual.cleanNeeded()),
            is("slowerAfterMiss", usual.slowerAfterMiss()));
    Planning.LadderKind kind =
        get("ladder").map(Planning.LadderKind::valueOf).orElse(Planning.LadderKind.EVEN_STEPS);
    return new Planning.Habits(gate, kind, number("ladderStart", 0), number("painLifted", 0));
  }

  void putHabits(Planning.Habits habits) {
    put("cleanNeeded", String.valueOf(habits.gate().cleanNeeded()));
    put("slowerAfterMiss", String.valueOf(habits.gate().slowerAfterMiss()));
    put("ladder", habits.ladder().name());
    put("ladderStart", String.valueOf(habits.ladderStart()));
    put("painLifted", String.valueOf(habits.painLifted()));
  }
}
