package fret.app.batch;

import fret.app.words.Sentences;
import fret.app.work.SafeFile;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.engraving.FingerText;
import fret.engraving.Page;
import fret.format.page.PagePrinter;
import fret.lane.Lane;
import fret.lane.Lanes;
import fret.session.Digits;
import fret.session.Learning;
import fret.session.Session;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
    description = "Writes the part with its fingering as PDF, SVG, PNG, MusicXML or MIDI.")
final class ExportCommand implements Callable<Integer> {
  @Mixin private PartOptions options;

  @Option(names = "--to", required = true, description = "pdf, svg, png, musicxml or midi")
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
      case "musicxml" -> options.marked(session);
      case "pdf" ->
          new PagePrinter(ShippedFonts.load())
              .partPdf(session, digits(session), Learning.chunks(session), lanes(), size);
      case "svg" -> new PagePrinter(ShippedFonts.load()).svg(session, digits(session));
      case "png" -> new PagePrinter(ShippedFonts.load()).png(session, digits(session));
      case "midi" -> new PagePrinter(ShippedFonts.load()).midi(session);
      default -> throw options.usage("--to " + format + " is not pdf, svg, png, musicxml or midi");
    };
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
