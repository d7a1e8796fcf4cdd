package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.journal.JournalEntry;
import fret.passage.Passage;
import fret.shelf.Audition;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** What stands on the shelf, found by words and put in order. */
public enum ShelfOrder {
  /** Under the dates that they are for. */
  BY_DATE,
  BY_TITLE,
  /** What was practised last comes first. */
  BY_LAST;

  /**
   * Passages that stand together.
   *
   * @param audition what they are for; empty for those without a date, or where dates do not count
   */
  public record Group(Optional<Audition> audition, List<Passage> passages) {
    public Group {
      passages = List.copyOf(passages);
    }
  }

  /** What the player calls it. */
  public String words() {
    return Sentences.of("shelf.order." + name());
  }

  /**
   * The passages in this order.
   *
   * @param journal in order of its days
   */
  public List<Group> of(
      List<Passage> passages, List<Audition> auditions, List<JournalEntry> journal) {
    return switch (this) {
      case BY_DATE -> byDate(passages, auditions);
      case BY_TITLE -> alone(passages, Comparator.comparing(ShelfOrder::title));
      case BY_LAST -> {
        Map<Long, LocalDate> last = new HashMap<>();
        journal.forEach(e -> last.merge(e.passageId(), e.date(), (a, b) -> a.isAfter(b) ? a : b));
        yield alone(
            passages,
            Comparator.comparing(
                (Passage p) -> last.getOrDefault(p.id(), LocalDate.MIN),
                Comparator.reverseOrder()));
      }
    };
  }

  private static List<Group> byDate(List<Passage> passages, List<Audition> auditions) {
    Map<Long, List<Passage>> by = new HashMap<>();
    passages.forEach(p -> by.computeIfAbsent(p.auditionId(), id -> new ArrayList<>()).add(p));
    List<Group> all = new ArrayList<>();
    for (Audition a : auditions) {
      all.add(new Group(Optional.of(a), by.getOrDefault(a.id(), List.of())));
      by.remove(a.id());
    }
    List<Passage> loose = passages.stream().filter(p -> by.containsKey(p.auditionId())).toList();
    if (!loose.isEmpty()) {
      all.add(new Group(Optional.empty(), loose));
    }
    return all;
  }

  private static List<Group> alone(List<Passage> passages, Comparator<Passage> order) {
    return passages.isEmpty()
        ? List.of()
        : List.of(new Group(Optional.empty(), passages.stream().sorted(order).toList()));
  }

  private static String title(Passage p) {
    return p.settings().title().toLowerCase(Locale.ROOT);
  }

  /**
   * The passages of which all words are known: in the title, the instrument, the event or what
   * stands on the slip.
   *
   * @param state what the slip says of how far it is
   */
  public static List<Passage> found(
      String words,
      List<Passage> passages,
      List<Audition> auditions,
      Function<Passage, String> state) {
    String[] asked = words.toLowerCase(Locale.ROOT).strip().split("\\s+");
    Map<Long, String> events = new HashMap<>();
    auditions.forEach(a -> events.put(a.id(), a.name()));
    return passages.stream()
        .filter(
            p -> {
              String all =
                  String.join(
                          " ",
                          p.settings().title(),
                          p.settings().setup().instrument().displayName(),
                          events.getOrDefault(p.auditionId(), ""),
                          state.apply(p))
                      .toLowerCase(Locale.ROOT);
              return List.of(asked).stream().allMatch(all::contains);
            })
        .toList();
  }
}
