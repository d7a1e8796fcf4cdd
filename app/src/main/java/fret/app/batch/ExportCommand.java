package fret.app.batch;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.UnusableInput;
import fret.drill.Chunker;
import fret.engraving.FingerText;
import fret.engraving.Page;
import fret.fingering.NoteFinger;
import fret.format.musicxml.MusicXmlWriter;
import fret.format.page.PagePrinter;
import fret.mark.Marks;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.passage.Workbench;
import fret.score.Score;
import fret.tempo.Tempo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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

  @Option(names = "--tempo", defaultValue = "80", description = "beats a minute")
  private int tempo;

  @Option(names = "--paper", defaultValue = "a4", description = "a4 or letter")
  private String paper;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws UnusableInput {
    Outcome<Score> read = options.score();
    Setup setup = Setup.usual(options.type()).withPreset(options.preset().id());
    String title =
        read.value().title().isEmpty()
            ? options.file.getFileName().toString()
            : read.value().title();
    Passage.Settings settings =
        new Passage.Settings(
            title, new Tempo(options.beat(read.value()), tempo), setup, Reading.PLAIN, false);
    Workbench bench =
        Workbench.of(new Passage(0, 0, "", "", 0, settings, Marks.NONE), read.value());
    byte[] bytes = bytes(bench);
    try {
      Files.write(out, bytes);
    } catch (IOException e) {
      throw new UnusableInput(
          out.toString(), "The file cannot be written.", "Choose another folder.");
    }
    List<Problem> problems = new ArrayList<>(read.problems());
    problems.addAll(bench.fingering().problems());
    problems.forEach(p -> spec.commandLine().getErr().println(p));
    return 0;
  }

  private byte[] bytes(Workbench bench) {
    Page.Paper size = paper.equalsIgnoreCase("letter") ? Page.Paper.LETTER : Page.Paper.A4;
    return switch (format) {
      case "musicxml" -> MusicXmlWriter.write(bench.fingered(i -> true));
      case "pdf" ->
          new PagePrinter(ShippedFonts.load())
              .partPdf(
                  bench, digits(bench), Chunker.chunks(bench.resolved(), bench.fingering()), size);
      case "svg" -> new PagePrinter(ShippedFonts.load()).svg(bench, digits(bench));
      case "png" -> new PagePrinter(ShippedFonts.load()).png(bench, digits(bench));
      case "midi" -> new PagePrinter(ShippedFonts.load()).midi(bench);
      default -> throw options.usage("--to " + format + " is not pdf, svg, png, musicxml or midi");
    };
  }

  private static List<FingerText> digits(Workbench bench) {
    List<FingerText> texts = new ArrayList<>();
    for (int i = 0; i < bench.fingering().notes().size(); i++) {
      Optional<NoteFinger> place = bench.fingering().notes().get(i);
      if (place.isPresent()) {
        texts.add(new FingerText(i, place.get().digits(), "", false));
      }
    }
    return texts;
  }
}
