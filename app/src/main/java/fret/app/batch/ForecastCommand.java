package fret.app.batch;

import fret.plan.ForecastReport;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code forecast}: how good the forecast is, over simulated players. */
@Command(
    name = "forecast",
    description = "Hold the forecast against simulated players who follow the plan.",
    mixinStandardHelpOptions = true)
final class ForecastCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Option(names = "--learners", defaultValue = "100", description = "of each of the five kinds")
  private int learners;

  @Option(names = "--seed", defaultValue = "900000", description = "first seed")
  private long seed;

  @Override
  public Integer call() {
    var out = spec.commandLine().getOut();
    out.printf(
        Locale.ROOT,
        "%-12s %6s %8s %10s %8s %10s %12s %10s%n",
        "learners",
        "told",
        "early",
        "coverage",
        "score",
        "pace's",
        "late early",
        "no: right");
    for (Map.Entry<String, ForecastReport.Row> e : ForecastReport.of(learners, seed).entrySet()) {
      ForecastReport.Row r = e.getValue();
      out.printf(
          Locale.ROOT,
          "%-12s %6d %8d %10.3f %8.1f %10.1f %12.3f %5d/%d%n",
          e.getKey().toLowerCase(Locale.ROOT),
          r.told(),
          r.early(),
          r.coverage(),
          r.score(),
          r.simple(),
          r.lateEarly(),
          r.noRight(),
          r.no());
    }
    return 0;
  }
}
