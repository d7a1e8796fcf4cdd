package fret.app.batch;

import fret.app.words.PlanPages;
import fret.app.words.Sentences;
import fret.app.work.SafeFile;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.engraving.FingerText;
import fret.engraving.Page;
import fret.format.page.PagePrinter;
import fret.lane.Lane;
import fret.lane.Lanes;
import fret.plan.Budget;
import fret.plan.Goal;
import fret.plan.ReadyDate;
import fret.search.Token;
import fret.session.Digits;
import fret.session.Learning;
import fret.session.Session;
import fret.shelf.Audition;
import fret.shelf.Planning;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Writes a fingered part as a file. */
@Command(
    name = "export",
    mixinStandardHelpOptions = true,
    description =
        "Writes the part with its fingering as PDF, SVG, PNG, MusicXML or MIDI, or its plan as"
            + " iCalendar or CSV.")
final class ExportCommand implements Callable<Integer> {
  private static final int WEEKS = 8;

  @Mixin private PartOptions options;

  @Option(
      names = "--to",
      required = true,
      description = "pdf, svg, png, musicxml, midi, ics or csv")
  private String format;

  @Option(names = "-o", required = true, paramLabel = "OUT", description = "file to write")
  private Path out;

  @Option(names = "--paper", defaultValue = "a4", description = "a4 or letter")
  private String paper;

  @Option(
      names = "--lanes",
      defaultValue = "",
      description = "lanes under each line of a pdf, such as hand")
  private String lanes;

  @Option(names = "--all-digits", description = "a digit on every note, not only where needed")
  private boolean allDigits;

  @Option(
      names = "--all-strings",
      description = "a string on every note of a musicxml, not only where it is in doubt")
  private boolean allStrings;

  @Option(names = "--from", description = "first day of an ics or csv; today where left out")
  private LocalDate from;

  @Option(names = "--audition", description = "its last day; eight weeks later where left out")
  private LocalDate audition;

  @Option(names = "--minutes", defaultValue = "30", description = "its minutes a day, 5 to 600")
  private int minutes;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws UnusableInput {
    Session session = options.session(options.score());
    byte[] bytes = bytes(session);
    try {
      SafeFile.write(out, bytes);
    } catch (IOException e) {
      throw new UnusableInput(
          out.toString(), Said.of("file.not-written"), Said.of("file.not-written.do"));
    }
    session.problems().forEach(p -> spec.commandLine().getErr().println(Sentences.of(p)));
    return 0;
  }

  private byte[] bytes(Session session) throws UnusableInput {
    Page.Paper size = paper.equalsIgnoreCase("letter") ? Page.Paper.LETTER : Page.Paper.A4;
    return switch (format) {
      case "musicxml" -> options.marked(session, allStrings);
      case "pdf" ->
          new PagePrinter(ShippedFonts.load())
              .partPdf(session, digits(session), Learning.chunks(session), lanes(), size);
      case "svg" -> new PagePrinter(ShippedFonts.load()).svg(session, digits(session));
      case "png" -> new PagePrinter(ShippedFonts.load()).png(session, digits(session));
      case "midi" -> new PagePrinter(ShippedFonts.load()).midi(session);
      case "ics" -> {
        String file = String.valueOf(options.file.toAbsolutePath());
        String own = UUID.nameUUIDFromBytes(file.getBytes(StandardCharsets.UTF_8)).toString();
        yield new PagePrinter(ShippedFonts.load()).calendar(plan(session).days(), own);
      }
      case "csv" -> new PagePrinter(ShippedFonts.load()).csv(plan(session).rows());
      default ->
          throw options.usage(
              "--to " + format + " is not pdf, svg, png, musicxml, midi, ics or csv");
    };
  }

  /** The plan of the part alone. */
  private PlanPages plan(Session session) {
    LocalDate first = from == null ? LocalDate.now(ZoneId.systemDefault()) : from;
    LocalDate last = audition == null ? first.plusWeeks(WEEKS) : audition;
    PlanCommand.check(options, first, last, minutes);
    Planning.Habits habits = Planning.Habits.USUAL;
    Session one = session.withPassage(session.passage().withId(1));
    Planning made =
        Planning.of(
            List.of(Learning.of(one, habits.ladder(), 0)),
            Map.of(Goal.Id.of(1), new Audition(1, "", last, ReadyDate.of(first, last))),
            Budget.of(minutes),
            List.of(),
            List.of(),
            first,
            habits,
            Token.NEVER);
    return new PlanPages(made, id -> id == 1 ? session.passage().settings().title() : "");
  }

  private List<Lane> lanes() {
    List<Lane> chosen = new ArrayList<>();
    for (String id : lanes.isEmpty() ? new String[0] : lanes.split(",")) {
      chosen.add(
          Lanes.of(id.trim())
              .orElseThrow(() -> options.usage("--lanes " + id + " is no lane; hand is one")));
    }
    return chosen;
  }

  private List<FingerText> digits(Session session) {
    return Digits.of(session, session.fingering(), allDigits);
  }
}
