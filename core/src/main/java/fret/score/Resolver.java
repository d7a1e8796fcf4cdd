package fret.score;

import fret.pitch.Interval;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Turns a written part into sounding notes: joins ties, applies the transposition, gives grace
 * notes moments of their own and finds what is slurred. Cue notes and the helper heads of harmonics
 * drop out. Repeats are not unrolled (see {@link Repeats}).
 */
public final class Resolver {
  private final Score score;
  private final List<SoundingNote> notes = new ArrayList<>();

  /** Onset and grace rank: grace notes come before their main note, the farthest first. */
  private record Moment(Fraction onset, int grace) implements Comparable<Moment> {
    @Override
    public int compareTo(Moment other) {
      int byOnset = onset.compareTo(other.onset);
      return byOnset != 0 ? byOnset : Integer.compare(other.grace, grace);
    }
  }

  private static final class Pending {
    private final NoteKey key;
    private final String bar;
    private final Head head;
    private final Event event;
    private final List<Pitch> auxiliaries;
    private Fraction end;
    private boolean tiedOn;

    Pending(NoteKey key, String bar, Head head, Event event, List<Pitch> auxiliaries) {
      this.key = key;
      this.bar = bar;
      this.head = head;
      this.event = event;
      this.auxiliaries = auxiliaries;
      this.end = event.end();
      this.tiedOn = head.tieStart();
    }
  }

  private final TreeMap<Moment, List<Pending>> moments = new TreeMap<>();
  private final Map<Moment, Boolean> slurredInto = new HashMap<>();
  private final Map<Moment, Boolean> bowed = new HashMap<>();

  private Resolver(Score score) {
    this.score = score;
  }

  /** Resolves a part. */
  public static ResolvedPassage resolve(Score score) {
    return new Resolver(score).run();
  }

  private ResolvedPassage run() {
    Map<String, Pending> open = new HashMap<>();
    Map<String, Integer> slurDepth = new HashMap<>();
    boolean plucked = false;
    for (Bar bar : score.bars()) {
      Map<Fraction, Integer> gracesLeft = countGraces(bar);
      for (Event event : bar.events()) {
        plucked = pluckedAt(bar, event.onset(), plucked);
        if (event.cue() || event.isRest()) {
          continue;
        }
        int grace = event.isGrace() ? gracesLeft.merge(event.onset(), -1, Integer::sum) + 1 : 0;
        Moment moment = new Moment(event.onset(), grace);
        int depth = slurDepth.getOrDefault(event.voice(), 0);
        slurredInto.merge(moment, depth > 0, Boolean::logicalOr);
        bowed.put(moment, !plucked);
        int starts = event.signs().slurStarts().size();
        slurDepth.put(
            event.voice(), Math.max(0, depth - event.signs().slurStops().size()) + starts);
        for (int h = 0; h < event.heads().size(); h++) {
          addHead(event.heads().get(h), bar, event, NoteKey.of(bar, event, grace, h), moment, open);
        }
      }
      plucked = pluckedAt(bar, bar.end(), plucked);
    }
    return build();
  }

  private void addHead(
      Head head, Bar bar, Event event, NoteKey key, Moment moment, Map<String, Pending> open) {
    if (head.harmonic() == Head.Harmonic.ARTIFICIAL_TOUCHED
        || head.harmonic() == Head.Harmonic.ARTIFICIAL_SOUNDING) {
      return;
    }
    String tieKey = head.pitch().toString() + (key.copy() == 0 ? "" : " " + key.copy());
    Pending before = open.get(tieKey);
    if (head.tieStop() && before != null && before.tiedOn && before.end.equals(event.onset())) {
      before.end = event.end();
      before.tiedOn = head.tieStart();
      return;
    }
    for (Pending p : moments.getOrDefault(moment, List.of())) {
      if (!p.event.voice().equals(event.voice()) && p.head.pitch().midi() == head.pitch().midi()) {
        // A unison of two voices is one note for the hand, as long as the longer of the two.
        p.end = p.tiedOn ? p.end : fret.base.Fractions.max(p.end, event.end());
        return;
      }
    }
    Pending pending = new Pending(key, bar.number(), head, event, auxiliaries(bar, event, head));
    if (head.leftOut()) {
      open.put(tieKey, pending); // What it is tied to is left out with it.
      return;
    }
    moments.computeIfAbsent(moment, m -> new ArrayList<>()).add(pending);
    open.put(tieKey, pending);
  }

  private static Map<Fraction, Integer> countGraces(Bar bar) {
    Map<Fraction, Integer> counts = new HashMap<>();
    for (Event event : bar.events()) {
      if (event.isGrace() && !event.isRest() && !event.cue()) {
        counts.merge(event.onset(), 1, Integer::sum);
      }
    }
    return counts;
  }

  private static boolean pluckedAt(Bar bar, Fraction onset, boolean before) {
    boolean plucked = before;
    for (Direction d : bar.directions()) {
      if (d.onset().compareTo(onset) <= 0) {
        plucked = d.kind() == Direction.Kind.PLUCKED || d.kind() != Direction.Kind.BOWED && plucked;
      }
    }
    return plucked;
  }

  /**
   * The neighbours of an ornament: the next letter in the key, or as the printed accidental says.
   */
  private List<Pitch> auxiliaries(Bar bar, Event event, Head head) {
    Signs signs = event.signs();
    boolean upper =
        switch (signs.ornament()) {
          case TRILL, TRILL_WITH_TERMINATION, TURN, INVERTED_TURN, INVERTED_MORDENT -> true;
          default -> false;
        };
    boolean lower =
        switch (signs.ornament()) {
          case TRILL_WITH_TERMINATION, TURN, INVERTED_TURN, MORDENT -> true;
          default -> false;
        };
    List<Pitch> found = new ArrayList<>();
    if (upper) {
      found.add(Neighbours.of(score, bar, head.pitch(), 1, signs.ornamentAlter()));
    }
    if (lower) {
      found.add(Neighbours.of(score, bar, head.pitch(), -1, Signs.NO_ALTER));
    }
    return found;
  }

  private ResolvedPassage build() {
    List<Moment> order = new ArrayList<>(moments.keySet());
    Map<Moment, List<Integer>> starting = new LinkedHashMap<>();
    for (int s = 0; s < order.size(); s++) {
      List<Pending> here = moments.get(order.get(s));
      here.sort(Comparator.comparing(p -> p.head.pitch()));
      List<Integer> indices = new ArrayList<>();
      for (Pending p : here) {
        indices.add(notes.size());
        notes.add(sounding(p, s));
      }
      starting.put(order.get(s), indices);
    }
    return new ResolvedPassage(score, notes, slices(order, starting));
  }

  private SoundingNote sounding(Pending p, int slice) {
    Interval transposition = score.transposition();
    return new SoundingNote(
        p.key,
        p.bar,
        slice,
        p.head.pitch().plus(transposition),
        p.event.onset(),
        p.event.isGrace() ? Fraction.ZERO : p.end.subtract(p.event.onset()),
        p.head.harmonic(),
        p.event.signs().ornament(),
        p.event.signs().tremolo(),
        p.auxiliaries,
        p.head.printedFinger(),
        p.head.printedString());
  }

  private List<Slice> slices(List<Moment> order, Map<Moment, List<Integer>> starting) {
    List<Slice> slices = new ArrayList<>();
    List<Integer> sounding = new ArrayList<>();
    for (int s = 0; s < order.size(); s++) {
      Moment moment = order.get(s);
      sounding.removeIf(i -> notes.get(i).end().compareTo(moment.onset()) <= 0);
      List<Integer> here = starting.get(moment);
      Fraction last = moment.onset();
      for (int i : here) {
        last = fret.base.Fractions.max(last, notes.get(i).end());
      }
      Fraction silentFrom = last;
      for (int i : sounding) {
        silentFrom = fret.base.Fractions.max(silentFrom, notes.get(i).end());
      }
      Fraction rest = Fraction.ZERO;
      if (s + 1 < order.size() && order.get(s + 1).onset().compareTo(silentFrom) > 0) {
        rest = order.get(s + 1).onset().subtract(silentFrom);
      }
      slices.add(
          new Slice(
              s,
              moment.onset(),
              moment.grace(),
              here,
              List.copyOf(sounding),
              slurredInto.getOrDefault(moment, false),
              bowed.getOrDefault(moment, true),
              moment.grace() > 0 ? Fraction.ZERO : last.subtract(moment.onset()),
              rest));
      if (moment.grace() == 0) {
        sounding.addAll(here);
        sounding.sort(Comparator.comparing(i -> notes.get(i).pitch()));
      }
    }
    return slices;
  }
}
