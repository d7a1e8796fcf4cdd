package fret.app.batch;

import static java.nio.file.StandardOpenOption.APPEND;
import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import fret.harmony.Harmony;
import fret.intonation.OpenStrings;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.search.Token;
import fret.session.Ear;
import fret.session.Session;
import fret.session.TakeScore;
import fret.take.Expected;
import fret.take.Fault.Kind;
import fret.take.Finding;
import fret.take.Recording;
import fret.take.Reservation;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Style;
import fret.take.TakeReport;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes that are right, in any tuning and in worse rooms: hardly anything may be told of them. */
class FalseAlarmsTest {
  @TempDir Path folder;

  /** A passage as it is played in one tuning, and what any right take of it is checked against. */
  private record Part(
      TakeQualityTest.Piece piece, Map<Temperament, Expected> played, Expected any) {}

  private static Part part(TakeQualityTest.Piece p) throws Exception {
    Session s = TakeQualityTest.session(p);
    Harmony harmony = Ear.harmony(s, List.of());
    OpenStrings strings = OpenStrings.pure(s.task().hand().instrument(), 440);
    List<Tuned> all = Ear.inEveryTuning(s, strings, harmony);
    Map<Temperament, Expected> played = new TreeMap<>();
    for (Temperament t : Temperament.values()) {
      played.put(t, mixed(TakeScore.of(s, all.get(t.ordinal())), TakeScore.of(s, all.get(0))));
    }
    return new Part(p, played, Ear.expected(s, harmony));
  }

  /** Notes alone in one tuning, what sounds together in the usual one. */
  private static Expected mixed(Expected alone, Expected together) {
    List<Expected.Moment> moments = new ArrayList<>();
    for (int i = 0; i < alone.moments().size(); i++) {
      boolean single = alone.moments().get(i).isSingle();
      moments.add((single ? alone : together).moments().get(i));
    }
    return new Expected(moments, alone.bars(), alone.a4());
  }

  private static final class Count {
    private final boolean loudness;

    Count(boolean loudness) {
      this.loudness = loudness;
    }

    final Map<Kind, Integer> kinds = new TreeMap<>();
    final List<Integer> takes = new ArrayList<>();

    void add(float[] samples, int rate, Expected any) {
      TakeReport r = TakeReport.of(Recording.of(samples, rate), any, Token.NEVER, x -> {});
      List<Finding> found =
          r.findings().stream()
              .filter(f -> loudness || f.kind() != Kind.LOUD && f.kind() != Kind.SOFT)
              .toList();
      for (Finding f : found) {
        kinds.merge(f.kind(), 1, Integer::sum);
      }
      takes.add(found.size());
    }

    double mean() {
      return takes.stream().mapToInt(x -> x).average().orElse(0);
    }

    int most() {
      return takes.stream().mapToInt(x -> x).max().orElse(0);
    }

    @Override
    public String toString() {
      return takes.size() + " takes, mean " + mean() + ", most " + most() + " " + kinds + takes;
    }
  }

  private static List<Part> parts() throws Exception {
    List<Part> all = new ArrayList<>();
    for (TakeQualityTest.Piece p : TakeQualityTest.PIECES) {
      all.add(part(p));
    }
    return all;
  }

  private static float[] played(Expected e, long seed) {
    return SimulatedPlayer.play(e, List.of(), Style.USUAL.withSeed(seed)).samples();
  }

  /** Right takes in a room, a third each with the chord, melodic and equal. */
  private static Count inARoom(List<Part> parts, long seed) {
    Count count = new Count(true);
    for (Part p : parts) {
      for (Temperament t : Temperament.values()) {
        float[] x = TakeQualityTest.inARoom(played(p.played().get(t), seed));
        count.add(x, SimulatedPlayer.RATE, p.any());
      }
    }
    return count;
  }

  private Count sampled(List<Part> parts, int takes, int seed) throws Exception {
    Count count = new Count(false);
    for (Part p : parts) {
      for (int i = 0; i < takes; i++) {
        Expected e = p.played().get(Temperament.values()[(seed + i) % 3]);
        int program = SampledTakesTest.program(p.piece().type());
        float[] x = new SampledStrings(folder).play(e, program, seed + i).samples();
        count.add(x, 44_100, p.any());
      }
    }
    return count;
  }

  @Test
  void ofRightTakesInARoomHardlyAnythingIsTold() throws Exception {
    Count count = inARoom(parts(), 70);
    assertThat(count.takes).hasSize(15);
    assertThat(count.mean()).as(count.toString()).isLessThanOrEqualTo(1);
    assertThat(count.most()).as(count.toString()).isLessThanOrEqualTo(3);
  }

  /** Loudness left out: the sound bank plays every note alike, so what is told of it is true. */
  @Test
  void ofSampledStringsLittleIsTold() throws Exception {
    assumeTrue(
        SampledStrings.areThere(),
        "skipped: sampled strings need the packages fluidsynth and fluid-soundfont-gm");
    Count count = sampled(parts(), 1, 0);
    assertThat(count.mean()).as(count.toString()).isLessThanOrEqualTo(1);
    assertThat(count.most()).as(count.toString()).isLessThanOrEqualTo(3);
  }

  /** The page of figures: three times twenty takes, the last held back while bounds were set. */
  @Test
  void report() throws Exception {
    String file = System.getProperty("fret.alarms");
    if (file == null) {
      return; // Only where the page is asked for.
    }
    List<Part> parts = parts();
    StringBuilder page = new StringBuilder("\n## False alarms\n\n");
    page.append("Right takes; whatever is told of one is wrong. Loudness is left out of sampled");
    page.append(" ones.\n\n| takes | number | mean | most | what |\n|---|---:|---:|---:|---|\n");
    page.append(row("in a room, each tuning", inARoom(parts, 70)));
    page.append(row("in a room, held back", inARoom(parts, 1070)));
    if (SampledStrings.areThere()) {
      page.append(row("sampled strings", sampled(parts, 4, 0)));
      page.append(row("sampled strings, held back", sampled(parts, 2, 500)));
    }
    Files.writeString(Path.of(file), page, APPEND);
  }

  private static String row(String name, Count c) {
    return String.format(
        Locale.ROOT,
        "| %s | %d | %.2f | %d | %s |%n",
        name,
        c.takes.size(),
        c.mean(),
        c.most(),
        c.kinds);
  }

  // ---- what is no take of the part -------------------------------------------------------------

  private static TakeReport heard(float[] samples, Expected e) {
    Recording recording = Recording.of(samples, SimulatedPlayer.RATE);
    return TakeReport.of(recording, e, Token.NEVER, x -> {});
  }

  private static List<Reservation.Kind> reserved(TakeReport r) {
    return r.reservations().stream().map(Reservation::kind).toList();
  }

  @Test
  void anotherPieceAndNoiseAreToldAndNotJudged() throws Exception {
    List<Part> parts = parts();
    int looked = 0;
    for (Part part : parts) {
      for (Part other : parts) {
        for (long seed = 3; !part.equals(other) && seed < 5; seed++) {
          TakeReport r = heard(played(other.any(), seed), part.any());
          assertThat(r.reservations())
              .as(other.piece() + " against " + part.piece())
              .as(
                  r.heard().alignedShare()
                      + " of "
                      + r.heard().notes().size()
                      + " "
                      + r.reservations())
              .hasSize(1)
              .allMatch(Reservation::isOfSomethingElse);
          assertThat(r.findings()).isEmpty();
          looked++;
        }
      }
    }
    assertThat(looked).isEqualTo(40);
    Random random = new Random(4);
    float[] noise = new float[8 * SimulatedPlayer.RATE];
    for (int i = 0; i < noise.length; i++) {
      noise[i] = (float) (0.1 * random.nextGaussian());
    }
    TakeReport r = heard(noise, parts.get(0).any());
    assertThat(reserved(r)).containsExactly(Reservation.Kind.NOTHING);
    assertThat(r.findings()).isEmpty();
  }

  /**
   * A voice that talks: syllables of 0.1 to 0.3 s with gaps, the pitch gliding within them,
   * partials stronger about two formants, a hiss before some (orders of size of speech, from
   * memory).
   */
  private static float[] speech(double lowest, double seconds, long seed) {
    Random random = new Random(seed);
    float[] all = new float[(int) (seconds * SimulatedPlayer.RATE)];
    int at = 0;
    while (at < all.length) {
      int length = (int) ((0.1 + 0.2 * random.nextDouble()) * SimulatedPlayer.RATE);
      double from = lowest * (1 + random.nextDouble());
      double glide = 0.8 + 0.5 * random.nextDouble();
      double first = 300 + 500 * random.nextDouble();
      double second = 900 + 1400 * random.nextDouble();
      boolean hisses = random.nextInt(3) == 0;
      double phase = 0;
      for (int i = 0; i < length && at + i < all.length; i++) {
        double share = i / (double) length;
        double hertz = from * Math.pow(glide, share);
        phase += 2 * Math.PI * hertz / SimulatedPlayer.RATE;
        double sum = hisses && share < 0.3 ? 2 * random.nextGaussian() : 0;
        for (int k = 1; k * hertz < 4000; k++) {
          double near =
              Math.hypot(
                  1, Math.min(Math.abs(k * hertz - first), Math.abs(k * hertz - second)) / 120);
          sum += Math.sin(k * phase) / near / Math.sqrt(k);
        }
        all[at + i] = (float) (0.06 * Math.sin(Math.PI * share) * sum);
      }
      at += length + (int) (0.25 * random.nextDouble() * SimulatedPlayer.RATE);
    }
    return all;
  }

  @Test
  void speechIsToldAndNotJudged() throws Exception {
    for (Part part : parts()) {
      for (double lowest : new double[] {85, 165}) {
        TakeReport r = heard(speech(lowest, 25, 11), part.any());
        assertThat(r.reservations())
            .as(part.piece() + " " + lowest + " " + r.heard().alignedShare())
            .anyMatch(Reservation::isOfSomethingElse);
        assertThat(r.findings()).isEmpty();
      }
    }
  }

  @Test
  void whatIsCutOffIsToldAndALongSilenceIsAStop() throws Exception {
    Part part = part(TakeQualityTest.PIECES.get(0));
    float[] x = played(part.any(), 3);
    TakeReport half = heard(Arrays.copyOf(x, x.length / 2), part.any());
    assertThat(reserved(half)).containsExactly(Reservation.Kind.ENDS_EARLIER);
    TakeReport late = heard(Arrays.copyOfRange(x, x.length / 2, x.length), part.any());
    assertThat(reserved(late)).containsExactly(Reservation.Kind.BEGINS_LATER);
    int silence = 20 * SimulatedPlayer.RATE;
    float[] apart = new float[x.length + silence];
    int at = x.length / 3;
    System.arraycopy(x, 0, apart, 0, at);
    System.arraycopy(x, at, apart, at + silence, x.length - at);
    TakeReport stopped = heard(apart, part.any());
    assertThat(reserved(stopped)).containsExactly(Reservation.Kind.STOP);
    assertThat(stopped.reservations().get(0).amount()).isBetween(19.0, 21.0);
    assertThat(stopped.findings()).noneMatch(f -> f.amount() > 1000);
  }
}
