package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Fractions;
import fret.base.UnusableInput;
import fret.drill.Chunk;
import fret.drill.Chunker;
import fret.plan.Gate;
import fret.plan.PlanRequest;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.plan.ReadyDate;
import fret.score.Score;
import fret.session.BowSpots;
import fret.session.Session;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code plan}: chunks, ladder and days up to an audition. */
@Command(
    name = "plan",
    description = "Plan the practice of a part up to a date.",
    mixinStandardHelpOptions = true)
final class PlanCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private PartOptions options;

  @Option(
      names = {"--target", "--tempo"},
      required = true,
      description = "target, beats per minute")
  private int target;

  @Option(names = "--from", required = true, description = "first day, as 2026-01-31")
  private LocalDate from;

  @Option(names = "--audition", required = true, description = "day of the audition")
  private LocalDate audition;

  @Option(names = "--minutes", required = true, description = "minutes a day, 5 to 600")
  private int minutes;

  @Override
  public Integer call() throws UnusableInput {
    if (target < 2 || target > 1000) {
      throw options.usage("--target " + target + " is outside 2 to 1000");
    }
    if (minutes < 5 || minutes > 600) {
      throw options.usage("--minutes " + minutes + " is outside 5 to 600");
    }
    if (audition.isBefore(from)) {
      throw options.usage("--audition " + audition + " is before --from " + from);
    }
    Session session = options.session(options.score(), target);
    Score score = session.score();
    Tempo tempo = session.passage().settings().target();
    List<Chunk> chunks =
        Chunker.chunks(session.resolved(), session.fingering(), session.passage().marks());
    Ladder ladder = Ladder.toTarget(target);
    LocalDate ready = ReadyDate.of(from, audition);
    PracticePlan plan =
        Planner.plan(
            new PlanRequest(
                0,
                score,
                chunks,
                tempo,
                ladder,
                from,
                ready,
                minutes,
                Gate.Settings.USUAL,
                List.of(),
                BowSpots.lengths(session, chunks),
                Set.of()));
    if (options.json) {
      ObjectNode root = json(ready, ladder, chunks, plan);
      Json.problems(root, session.problems());
      spec.commandLine().getOut().println(Json.text(root));
    } else {
      printText(ready, ladder, plan);
    }
    return 0;
  }

  private static ObjectNode json(
      LocalDate ready, Ladder ladder, List<Chunk> chunks, PracticePlan plan) {
    ObjectNode root = Json.object();
    root.put("readyDate", ready.toString());
    ArrayNode levels = root.putArray("levels");
    ladder.levels().forEach(levels::add);
    ArrayNode chunkArray = root.putArray("chunks");
    for (Chunk c : chunks) {
      chunkArray
          .addObject()
          .put("id", c.id())
          .put("fromBar", c.fromBar())
          .put("toBar", c.toBar())
          .put("fromOnset", Fractions.text(c.fromOnset()))
          .put("toOnset", Fractions.text(c.toOnset()))
          .put("why", c.why());
    }
    ArrayNode days = root.putArray("days");
    for (PracticePlan.Day day : plan.days()) {
      ObjectNode node =
          days.addObject().put("date", day.date().toString()).put("minutes", day.minutes());
      ArrayNode items = node.putArray("items");
      for (PracticePlan.Item item : day.items()) {
        items
            .addObject()
            .put("chunk", item.chunk())
            .put("drill", item.drill().name().toLowerCase(Locale.ROOT).replace('_', '-'))
            .put("bpm", item.perMinute())
            .put("minutes", item.minutes());
      }
    }
    return root.put("feasible", plan.feasible()).put("advice", plan.advice());
  }

  private void printText(LocalDate ready, Ladder ladder, PracticePlan plan) {
    var out = spec.commandLine().getOut();
    out.println("ready " + ready + ", levels " + ladder.levels() + ". " + plan.advice());
    for (PracticePlan.Day day : plan.days()) {
      out.println(day.date() + "  " + day.minutes() + " min");
      for (PracticePlan.Item item : day.items()) {
        out.printf(
            Locale.ROOT,
            "    %-14s %-12s %4d  %.1f min%n",
            item.chunk(),
            item.drill().displayName(),
            item.perMinute(),
            item.minutes());
      }
    }
  }
}
