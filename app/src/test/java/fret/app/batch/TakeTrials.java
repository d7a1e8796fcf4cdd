package fret.app.batch;

import fret.format.part.PartFiles;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.search.Token;
import fret.session.Ear;
import fret.session.NewPassage;
import fret.session.Session;
import fret.take.Expected;
import fret.take.Expected.Moment;
import fret.take.Fault;
import fret.take.Fault.Kind;
import fret.take.Finding;
import fret.take.HeardNote;
import fret.take.Planting;
import fret.take.Recording;
import fret.take.SimulatedPlayer;
import fret.take.TakeReport;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Simulated takes with and without planted faults, and how well they are told. */
final class TakeTrials {
  /** How often a kind was planted and found, and how often it was told where it was not. */
  static final class Count {
    int planted;
    int found;
    int wrong;
  }

  final Map<Kind, Count> counts = new TreeMap<>();
  final List<Double> onsetErrors = new ArrayList<>();
  final List<Double> onsetOver = new ArrayList<>();
  final List<Double> centErrors = new ArrayList<>();
  final List<String> log = new ArrayList<>();
  int clean;
  int cleanWithFaults;
  int unheard;
  int sounded;

  static Session session(
      String name, byte[] bytes, String part, InstrumentType type, double perMinute)
      throws Exception {
    var read = new PartFiles().read(name, bytes, part);
    Passage made = NewPassage.of(name, part, read.value(), Reading.PLAIN, Setup.usual(type));
    Passage.Settings s = made.settings().withTarget(new Tempo(Beat.QUARTER, perMinute));
    return Session.of(made.withSettings(s), read.value());
  }

  static Expected expected(
      String name, byte[] bytes, String part, InstrumentType type, double perMinute)
      throws Exception {
    Session session = session(name, bytes, part, type, perMinute);
    return Ear.expected(session, Ear.harmony(session, List.of()));
  }

  static Recording recorded(SimulatedPlayer.Played played) {
    return Recording.of(played.samples(), SimulatedPlayer.RATE);
  }

  void clean(String name, Expected expected, SimulatedPlayer.Style style) {
    var played = SimulatedPlayer.play(expected, List.of(), style);
    TakeReport report = TakeReport.of(recorded(played), expected, Token.NEVER, p -> {});
    clean++;
    if (!report.findings().isEmpty()) {
      cleanWithFaults++;
      for (Finding f : report.findings()) {
        count(f.kind()).wrong++;
        log.add(name + " clean " + style.seed() + ": " + text(expected, f));
      }
    }
    compare(played, report);
  }

  private static String text(Expected e, Finding f) {
    Moment m = e.moments().get(f.moment());
    return f.kind()
        + " bar "
        + e.barOf(m).number()
        + " moment "
        + f.moment()
        + " "
        + Math.round(f.amount() * 10) / 10.0;
  }

  /** Onsets and pitches against what was really made. */
  void compare(SimulatedPlayer.Played played, TakeReport report) {
    for (SimulatedPlayer.Truth t : played.notes()) {
      Moment m = report.expected().moments().get(t.moment());
      sounded++;
      var heard = report.heard().of(t.moment());
      if (heard.isEmpty()) {
        unheard++;
        continue;
      }
      HeardNote n = heard.get();
      double hertz = m.starting().get(0).hertz();
      double allowed = Math.max(10, 500 / hertz);
      double off = (n.onsetS() - t.onsetS()) * 1000;
      onsetErrors.add(off);
      onsetOver.add(Math.abs(off) / allowed);
      if (m.isSingle() && n.pitch().isTold() && t.endS() - t.onsetS() >= 0.15) {
        double tuned = report.heard().tunedCents() + n.pitch().cents();
        centErrors.add(tuned - t.cents());
      }
    }
  }

  Count count(Kind kind) {
    return counts.computeIfAbsent(kind, k -> new Count());
  }

  void faulty(String name, Expected expected, SimulatedPlayer.Style style) {
    List<Fault> faults = faults(expected, new Random(style.seed() * 31 + 7));
    var played = SimulatedPlayer.play(expected, faults, style);
    TakeReport report = TakeReport.of(recorded(played), expected, Token.NEVER, p -> {});
    List<Finding> open = new ArrayList<>(report.findings());
    for (Fault f : faults) {
      Count c = count(f.kind());
      c.planted++;
      int bar = expected.moments().get(f.moment()).bar();
      var match =
          open.stream()
              .filter(x -> x.kind() == f.kind())
              .filter(x -> expected.moments().get(x.moment()).bar() == bar)
              .findFirst();
      if (match.isPresent()) {
        c.found++;
        open.remove(match.get());
      } else {
        log.add(
            name + " faulty " + style.seed() + " not found: " + text(expected, new Finding(f, 1)));
      }
    }
    for (Finding f : open) {
      count(f.kind()).wrong++;
      log.add(
          name
              + " faulty "
              + style.seed()
              + " extra: "
              + text(expected, f)
              + " of "
              + faults.stream().map(x -> text(expected, new Finding(x, 1))).toList());
    }
  }

  // ---- planting --------------------------------------------------------------------------------

  private static final List<Kind> KINDS =
      List.of(
          Kind.RUSH,
          Kind.DRAG,
          Kind.LATE,
          Kind.EARLY,
          Kind.SHARP,
          Kind.FLAT,
          Kind.CLIPPED,
          Kind.WRONG,
          Kind.MISSING,
          Kind.ADDED,
          Kind.RESTART);

  static List<Fault> faults(Expected expected, Random random) {
    List<Fault> all = new ArrayList<>();
    List<Integer> bars = new ArrayList<>();
    int wanted = 2 + random.nextInt(4);
    for (int attempt = 0; attempt < 60 && all.size() < wanted; attempt++) {
      Kind kind = KINDS.get(random.nextInt(KINDS.size()));
      int moment = 1 + random.nextInt(Math.max(1, expected.moments().size() - 2));
      double amount = amount(kind, expected.moments().get(moment), random);
      Fault fault = Planting.at(expected, kind, moment, amount).orElse(null);
      if (fault != null) {
        int bar = expected.moments().get(fault.moment()).bar();
        boolean free = bars.stream().noneMatch(b -> Math.abs(b - bar) < 2);
        boolean once = kind != Kind.RESTART || all.stream().noneMatch(f -> f.kind() == kind);
        if (free && once) {
          bars.add(bar);
          all.add(fault);
        }
      }
    }
    return all;
  }

  /** From the least that must be found to about twice as much. */
  private static double amount(Kind kind, Moment m, Random random) {
    double more = random.nextDouble();
    return switch (kind) {
      case RUSH, DRAG -> 6 + 8 * more;
      case LATE, EARLY -> 40 + 40 * more;
      case SHARP, FLAT -> 15 + 20 * more;
      case CLIPPED -> Math.max(40, m.lengthMs() * (0.2 + 0.2 * more));
      case WRONG -> 1 + Math.floor(1.99 * more);
      default -> 1;
    };
  }

  static double percentile(List<Double> values, double share) {
    double[] sorted = values.stream().mapToDouble(Math::abs).sorted().toArray();
    return sorted.length == 0
        ? 0
        : sorted[(int) Math.min(sorted.length - 1, share * sorted.length)];
  }

  /** Share of the faults found and told rightly: 2 found / (planted + told). */
  double f1() {
    int planted = counts.values().stream().mapToInt(c -> c.planted).sum();
    int found = counts.values().stream().mapToInt(c -> c.found).sum();
    int wrong = counts.values().stream().mapToInt(c -> c.wrong).sum();
    return planted == 0 ? 1 : 2.0 * found / (planted + found + wrong);
  }

  double cleanShare() {
    return 1 - cleanWithFaults / (double) Math.max(1, clean);
  }

  /** Share of onsets within 10 ms or half a period. */
  double onsetsWithin() {
    return onsetOver.stream().filter(x -> x <= 1).count() / (double) Math.max(1, onsetOver.size());
  }
}
