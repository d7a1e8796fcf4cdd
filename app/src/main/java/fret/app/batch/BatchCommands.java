package fret.app.batch;

import fret.app.words.Sentences;
import fret.base.UnusableInput;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Locale;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The commands that need no window. */
@Command(
    name = "fret",
    mixinStandardHelpOptions = true,
    version = "fret 0.1.0",
    description = "Fingerings, bowings and practice plans for string players.",
    subcommands = {
      FingerCommand.class,
      BowCommand.class,
      TuneCommand.class,
      PlanCommand.class,
      DrillCommand.class,
      TakeCommand.class,
      SimulateCommand.class,
      ForecastCommand.class,
      ExportCommand.class
    })
public final class BatchCommands implements Runnable {
  @CommandLine.Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public void run() {
    throw new CommandLine.ParameterException(spec.commandLine(), "no command given");
  }

  private static LocalDate day(String text) {
    try {
      return LocalDate.parse(text);
    } catch (DateTimeParseException e) {
      throw new CommandLine.TypeConversionException(
          "'" + text + "' is no day of the calendar such as 2026-01-31");
    }
  }

  /**
   * Runs a command.
   *
   * @return 0 done, 2 bad usage, 3 bad input
   */
  public static int run(String[] args, PrintStream out, PrintStream err) {
    CommandLine line = new CommandLine(new BatchCommands());
    line.registerConverter(LocalDate.class, BatchCommands::day);
    line.setOut(new PrintWriter(out, true, StandardCharsets.UTF_8));
    line.setErr(new PrintWriter(err, true, StandardCharsets.UTF_8));
    line.setExecutionExceptionHandler(
        (e, commandLine, parsed) -> {
          if (e instanceof UnusableInput bad) {
            commandLine.getErr().println(Sentences.of(bad.problem()));
          } else {
            commandLine
                .getErr()
                .println(
                    "Something went wrong inside Fret ("
                        + e.getClass().getSimpleName()
                        + "). Please report the file and the command.");
          }
          return 3;
        });
    // What commands print is read by programs: it is the same whatever the machine's language.
    Locale machine = Locale.getDefault(Locale.Category.FORMAT);
    Locale.setDefault(Locale.Category.FORMAT, Locale.ROOT);
    try {
      return line.execute(args);
    } finally {
      Locale.setDefault(Locale.Category.FORMAT, machine);
    }
  }
}
