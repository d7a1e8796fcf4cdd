package fret.session;

import fret.base.Said;
import fret.drill.BowDrillKind;
import fret.drill.DrillKind;
import fret.drill.Remedy;
import fret.fingering.Shift;
import fret.journal.Breakage;
import fret.take.Expected;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Tone;
import fret.take.Fault;
import fret.take.Finding;
import fret.take.Recurring;
import fret.take.TakeReport;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a take shows, in the player's words: where it is, its cause where the fingering or the
 * bowing explains it, and the drill against it.
 *
 * @param weight how much it matters, for putting the worst first
 */
public record TakeFindings(
    Finding finding,
    String bar,
    int slice,
    Said words,
    Optional<Said> cause,
    Remedy remedy,
    Breakage breakage,
    double weight) {
  /** How many are shown first. */
  public static final int MOST = 5;

  /** Moments before and after it that a drill takes in. */
  private static final int AROUND = 3;

  /** All findings of a take, in order of playing. */
  public static List<TakeFindings> of(Session session, TakeReport report) {
    List<TakeFindings> all = new ArrayList<>();
    for (Finding f : report.findings()) {
      Moment m = report.expected().moments().get(f.moment());
      all.add(told(session, report.expected(), f, note(report, m, f)));
    }
    return all;
  }

  /** What comes back over several takes, told as the finding of one. */
  public static TakeFindings of(Session session, Expected expected, Recurring r) {
    Finding usual = new Finding(r.fault(), r.times() / (double) r.takes());
    Moment m = expected.moments().get(usual.moment());
    return told(session, expected, usual, m.starting().get(m.starting().size() - 1));
  }

  /** Of a chord the note that the finding is of. */
  private static Tone note(TakeReport report, Moment m, Finding f) {
    boolean ofPitch = f.kind() == Fault.Kind.SHARP || f.kind() == Fault.Kind.FLAT;
    List<Double> tones =
        report.heard().of(f.moment()).map(report::tones).filter(t -> ofPitch).orElse(List.of());
    for (int i = 0; i < tones.size(); i++) {
      if (Math.abs(Math.abs(tones.get(i)) - f.amount()) < 1e-6) {
        return m.starting().get(i);
      }
    }
    return m.starting().get(m.starting().size() - 1);
  }

  /** The few that matter most, the worst first. */
  public static List<TakeFindings> worst(List<TakeFindings> all) {
    return all.stream()
        .sorted(Comparator.comparingDouble(TakeFindings::weight).reversed())
        .limit(MOST)
        .toList();
  }

  private static TakeFindings told(Session session, Expected expected, Finding f, Tone tone) {
    Moment m = expected.moments().get(f.moment());
    String bar = expected.barOf(m).number();
    String note = tone.pitch().toString();
    Optional<Said> cause = cause(session, m, f);
    double amount = Math.round(f.amount());
    Said words = Said.of("take.finding." + f.kind(), bar, note, (long) amount);
    return new TakeFindings(
        f, bar, m.slice(), words, cause, remedy(m, f.kind()), breakage(m, f.kind()), weighed(f));
  }

  /** The shift or the crossing on the way to a note that came late. */
  private static Optional<Said> cause(Session session, Moment m, Finding f) {
    boolean early = f.kind() == Fault.Kind.EARLY && m.join() == Join.ENTRY;
    if (f.kind() != Fault.Kind.LATE && f.kind() != Fault.Kind.GLIDE && !early) {
      return Optional.empty();
    }
    if (m.join() == Join.SHIFT) {
      return session.fingering().shifts().stream()
          .filter(s -> s.toSlice() == m.slice())
          .findFirst()
          .map(TakeFindings::shift);
    }
    return switch (m.join()) {
      case CROSSING -> Optional.of(Said.of("take.cause.crossing"));
      case ENTRY -> Optional.of(Said.of("take.cause.entry"));
      default -> Optional.empty();
    };
  }

  private static Said shift(Shift s) {
    return Said.of("take.cause.shift", Math.round(s.travelMm()), Math.round(s.timeMs()));
  }

  /** First moment of what the drill is made of: a crossing is one of two notes. */
  public int from() {
    return Math.max(0, slice - (remedy.bow().isPresent() ? 1 : AROUND));
  }

  /** Last moment of it, which may lie behind the end of the passage. */
  public int to() {
    return slice + (remedy.bow().isPresent() ? 0 : AROUND);
  }

  /** A crossing is cured by the bow, whether the note after it is late or a run uneven. */
  private static Remedy remedy(Moment m, Fault.Kind kind) {
    boolean bow = kind == Fault.Kind.LATE || kind == Fault.Kind.UNEVEN;
    return bow && m.join() == Join.CROSSING
        ? Remedy.of(BowDrillKind.CROSSING)
        : Remedy.of(drill(m, kind));
  }

  private static DrillKind drill(Moment m, Fault.Kind kind) {
    return switch (kind) {
      case RUSH, EARLY -> DrillKind.ACCENTS;
      case DRAG -> DrillKind.BURSTS;
      case UNEVEN -> DrillKind.RHYTHMS;
      case LATE -> m.join() == Join.SHIFT ? DrillKind.STOP_BEFORE_SHIFT : DrillKind.SYLLABLES;
      case GAP -> DrillKind.BLOCKS;
      case CLIPPED, OVER_HELD -> DrillKind.END_CLICK;
      case SHARP, FLAT -> DrillKind.CHECKS;
      case DRIFT -> DrillKind.STEADY_NOTES;
      case WRONG, MISSING, ADDED -> DrillKind.ADD_A_NOTE;
      case RESTART -> DrillKind.CHAIN_BACK;
      case LOUD, SOFT -> DrillKind.DYNAMICS_SCALE;
      case ATTACK -> DrillKind.FINGER_FIRST;
      case GLIDE -> DrillKind.COUNTED_SLIDE;
    };
  }

  private static Breakage breakage(Moment m, Fault.Kind kind) {
    return switch (kind) {
      case RUSH, EARLY -> Breakage.RUSHED;
      case DRAG -> Breakage.DRAGGED;
      case UNEVEN -> Breakage.RHYTHM;
      case LATE ->
          switch (m.join()) {
            case SHIFT -> Breakage.SHIFT;
            case CROSSING -> Breakage.CROSSING;
            default -> Breakage.RHYTHM;
          };
      case GAP, CLIPPED, OVER_HELD -> Breakage.NOTE_LENGTH;
      case SHARP, FLAT, DRIFT -> Breakage.INTONATION;
      case WRONG, MISSING, ADDED -> Breakage.MISREAD;
      case RESTART -> Breakage.MEMORY;
      case LOUD, SOFT -> Breakage.BOW;
      case ATTACK -> Breakage.START;
      case GLIDE -> Breakage.SHIFT;
    };
  }

  /** A stop weighs most, then wrong notes, then time, pitch and length by how far they are off. */
  private static double weighed(Finding f) {
    double by =
        switch (f.kind()) {
          case RESTART -> 12;
          case WRONG, MISSING -> 10;
          case ADDED -> 8;
          case RUSH, DRAG -> f.amount() * 0.8;
          case UNEVEN -> f.amount() * 0.25;
          case LATE, EARLY -> f.amount() / 11;
          case SHARP, FLAT -> f.amount() / 4;
          case DRIFT -> f.amount() / 6;
          case GAP, CLIPPED, OVER_HELD -> f.amount() / 25;
          case LOUD, SOFT -> f.amount() * 0.4;
          case ATTACK, GLIDE -> f.amount() / 60;
        };
    return by * f.confidence();
  }

  /** What is to be said of a take before what was found in it. */
  public static List<Said> reserved(TakeReport report) {
    Expected e = report.expected();
    String first = e.bars().get(0).number();
    String last = e.bars().get(e.bars().size() - 1).number();
    return report.reservations().stream()
        .map(
            r ->
                Said.of(
                    "take.reserved." + r.kind(),
                    first,
                    last,
                    e.barOf(e.moments().get(r.moment())).number(),
                    Said.tenths(r.amount())))
        .toList();
  }
}
