package fret.app.batch;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.UnusableInput;
import fret.fingering.FingeringTask;
import fret.fingering.PrintedWishes;
import fret.fingering.WishRules;
import fret.fingering.Wishes;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Interval;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.tempo.Beat;
import fret.tempo.TempoMap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** What the batch commands have in common: a file, a part, bars, an instrument and a hand. */
final class PartOptions {
  @Parameters(
      index = "0",
      paramLabel = "FILE",
      description = "MusicXML file (.musicxml, .xml or .mxl)")
  Path file;

  @Option(names = "--instrument", required = true, description = "violin, viola, cello or bass")
  String instrumentName;

  @Option(names = "--part", defaultValue = "", description = "name of the part")
  String partName;

  @Option(names = "--bars", defaultValue = "", description = "printed bar numbers, as 5-12")
  String bars;

  @Option(
      names = "--beat",
      defaultValue = "",
      description = "note value the tempo counts; default: the metre's")
  String beatName;

  @Option(names = "--preset", defaultValue = "sure", description = "sure, singing or quick")
  String presetName;

  @Option(names = "--school", defaultValue = "usual", description = "usual, 1-2-4 or 1-2-3-4")
  String schoolName;

  @Option(names = "--hand", defaultValue = "medium", description = "small, medium or large")
  String handName;

  @Option(names = "--json", description = "print JSON")
  boolean json;

  @Spec(Spec.Target.MIXEE)
  private CommandSpec spec;

  /** The part asked for, with everything that was noticed on the way. */
  Outcome<Score> score() throws UnusableInput {
    byte[] bytes;
    try {
      long size = Files.size(file);
      if (size > MusicXmlFile.LARGEST_BYTES) {
        throw new UnusableInput(
            file.toString(),
            "The file is larger than " + MusicXmlFile.LARGEST_BYTES / 1_000_000 + " MB.",
            "Export only the part you play.");
      }
      bytes = Files.readAllBytes(file);
    } catch (IOException e) {
      throw new UnusableInput(
          file.toString(), "The file cannot be read.", "Check the name and that it may be read.");
    }
    Outcome<Score> read =
        MusicXmlReader.read(file.toString(), MusicXmlFile.open(file.toString(), bytes), partName);
    Score score = read.value();
    List<Problem> problems = new ArrayList<>(read.problems());
    if (type() == InstrumentType.BASS
        && score.transposition().equals(Interval.UNISON)
        && score.bars().stream().allMatch(b -> b.clef().octaveChange() == 0)) {
      score = score.withTransposition(Interval.OCTAVE_DOWN);
      problems.add(
          new Problem(
              "",
              "The part says nothing of transposition: on the bass it is read as sounding an octave lower than written.",
              ""));
    }
    return new Outcome<>(range(score), problems);
  }

  private Score range(Score score) {
    if (bars.isEmpty()) {
      return score;
    }
    String[] ends = bars.split("-", 2);
    try {
      return score.range(ends[0].trim(), ends[ends.length - 1].trim());
    } catch (IllegalArgumentException e) {
      throw usage("--bars " + bars + ": " + e.getMessage());
    }
  }

  InstrumentType type() {
    return switch (instrumentName.toLowerCase(Locale.ROOT)) {
      case "violin" -> InstrumentType.VIOLIN;
      case "viola" -> InstrumentType.VIOLA;
      case "cello" -> InstrumentType.CELLO;
      case "bass" -> InstrumentType.BASS;
      default ->
          throw usage("--instrument " + instrumentName + " is not violin, viola, cello or bass");
    };
  }

  HandModel hand() {
    HandSize size;
    try {
      size = HandSize.valueOf(handName.toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException e) {
      throw usage("--hand " + handName + " is not small, medium or large");
    }
    for (School school : School.values()) {
      if (school.displayName().equals(schoolName)) {
        return new HandModel(Instrument.standard(type()), school, Hand.of(size));
      }
    }
    throw usage("--school " + schoolName + " is not usual, 1-2-4 or 1-2-3-4");
  }

  /** What is to be fingered; words such as "on the G string" on the page are obeyed. */
  FingeringTask task(ResolvedPassage passage, TempoMap tempo) {
    HandModel hand = hand();
    Wishes printed =
        WishRules.of(
            passage, tempo, List.of(), PrintedWishes.of(passage, hand.instrument()), Set.of());
    return new FingeringTask(passage, tempo, hand, preset()).withWishes(printed);
  }

  Preset preset() {
    return Preset.named(presetName)
        .orElseThrow(() -> usage("--preset " + presetName + " is not sure, singing or quick"));
  }

  Beat beat(Score score) {
    var time = score.bars().get(0).time();
    if (beatName.isEmpty()) {
      return new Beat(time.beatLength());
    }
    Fraction bar = time.barLength();
    return Beat.named(beatName, bar)
        .orElseThrow(() -> usage("--beat " + beatName + " is not a note value"));
  }

  ParameterException usage(String message) {
    return new ParameterException(spec.commandLine(), message);
  }
}
