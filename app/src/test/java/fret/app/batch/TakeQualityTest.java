package fret.app.batch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.search.Token;
import fret.session.Ear;
import fret.session.Session;
import fret.take.Expected;
import fret.take.Recording;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Played;
import fret.take.SimulatedPlayer.Style;
import fret.take.TakeReport;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/**
 * Simulated takes over the demo passages, clean and with faults. With {@code -Dfret.report} as many
 * as are asked for, also over real parts, and a page of figures.
 */
class TakeQualityTest {
  record Piece(String file, InstrumentType type, int target) {}

  static final List<Piece> PIECES =
      List.of(
          new Piece("lantern-dance", InstrumentType.VIOLIN, 108),
          new Piece("slow-tide", InstrumentType.CELLO, 54),
          new Piece("workshop-march", InstrumentType.VIOLA, 96),
          new Piece("giants-stairs", InstrumentType.BASS, 88),
          new Piece("night-market", InstrumentType.VIOLIN, 72));

  private static final List<Piece> REAL =
      List.of(
          new Piece("corelli-op2-no2-allemanda-violinoI", InstrumentType.VIOLIN, 66),
          new Piece("corelli-op2-no2-allemanda-violone", InstrumentType.CELLO, 66));

  static Expected expected(Piece p) throws Exception {
    Session s = session(p);
    return Ear.expected(s, Ear.harmony(s, List.of()));
  }

  static Session session(Piece p) throws Exception {
    try (InputStream in =
        TakeQualityTest.class.getResourceAsStream("/fret/app/demo/" + p.file() + ".musicxml")) {
      return TakeTrials.session(p.file(), in.readAllBytes(), "", p.type(), p.target());
    }
  }

  private static TakeTrials tried(List<Expected> pieces, int each) {
    TakeTrials trials = new TakeTrials();
    for (int k = 0; k < each; k++) {
      for (int i = 0; i < pieces.size(); i++) {
        String name = i < PIECES.size() ? PIECES.get(i).file() : "real " + i;
        trials.clean(name, pieces.get(i), Style.USUAL.withSeed(100L * k + i));
        trials.faulty(name, pieces.get(i), Style.USUAL.withSeed(100L * k + i + 50_000));
      }
    }
    return trials;
  }

  private static List<Expected> demo() throws Exception {
    List<Expected> all = new ArrayList<>();
    for (Piece p : PIECES) {
      all.add(expected(p));
    }
    return all;
  }

  @Test
  void cleanTakesStayCleanAndPlantedFaultsAreFound() throws Exception {
    TakeTrials trials = tried(demo(), 3);
    assertThat(trials.onsetsWithin()).as("onsets").isGreaterThanOrEqualTo(0.95);
    assertThat(TakeTrials.percentile(trials.centErrors, 0.95)).as("cents").isLessThan(2);
    assertThat(trials.f1()).as(() -> String.join("\n", trials.log)).isGreaterThanOrEqualTo(0.95);
    assertThat(trials.cleanShare()).isGreaterThanOrEqualTo(0.9);
    assertThat(trials.unheard).isZero();
  }

  // ---- the page of figures ---------------------------------------------------------------------

  @Test
  void report() throws Exception {
    String file = System.getProperty("fret.takes");
    if (file == null) {
      return; // Only where the page is asked for.
    }
    List<Expected> pieces = demo();
    String parts = System.getProperty("fret.parts", "");
    for (Piece p : parts.isEmpty() ? List.<Piece>of() : REAL) {
      byte[] bytes = Files.readAllBytes(Path.of(parts, p.file() + ".musicxml"));
      pieces.add(TakeTrials.expected(p.file(), bytes, "", p.type(), p.target()));
    }
    TakeTrials trials = tried(pieces, (100 + pieces.size() - 1) / pieces.size());
    StringBuilder page = new StringBuilder();
    line(page, "# How well takes are told");
    line(page, "");
    line(page, "Written by `scripts/quality.sh`. The simulated player plays the demo passages and");
    line(page, "two real parts, each moment 6 ms and each note 3 cents from exact (normal), with");
    line(page, "vibrato and noise 40 dB below, and faults planted at random from the least that");
    line(page, "must be found to about twice as much. A fault is found when its kind is told in");
    line(page, "its bar; everything else that is told is wrong.");
    line(page, "");
    line(page, "| kind | planted | found | told wrongly |");
    line(page, "|---|---:|---:|---:|");
    trials.counts.forEach(
        (kind, c) -> line(page, "| %s | %d | %d | %d |", kind.id(), c.planted, c.found, c.wrong));
    line(page, "");
    line(page, "- F1 over all faults: %.3f (wanted 0.95).", trials.f1());
    line(
        page,
        "- Clean takes of which nothing is told: %.0f %% of %d (wanted 95 %%).",
        100 * trials.cleanShare(),
        trials.clean);
    line(
        page,
        "- Onsets within 10 ms or half a period: %.1f %% of %d (wanted 95 %%).",
        100 * trials.onsetsWithin(),
        trials.onsetErrors.size());
    line(
        page,
        "- Pitch of single notes of 150 ms or longer: 95 %% of %d within %.2f cents (wanted 2).",
        trials.centErrors.size(),
        TakeTrials.percentile(trials.centErrors, 0.95));
    line(page, "- Notes not heard at all: %d of %d.", trials.unheard, trials.sounded);
    line(page, "");
    spoilt(page, pieces);
    line(page, "## What was missed or told wrongly");
    line(page, "");
    trials.log.forEach(l -> line(page, "- %s", l));
    Files.writeString(Path.of(file), page);
  }

  private static void line(StringBuilder page, String text, Object... args) {
    page.append(args.length == 0 ? text : String.format(Locale.ROOT, text, args)).append('\n');
  }

  /** Worse recordings: noise, a click that bleeds through, a room. */
  private static void spoilt(StringBuilder page, List<Expected> pieces) {
    line(page, "## Worse recordings");
    line(page, "");
    line(page, "| recording | onsets within | cents (95 %) | clean | not heard |");
    line(page, "|---|---:|---:|---:|---:|");
    row(page, "noise 40 dB below", pieces, Style.USUAL, x -> x);
    row(page, "noise 26 dB below", pieces, Style.USUAL.withNoise(26), x -> x);
    row(page, "click 20 dB below, every 600 ms", pieces, Style.USUAL, x -> clicked(x));
    row(page, "room of 0.6 s, 14 dB below", pieces, Style.USUAL, x -> inARoom(x));
    row(page, "tuned 30 cents low", pieces, Style.USUAL.withTuned(-30), x -> x);
    row(page, "at 0.55 of the tempo", pieces, Style.USUAL.withTempo(0.55), x -> x);
    row(page, "at 1.4 of the tempo", pieces, Style.USUAL.withTempo(1.4), x -> x);
    line(page, "");
  }

  private static void row(
      StringBuilder page,
      String name,
      List<Expected> pieces,
      Style style,
      UnaryOperator<float[]> spoil) {
    TakeTrials t = new TakeTrials();
    for (int i = 0; i < pieces.size(); i++) {
      for (long seed = 0; seed < 2; seed++) {
        Played played =
            SimulatedPlayer.play(pieces.get(i), List.of(), style.withSeed(900 + 10 * seed + i));
        Recording recording = Recording.of(spoil.apply(played.samples()), SimulatedPlayer.RATE);
        t.clean++;
        TakeReport r = TakeReport.of(recording, pieces.get(i), Token.NEVER, p -> {});
        t.cleanWithFaults += r.findings().isEmpty() ? 0 : 1;
        t.compare(played, r);
      }
    }
    line(
        page,
        "| %s | %.1f %% | %.2f | %.0f %% of %d | %d of %d |",
        name,
        100 * t.onsetsWithin(),
        TakeTrials.percentile(t.centErrors, 0.95),
        100 * t.cleanShare(),
        t.clean,
        t.unheard,
        t.sounded);
  }

  private static float[] clicked(float[] x) {
    float[] y = x.clone();
    for (int at = 0; at < y.length; at += (int) (0.6 * SimulatedPlayer.RATE)) {
      for (int i = 0; i < 900 && at + i < y.length; i++) {
        double t = i / (double) SimulatedPlayer.RATE;
        y[at + i] += (float) (0.02 * Math.exp(-t * 180) * Math.cos(2 * Math.PI * 1600 * t));
      }
    }
    return y;
  }

  /** Many late echoes that die away by 60 dB in 0.6 s. */
  static float[] inARoom(float[] x) {
    Random random = new Random(5);
    float[] y = x.clone();
    for (int e = 0; e < 60; e++) {
      double t = 0.012 + 0.5 * random.nextDouble();
      double gain =
          0.2 / Math.sqrt(12) * Math.pow(10, -3 * t / 0.6) * (random.nextBoolean() ? 1 : -1);
      int by = (int) (t * SimulatedPlayer.RATE);
      for (int i = by; i < y.length; i++) {
        y[i] += (float) (gain * x[i - by]);
      }
    }
    return y;
  }
}
