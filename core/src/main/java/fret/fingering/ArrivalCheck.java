package fret.fingering;

import fret.instrument.Instrument;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.List;

/**
 * Something that proves a note in tune: an open string or a harmonic that it must agree with.
 *
 * @param kind how the two sound together
 * @param string the open string or the string of the harmonic, 1 the highest
 * @param against what is heard against the note
 */
public record ArrivalCheck(Kind kind, int string, Pitch against) {
  /** How note and check sound together, the surest first. */
  public enum Kind {
    UNISON("unison with the open"),
    HALFWAY("same place, touched: the halfway harmonic of the"),
    OCTAVE("octave of the open"),
    HARMONIC("unison with a harmonic of the"),
    FIFTH("fifth with the open"),
    FOURTH("fourth with the open");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** In players' words, to be followed by the string. */
    public String words() {
      return words;
    }
  }

  /**
   * The checks of a stopped note, the surest first; empty where neither open strings nor harmonics
   * agree with it (common practice, no source).
   */
  public static List<ArrivalCheck> of(Instrument instrument, NoteFinger place) {
    List<ArrivalCheck> found = new ArrayList<>();
    if (place.isOpen()) {
      return found;
    }
    int midi = place.sounding().midi();
    for (int s = 1; s <= instrument.stringCount(); s++) {
      Pitch open = instrument.open(s);
      int up = midi - open.midi();
      boolean neighbour = Math.abs(s - place.string()) == 1;
      if (s != place.string() && up == 0) {
        found.add(new ArrivalCheck(Kind.UNISON, s, open));
      } else if (s == place.string() && place.semitone() == 12) {
        found.add(new ArrivalCheck(Kind.HALFWAY, s, instrument.harmonic(s, 2)));
      } else if (up != 0 && up % 12 == 0 && Math.abs(up) <= 24) {
        found.add(new ArrivalCheck(Kind.OCTAVE, s, open));
      } else if (neighbour && Math.abs(up) == 7) {
        found.add(new ArrivalCheck(Kind.FIFTH, s, open));
      } else if (neighbour && Math.abs(up) == 5) {
        found.add(new ArrivalCheck(Kind.FOURTH, s, open));
      }
      for (int partial = 2; partial <= 4; partial++) {
        boolean same = instrument.harmonic(s, partial).midi() == midi;
        if (s != place.string() && same) {
          found.add(new ArrivalCheck(Kind.HARMONIC, s, instrument.harmonic(s, partial)));
        }
      }
    }
    found.sort(java.util.Comparator.comparing(ArrivalCheck::kind));
    return found;
  }
}
