package fret.shelf;

import fret.care.BodyPart;
import fret.care.Care;
import fret.care.Recovery;
import fret.plan.Easing;
import fret.plan.Part;
import fret.session.Learning;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What waits in every passage because something hurts: by the load on what hurts, and the music at
 * which it hurt, wherever it is written.
 */
final class Waiting {
  /** So many notes in a row make music the same. */
  private static final int SAME_NOTES = 6;

  private final Care care;

  /** The music at which each part hurt. */
  private final Map<BodyPart, List<List<String>>> music = new EnumMap<>(BodyPart.class);

  Waiting(Care care, List<Learning> passages) {
    this.care = care;
    for (Recovery r : care.parts()) {
      for (Recovery.Where w : r.where()) {
        passages.stream()
            .filter(l -> l.passageId() == w.passageId())
            .flatMap(l -> Optional.ofNullable(l.prints().get(Part.of(w.chunkId()).unit())).stream())
            .forEach(m -> music.computeIfAbsent(r.part(), p -> new ArrayList<>()).add(m));
      }
    }
  }

  /** By the id of each chunk that waits, the first day on which it may be practised. */
  Map<String, LocalDate> opens(Learning l) {
    Map<String, LocalDate> all = new HashMap<>();
    if (!care.isAny()) {
      return all;
    }
    l.strains()
        .forEach(
            (id, strain) ->
                care.opens(strain, hurtAt(l.prints().getOrDefault(id, List.of())))
                    .ifPresent(day -> all.put(id, day)));
    LocalDate everything = care.over();
    // What a picture hides may load anything.
    l.frames().forEach(f -> all.put(f.id(), everything));
    return all;
  }

  private Set<BodyPart> hurtAt(List<String> notes) {
    Set<BodyPart> all = EnumSet.noneOf(BodyPart.class);
    music.forEach(
        (part, pieces) -> {
          if (pieces.stream().anyMatch(m -> isSame(m, notes))) {
            all.add(part);
          }
        });
    return all;
  }

  /** Whether two pieces of music share notes in a row, however they are cut. */
  private static boolean isSame(List<String> a, List<String> b) {
    int needed = Math.min(SAME_NOTES, Math.min(a.size(), b.size()));
    for (int i = 0; needed > 0 && i + needed <= a.size(); i++) {
      for (int j = 0; j + needed <= b.size(); j++) {
        if (a.subList(i, i + needed).equals(b.subList(j, j + needed))) {
          return true;
        }
      }
    }
    return false;
  }

  /** How the days are eased. */
  Easing easing() {
    if (!care.isAny()) {
      return Easing.NONE;
    }
    Map<LocalDate, Double> shares = new HashMap<>();
    LocalDate over = care.over();
    for (LocalDate d = care.today(); d.isBefore(over); d = d.plusDays(1)) {
      shares.put(d, care.share(d));
    }
    return new Easing(shares, over);
  }
}
