package fret.bowing;

import fret.base.Said;
import fret.instrument.InstrumentType;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Strokes that begin in a part of the bow where they will not speak: a bounce far from where its
 * kind lives, an accent from silence at the tip, a soft start of a low string there (common
 * practice, no source; the figures from memory).
 */
final class StartPlaces {
  private static final Set<StrokeKind> BOUNCED =
      EnumSet.of(
          StrokeKind.SPICCATO,
          StrokeKind.CLOSE_SPICCATO,
          StrokeKind.SAUTILLE,
          StrokeKind.RICOCHET,
          StrokeKind.ARPEGGIO);

  /** So far outside its part of the hair a bow bounces no more, as a share of the hair. */
  private static final double NO_BOUNCE = 0.15;

  /** From here to the tip an accent out of silence has no weight behind it. */
  private static final double AT_THE_TIP = 0.88;

  /** Where both speak again. */
  private static final double SPEAKS = 0.6;

  /** A shorter silence does not let the string come to rest, in ms. */
  private static final double SILENCE_MS = 60;

  private final Bowing bowing;
  private final BowTask task;
  private final List<BowWarning> found = new ArrayList<>();

  private StartPlaces(Bowing bowing, BowTask task) {
    this.bowing = bowing;
    this.task = task;
  }

  static List<BowWarning> warnings(Bowing bowing, BowTask task) {
    StartPlaces places = new StartPlaces(bowing, task);
    bowing.strokes().forEach(places::look);
    return places.found;
  }

  private void look(Stroke s) {
    double hair = task.bow().hairCm();
    double middle = (s.startCm() + s.endCm()) / 2 / hair;
    double start = s.startCm() / hair;
    BowMoment m = bowing.moments().get(s.fromMoment());
    if (BOUNCED.contains(s.kind())) {
      PlaceWindow lives = new PlaceWindow(s.kind().from(), s.kind().to());
      if (lives.outside(middle) > NO_BOUNCE) {
        tell(s, Said.of("bow.no-bounce", Said.of("stroke." + s.kind().id())), lives.middle());
      }
    } else if (start >= AT_THE_TIP && isFromSilence(s)) {
      boolean bites =
          s.kind() == StrokeKind.MARTELE || m.isAccented() && m.level() >= LoudnessLine.FORTE;
      boolean low = m.strings().get(m.strings().size() - 1) == task.instrument().stringCount();
      boolean soft = m.level() <= LoudnessLine.PIANO;
      InstrumentType type = task.instrument().type();
      if (bites) {
        tell(s, Said.of("bow.no-bite"), SPEAKS);
      } else if (low && soft && (type == InstrumentType.CELLO || type == InstrumentType.BASS)) {
        tell(s, Said.of("bow.no-start"), SPEAKS);
      }
    }
  }

  private boolean isFromSilence(Stroke s) {
    return s.fromMoment() == 0
        || bowing.moments().get(s.fromMoment() - 1).restMs() >= SILENCE_MS
        || s.retake().isPresent();
  }

  private void tell(Stroke s, Said message, double share) {
    double cm = share * task.bow().hairCm();
    found.add(
        new BowWarning(
            BowWarning.Kind.WILL_NOT_SPEAK,
            s.fromMoment(),
            s.bar(),
            0,
            0,
            0,
            message,
            List.of(new Cure(Cure.Kind.START_ELSEWHERE, s.fromMoment(), cm, 0, 0))));
  }
}
