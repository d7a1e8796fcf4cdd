package fret.drill;

import fret.bowing.BowReport;
import fret.bowing.BowWarning;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Drills of the bow, made of a few moments of a passage as real notation with its bowing on it. */
public final class BowDrills {
  /** From so many crossings on a stretch is one of crossings. */
  private static final int MANY_CROSSINGS = 3;

  private BowDrills() {}

  /**
   * The notation of a drill; empty where there is nothing to make it of, as a crossing on one
   * string.
   *
   * @param from first moment; {@code to} the last one, included
   */
  public static Optional<Score> notation(
      ResolvedPassage passage,
      Bowing bowing,
      BowReport report,
      Instrument instrument,
      int from,
      int to,
      BowDrillKind kind) {
    DrillSource source = new DrillSource(passage, bowing, report, instrument, from, to);
    return isMade(source, kind) ? Optional.of(source.written()) : Optional.empty();
  }

  private static boolean isMade(DrillSource source, BowDrillKind kind) {
    StrokeDrills strokes = new StrokeDrills(source);
    CrossingDrills crossings = new CrossingDrills(source);
    AmountDrills amounts = new AmountDrills(source);
    BounceDrills bounces = new BounceDrills(source);
    return switch (kind) {
      case OPEN_STRINGS -> strokes.openStrings();
      case ONE_STRING -> strokes.oneString();
      case CHANGE -> amounts.changes();
      case BARE_FIRST -> strokes.bareFirst();
      case CROSSING -> crossings.held();
      case CROSSING_PLACES -> crossings.places();
      case OTHER_PAIRS -> crossings.otherPairs();
      case FINGER_FIRST -> crossings.fingerFirst();
      case VOICES -> crossings.voices();
      case BOW_SHARES -> amounts.shares();
      case SPENDING -> amounts.spending();
      case DRIFT -> amounts.drift();
      case SWELL -> amounts.swell();
      case FADE -> amounts.fade();
      case ACCENTS -> strokes.accents();
      case HOOKED -> strokes.hooked();
      case ENDINGS -> strokes.endings();
      case DOUBLED -> strokes.repeated(2);
      case TREBLED -> strokes.repeated(3);
      case DOUBLED_WHOLE -> strokes.doubledWhole();
      case BOUNCE_DROP -> bounces.drop();
      case BOUNCE_STRINGS -> bounces.strings4();
      case BOUNCE_TURNS -> bounces.turns();
      case BOUNCE_CATCH -> bounces.caught();
      case BOUNCE_LOOP -> bounces.loop();
      case BOUNCE_BACK -> bounces.back();
    };
  }

  /**
   * The drills that a stretch asks for, by what is hard for the bow there, the first one first;
   * none where nothing is.
   */
  public static List<BowDrillKind> askedFor(Bowing bowing, BowReport report, int from, int to) {
    List<BowDrillKind> all = new ArrayList<>();
    List<BowWarning> here =
        report.warnings().stream().filter(w -> w.moment() >= from && w.moment() <= to).toList();
    if (has(here, BowWarning.Kind.RUNS_OUT)) {
      all.add(BowDrillKind.SPENDING);
    }
    if (report.drifts().stream().anyMatch(d -> d.fromMoment() <= to && d.toMoment() >= from)) {
      all.add(BowDrillKind.DRIFT);
    }
    if (has(here, BowWarning.Kind.TOO_SLOW)) {
      all.add(BowDrillKind.BOUNCE_DROP);
    }
    if (has(here, BowWarning.Kind.FLIP)) {
      all.add(BowDrillKind.ACCENTS);
    }
    long crossed =
        report.crossings().stream()
            .filter(c -> c.fromMoment() >= from && c.toMoment() <= to)
            .count();
    if (crossed >= MANY_CROSSINGS) {
      all.add(BowDrillKind.OPEN_STRINGS);
      all.add(BowDrillKind.CROSSING);
    }
    if (bowing.strokes().stream().filter(s -> s.has(from)).anyMatch(Stroke::hooked)) {
      all.add(BowDrillKind.HOOKED);
    }
    return all;
  }

  private static boolean has(List<BowWarning> warnings, BowWarning.Kind kind) {
    return warnings.stream().anyMatch(w -> w.kind() == kind);
  }
}
