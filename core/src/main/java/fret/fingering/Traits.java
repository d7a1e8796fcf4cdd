package fret.fingering;

import fret.base.Said;
import fret.instrument.Instrument;
import fret.instrument.PositionNames;
import fret.player.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What a fingering does, in a few words, so that several can be told apart. */
public final class Traits {
  private Traits() {}

  /**
   * What sets a fingering apart, the most telling first: where the hand is, then what it has more
   * or less of than another one.
   *
   * @param than the one it is compared with; the same one for what it is by itself
   */
  public static List<Said> of(Fingering f, Fingering than, Instrument instrument) {
    List<Said> traits = new ArrayList<>();
    traits.add(hand(f, instrument));
    Tally mine = Tally.of(f);
    Tally other = Tally.of(than);
    List<Counted> counted = new ArrayList<>();
    counted.add(new Counted("open", mine.openStrings(), other.openStrings()));
    counted.add(new Counted("crossings", mine.crossings(), other.crossings()));
    counted.add(new Counted("stretches", mine.stretches(), other.stretches()));
    counted.sort(Comparator.comparingInt(Counted::apart).reversed());
    counted.forEach(c -> traits.add(c.said()));
    return traits;
  }

  private record Counted(String what, int count, int other) {
    int apart() {
      return Math.abs(count - other);
    }

    Said said() {
      String id = "trait." + what;
      return count == 0
          ? Said.of(id + ".none")
          : count == 1 ? Said.of(id + ".one") : Said.of(id, count);
    }
  }

  private static Said hand(Fingering f, Instrument instrument) {
    Optional<NoteFinger> lowest = stopped(f).min(Comparator.comparingInt(NoteFinger::base));
    Optional<NoteFinger> highest = stopped(f).max(Comparator.comparingInt(NoteFinger::base));
    if (lowest.isEmpty()) {
      return Said.of("trait.free");
    }
    String low = position(instrument, lowest.get());
    String high = position(instrument, highest.get());
    int shifts = f.shifts().size();
    if (shifts == 0) {
      return Said.of("trait.stays", low);
    }
    return low.equals(high)
        ? Said.of(shifts == 1 ? "trait.moves.one" : "trait.moves", shifts, low)
        : Said.of(shifts == 1 ? "trait.climbs.one" : "trait.climbs", shifts, low, high);
  }

  private static java.util.stream.Stream<NoteFinger> stopped(Fingering f) {
    return f.notes().stream().flatMap(Optional::stream).filter(n -> !n.isOpen());
  }

  private static String position(Instrument instrument, NoteFinger n) {
    return PositionNames.of(instrument.type(), n.base(), n.region() == Region.THUMB);
  }
}
