package fret.player;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import java.util.ArrayList;
import java.util.List;

/**
 * What a hand can do on an instrument, at two levels: the shapes taught for each region of the
 * fingerboard (soft, as {@link Placement#strain}), and the reach in mm between two fingers (hard,
 * {@link #canHold} and {@link #canFollow}).
 *
 * <p>Reference reaches are taken at half position (first finger one semitone above the open
 * string). Shapes and reaches are common practice, from memory.
 */
public final class HandModel {
  /** A hand that reaches across strings turns, and reaches a little further (from memory). */
  private static final double ACROSS_PLAY = 1.03;

  /** On the bass the fourth finger is left out from here on (common practice, no source). */
  private static final int OCTAVE = 12;

  /** Highest place of the first finger in the positions of the neck. */
  private static final int HIGHEST_NECK = 7;

  /** What the extreme shape counts as, in semitones out of the easy one (from memory). */
  public static final double EXTREME_STRAIN = 3;

  private static final int MIDDLE_OF_STRING = 12;
  private static final int FOURTH_BELOW = 5;

  /**
   * What it costs a finger to reach up for the middle of the string, in semitones (from memory).
   */
  public static final double REACHING_STRAIN = 0.3;

  private final Instrument instrument;
  private final boolean fourFingerBass;
  private final Hand player;
  private final double sizeFactor;
  private final List<List<Placement>> bySemitone = new ArrayList<>();

  public HandModel(Instrument instrument, School school, Hand player) {
    this.instrument = instrument;
    this.player = player;
    this.fourFingerBass = school == School.ONE_TWO_THREE_FOUR;
    this.sizeFactor = player.factor(mediumSpanMm(instrument));
    for (int n = 0; n <= instrument.highestSemitone(); n++) {
      List<Placement> placements = new ArrayList<>();
      if (n > 0) {
        for (int base = 1; base <= instrument.highestSemitone(); base++) {
          collect(n, base, placements);
        }
      }
      bySemitone.add(List.copyOf(placements));
    }
  }

  /**
   * What the medium hand spans from first to fourth finger at half position, in mm: a fourth on the
   * violin and viola, a minor third on the cello, a whole tone on the bass.
   */
  public static double mediumSpanMm(Instrument instrument) {
    int semitones =
        switch (instrument.type()) {
          case VIOLIN, VIOLA -> 5;
          case CELLO -> 3;
          case BASS -> 2;
        };
    return instrument.mmFromNut(1 + semitones) - instrument.mmFromNut(1);
  }

  /** Whether the hand may creep, see {@link Hand#creeps}. */
  public boolean creeps() {
    return player.creeps();
  }

  /** Whether broken chords go across the strings of the bass, see {@link Hand#across}. */
  public boolean goesAcross() {
    return player.across();
  }

  public Instrument instrument() {
    return instrument;
  }

  /**
   * All ways to stop a note.
   *
   * @param semitone above the open string; none outside 1 to the instrument's highest
   */
  public List<Placement> placements(int semitone) {
    return semitone < 0 || semitone >= bySemitone.size() ? List.of() : bySemitone.get(semitone);
  }

  /** Whether opening and closing the hand is a movement of its own there. */
  public boolean hasShapes(int base, Region region) {
    return instrument.type() == InstrumentType.CELLO
        && region == Region.NECK
        && base > 0
        && base <= HIGHEST_NECK;
  }

  /**
   * Whether a finger can stand so in a hand of some shape.
   *
   * @param finger any that can stop the note from there, see {@link #placements}
   * @param semitone above the open string
   */
  public boolean suits(Shape shape, Finger finger, int semitone, int base, Region region) {
    if (!hasShapes(base, region)) {
      return shape == Shape.CLOSED;
    }
    int closed = finger == Finger.FIRST ? 0 : finger.rank() - 1;
    int offset = semitone - base;
    return switch (shape) {
      case CLOSED -> offset == closed;
      case FORWARD -> finger == Finger.FIRST ? offset == 0 : offset > closed;
      case BACK -> finger == Finger.FIRST ? offset < 0 : offset == closed;
    };
  }

  private void collect(int n, int base, List<Placement> into) {
    int offset = n - base;
    int first = into.size();
    switch (instrument.type()) {
      case VIOLIN, VIOLA -> collectUpperStrings(base, offset, into);
      case CELLO -> collectCello(base, offset, into);
      case BASS -> collectBass(base, offset, into);
    }
    if (player.fourthCaution()) {
      into.subList(first, into.size())
          .removeIf(p -> p.finger() == Finger.FOURTH && p.strain() > 0.5);
    }
  }

  /** Lowest base of a hand with the thumb on the string: the thumb stands a whole tone below it. */
  private int thumbBase(int usual) {
    return player.thumbFrom() == 0 ? usual : player.thumbFrom() + 2;
  }

  private static void add(
      List<Placement> into, Finger finger, int base, Region region, double strain) {
    into.add(new Placement(finger, base, region, strain));
  }

  /** What a finger costs that stands a semitone lower than the hand's usual place for it. */
  private static final double LOW = 0.05;

  /** What a high third finger costs: less than to skip it for a low fourth. */
  private static final double HIGH = 0.04;

  /** The same for a third finger where the hand could as well stand a semitone lower. */
  private static final double LOW_AWAY = 0.35;

  /** First position: the hand stays there and its fingers go low and high. */
  private static final int HOME = 2;

  /** Frames of every player: a semitone or a tone between any two neighbouring fingers. */
  private void collectUpperStrings(int base, int offset, List<Placement> into) {
    Region region = base <= 7 ? Region.NECK : Region.UPPER;
    if (base > instrument.highestSemitone() - 2) {
      return;
    }
    switch (offset) {
      case -1 -> add(into, Finger.FIRST, base, region, base >= 2 ? 0 : 9);
      case 0 -> {
        add(into, Finger.FIRST, base, region, 0);
        if (base <= HOME) {
          add(into, Finger.SECOND, base, region, LOW); // Over a first finger that is drawn back.
        }
      }
      case 1 -> {
        add(into, Finger.FIRST, base, region, 0.8);
        add(into, Finger.SECOND, base, region, 0);
      }
      case 2 -> {
        add(into, Finger.SECOND, base, region, 0);
        add(into, Finger.THIRD, base, region, base <= HOME ? LOW : LOW_AWAY);
      }
      case 3 -> add(into, Finger.THIRD, base, region, 0);
      case 4 -> {
        add(into, Finger.THIRD, base, region, base <= HOME ? HIGH : 0);
        add(into, Finger.FOURTH, base, region, base <= HOME ? 0 : LOW);
      }
      case 5 -> add(into, Finger.FOURTH, base, region, 0);
      case 6 -> add(into, Finger.FOURTH, base, region, 1);
      default -> {}
    }
  }

  private void collectCello(int base, int offset, List<Placement> into) {
    if (base <= 7) {
      switch (offset) {
        case -1 -> add(into, Finger.FIRST, base, Region.NECK, base >= 2 ? 1 : 9);
        case 0 -> add(into, Finger.FIRST, base, Region.NECK, 0);
        case 1 -> add(into, Finger.SECOND, base, Region.NECK, 0);
        case 2 -> {
          add(into, Finger.SECOND, base, Region.NECK, 0.4); // In the extended hand.
          add(into, Finger.THIRD, base, Region.NECK, 0);
        }
        case 3 -> {
          add(into, Finger.THIRD, base, Region.NECK, 0.8);
          add(into, Finger.FOURTH, base, Region.NECK, 0);
        }
        case 4 -> add(into, Finger.FOURTH, base, Region.NECK, 0.8);
        default -> {}
      }
    } else if (base <= 12) {
      switch (offset) {
        case 0 -> add(into, Finger.FIRST, base, Region.TRANSITION, 0);
        case 1 -> add(into, Finger.SECOND, base, Region.TRANSITION, 0);
        case 2 -> {
          add(into, Finger.SECOND, base, Region.TRANSITION, 0);
          add(into, Finger.THIRD, base, Region.TRANSITION, 0.3);
        }
        case 3 -> add(into, Finger.THIRD, base, Region.TRANSITION, 0);
        case 4 -> {
          add(into, Finger.THIRD, base, Region.TRANSITION, 0.4);
          if (base <= 9) {
            add(into, Finger.FOURTH, base, Region.TRANSITION, 1);
          }
        }
        default -> {}
      }
    }
    collectThumb(base, offset, thumbBase(9), into);
  }

  private void collectBass(int base, int offset, List<Placement> into) {
    Region region = base <= 7 ? Region.NECK : Region.TRANSITION;
    if (base <= 12) {
      switch (offset) {
        case -1 -> {
          // A first finger a semitone back is out of the reach of the rest of the hand: a shift.
          if (fourFingerBass) {
            add(into, Finger.FIRST, base, region, base >= 2 ? 1.2 : 9);
          }
        }
        case 0 -> add(into, Finger.FIRST, base, region, 0);
        case 1 -> add(into, Finger.SECOND, base, region, 0);
        case 2 -> {
          if (fourFingerBass || base >= 9) {
            add(into, Finger.THIRD, base, region, fourFingerBass ? 0 : 0.1);
          }
          if (!fourFingerBass && base + offset < OCTAVE) {
            add(into, Finger.FOURTH, base, region, 0);
          }
        }
        case 3 -> {
          if ((fourFingerBass || base >= 7) && base + offset < OCTAVE) {
            add(into, Finger.FOURTH, base, region, fourFingerBass ? 0.2 : 1.2);
          }
        }
        default -> {}
      }
    }
    collectThumb(base, offset, thumbBase(11), into);
  }

  private static void collectThumb(int base, int offset, int lowestBase, List<Placement> into) {
    if (base < lowestBase) {
      return;
    }
    switch (offset) {
      case -3 -> add(into, Finger.THUMB, base, Region.THUMB, 0.8);
      case -2 -> add(into, Finger.THUMB, base, Region.THUMB, 0);
      case -1 -> add(into, Finger.THUMB, base, Region.THUMB, 0.4);
      case 0 -> add(into, Finger.FIRST, base, Region.THUMB, 0);
      case 1 -> add(into, Finger.SECOND, base, Region.THUMB, 0);
      case 2 -> {
        add(into, Finger.SECOND, base, Region.THUMB, 0);
        add(into, Finger.THIRD, base, Region.THUMB, 0.3);
      }
      case 3 -> add(into, Finger.THIRD, base, Region.THUMB, 0);
      case 4 -> add(into, Finger.THIRD, base, Region.THUMB, 0.5);
      default -> {}
    }
  }

  /**
   * The widest span in semitones between two fingers of different rank, measured at half position,
   * that the medium hand reaches.
   */
  private int reachAtHalfPosition(Finger low, Finger high) {
    int gap = high.rank() - low.rank();
    boolean thumb = low == Finger.THUMB;
    return switch (instrument.type()) {
      case VIOLIN, VIOLA -> thumb ? 0 : gap == 1 ? 3 : gap == 2 ? 5 : 6;
      case CELLO -> {
        if (thumb) {
          yield gap == 1 ? 2 : gap == 2 ? 3 : 4;
        }
        yield low == Finger.FIRST ? gap + 1 : gap;
      }
      case BASS ->
          thumb ? (gap == 1 ? 2 : 3) : gap == 3 ? 2 : low == Finger.FIRST && gap == 2 ? 2 : 1;
    };
  }

  private double reachMm(Finger low, Finger high, Region region) {
    int semitones = reachAtHalfPosition(low, high);
    double mm = instrument.mmFromNut(1 + semitones) - instrument.mmFromNut(1);
    boolean tone =
        instrument.type() == InstrumentType.CELLO
            && region == Region.TRANSITION
            && low == Finger.SECOND
            && high == Finger.THIRD;
    if (tone) {
      // From first finger 8 on the two stand a whole tone apart.
      mm = Math.max(mm, instrument.mmFromNut(11) - instrument.mmFromNut(9));
    }
    return sizeFactor * mm * (1 + 1e-9);
  }

  /** Semitone spans that no taught shape on the neck has, however large the hand. */
  private boolean shapeExists(Finger low, Finger high, int span, Region region) {
    if (region == Region.NECK && instrument.type() == InstrumentType.CELLO) {
      return span <= reachAtHalfPosition(low, high);
    }
    if (instrument.type() == InstrumentType.VIOLIN || instrument.type() == InstrumentType.VIOLA) {
      return span <= reachAtHalfPosition(low, high) + (region == Region.UPPER ? 1 : 0);
    }
    return true;
  }

  /**
   * Whether two fingers can be down together.
   *
   * @param n1 semitone stopped by {@code f1}; {@code n2} likewise
   * @param stringsApart strings from one to the other, 0 for the same string
   */
  public boolean canHold(Finger f1, int n1, Finger f2, int n2, Region region, int stringsApart) {
    if (f1 == f2) {
      return n1 == n2 && stringsApart == 1 && f1 != Finger.OPEN;
    }
    boolean swap = f1.rank() > f2.rank();
    Finger low = swap ? f2 : f1;
    Finger high = swap ? f1 : f2;
    int span = swap ? n1 - n2 : n2 - n1;
    if (span < 0 || span == 0 && stringsApart == 0) {
      return false;
    }
    double mm = Math.abs(instrument.mmFromNut(n1) - instrument.mmFromNut(n2));
    // Along and across the string are at right angles.
    double diagonal = Math.hypot(mm, Math.abs(stringsApart) * stringSpacingMm());
    double play = stringsApart == 0 ? 1 : ACROSS_PLAY;
    return shapeExists(low, high, span, region) && diagonal <= play * reachMm(low, high, region);
  }

  /**
   * Where the hand stands when its fourth finger stops a note in the extreme shape of the neck: a
   * semitone wider than is taught from first to fourth finger (five on the cello, seven on violin
   * and viola). Only the player may ask for it.
   *
   * @return 0 where the hand cannot do it, or must not
   */
  public int extremeBase(int semitone) {
    if (instrument.type() == InstrumentType.BASS || player.fourthCaution()) {
      return 0;
    }
    int base = semitone - reachAtHalfPosition(Finger.FIRST, Finger.FOURTH) - 1;
    boolean neck = base >= 1 && base <= HIGHEST_NECK && semitone <= instrument.highestSemitone();
    return neck && extremeMm(semitone, base) <= reachMm(Finger.FIRST, Finger.FOURTH, Region.NECK)
        ? base
        : 0;
  }

  /**
   * Where the hand stands that reaches up to touch the node in the middle of a string: on the cello
   * a fourth below it, in fourth position (common practice, no source).
   *
   * @return 0 where none can
   */
  public int reachingBase(int semitone) {
    int base = MIDDLE_OF_STRING - FOURTH_BELOW;
    boolean reaches =
        instrument.type() == InstrumentType.CELLO
            && semitone == MIDDLE_OF_STRING
            && extremeMm(semitone, base) <= reachMm(Finger.FIRST, Finger.FOURTH, Region.NECK);
    return reaches ? base : 0;
  }

  /** From the first to the fourth finger of that shape. */
  public double extremeMm(int semitone, int base) {
    return instrument.mmFromNut(semitone) - instrument.mmFromNut(base);
  }

  /**
   * Whether a finger stands in that shape: the fourth, and on the cello the third a semitone below
   * it.
   */
  public boolean isExtreme(Finger finger, int semitone, int base) {
    boolean third = finger == Finger.THIRD && instrument.type() == InstrumentType.CELLO;
    int fourth = third ? semitone + 1 : semitone;
    return (third || finger == Finger.FOURTH) && base > 0 && extremeBase(fourth) == base;
  }

  /** From one string to the next under the hand, in mm (from memory). */
  private double stringSpacingMm() {
    return switch (instrument.type()) {
      case VIOLIN -> 6;
      case VIOLA -> 7;
      case CELLO -> 9;
      case BASS -> 12;
    };
  }

  /** Whether one finger can follow another in the same hand place, one after the other. */
  public boolean canFollow(Finger f1, int n1, Finger f2, int n2, Region region) {
    if (f1 == f2) {
      return true;
    }
    boolean swap = f1.rank() > f2.rank();
    Finger low = swap ? f2 : f1;
    Finger high = swap ? f1 : f2;
    int span = swap ? n1 - n2 : n2 - n1;
    if (fourFingerBass && region != Region.THUMB) {
      return span >= 0; // The hand pivots in passing.
    }
    double mm = Math.abs(instrument.mmFromNut(n1) - instrument.mmFromNut(n2));
    return span >= 0 && shapeExists(low, high, span, region) && mm <= reachMm(low, high, region);
  }
}
