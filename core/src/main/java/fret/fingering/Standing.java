package fret.fingering;

import fret.base.Problem;
import fret.instrument.Finger;
import fret.search.Token;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * What stands on the page: a function of the page and of what was decided, whatever the order in
 * which it was decided.
 *
 * <p>First the proposal that heeds no decision. Its open strings and rests cut the passage into
 * stretches; each stretch that holds a decision is fingered anew with all decisions in it, while
 * the hand on both sides stays where the proposal has it; where a decision cannot be kept so, the
 * stretch grows by its neighbours. Where a fingering was adopted it takes the place of the
 * proposal.
 *
 * @param task the passage with what is printed on it and nothing else
 * @param proposal without any decision
 * @param base what the stretches are cut from and held by: the proposal, or what was adopted
 * @param fingering what stands
 */
public record Standing(
    FingeringTask task,
    Decided decided,
    Fingering proposal,
    Fingering base,
    List<Stretch> stretches,
    Fingering fingering) {
  /** Moments on each side that hold the hand while a stretch is fingered. */
  private static final int AROUND = 4;

  private static final int MOST_GROWTHS = 3;

  /**
   * A stretch that was fingered anew.
   *
   * @param looked first and last moment that were looked at; beyond its own where it had to grow
   * @param decided what was decided there
   */
  record Stretch(
      int from,
      int to,
      List<Integer> looked,
      Decided decided,
      Map<Integer, NoteFinger> places,
      List<Problem> problems) {
    Stretch {
      looked = List.copyOf(looked);
      places = Map.copyOf(places);
      problems = List.copyOf(problems);
    }

    /** Whether it would be fingered the same way again. */
    boolean stands(FingeringTask task, int[] ends, Decided now) {
      return from == ends[0]
          && to == ends[1]
          && decided.equals(now.between(task, looked.get(0), looked.get(1)));
    }
  }

  public Standing {
    Objects.requireNonNull(decided);
    stretches = List.copyOf(stretches);
  }

  /** Proposes a fingering for a passage and heeds what was decided. */
  public static Standing of(FingeringTask printed, Decided decided, Token token) {
    Fingering proposal = new FingeringSolver(printed, token).consistent();
    return of(printed, decided, proposal, Optional.empty(), token);
  }

  /** The same passage with other decisions; what they do not touch is not fingered again. */
  public Standing with(Decided other, Token token) {
    return other.equals(decided) ? this : of(task, other, proposal, Optional.of(this), token);
  }

  private static Standing of(
      FingeringTask task,
      Decided decided,
      Fingering proposal,
      Optional<Standing> before,
      Token token) {
    Fingering base =
        decided.adopted().isEmpty()
            ? proposal
            : before
                .filter(b -> b.decided.adopted().equals(decided.adopted()))
                .map(Standing::base)
                .orElseGet(() -> adopted(task, decided, token));
    List<Stretch> known =
        before.filter(b -> b.base.equals(base)).map(Standing::stretches).orElse(List.of());
    List<Stretch> solved = new ArrayList<>();
    for (int[] ends : ends(task, base, decided)) {
      Decided here = decided.between(task, ends[0], ends[1]);
      if (!here.isKeptBy(base)) {
        solved.add(
            known.stream()
                .filter(s -> s.stands(task, ends, decided))
                .findFirst()
                .orElseGet(() -> solve(task, base, decided, ends, token)));
      }
    }
    Fingering all = solved.isEmpty() ? base : whole(task, base, decided, solved, token);
    return new Standing(task, decided, proposal, base, solved, all);
  }

  private static Fingering adopted(FingeringTask task, Decided decided, Token token) {
    Wishes held =
        new Wishes(decided.adopted(), task.wishes().stretches(), task.wishes().still(), Set.of());
    return new FingeringSolver(task.withWishes(held), token).best();
  }

  /** First and last moment of every stretch that holds a decision; overlapping ones are one. */
  private static List<int[]> ends(FingeringTask task, Fingering base, Decided decided) {
    Set<Integer> slices = new TreeSet<>();
    decided.notes(task).forEach(n -> slices.add(task.passage().notes().get(n).slice()));
    List<int[]> all = new ArrayList<>();
    for (int slice : slices) {
      int[] ends = {before(task, base, slice), after(task, base, slice)};
      int[] last = all.isEmpty() ? null : all.get(all.size() - 1);
      if (last != null && ends[0] <= last[1]) {
        last[1] = Math.max(last[1], ends[1]);
      } else {
        all.add(ends);
      }
    }
    return all;
  }

  private static int before(FingeringTask task, Fingering base, int slice) {
    int first = slice;
    while (first > 0 && !isReset(task, base, first - 1) && !restAfter(task, first - 1)) {
      first--;
    }
    return first;
  }

  private static int after(FingeringTask task, Fingering base, int slice) {
    int last = slice;
    int count = task.passage().slices().size();
    while (last + 1 < count && !isReset(task, base, last + 1) && !restAfter(task, last)) {
      last++;
    }
    return last;
  }

  private static boolean restAfter(FingeringTask task, int slice) {
    return task.passage().slices().get(slice).restAfter().signum() > 0;
  }

  private static boolean isReset(FingeringTask task, Fingering base, int slice) {
    return task.passage().slices().get(slice).starting().stream()
        .allMatch(i -> base.notes().get(i).map(NoteFinger::isOpen).orElse(true));
  }

  /** Fingers a stretch with the hand held on both sides; it grows where that cannot be. */
  private static Stretch solve(
      FingeringTask task, Fingering base, Decided decided, int[] ends, Token token) {
    int last = task.passage().slices().size() - 1;
    int[] now = ends.clone();
    int[] seen = now.clone();
    Fingering first = null;
    for (int growth = 0; growth <= MOST_GROWTHS; growth++) {
      seen = now.clone();
      Fingering found = inside(task, base, decided, now, token);
      boolean kept = found.problems().size() <= problems(task, base, now);
      if (kept || now[0] == 0 && now[1] == last) {
        boolean grown = kept || first == null;
        return stretch(task, decided, ends, seen, grown ? found : first, grown ? now : ends);
      }
      first = first == null ? found : first;
      now[0] = now[0] == 0 ? 0 : before(task, base, Math.max(0, now[0] - 2));
      now[1] = now[1] == last ? last : after(task, base, Math.min(last, now[1] + 2));
    }
    return stretch(task, decided, ends, seen, first, ends);
  }

  private static Stretch stretch(
      FingeringTask task, Decided decided, int[] ends, int[] seen, Fingering found, int[] of) {
    return new Stretch(
        ends[0],
        ends[1],
        List.of(seen[0], seen[1]),
        decided.between(task, seen[0], seen[1]),
        places(task, found, of[0], of[1]),
        found.problems());
  }

  /** Problems that the page itself has there. */
  private static long problems(FingeringTask task, Fingering base, int[] ends) {
    return task.passage().slices().subList(ends[0], ends[1] + 1).stream()
        .filter(s -> s.starting().stream().anyMatch(i -> base.notes().get(i).isEmpty()))
        .count();
  }

  private static Fingering inside(
      FingeringTask task, Fingering base, Decided decided, int[] ends, Token token) {
    return around(task, base, decided, ends, token).best();
  }

  /** A solver of a stretch, with the hand held on both sides of it. */
  private static FingeringSolver around(
      FingeringTask task, Fingering base, Decided decided, int[] ends, Token token) {
    int from = held(task, base, ends[0], -1);
    int to = held(task, base, ends[1], 1);
    Map<Integer, NoteFinger> fixed = new HashMap<>();
    for (int slice = from; slice <= to; slice++) {
      if (slice < ends[0] || slice > ends[1]) {
        fix(task, base, slice, fixed);
      }
    }
    Decided here = decided.between(task, ends[0], ends[1]);
    FingeringTask part = task.withWishes(here.over(task.wishes())).withFixed(fixed);
    return new FingeringSolver(part, from, to, token);
  }

  private static void fix(
      FingeringTask task, Fingering base, int slice, Map<Integer, NoteFinger> fixed) {
    List<Integer> notes = new ArrayList<>(task.passage().slices().get(slice).starting());
    notes.addAll(task.passage().slices().get(slice).held());
    notes.forEach(n -> base.notes().get(n).ifPresent(p -> fixed.put(n, p)));
  }

  /** So far on that some moments hold the hand, one at least with a finger down. */
  private static int held(FingeringTask task, Fingering base, int end, int direction) {
    int last = task.passage().slices().size() - 1;
    int at = end;
    for (int count = 0; at + direction >= 0 && at + direction <= last; count++) {
      boolean stopped = at != end && !isReset(task, base, at);
      if (count >= AROUND && stopped) {
        break;
      }
      at += direction;
    }
    return at;
  }

  private static Map<Integer, NoteFinger> places(
      FingeringTask task, Fingering found, int from, int to) {
    Map<Integer, NoteFinger> places = new HashMap<>();
    for (int slice = from; slice <= to; slice++) {
      for (int note : task.passage().slices().get(slice).starting()) {
        found.notes().get(note).ifPresent(p -> places.put(note, p));
      }
    }
    return places;
  }

  /** The whole fingering with its reasons, every note in its place. */
  private static Fingering whole(
      FingeringTask task, Fingering base, Decided decided, List<Stretch> solved, Token token) {
    Map<Integer, NoteFinger> fixed = new HashMap<>();
    for (int i = 0; i < base.notes().size(); i++) {
      int note = i;
      base.notes().get(i).ifPresent(p -> fixed.put(note, p));
    }
    solved.forEach(s -> fixed.putAll(s.places));
    Fingering all =
        new FingeringSolver(task.withWishes(decided.over(task.wishes())).withFixed(fixed), token)
            .best();
    // Places that are held heed no rule: what could not be kept was told where it was decided.
    Set<Problem> problems = new LinkedHashSet<>(all.problems());
    solved.forEach(s -> problems.addAll(s.problems));
    return new Fingering(
        all.notes(),
        all.shifts(),
        all.explanation(),
        all.layerOfSlice(),
        List.copyOf(problems),
        base.alike(),
        all.releases());
  }

  /** The same, its shifts told by the fingers that the player chose to be guided by. */
  public Standing guided(Map<Integer, Finger> chosen) {
    Fingering told =
        GuideFingers.guided(task.passage(), task.hand().instrument(), fingering, chosen);
    return told.equals(fingering)
        ? this
        : new Standing(task, decided, proposal, base, stretches, told);
  }

  /**
   * How a note would be played if it were pinned, each way as all would then stand: the same answer
   * that the pin itself gets. What is pinned on the note now is set aside.
   *
   * @param most so many ways, those that look cheapest within their stretch; one more where the
   *     thumb can take the note over
   * @return the cheapest first
   */
  public List<Fingering> pinned(
      int note, int most, Function<NoteFinger, NoteRule> pin, Token token) {
    Decided free = decided.withoutPin(note);
    int slice = task.passage().notes().get(note).slice();
    int[] ends = {before(task, base, slice), after(task, base, slice)};
    Set<NoteRule> pins = new LinkedHashSet<>();
    fingering.notes().get(note).map(pin).ifPresent(pins::add);
    boolean thumb = false;
    for (Fingering way : around(task, base, free, ends, token).choicesAt(note)) {
      boolean toThumb = way.notes().get(note).filter(Standing::isTakenByThumb).isPresent();
      boolean firstToThumb = toThumb && !thumb;
      thumb |= toThumb;
      if (pins.size() < most || firstToThumb) {
        way.notes().get(note).map(pin).ifPresent(pins::add);
      }
    }
    Map<String, Fingering> made = new LinkedHashMap<>();
    for (NoteRule rule : pins) {
      token.check();
      Fingering whole = with(decided.pinning(rule), token).fingering();
      whole
          .notes()
          .get(note)
          .ifPresent(p -> made.putIfAbsent(p.string() + " " + p.digits(), whole));
    }
    return made.values().stream().sorted(Comparator.comparingDouble(Fingering::effort)).toList();
  }

  private static boolean isTakenByThumb(NoteFinger place) {
    return place.replaced().isPresent() && place.last().finger() == Finger.THUMB;
  }

  /** The task with every decision in it, for comparing and for asking "why not?". */
  public FingeringTask decidedTask() {
    return task.withWishes(decided.over(task.wishes()));
  }

  /** The task with other decisions. */
  public FingeringTask taskWith(Decided other) {
    return task.withWishes(other.over(task.wishes()));
  }
}
