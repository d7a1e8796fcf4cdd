package fret.fingering;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What the player decided of the left hand, as rules of the search.
 *
 * @param pins places of single notes
 * @param adopted places of a whole fingering that was adopted; a pin on the same note beats it
 * @param asked what is asked of stretches of notes, and where vibrato is wanted; its {@link
 *     Wishes#rules} are left aside
 */
public record Decided(List<NoteRule> pins, List<NoteRule> adopted, Wishes asked) {
  public static final Decided NOTHING = new Decided(List.of(), List.of(), Wishes.NONE);

  public Decided {
    pins = List.copyOf(pins);
    adopted = List.copyOf(adopted);
  }

  /** The notes that one decision or more bears on; adopted ones apart. */
  Set<Integer> notes(FingeringTask task) {
    Set<Integer> notes = new HashSet<>(asked.vibrato());
    notes.addAll(asked.lengths().keySet());
    notes.addAll(asked.supported());
    notes.addAll(asked.slides().keySet());
    pins.forEach(r -> notes.add(r.note()));
    asked.stretches().forEach(r -> notes.add(r.note()));
    for (int slice : asked.still()) {
      notes.addAll(task.passage().slices().get(slice).starting());
    }
    return notes;
  }

  /** Pins, and adopted places where no pin stands. */
  List<NoteRule> rules() {
    Set<Integer> pinned = new HashSet<>();
    pins.forEach(r -> pinned.add(r.note()));
    List<NoteRule> all = new java.util.ArrayList<>(pins);
    adopted.stream().filter(r -> !pinned.contains(r.note())).forEach(all::add);
    return all;
  }

  /** Without an adopted fingering: everything but pins is free. */
  public Decided withoutAdopted() {
    return new Decided(pins, List.of(), asked);
  }

  /** With a pin on a note in place of the one before. */
  Decided pinning(NoteRule pin) {
    List<NoteRule> all =
        new java.util.ArrayList<>(pins.stream().filter(r -> r.note() != pin.note()).toList());
    all.add(pin);
    all.sort(java.util.Comparator.comparingInt(NoteRule::note));
    return new Decided(all, adopted, asked);
  }

  /** Without the pin and the adopted place of a note. */
  public Decided withoutPin(int note) {
    return new Decided(
        pins.stream().filter(r -> r.note() != note).toList(),
        adopted.stream().filter(r -> r.note() != note).toList(),
        asked);
  }

  /** All of it as wishes over those that are printed. */
  Wishes over(Wishes printed) {
    List<NoteRule> stretches = new java.util.ArrayList<>(printed.stretches());
    stretches.addAll(asked.stretches());
    Set<Integer> still = new HashSet<>(printed.still());
    still.addAll(asked.still());
    return new Wishes(rules(), stretches, still, asked.vibrato())
        .withLengths(asked.lengths())
        .withSlides(asked.slides())
        .withSupported(asked.supported())
        .withReturns(printed.returns());
  }

  /** Only what bears on the notes of some moments, to be compared. */
  Decided between(FingeringTask task, int fromSlice, int toSlice) {
    java.util.function.IntPredicate in =
        n -> {
          int slice = task.passage().notes().get(n).slice();
          return slice >= fromSlice && slice <= toSlice;
        };
    return new Decided(
        pins.stream().filter(r -> in.test(r.note())).toList(),
        adopted.stream().filter(r -> in.test(r.note())).toList(),
        new Wishes(
                List.of(),
                asked.stretches().stream().filter(r -> in.test(r.note())).toList(),
                new HashSet<>(
                    asked.still().stream().filter(s -> s >= fromSlice && s <= toSlice).toList()),
                new HashSet<>(asked.vibrato().stream().filter(in::test).toList()))
            .withLengths(within(asked.lengths(), in))
            .withSlides(within(asked.slides(), in))
            .withSupported(new HashSet<>(asked.supported().stream().filter(in::test).toList())));
  }

  private static <V> Map<Integer, V> within(
      Map<Integer, V> all, java.util.function.IntPredicate in) {
    return all.entrySet().stream()
        .filter(e -> in.test(e.getKey()))
        .collect(java.util.stream.Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
  }

  /** Whether a fingering keeps all of this as it is. */
  boolean isKeptBy(Fingering f) {
    boolean moves = f.shifts().stream().anyMatch(s -> asked.still().contains(s.toSlice()));
    return asked.vibrato().isEmpty()
        && asked.lengths().isEmpty()
        && asked.supported().isEmpty()
        && asked.slides().isEmpty()
        && !moves
        && pins.stream().allMatch(r -> r.isKeptBy(f))
        && asked.stretches().stream().allMatch(r -> r.isKeptBy(f));
  }
}
