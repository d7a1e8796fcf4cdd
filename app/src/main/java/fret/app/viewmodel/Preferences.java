package fret.app.viewmodel;

import fret.app.words.PageWordList;
import fret.app.work.Storing;
import fret.plan.Budget;
import fret.plan.Move;
import fret.plan.Pedal;
import fret.score.Glossary;
import fret.shelf.Deed;
import fret.shelf.Library;
import fret.shelf.PlanSettings;
import fret.shelf.Planning;
import fret.sound.ClickStyle;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;

/**
 * What the player set for the whole program. It counts at once and is stored off the interface
 * thread.
 */
public final class Preferences {
  /** The file of the newest warnings; older ones move on to the next number. */
  public static final String LOG = "fret-0.log";

  private static final int MOST_RECENT = 6;
  private static final int SKIPS_KEPT = 60;
  private static final String WORD = "word.";
  private static final String FOLDER = "folder.";
  private static final String CLICK = "click";
  private static final String MOCKS_RECORDED = "mocksRecorded";

  private final Map<String, String> newest;
  private final Storing storing;
  private final Library library;
  private Glossary glossary;

  /** In percent. */
  private static final List<Integer> LETTERS = List.of(100, 125, 150);

  private final ReadOnlyIntegerWrapper letters = new ReadOnlyIntegerWrapper(LETTERS.get(0));
  private final ReadOnlyBooleanWrapper figures = new ReadOnlyBooleanWrapper();
  private final ReadOnlyBooleanWrapper dark = new ReadOnlyBooleanWrapper();

  Preferences(Map<String, String> stored, Storing storing, Library library) {
    this.newest = new HashMap<>(stored);
    this.storing = storing;
    this.library = library;
    LETTERS.stream()
        .filter(n -> get("letters").filter(String.valueOf(n)::equals).isPresent())
        .forEach(letters::set);
    figures.set(is("figures", false));
    dark.set(get("theme").filter("dark"::equals).isPresent());
  }

  /** A name of the library that no other one has, such as for entries of a calendar. */
  String libraryId() {
    return get(PlanSettings.LIBRARY)
        .orElseGet(
            () -> {
              String made = UUID.randomUUID().toString();
              put(PlanSettings.LIBRARY, made);
              return made;
            });
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

  /**
   * What becomes otherwise when some settings do; it counts at once.
   *
   * @return none where all stay as they are
   */
  List<Deed.Part> changing(Map<String, String> values) {
    List<Deed.Part> parts = new ArrayList<>();
    new TreeMap<>(values)
        .forEach(
            (name, value) -> {
              Optional<String> before = get(name);
              if (!before.equals(Optional.of(value))) {
                parts.add(new Deed.Setting(name, before, Optional.of(value)));
              }
            });
    follow(parts);
    return parts;
  }

  /** Settings became otherwise and are stored so. */
  void follow(List<Deed.Part> parts) {
    for (Deed.Part part : parts) {
      if (part instanceof Deed.Setting s) {
        s.after().ifPresentOrElse(v -> newest.put(s.name(), v), () -> newest.remove(s.name()));
        glossary = s.name().startsWith(WORD) ? null : glossary;
      }
    }
  }

  /** Where warnings are kept. */
  String logName() {
    return LOG;
  }

  private int number(String name, int usual) {
    return get(name).map(Integer::parseInt).orElse(usual);
  }

  boolean is(String name, boolean usual) {
    return get(name).map(Boolean::parseBoolean).orElse(usual);
  }

  /** How large the letters are, in percent. */
  public ReadOnlyIntegerProperty lettersProperty() {
    return letters.getReadOnlyProperty();
  }

  /** The next larger letters, or the next smaller ones; the last stay. */
  public void resizeLetters(boolean larger) {
    int at = LETTERS.indexOf(letters.get());
    letters.set(LETTERS.get(Math.max(0, Math.min(LETTERS.size() - 1, at + (larger ? 1 : -1)))));
    put("letters", String.valueOf(letters.get()));
  }

  /** Whether reasons show their figures beside their bars. */
  public ReadOnlyBooleanProperty figuresProperty() {
    return figures.getReadOnlyProperty();
  }

  /** Does something whenever figures are shown or hidden. */
  public void onFigures(Runnable then) {
    figures.addListener(o -> then.run());
  }

  public void toggleFigures() {
    figures.set(!figures.get());
    put("figures", String.valueOf(figures.get()));
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

  /** How often an area was opened, as far as that is counted. */
  public int timesOpened(String area) {
    return get("opened." + area).filter(t -> t.matches("\\d")).map(Integer::valueOf).orElse(0);
  }

  public void putTimesOpened(String area, int times) {
    if (times != timesOpened(area)) {
      put("opened." + area, String.valueOf(times));
    }
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

  /** The folder from which a file of that name was opened last; empty where it is not there. */
  Optional<Path> folderOf(String fileName) {
    return get(FOLDER + fileName).map(Path::of).filter(Files::isDirectory);
  }

  /** Remembers a file that was opened. */
  public void remember(String path) {
    Path file = Path.of(path);
    if (file.getParent() != null) {
      put(FOLDER + file.getFileName(), file.getParent().toString());
    }
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
  List<Deed.Part> putMeaning(String word, String meaning) {
    return changing(Map.of(WORD + word.strip().toLowerCase(Locale.ROOT), meaning.strip()));
  }

  /** What the player set for the plan and the practice. */
  public Planning.Habits habits() {
    return PlanSettings.habits(newest);
  }

  List<Deed.Part> changing(Planning.Habits habits) {
    return changing(PlanSettings.of(habits));
  }

  /** The player's minutes by weekday and day. */
  public Budget budget() {
    return PlanSettings.budget(newest);
  }

  List<Deed.Part> changing(Budget budget) {
    return changing(PlanSettings.of(budget));
  }

  /** Passages that are not prepared now. */
  public Set<Long> away() {
    return PlanSettings.away(newest);
  }

  List<Deed.Part> putAway(long passage, boolean is) {
    Set<Long> all = new TreeSet<>(away());
    if (is) {
      all.add(passage);
    } else {
      all.remove(passage);
    }
    String value = all.stream().map(String::valueOf).collect(Collectors.joining(" "));
    return changing(Map.of("away", value));
  }

  /** What was left out, with the reason, oldest first. */
  public List<Skipped> skipped() {
    return get("skipped").stream()
        .flatMap(String::lines)
        .flatMap(l -> Skipped.parse(l).stream())
        .toList();
  }

  /** The last weeks of it are kept. */
  void skip(Skipped what) {
    List<Skipped> all = new ArrayList<>(skipped());
    all.removeIf(s -> s.day().isBefore(what.day().minusDays(SKIPS_KEPT)));
    all.add(what);
    put("skipped", all.stream().map(Skipped::text).collect(Collectors.joining("\n")));
  }

  /** What the player put on other days. */
  public List<Move> moves() {
    return PlanSettings.moves(newest);
  }

  /** Moves to days that are over are forgotten. */
  List<Deed.Part> changing(List<Move> moves, LocalDate today) {
    return changing(PlanSettings.of(moves, today));
  }

  /** How a pedal judges: held long for missed, or two taps. */
  public Pedal.Way pedal() {
    return PlanSettings.word(newest, "pedal", Pedal.Way.HELD);
  }

  List<Deed.Part> putPedal(Pedal.Way way) {
    return changing(Map.of("pedal", way.name()));
  }

  /** Whether a mock audition is recorded as a take by itself. */
  public boolean recordsMocks() {
    return is(MOCKS_RECORDED, true);
  }

  List<Deed.Part> putRecordsMocks(boolean wanted) {
    return changing(Map.of(MOCKS_RECORDED, String.valueOf(wanted)));
  }

  /** What the click at the stand gives. */
  public ClickStyle click() {
    return get(CLICK).flatMap(ClickStyle::read).orElse(ClickStyle.PLAIN);
  }

  List<Deed.Part> putClick(ClickStyle style) {
    return changing(Map.of(CLICK, style.text()));
  }

  /** Plays of a set. */
  public int setPlays() {
    return Math.max(1, Math.min(9, number("setPlays", habits().gate().cleanNeeded())));
  }

  List<Deed.Part> putSetPlays(int plays) {
    return changing(Map.of("setPlays", String.valueOf(plays)));
  }
}
