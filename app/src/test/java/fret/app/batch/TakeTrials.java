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
import fret.session.TakeScore;
import fret.take.Expected;
import fret.take.Expected.Moment;
import fret.take.Fault;
import fret.take.Fault.Kind;
import fret.take.Finding;
import fret.take.HeardNote;
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

  static Expected expected(
      String name, byte[] bytes, String part, InstrumentType type, double perMinute)
      throws Exception {
    var read = new PartFiles().read(name, bytes, part);
    Passage made = NewPassage.of(name, part, read.value(), Reading.PLAIN, Setup.usual(type));
    Passage.Settings s = made.settings().withTarget(new Tempo(Beat.QUARTER, perMinute));
    Session session = Session.of(made.withSettings(s), read.value());
    return TakeScore.of(session, Ear.tuned(session, Ear.harmony(session, List.of())));
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
    compare(name, played, report);
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
  private void compare(String name, SimulatedPlayer.Played played, TakeReport report) {
    for (SimulatedPlayer.Truth t : played.notes()) {
      Moment m = report.expected().moments().get(t.moment());
      sounded++;
      var heard = report.heard().of(t.moment());
      if (heard.isEmpty()) {
        unheard++;
        log.add(name + " unheard " + t.moment());
        continue;
      }
      HeardNote n = heard.get();
      double hertz = m.starting().get(0).hertz();
      double allowed = Math.max(10, 500 / hertz);
      double off = (n.onsetS() - t.onsetS()) * 1000;
      onsetErrors.add(off);
      onsetOver.add(Math.abs(off) / allowed);
      if (Math.abs(off) > allowed) {
        log.add(
            name
                + " onset "
                + t.moment()
                + " off "
                + Math.round(off)
                + " join "
                + m.join()
                + " len "
                + Math.round(m.lengthMs())
                + " "
                + m.starting().get(0).pitch()
                + (m.isSingle() ? "" : " chord")
                + (m.slurred() ? " slurred" : "")
                + (m.ornament() ? " orn" : ""));
      }
      if (m.isSingle() && n.isPitched() && t.endS() - t.onsetS() >= 0.15) {
        double tuned = report.heard().tunedCents() + n.cents();
        centErrors.add(tuned - t.cents());
        if (Math.abs(tuned - t.cents()) > 2) {
          log.add(
              name
                  + " cents "
                  + t.moment()
                  + " off "
                  + Math.round((tuned - t.cents()) * 10) / 10.0
                  + " len "
                  + Math.round(m.lengthMs())
                  + " "
                  + m.starting().get(0).pitch());
        }
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
        for (int k = f.moment() - 2; k <= f.moment() + 2; k++) {
          if (k >= 0 && k < expected.moments().size()) {
            int at = k;
            Moment m = expected.moments().get(k);
            log.add(
                "   "
                    + k
                    + " "
                    + m.starting().stream().map(x -> Math.round(x.hertz())).toList()
                    + " "
                    + Math.round(m.lengthMs())
                    + " "
                    + report.heard().of(k)
                    + " true "
                    + played.notes().stream().filter(x -> x.moment() == at).toList());
          }
        }
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
      Fault fault = fault(expected, kind, moment, random);
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

  /** Null where the kind cannot be planted there. */
  private static Fault fault(Expected e, Kind kind, int at, Random random) {
    List<Moment> all = e.moments();
    if (at < 1 || at + 1 >= all.size()) {
      return null;
    }
    Moment m = all.get(at);
    double step = all.get(at + 1).startMs() - m.startMs();
    double before = m.startMs() - all.get(at - 1).startMs();
    boolean plain =
        m.isSingle() && !m.ornament() && all.get(at - 1).isSingle() && all.get(at + 1).isSingle();
    switch (kind) {
      case RUSH, DRAG -> {
        int first = at;
        while (first > 0 && all.get(first - 1).bar() == m.bar()) {
          first--;
        }
        int last = first;
        while (last + 1 < all.size() && all.get(last + 1).bar() == m.bar()) {
          last++;
        }
        Expected.Span span = e.bars().get(m.bar());
        boolean full = all.get(first).startMs() - span.startMs() < 1 && last + 1 < all.size();
        return !full || last - first < 2 || first < 1 || span.endMs() - span.startMs() < 900
            ? null
            : new Fault(kind, first, 6 + 8 * random.nextDouble());
      }
      case LATE, EARLY -> {
        double amount = 40 + 40 * random.nextDouble();
        return step < 2.2 * amount
                || before < 2.2 * amount
                || m.ornament()
                || step > 2500
                || before > 2500
            ? null
            : new Fault(kind, at, amount);
      }
      case SHARP, FLAT -> {
        return !plain || m.lengthMs() < 150
            ? null
            : new Fault(kind, at, 15 + 20 * random.nextDouble());
      }
      case CLIPPED -> {
        double amount = Math.max(40, m.lengthMs() * (0.2 + 0.2 * random.nextDouble()));
        Kind own = all.get(at + 1).slurred() ? Kind.GAP : Kind.CLIPPED;
        return !plain || !m.connected() || m.lengthMs() < 2 * amount || m.lengthMs() < 120
            ? null
            : new Fault(own, at, amount);
      }
      case WRONG -> {
        return !plain || m.lengthMs() < 90 ? null : new Fault(kind, at, 1 + random.nextInt(2));
      }
      case MISSING -> {
        boolean distinct =
            !m.starting().get(0).pitch().equals(all.get(at - 1).starting().get(0).pitch())
                && !m.starting().get(0).pitch().equals(all.get(at + 1).starting().get(0).pitch());
        return !plain || m.lengthMs() < 80 || !distinct ? null : new Fault(kind, at, 1);
      }
      case ADDED -> {
        return !plain || m.lengthMs() < 260 ? null : new Fault(kind, at, 1);
      }
      case RESTART -> {
        int first = at;
        while (first > 0 && all.get(first - 1).bar() == m.bar()) {
          first--;
        }
        int inBar = 0;
        for (int i = first; i < all.size() && all.get(i).bar() == m.bar(); i++) {
          inBar++;
        }
        return first < 1 || inBar < 3 ? null : new Fault(kind, first, 1);
      }
      default -> {
        return null;
      }
    }
  }

  static double percentile(List<Double> values, double share) {
    double[] sorted = values.stream().mapToDouble(Math::abs).sorted().toArray();
    return sorted.length == 0
        ? 0
        : sorted[(int) Math.min(sorted.length - 1, share * sorted.length)];
  }

  String summary() {
    int planted = 0;
    int found = 0;
    int wrong = 0;
    StringBuilder text = new StringBuilder();
    for (var e : counts.entrySet()) {
      Count c = e.getValue();
      planted += c.planted;
      found += c.found;
      wrong += c.wrong;
      text.append(
          String.format("| %s | %d | %d | %d |%n", e.getKey().id(), c.planted, c.found, c.wrong));
    }
    double f1 = planted == 0 ? 0 : 2.0 * found / (planted + found + wrong);
    text.append(
        String.format(
            "F1 %.3f; clean %d of which told something %d; onset err p95 %.1f ms, within bound %.3f; cents p95 %.2f; unheard %d of %d%n",
            f1,
            clean,
            cleanWithFaults,
            percentile(onsetErrors, 0.95),
            onsetOver.stream().filter(x -> x <= 1).count() / (double) Math.max(1, onsetOver.size()),
            percentile(centErrors, 0.95),
            unheard,
            sounded));
    return text.toString();
  }
}
