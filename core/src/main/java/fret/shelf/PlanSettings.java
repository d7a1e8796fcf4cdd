package fret.shelf;

import fret.care.Ache;
import fret.care.Told;
import fret.plan.Budget;
import fret.plan.Gate;
import fret.plan.Move;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** How what the player set for the plan stands among the settings of the library. */
public final class PlanSettings {
  /** Under which the library's own name is kept. */
  public static final String LIBRARY = "library.id";

  private static final String MINUTES = "minutes";
  private static final String OWN_DAYS = "minutes.own";
  private static final String MOVES = "moves";
  private static final String AWAY = "away";
  private static final int USUAL_MINUTES = 30;

  private PlanSettings() {}

  private static int number(Map<String, String> settings, String name, int usual) {
    return settings.containsKey(name) ? Integer.parseInt(settings.get(name)) : usual;
  }

  /** A word that this version does not know counts as not said. */
  public static <E extends Enum<E>> E word(Map<String, String> settings, String name, E usual) {
    return word(settings.get(name), usual);
  }

  private static <E extends Enum<E>> E word(String said, E usual) {
    for (E e : usual.getDeclaringClass().getEnumConstants()) {
      if (e.name().equals(said)) {
        return e;
      }
    }
    return usual;
  }

  /** How the player climbs. */
  public static Planning.Habits habits(Map<String, String> settings) {
    Planning.Habits usual = Planning.Habits.USUAL;
    String slower = settings.get("slowerAfterMiss");
    Gate.Settings gate =
        new Gate.Settings(
            number(settings, "cleanNeeded", usual.gate().cleanNeeded()),
            slower == null ? usual.gate().slowerAfterMiss() : Boolean.parseBoolean(slower));
    return new Planning.Habits(
        gate,
        word(settings, "ladderOn", usual.ladder()),
        number(settings, "ladderStart", 0),
        told(settings),
        word(settings, "climb", usual.climb()),
        number(settings, "sessions", usual.sessions()),
        number(settings, "mostPlays", 0),
        Boolean.parseBoolean(settings.getOrDefault("warmUp", "true")));
  }

  /** What the player said of what hurts; a word that this version does not know was not said. */
  private static Told told(Map<String, String> settings) {
    Told all = Told.NOTHING.overUpTo(Long.parseLong(settings.getOrDefault("painLifted", "0")));
    for (String one : settings.getOrDefault("hurts", "").split(" ")) {
      String[] p = one.split("[=,]");
      if (p.length == 3 && p[0].matches("\\d{1,18}")) {
        Ache ache = new Ache(word(p[1], Ache.UNSAID.part()), word(p[2], Ache.UNSAID.much()));
        all = all.with(Long.parseLong(p[0]), ache);
      }
    }
    for (String one : settings.getOrDefault("hurts.answers", "").split(" ")) {
      String[] p = one.split("=");
      if (p.length == 2) {
        all = all.answered(LocalDate.parse(p[0]), Boolean.parseBoolean(p[1]));
      }
    }
    String light = settings.getOrDefault("hurts.light", "");
    return light.isEmpty() ? all : all.light(LocalDate.parse(light));
  }

  /** How it is kept. */
  public static Map<String, String> of(Planning.Habits h) {
    Map<String, String> all = new HashMap<>();
    all.put("cleanNeeded", String.valueOf(h.gate().cleanNeeded()));
    all.put("slowerAfterMiss", String.valueOf(h.gate().slowerAfterMiss()));
    all.put("ladderOn", h.ladder().name());
    all.put("ladderStart", String.valueOf(h.ladderStart()));
    all.put("painLifted", String.valueOf(h.told().over()));
    all.put(
        "hurts",
        h.told().aches().entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(e -> e.getKey() + "=" + e.getValue().part() + "," + e.getValue().much())
            .collect(Collectors.joining(" ")));
    all.put(
        "hurts.answers",
        h.told().better().entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(e -> e.getKey() + "=" + e.getValue())
            .collect(Collectors.joining(" ")));
    all.put("hurts.light", h.told().light().map(LocalDate::toString).orElse(""));
    all.put("climb", h.climb().name());
    all.put("sessions", String.valueOf(h.sessions()));
    all.put("mostPlays", String.valueOf(h.mostPlays()));
    all.put("warmUp", String.valueOf(h.warmUp()));
    return all;
  }

  /** Passages that are not prepared now. */
  public static Set<Long> away(Map<String, String> settings) {
    return Arrays.stream(settings.getOrDefault(AWAY, "").split(" "))
        .filter(t -> t.matches("\\d{1,18}"))
        .map(Long::valueOf)
        .collect(Collectors.toCollection(TreeSet::new));
  }

  /** The player's minutes by weekday and day. */
  public static Budget budget(Map<String, String> settings) {
    Budget all = Budget.of(number(settings, MINUTES, USUAL_MINUTES));
    for (DayOfWeek d : DayOfWeek.values()) {
      all = all.with(d, number(settings, MINUTES + "." + d, all.usual().get(d)));
    }
    for (String day : settings.getOrDefault(OWN_DAYS, "").split(" ")) {
      String[] parts = day.split("=");
      if (parts.length == 2) {
        all = all.with(LocalDate.parse(parts[0]), Integer.parseInt(parts[1]));
      }
    }
    return all;
  }

  /** How they are kept. */
  public static Map<String, String> of(Budget budget) {
    Map<String, String> all = new HashMap<>();
    budget.usual().forEach((d, m) -> all.put(MINUTES + "." + d, String.valueOf(m)));
    all.put(
        OWN_DAYS,
        budget.own().entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(e -> e.getKey() + "=" + e.getValue())
            .collect(Collectors.joining(" ")));
    return all;
  }

  /** What the player put on other days. */
  public static List<Move> moves(Map<String, String> settings) {
    List<Move> all = new ArrayList<>();
    for (String line : settings.getOrDefault(MOVES, "").split("\n")) {
      String[] p = line.split("\t");
      if (p.length == 4) {
        all.add(new Move(Long.parseLong(p[0]), p[1], LocalDate.parse(p[2]), LocalDate.parse(p[3])));
      }
    }
    return all;
  }

  /** How they are kept; moves to days that are over are forgotten. */
  public static Map<String, String> of(List<Move> moves, LocalDate today) {
    return Map.of(
        MOVES,
        moves.stream()
            .filter(m -> !m.to().isBefore(today))
            .map(m -> m.passageId() + "\t" + m.unit() + "\t" + m.from() + "\t" + m.to())
            .collect(Collectors.joining("\n")));
  }
}
