package fret.fingering;

import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The notes at which a reader of the digits alone could take another string, so that a numeral is
 * printed (common practice, no source): the hand comes from elsewhere, and the same digits would
 * have it as near, or nearer, on a neighbouring string. A numeral holds until the string changes.
 */
public final class StringDoubt {
  /** A reader expects a hand that has not been anywhere in first position. */
  private static final int USUAL_BASE = 2;

  /** Semitones: a hand that moves so little is read as staying. */
  private static final int STAYS = 1;

  private static final int FAR = 99;

  /** Semitones by which another, lower place may be farther and still be taken. */
  private static final int NEARLY = 2;

  private final ResolvedPassage passage;
  private final Instrument instrument;
  private final Fingering fingering;

  private StringDoubt(ResolvedPassage passage, Instrument instrument, Fingering fingering) {
    this.passage = passage;
    this.instrument = instrument;
    this.fingering = fingering;
  }

  /** Indices of the notes that get a numeral; of a chord all stopped ones or none. */
  public static Set<Integer> of(
      ResolvedPassage passage, Instrument instrument, Fingering fingering) {
    return new StringDoubt(passage, instrument, fingering).notes();
  }

  private Set<Integer> notes() {
    Set<Integer> all = new TreeSet<>();
    int base = USUAL_BASE;
    List<Integer> told = List.of();
    for (Slice slice : passage.slices()) {
      List<NoteFinger> stopped =
          slice.starting().stream()
              .flatMap(n -> fingering.notes().get(n).stream())
              .filter(p -> !p.isOpen())
              .toList();
      List<Integer> strings = stopped.stream().map(NoteFinger::string).toList();
      boolean open = stopped.isEmpty() && !slice.starting().isEmpty();
      if (!stopped.isEmpty() && !told.equals(strings) && isInDoubt(stopped, base)) {
        stopped.forEach(p -> all.add(p.note()));
        told = strings;
      } else if (open || !told.equals(strings) && !stopped.isEmpty()) {
        told = List.of();
      }
      Optional<NoteFinger> last = stopped.stream().reduce((a, b) -> b);
      base = last.map(NoteFinger::lastBase).orElse(base);
    }
    return all;
  }

  private boolean isInDoubt(List<NoteFinger> stopped, int from) {
    int way = Math.abs(stopped.get(0).base() - from);
    if (way <= STAYS) {
      return false;
    }
    return farthest(stopped, -1, from) <= way + NEARLY
        || 2 * farthest(stopped, 1, from) <= way; // Down the hand goes home: higher up it is rare.
  }

  /** How far the hand would go with all notes on the strings beside. */
  private int farthest(List<NoteFinger> stopped, int by, int from) {
    int farthest = 0;
    for (NoteFinger p : stopped) {
      int other = baseOn(p, p.string() + by);
      farthest = Math.max(farthest, other < 1 ? FAR : Math.abs(other - from));
    }
    return farthest;
  }

  /** Where the hand would stand with the same finger on another string; below 1 for nowhere. */
  private int baseOn(NoteFinger p, int string) {
    if (string < 1 || string > instrument.stringCount()) {
      return 0;
    }
    int apart = instrument.open(p.string()).midi() - instrument.open(string).midi();
    return p.base() + apart;
  }
}
