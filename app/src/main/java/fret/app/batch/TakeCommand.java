package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.format.sound.RecordingFiles;
import fret.harmony.Harmony;
import fret.intonation.OpenStrings;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.search.Token;
import fret.session.Ear;
import fret.session.Session;
import fret.session.TakeFindings;
import fret.session.TakeScore;
import fret.take.Entries;
import fret.take.Expected;
import fret.take.Expected.Moment;
import fret.take.Expected.Tone;
import fret.take.HeardNote;
import fret.take.Recording;
import fret.take.TakeReport;
import fret.take.TempoLine.BarTempo;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code take}: a recording checked against the part. */
@Command(
    name = "take",
    description = "Check a recording against a part.",
    mixinStandardHelpOptions = true)
final class TakeCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Parameters(
      index = "0",
      paramLabel = "TAKE",
      description = "a recording (WAV, FLAC, Ogg, MP3, M4A), up to 10 minutes")
  private Path take;

  @Option(names = "--part", required = true, description = "the part as MusicXML, MIDI or ABC")
  private Path part;

  @Option(names = "--part-name", defaultValue = "", description = "name of the part in its file")
  private String partName;

  @Option(names = "--instrument", description = "violin, viola, cello or bass")
  private String instrument;

  @Option(names = "--bars", defaultValue = "", description = "printed bar numbers, as 5-12")
  private String bars;

  @Option(
      names = "--tempo",
      description = "beats per minute of the first section; default: the file's own tempos")
  private Optional<Double> perMinute = Optional.empty();

  @Option(names = "--beat", defaultValue = "", description = "note value the tempo counts")
  private String beat;

  @Option(
      names = "--tuning",
      description = "just, pythagorean or equal; default: a note alone is right in each of them")
  private Optional<String> tuning = Optional.empty();

  @Option(names = "--a4", defaultValue = "440", description = "390 to 470 Hz")
  private double a4;

  @Option(names = "--json", description = "print JSON")
  private boolean json;

  @Override
  public Integer call() throws UnusableInput {
    PartOptions options = PartOptions.of(spec, part, partName, instrument, bars, beat, perMinute);
    if (!(a4 >= 390) || !(a4 <= 470)) {
      throw options.usage("--a4 " + a4 + " is outside 390 to 470");
    }
    Temperament temperament = options.temperament(tuning.orElse("just"));
    Session s = options.session(options.score());
    if (s.resolved().notes().isEmpty()) {
      throw new UnusableInput(
          part.toString(), Said.of("batch.no-check"), Said.of("batch.no-check.do"));
    }
    Recording recording = RecordingFiles.read(take);
    OpenStrings strings = OpenStrings.pure(s.task().hand().instrument(), a4);
    Harmony harmony = Ear.harmony(s, List.of());
    List<Tuned> all = Ear.inEveryTuning(s, strings, harmony);
    Expected expected =
        TakeScore.of(s, all.get(temperament.ordinal()), tuning.isPresent() ? List.of() : all);
    TakeReport report = TakeReport.of(recording, expected, Token.NEVER, p -> {});
    List<TakeFindings> findings = TakeFindings.of(s, report);
    List<Problem> problems = new ArrayList<>();
    if (recording.isClipped()) {
      problems.add(Problem.of(Said.of("take.clipped", take.getFileName()), Said.NOTHING));
    }
    TakeFindings.reserved(report).forEach(r -> problems.add(Problem.of(r, Said.NOTHING)));
    if (json) {
      ObjectNode root = json(s, report, findings);
      Json.problems(root, problems);
      spec.commandLine().getOut().println(Json.text(root));
    } else {
      problems.forEach(p -> spec.commandLine().getErr().println(Sentences.of(p)));
      text(report, findings);
    }
    return 0;
  }

  private static ObjectNode json(Session s, TakeReport r, List<TakeFindings> findings) {
    Expected e = r.expected();
    ObjectNode root = Json.object();
    root.put("seconds", Json.round(r.heard().seconds(), 3))
        .put("alignedShare", Json.round(r.heard().alignedShare(), 4))
        .put("a4", Json.round(r.a4(), 2));
    SectionsJson.sections(root, s);
    ArrayNode notes = root.putArray("notes");
    for (HeardNote n : r.heard().notes()) {
      Moment m = e.moments().get(n.moment());
      List<Double> tones = r.tones(n);
      for (Tone t : m.starting()) {
        double cents =
            n.pitch().isTold()
                ? r.cents(n)
                : tones.isEmpty() ? Double.NaN : tones.get(m.starting().indexOf(t));
        ObjectNode node = notes.addObject();
        node.put("event", m.slice())
            .put("bar", e.barOf(m).number())
            .put("pitch", t.pitch().toString())
            .put("onsetS", Json.round(n.onsetS(), 4))
            .put("endS", Json.round(n.endS(), 4));
        if (Double.isNaN(cents)) {
          node.putNull("centsOff");
        } else {
          node.put("centsOff", Json.round(cents, 2));
        }
        node.put("confidence", Json.round(n.confidence(), 3));
      }
    }
    ArrayNode tempo = root.putArray("tempo");
    for (BarTempo b : r.tempo().bars()) {
      tempo
          .addObject()
          .put("bar", e.bars().get(b.bar()).number())
          .put(
              "bpm",
              Json.round(
                  s.tempoAt(s.score().bars().get(e.bars().get(b.bar()).written())).perMinute()
                      * b.times(),
                  2))
          .put("deviationPercent", Json.round(b.percent(), 2));
    }
    ArrayNode told = root.putArray("findings");
    for (TakeFindings f : findings) {
      told.addObject()
          .put("kind", f.finding().kind().id())
          .put("bar", f.bar())
          .put("event", f.slice())
          .put("amount", Json.round(f.finding().amount(), 2))
          .put("unit", f.finding().kind().unit())
          .put("confidence", Json.round(f.finding().confidence(), 3))
          .put("message", words(f))
          .put("drill", f.remedy().id());
    }
    ArrayNode entries = root.putArray("entries");
    for (Entries.Entry entry : r.entries().all()) {
      Moment m = e.moments().get(entry.moment());
      entries
          .addObject()
          .put("bar", e.barOf(m).number())
          .put("event", m.slice())
          .put("lateMs", Json.round(entry.ms(), 1));
    }
    ArrayNode left = root.putArray("leftOut");
    r.heard()
        .leftOut()
        .forEach(
            x ->
                left.addObject()
                    .put("fromS", Json.round(x.from(), 2))
                    .put("toS", Json.round(x.to(), 2)));
    return root;
  }

  private static String words(TakeFindings f) {
    String words = Sentences.of(f.words());
    return f.cause().map(c -> words + " " + Sentences.of(c)).orElse(words);
  }

  private void text(TakeReport r, List<TakeFindings> findings) {
    var out = spec.commandLine().getOut();
    out.printf(
        Locale.ROOT,
        "%.1f s, %.0f %% along the part, A = %.1f Hz%n",
        r.heard().seconds(),
        100 * r.heard().alignedShare(),
        r.a4());
    for (TakeFindings f : findings) {
      out.printf(Locale.ROOT, "%4s  %s%n", f.bar(), words(f));
    }
  }
}
