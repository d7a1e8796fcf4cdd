package fret.care;

import fret.journal.JournalEntry;
import fret.journal.Verdict;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What hurts of the player, whatever it hurt at, and what may be practised meanwhile.
 *
 * @param parts those that are not over, the ones that hurt last at the end
 * @param light whether light work is wanted today although something waits
 */
public record Care(List<Recovery> parts, LocalDate today, boolean light) {
  /** Within so many days two pains are one that stays. */
  private static final int WEEK = 7;

  public Care {
    parts = List.copyOf(parts);
    Objects.requireNonNull(today);
  }

  /** One time that it hurt; a run-through is written to several chunks. */
  private record Pain(LocalDate date, Ache ache, Set<Recovery.Where> where, JournalEntry last) {}

  /**
   * What the record and the player's words come to.
   *
   * @param journal oldest first
   */
  public static Care of(List<JournalEntry> journal, Told told, LocalDate today) {
    Map<BodyPart, List<Pain>> byPart = new EnumMap<>(BodyPart.class);
    for (Pain p : pains(journal, told)) {
      byPart.computeIfAbsent(p.ache().part(), x -> new ArrayList<>()).add(p);
    }
    List<Recovery> parts = new ArrayList<>();
    byPart.forEach(
        (part, pains) -> {
          Recovery r = recovery(part, pains, told, today);
          if (!r.isOver()) {
            parts.add(r);
          }
        });
    parts.sort(Comparator.comparing(Recovery::last));
    return new Care(parts, today, told.light().filter(today::equals).isPresent());
  }

  private static List<Pain> pains(List<JournalEntry> journal, Told told) {
    List<Pain> all = new ArrayList<>();
    for (JournalEntry e : journal) {
      if (e.verdict() != Verdict.HURTS || e.id() <= told.over()) {
        continue;
      }
      Recovery.Where here = new Recovery.Where(e.passageId(), e.chunkId());
      Pain before = all.isEmpty() ? null : all.get(all.size() - 1);
      if (before != null && isSameTry(before.last(), e)) {
        Set<Recovery.Where> both = new HashSet<>(before.where());
        both.add(here);
        all.set(all.size() - 1, new Pain(before.date(), before.ache(), both, e));
      } else {
        Ache ache = told.aches().getOrDefault(e.id(), Ache.UNSAID);
        all.add(new Pain(e.date(), ache, Set.of(here), e));
      }
    }
    return all;
  }

  /** The chunks of one try follow each other, the first with its time. */
  public static boolean isSameTry(JournalEntry a, JournalEntry b) {
    return b.seconds() == 0
        && a.date().equals(b.date())
        && a.passageId() == b.passageId()
        && a.drill() == b.drill()
        && !a.chunkId().equals(b.chunkId());
  }

  private static Recovery recovery(BodyPart part, List<Pain> pains, Told told, LocalDate today) {
    Pain newest = pains.get(pains.size() - 1);
    LocalDate hurt =
        told.better().entrySet().stream()
            .filter(e -> !e.getValue() && e.getKey().isAfter(newest.date()))
            .map(Map.Entry::getKey)
            .filter(d -> !d.isAfter(today))
            .max(LocalDate::compareTo)
            .orElse(newest.date());
    List<Pain> week =
        pains.stream().filter(p -> p.date().isAfter(newest.date().minusDays(WEEK))).toList();
    boolean again = week.size() > 1;
    LocalDate from = again ? hurt.plusDays(Recovery.REST_DAYS - 1) : hurt;
    int good =
        (int)
            told.better().entrySet().stream()
                .filter(e -> e.getValue() && e.getKey().isAfter(from))
                .filter(e -> !e.getKey().isAfter(today))
                .count();
    HowMuch much = week.stream().map(p -> p.ache().much()).max(HowMuch::compareTo).orElseThrow();
    Set<Recovery.Where> where = new HashSet<>();
    week.forEach(p -> where.addAll(p.where()));
    return new Recovery(part, much, hurt, again, good, today, where);
  }

  /** Whether anything is not over. */
  public boolean isAny() {
    return !parts.isEmpty();
  }

  /** Whether something hurt twice within a week: it is to be rested, and shown to somebody. */
  public boolean isAgain() {
    return parts.stream().anyMatch(Recovery::again);
  }

  /**
   * Whether the player is asked first today: it hurt on an earlier day, and nothing is said yet.
   */
  public boolean asks(Told told) {
    return isAny()
        && !told.better().containsKey(today)
        && parts.stream().noneMatch(p -> p.last().equals(today) || p.isResting());
  }

  /** Whether today is for rest, but for light work that the player may want. */
  public boolean rests() {
    return parts.stream().anyMatch(p -> p.step() == Recovery.Step.WAITS);
  }

  /** How much of a day's minutes may be practised, from 0 to 1. */
  public double share(LocalDate day) {
    double share = parts.stream().mapToDouble(p -> p.on(day).share()).min().orElse(1);
    return light && day.equals(today) ? Math.max(share, Recovery.Step.LIGHT.share()) : share;
  }

  /**
   * The first day on which music may be practised; empty where it need not wait.
   *
   * @param hurtHere parts that hurt at this very music: it counts as loading them much
   */
  public Optional<LocalDate> opens(Strain strain, Set<BodyPart> hurtHere) {
    return parts.stream()
        .map(p -> p.opens(hurtHere.contains(p.part()) ? Strain.MUCH : strain.on(p.part())))
        .max(LocalDate::compareTo)
        .filter(d -> d.isAfter(today));
  }

  /** The first day of everything. */
  public LocalDate over() {
    return parts.stream().map(p -> p.opens(Strain.MUCH)).max(LocalDate::compareTo).orElse(today);
  }
}
