package fret.bowing;

import fret.base.Said;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * Something that the bow cannot do as planned, or only just, and what mends it.
 *
 * @param moment where it is
 * @param missingCm hair that is missing; 0 for none
 * @param needsMs time that it needs; {@code hasMs} time that there is; both 0 for none
 */
public record BowWarning(
    Kind kind,
    int moment,
    String bar,
    double missingCm,
    double needsMs,
    double hasMs,
    Said message,
    List<Cure> cures) {
  /** Kinds of warnings. */
  public enum Kind {
    RUNS_OUT("runs-out"),
    RETAKE_LATE("retake-late"),
    TOO_SLOW("stroke-too-slow"),
    TOO_FAST("stroke-too-fast"),
    CLEARANCE("clearance"),
    FLIP("flip"),
    SPEAKS_LATE("speaks-late"),
    WILL_NOT_SPEAK("will-not-speak"),
    /** A long loud note on the bass that has too little bow. */
    THIN("thin"),
    /** A word of the page that the notes are too quick for. */
    WORD("word"),
    /** Printed down-bows that are hooked, because there is no time to come back. */
    HOOKED("hooked"),
    /** What the player asked contradicts what else was asked there, and is set aside. */
    NOT_KEPT("not-kept");

    private final String id;

    Kind(String id) {
      this.id = id;
    }

    public String id() {
      return id;
    }
  }

  public BowWarning {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(message);
    cures = List.copyOf(cures);
  }

  /** All warnings of a bowing, in order of time. */
  public static List<BowWarning> of(Bowing bowing, BowTask task) {
    List<BowWarning> all = new ArrayList<>();
    for (int i = 0; i < bowing.strokes().size(); i++) {
      Stroke s = bowing.strokes().get(i);
      if (s.missingCm() > 0) {
        all.add(runsOut(bowing, s, i, task));
      }
      retakeLate(bowing, s, i, all);
      outOfWindow(bowing, s, all);
    }
    all.addAll(UnkeptPage.of(bowing, task));
    all.addAll(ThinNotes.warnings(bowing, task));
    all.addAll(Clearance.warnings(bowing, task));
    all.addAll(Flips.of(bowing, task));
    all.addAll(LateSpeaking.warnings(bowing, task));
    all.addAll(StartPlaces.warnings(bowing, task));
    bowing.unhooked().forEach(m -> all.add(notKept(bowing, m)));
    all.sort(java.util.Comparator.comparingInt(BowWarning::moment));
    return all;
  }

  private static BowWarning notKept(Bowing bowing, int moment) {
    String bar = bowing.moments().get(moment).bar();
    return new BowWarning(
        Kind.NOT_KEPT, moment, bar, 0, 0, 0, Said.of("bow.not-hooked", bar), List.of());
  }

  // ---- runs out --------------------------------------------------------------------------------

  private static BowWarning runsOut(Bowing bowing, Stroke s, int index, BowTask task) {
    List<Cure> cures = new ArrayList<>();
    double room = s.down() ? s.startCm() : task.bow().hairCm() - s.startCm();
    if (room > 0.5) {
      double way = Math.min(room, s.missingCm());
      cures.add(new Cure(Cure.Kind.START_NEARER, s.fromMoment(), way, BowJoins.needsMs(way), 0));
      liftAndTravel(bowing, s, index, way).ifPresent(cures::add);
    }
    int middle = middle(s);
    if (middle > s.fromMoment()) {
      cures.add(new Cure(Cure.Kind.BREAK, middle, task.bow().hairCm(), 0, 0));
      double back = s.missingCm();
      cures.add(new Cure(Cure.Kind.HIDDEN_BREAK, middle, back, BowJoins.needsMs(back), 0));
    }
    double most = s.bowCm() / (s.timeMs() / 1000) / BowSpeed.LEAST;
    cures.add(new Cure(Cure.Kind.SOFTER, s.fromMoment(), s.bowCm(), 0, most));
    saveEarlier(s, cures);
    return new BowWarning(
        Kind.RUNS_OUT,
        s.fromMoment(),
        s.bar(),
        s.missingCm(),
        0,
        0,
        Said.of(
            "bow.runs-out",
            Math.round(s.missingCm()),
            LoudnessLine.word(bowing.moments().get(s.fromMoment()).level())),
        cures);
  }

  /** Through the air to a better place, where a rest or the note before gives the time. */
  private static Optional<Cure> liftAndTravel(Bowing bowing, Stroke s, int index, double way) {
    if (index == 0 || s.retake().isPresent()) {
      return Optional.empty();
    }
    BowMoment before = bowing.moments().get(bowing.strokes().get(index - 1).toMoment());
    double needs = BowJoins.needsMs(way);
    boolean time = before.restMs() + BowJoins.MOST_PAID * before.timeMs() >= needs;
    return time
        ? Optional.of(new Cure(Cure.Kind.LIFT_AND_TRAVEL, s.fromMoment(), way, needs, 0))
        : Optional.empty();
  }

  /** The moment of a stroke that starts nearest to its half. */
  private static int middle(Stroke s) {
    double half = (s.startCm() + s.endCm()) / 2;
    int best = s.fromMoment();
    for (Stroke.Note n : s.notes()) {
      double gap = Math.abs(n.fromCm() - half);
      if (n.moment() > s.fromMoment() && (best == s.fromMoment() || gap < gapOf(s, best, half))) {
        best = n.moment();
      }
    }
    return best;
  }

  private static double gapOf(Stroke s, int moment, double half) {
    return Math.abs(s.at(moment).fromCm() - half);
  }

  /** What the notes before the last one could give while they still sound. */
  private static void saveEarlier(Stroke s, List<Cure> into) {
    double spare = 0;
    for (Stroke.Note n : s.notes().subList(0, s.notes().size() - 1)) {
      spare += Math.max(0, n.bowCm() * (1 - BowSpeed.LEAST / n.ofNatural()));
    }
    if (spare > 0.5) {
      into.add(new Cure(Cure.Kind.SAVE_EARLIER, s.fromMoment(), spare, 0, 0));
    }
  }

  // ---- retakes and windows ---------------------------------------------------------------------

  private static void retakeLate(Bowing bowing, Stroke s, int index, List<BowWarning> into) {
    if (index == 0 || s.retake().isEmpty()) {
      return;
    }
    Stroke.Retake r = s.retake().get();
    BowMoment before = bowing.moments().get(bowing.strokes().get(index - 1).toMoment());
    if (r.lackingMs() - BowJoins.MOST_PAID * before.timeMs() <= 1) {
      return; // The note before gives it.
    }
    into.add(
        new BowWarning(
            Kind.RETAKE_LATE,
            s.fromMoment(),
            s.bar(),
            0,
            r.needsMs(),
            r.hasMs(),
            Said.of("bow.retake-late", Math.round(r.needsMs()), Math.round(r.hasMs())),
            List.of(
                new Cure(
                    Cure.Kind.SHORTEN_BEFORE,
                    before.slice().index(),
                    0,
                    before.timeMs() - r.lackingMs(),
                    0))));
  }

  private static void outOfWindow(Bowing bowing, Stroke s, List<BowWarning> into) {
    double rate = bowing.rate(s);
    if (s.kind().fits(rate)) {
      return;
    }
    boolean slow = rate < s.kind().leastRate();
    double window = slow ? s.kind().leastRate() : s.kind().mostRate();
    into.add(
        new BowWarning(
            slow ? Kind.TOO_SLOW : Kind.TOO_FAST,
            s.fromMoment(),
            s.bar(),
            0,
            0,
            0,
            Said.of(
                slow ? "bow.too-slow" : "bow.too-fast",
                Said.of("stroke." + s.kind().id()),
                Said.tenths(rate),
                Said.tenths(window),
                Math.round(100 * window / rate)),
            List.of(new Cure(Cure.Kind.OTHER_STROKE, s.fromMoment(), 0, 0, 0))));
  }
}
