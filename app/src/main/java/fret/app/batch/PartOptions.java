package fret.app.batch;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.bowing.BowSetup;
import fret.fingering.StringDoubt;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlWriter;
import fret.format.part.PartFiles;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.intonation.Temperament;
import fret.mark.Marks;
import fret.mark.Place;
import fret.passage.Layers;
import fret.passage.Passage;
import fret.passage.PracticeLayer;
import fret.passage.Reading;
import fret.passage.SettingLayers;
import fret.passage.Setup;
import fret.passage.TempoPlan;
import fret.player.Hand;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.score.Divided;
import fret.score.Score;
import fret.session.Learning;
import fret.session.MarkedFileWriter.Proposed;
import fret.session.NewPassage;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** What the batch commands have in common: a file, a part, bars, an instrument and a hand. */
final class PartOptions {
  static final PartFiles FILES = new PartFiles();

  /** What the file that was read last keeps. */
  private Outcome<Marks> decided = new Outcome<>(Marks.NONE, List.of());

  @Parameters(
      index = "0",
      arity = "0..1",
      paramLabel = "FILE",
      description = "MusicXML (.musicxml, .xml, .mxl), MIDI or ABC file")
  Path file;

  @Option(names = "--instrument", description = "violin, viola, cello or bass")
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

  @Option(
      names = {"--tempo", "--target"},
      paramLabel = "RATE",
      converter = TempoRange.Converter.class,
      description =
          "beats per minute of the first section, the others by the same share, also a range as"
              + " 70-80; default: the file's own tempos")
  Optional<TempoRange> range = Optional.empty();

  @Option(
      names = "--preset",
      defaultValue = "sure",
      description = "sure (the default), singing, quick, powerful, gentle or hidden")
  String presetName;

  @Option(names = "--school", defaultValue = "usual", description = "usual, 1-2-4 or 1-2-3-4")
  String schoolName;

  @Option(names = "--hand", defaultValue = "medium", description = "small, medium or large")
  String handName;

  @Option(
      names = "--creeps",
      description = "the hand may go by a semitone or two with a finger kept down")
  boolean creeps;

  @Option(
      names = "--across",
      description = "on the bass broken chords go across the strings, not up one")
  boolean across;

  @Option(
      names = "--strung",
      defaultValue = "",
      description =
          "a tuning of the instrument by its name, as \"extension to C\", or open strings from the"
              + " highest, as G2,D2,A1,E1,B0; default: the usual ones")
  String strings = "";

  @Option(
      names = "--line",
      defaultValue = "",
      description = "of a divided part: upper, lower or double-stops")
  String line = "";

  @Option(names = "--json", description = "print JSON")
  boolean json;

  @Spec(Spec.Target.MIXEE)
  private CommandSpec spec;

  /** The options of a command that names its part otherwise. */
  static PartOptions of(
      CommandSpec spec,
      Path file,
      String partName,
      String instrument,
      String bars,
      String beat,
      Optional<Double> perMinute) {
    PartOptions o = new PartOptions();
    o.spec = spec;
    o.file = file;
    o.partName = partName;
    o.instrumentName = instrument;
    o.bars = bars;
    o.beatName = beat;
    o.range = perMinute.map(rate -> new TempoRange(rate, 0));
    o.presetName = "sure";
    o.schoolName = "usual";
    o.handName = "medium";
    return o;
  }

  /** The tuning of a name. */
  Temperament temperament(String name) {
    for (Temperament t : Temperament.values()) {
      if (t.id().equals(name.toLowerCase(Locale.ROOT))) {
        return t;
      }
    }
    throw usage("--tuning " + name + " is none of just, pythagorean, equal");
  }

  /** The other parts of the file. */
  List<Score> otherScores() throws UnusableInput {
    byte[] bytes = bytes();
    List<Score> others = new ArrayList<>();
    var parts = FILES.parts(file.toString(), bytes);
    String own = partName == null || partName.isEmpty() ? parts.get(0).name() : partName;
    for (var p : parts) {
      if (!p.name().equals(own)) {
        others.add(FILES.read(file.toString(), bytes, p.name()).value());
      }
    }
    return others;
  }

  /** The part asked for, with everything that was noticed on the way. */
  Outcome<Score> score() throws UnusableInput {
    byte[] bytes = bytes();
    decided = FILES.decided(file.toString(), bytes, partName);
    return FILES.read(file.toString(), bytes, partName);
  }

  /** What the file keeps of the player's decisions; the settings are those asked for here. */
  private Marks decided() {
    return decided
        .value()
        .only(Layers.ALL.stream().filter(l -> !SettingLayers.ALL.contains(l)).toList());
  }

  /**
   * The file as it came with the fingering; the bars alone where some were asked for.
   *
   * @param everyString whether every note has its string, not only where it is in doubt
   */
  byte[] marked(Session session, boolean everyString) throws UnusableInput {
    if (bars.isEmpty()) {
      return FILES.write(session, bytes(), everyString ? Proposed.EVERY_STRING : Proposed.MARKED);
    }
    Set<Integer> doubts =
        StringDoubt.of(session.resolved(), session.task().hand().instrument(), session.fingering());
    return MusicXmlWriter.write(
        session.fingered(i -> true, i -> everyString || doubts.contains(i)));
  }

  private byte[] bytes() throws UnusableInput {
    if (file == null) {
      throw usage("a FILE is needed");
    }
    try {
      long size = Files.size(file);
      if (size > MusicXmlFile.LARGEST_BYTES) {
        throw new UnusableInput(
            file.toString(),
            Said.of("read.large", MusicXmlFile.LARGEST_BYTES / 1_000_000),
            Said.of("read.large.do"));
      }
      return Files.readAllBytes(file);
    } catch (IOException e) {
      throw new UnusableInput(file.toString(), Said.of("read.closed"), Said.of("read.closed.do"));
    }
  }

  /** The passage as the window would have it: read, set up and fingered by the same pipeline. */
  Session session(Outcome<Score> read) {
    return session(read, preset(), BowSetup.USUAL);
  }

  /** The same with a preset of the left hand and a bow. */
  Session session(Outcome<Score> read, Preset preset, BowSetup bow) {
    range.ifPresent(this::check);
    Setup setup =
        Setup.usual(type())
            .withStrings(tuning(), 0, 440)
            .withPreset(preset.id())
            .withHand(hand(), school());
    Passage made =
        NewPassage.with(
            NewPassage.of(file.toString(), partName, read.value(), reading(read), setup),
            decided());
    Passage.Settings s = made.settings();
    String title = s.title().isEmpty() ? file.getFileName().toString() : s.title();
    Tempo own = s.target();
    Beat beat = beat(own.beat(), s.reading().of(read.value()));
    Tempo tempo = range.map(r -> new Tempo(beat, r.from())).orElse(own.in(beat));
    Session session =
        Session.of(
            upTo(made.withSettings(TempoPlan.withFirst(s, tempo).withTitle(title).withBow(bow))),
            read.value());
    List<Problem> problems = new ArrayList<>(read.problems());
    problems.addAll(decided.problems());
    if (s.reading().soundsOctaveLow()) {
      problems.add(Problem.of(Said.of("batch.bass-octave"), Said.NOTHING));
    }
    problems.addAll(session.handProblems());
    session
        .unkept()
        .forEach(
            u ->
                problems.add(
                    u.problem(
                        session.resolved(),
                        session.task().hand().instrument(),
                        session.fingering())));
    return session.withPage(read.value(), problems);
  }

  /** With the upper end of the target that was asked for. */
  private Passage upTo(Passage made) {
    double upper = range.map(TempoRange::upper).orElse(0.0);
    return upper > 0
        ? made.withMarks(
            made.marks()
                .with(
                    PracticeLayer.PRACTICE,
                    Place.WHOLE,
                    Optional.of(Learning.setup(made).withUpper(upper))))
        : made;
  }

  private void check(TempoRange rate) {
    boolean upright = rate.upper() == 0 || rate.upper() > rate.from();
    if (!(rate.from() > 0) || Math.max(rate.from(), rate.upper()) > 1000 || !upright) {
      throw usage("--tempo " + rate + " is outside 0 (excluded) to 1000, or upside down");
    }
  }

  private Tuning tuning() {
    List<Tuning> known = Tuning.choices(type());
    if (strings.isEmpty()) {
      return known.get(0);
    }
    Optional<Tuning> named = known.stream().filter(t -> t.name().equals(strings)).findFirst();
    try {
      return named.orElseGet(() -> Tuning.parse(strings, false));
    } catch (IllegalArgumentException e) {
      String names = known.stream().map(Tuning::name).collect(Collectors.joining("; "));
      throw usage("--strung " + strings + " is none of " + names);
    }
  }

  private Divided divided() {
    if (line.isEmpty()) {
      return Divided.UNDECIDED;
    }
    String wanted = line.toUpperCase(Locale.ROOT).replace('-', '_');
    return List.of(Divided.UPPER, Divided.LOWER, Divided.DOUBLE_STOPS).stream()
        .filter(d -> d.name().equals(wanted))
        .findFirst()
        .orElseThrow(() -> usage("--line " + line + " is none of upper, lower, double-stops"));
  }

  private Reading reading(Outcome<Score> read) {
    Reading plain = Reading.PLAIN.withDivided(divided());
    if (bars.isEmpty()) {
      return plain;
    }
    String[] ends = bars.split("-", 2);
    String from = ends[0].trim();
    String to = ends[ends.length - 1].trim();
    try {
      read.value().range(from, to);
    } catch (IllegalArgumentException e) {
      throw usage("--bars " + bars + ": " + e.getMessage());
    }
    return plain.withBars(from, to);
  }

  InstrumentType type() {
    if (instrumentName == null) {
      throw usage("--instrument is needed");
    }
    return switch (instrumentName.toLowerCase(Locale.ROOT)) {
      case "violin" -> InstrumentType.VIOLIN;
      case "viola" -> InstrumentType.VIOLA;
      case "cello" -> InstrumentType.CELLO;
      case "bass" -> InstrumentType.BASS;
      default ->
          throw usage("--instrument " + instrumentName + " is not violin, viola, cello or bass");
    };
  }

  private Hand hand() {
    try {
      return Hand.of(HandSize.valueOf(handName.toUpperCase(Locale.ROOT)))
          .withCreeping(creeps)
          .withAcross(across);
    } catch (IllegalArgumentException e) {
      throw usage("--hand " + handName + " is not small, medium or large");
    }
  }

  private School school() {
    for (School school : School.values()) {
      if (school.displayName().equals(schoolName)) {
        return school;
      }
    }
    throw usage("--school " + schoolName + " is not usual, 1-2-4 or 1-2-3-4");
  }

  Preset preset() {
    return Preset.named(presetName)
        .orElseThrow(() -> usage("--preset " + presetName + " is not one of " + presets()));
  }

  private static String presets() {
    return Preset.all().stream().map(Preset::id).collect(Collectors.joining(", "));
  }

  /** The beat asked for, else the section's own. */
  private Beat beat(Beat own, Score score) {
    if (beatName.isEmpty()) {
      return own;
    }
    Fraction bar = score.bars().get(0).time().barLength();
    return Beat.named(beatName, bar)
        .orElseThrow(() -> usage("--beat " + beatName + " is not a note value"));
  }

  ParameterException usage(String message) {
    return new ParameterException(spec.commandLine(), message);
  }
}
