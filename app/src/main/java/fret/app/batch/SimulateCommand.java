package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.work.SafeFile;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.format.sound.RecordingFiles;
import fret.session.Ear;
import fret.session.Session;
import fret.take.Expected;
import fret.take.Expected.Moment;
import fret.take.Fault;
import fret.take.Planting;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Played;
import fret.take.SimulatedPlayer.Style;
import fret.take.SimulatedPlayer.Truth;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code simulate}: a simulated player plays a part, with faults that are asked for. */
@Command(
    name = "simulate",
    description = "Play a part by a simulated player and write it as WAV.",
    mixinStandardHelpOptions = true)
final class SimulateCommand implements Callable<Integer> {
  @Mixin private PartOptions options;

  @Option(names = "--fault", description = "KIND@BAR or KIND@BAR:AMOUNT; may be repeated")
  private List<String> faults = new ArrayList<>();

  @Option(names = "--seed", defaultValue = "1", description = "the same seed plays the same")
  private long seed;

  @Option(names = "--noise", defaultValue = "40", description = "dB under the playing, 0 to 120")
  private double noise;

  @Option(names = "-o", required = true, description = "where to write the WAV")
  private Path out;

  @Option(names = "--truth", description = "where to write what was really played, as JSON")
  private Path truth;

  @Override
  public Integer call() throws UnusableInput {
    if (!(noise >= 0) || noise > 120) {
      throw options.usage("--noise " + noise + " is outside 0 to 120");
    }
    Session s = options.session(options.score());
    if (s.resolved().notes().isEmpty()) {
      throw new UnusableInput(
          options.file.toString(), Said.of("batch.no-play"), Said.of("batch.no-check.do"));
    }
    Expected expected = Ear.expected(s, Ear.harmony(s, List.of()));
    List<Fault> planted = new ArrayList<>();
    for (String text : faults) {
      planted.add(fault(expected, text));
    }
    Style style = Style.USUAL.withSeed(seed).withNoise(noise);
    Played played = SimulatedPlayer.play(expected, planted, style);
    save(out, new RecordingFiles().wav(played.samples(), SimulatedPlayer.RATE));
    if (truth != null) {
      save(truth, Json.text(json(s, expected, planted, played)).getBytes(StandardCharsets.UTF_8));
    }
    return 0;
  }

  private Fault fault(Expected expected, String text) {
    String[] parts = text.split("[@:]", -1);
    Fault.Kind kind =
        Fault.Kind.named(parts[0].toLowerCase(Locale.ROOT))
            .orElseThrow(
                () -> options.usage("--fault " + text + ": no such kind; KIND@BAR[:AMOUNT]"));
    if (parts.length < 2 || parts.length > 3) {
      throw options.usage("--fault " + text + " is not KIND@BAR[:AMOUNT]");
    }
    double amount = Planting.usual(kind);
    try {
      amount = parts.length == 3 ? Double.parseDouble(parts[2]) : amount;
    } catch (NumberFormatException e) {
      throw options.usage("--fault " + text + ": " + parts[2] + " is not a number");
    }
    if (!(amount > 0) || amount > 2000) {
      throw options.usage("--fault " + text + ": the amount is outside 0 to 2000");
    }
    for (int b = 0; b < expected.bars().size(); b++) {
      if (expected.bars().get(b).number().equals(parts[1])) {
        double asked = amount;
        return Planting.inBar(expected, kind, b, amount)
            .orElseThrow(
                () ->
                    options.usage(
                        "--fault "
                            + text
                            + ": bar "
                            + parts[1]
                            + " has no note for it (of "
                            + asked
                            + " "
                            + kind.unit()
                            + ")"));
      }
    }
    String first = expected.bars().get(0).number();
    String last = expected.bars().get(expected.bars().size() - 1).number();
    throw options.usage(
        "--fault " + text + ": there is no bar " + parts[1] + " from " + first + " to " + last);
  }

  private static void save(Path file, byte[] bytes) throws UnusableInput {
    try {
      SafeFile.write(file, bytes);
    } catch (IOException e) {
      throw new UnusableInput(
          file.toString(), Said.of("file.not-written"), Said.of("file.not-written.do"));
    }
  }

  private static ObjectNode json(Session s, Expected e, List<Fault> planted, Played played) {
    ObjectNode root = Json.object();
    SectionsJson.put(root, s);
    ArrayNode notes = root.putArray("notes");
    for (Truth t : played.notes()) {
      Moment m = e.moments().get(t.moment());
      notes
          .addObject()
          .put("event", m.slice())
          .put("bar", e.barOf(m).number())
          .put("onsetS", Json.round(t.onsetS(), 4))
          .put("endS", Json.round(t.endS(), 4))
          .put(
              "pitch",
              m.starting().stream()
                  .filter(x -> x.note() == t.note())
                  .findFirst()
                  .orElseThrow()
                  .pitch()
                  .toString())
          .put("cents", Json.round(t.cents(), 2));
    }
    ArrayNode faults = root.putArray("faults");
    for (Fault f : planted) {
      Moment m = e.moments().get(f.moment());
      faults
          .addObject()
          .put("kind", f.kind().id())
          .put("bar", e.barOf(m).number())
          .put("event", m.slice())
          .put("amount", Json.round(f.amount(), 2))
          .put("unit", f.kind().unit());
    }
    return root;
  }
}
