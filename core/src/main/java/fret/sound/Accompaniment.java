package fret.sound;

import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What the other parts of a file give a player to go by: the value that runs in each bar, the bars
 * in which it stops, where one rushes, and the notes that lead to each entry.
 */
public final class Accompaniment {
  /** Share of the places of a value that must have a note. */
  private static final double SOUNDING = 0.9;

  private static final int CUE_NOTES = 3;

  /** From the shortest on. */
  private static final List<Fraction> VALUES =
      List.of(
          Fraction.of(1, 32),
          Fraction.of(1, 24),
          Fraction.of(1, 16),
          Fraction.of(1, 12),
          Fraction.of(1, 8),
          Fraction.of(1, 4));

  private final Score own;
  private final TreeSet<Fraction> onsets = new TreeSet<>();

  private Accompaniment(Score own, List<Score> others) {
    this.own = own;
    for (Score other : others) {
      for (Event e : other.events()) {
        boolean struck =
            !e.isRest() && !e.isGrace() && !e.heads().stream().allMatch(h -> h.tieStop());
        if (struck) {
          onsets.add(e.onset());
        }
      }
    }
  }

  /**
   * What the others give, by bars of the player's own part.
   *
   * @param others parts of the same file, with the same bars
   */
  public static List<ClickRange> of(Score own, List<Score> others) {
    Accompaniment a = new Accompaniment(own, others);
    List<ClickRange> all = new ArrayList<>(a.running());
    all.addAll(a.cues());
    return all;
  }

  /** The shortest value that sounds on nine tenths of its places in a bar; empty for none. */
  private Optional<Fraction> running(Bar bar) {
    for (Fraction v : VALUES) {
      int places = 0;
      int struck = 0;
      for (Fraction at = bar.start(); at.compareTo(bar.end()) < 0; at = at.add(v)) {
        places++;
        struck += onsets.contains(at) ? 1 : 0;
      }
      if (places > 1 && struck >= SOUNDING * places) {
        return Optional.of(v);
      }
    }
    return Optional.empty();
  }

  /** Bars in a row with the same value are one range; a bar in which it stops is a danger. */
  private List<ClickRange> running() {
    List<ClickRange> all = new ArrayList<>();
    Optional<Fraction> before = Optional.empty();
    Bar from = null;
    Bar last = null;
    for (Bar b : own.bars()) {
      Optional<Fraction> now = running(b);
      if (!now.equals(before)) {
        if (before.isPresent()) {
          all.add(range(from, last, before.get()));
        }
        if (before.isPresent() && now.isEmpty() && plays(b)) {
          all.add(new ClickRange(b.number(), b.number(), ClickRange.Kind.RUSH, List.of()));
        }
        from = b;
      }
      last = b;
      before = now;
    }
    if (before.isPresent()) {
      all.add(range(from, last, before.get()));
    }
    return all;
  }

  private static boolean plays(Bar b) {
    return b.events().stream().anyMatch(e -> !e.isRest());
  }

  private static ClickRange range(Bar from, Bar to, Fraction value) {
    return new ClickRange(from.number(), to.number(), ClickRange.Kind.RUNNING, List.of(value));
  }

  /**
   * The last three notes of the others before each bar that is entered after a whole bar of rest.
   */
  private List<ClickRange> cues() {
    List<ClickRange> all = new ArrayList<>();
    for (int i = 1; i < own.bars().size(); i++) {
      Bar rest = own.bars().get(i - 1);
      Bar entry = own.bars().get(i);
      if (!plays(rest) && plays(entry)) {
        List<Fraction> last = new ArrayList<>();
        Fraction to = entry.start();
        for (Fraction at : onsets.headSet(to, false).descendingSet()) {
          if (last.size() == CUE_NOTES || at.compareTo(own.bars().get(0).start()) < 0) {
            break;
          }
          last.add(0, to.subtract(at));
          to = at;
        }
        if (!last.isEmpty()) {
          all.add(new ClickRange(rest.number(), rest.number(), ClickRange.Kind.CUE, last));
        }
      }
    }
    return all;
  }
}
