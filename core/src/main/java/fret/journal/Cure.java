package fret.journal;

import fret.drill.DrillKind;
import java.util.Optional;

/** The drill that helps against what broke (common practice, no source). */
public final class Cure {
  private Cure() {}

  /** Empty where nothing is to be played against it. */
  public static Optional<DrillKind> of(Breakage broke) {
    return switch (broke) {
      case NONE, TENSION -> Optional.empty();
      case INTONATION -> Optional.of(DrillKind.NO_VIBRATO);
      case SHIFT -> Optional.of(DrillKind.SHIFT);
      case CROSSING, TOUCHED, BOW -> Optional.of(DrillKind.BOW);
      case RHYTHM, COUNTING -> Optional.of(DrillKind.SYLLABLES);
      case RUSHED -> Optional.of(DrillKind.ACCENTS);
      case DRAGGED -> Optional.of(DrillKind.BURSTS);
      case MISREAD -> Optional.of(DrillKind.ADD_A_NOTE);
      case START -> Optional.of(DrillKind.FINGER_FIRST);
      case NOTE_LENGTH -> Optional.of(DrillKind.END_CLICK);
      case MEMORY -> Optional.of(DrillKind.CHAIN_BACK);
    };
  }
}
