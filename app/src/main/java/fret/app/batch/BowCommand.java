package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.words.Sentences;
import fret.base.UnusableInput;
import fret.bowing.BowEffort;
import fret.bowing.BowPreset;
import fret.bowing.BowRules;
import fret.bowing.BowSetup;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.BowWarning;
import fret.bowing.Bowing;
import fret.bowing.Crossing;
import fret.bowing.Cure;
import fret.bowing.Drift;
import fret.bowing.NoteSpeeds;
import fret.bowing.PrintedBowing;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.instrument.Instrument;
import fret.player.Preset;
import fret.score.LoudnessLine;
import fret.search.Token;
import fret.session.PassBow;
import fret.session.Passes;
import fret.session.Session;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code bow}: the best bowings of a part, with what runs out and what cures it. */
@Command(name = "bow", description = "Bow a part and explain it.", mixinStandardHelpOptions = true)
final class BowCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private PartOptions options;

  @Option(names = "--alternatives", defaultValue = "3", description = "how many bowings, 1 to 12")
  private int count;

  @Option(
      names = "--slurs",
      defaultValue = "bowing",
      description = "what printed slurs are: bowing or phrasing")
  private String slurs;

  @Option(
      names = "--as-printed",
      description = "only the page's own slurs and marks, open directions alternating")
  private boolean asPrinted;

  @Option(names = "--hair", defaultValue = "0", description = "playable hair in cm, 20 to 75")
  private double hairCm;

  @Override
  public Integer call() throws UnusableInput {
    check();
    Session session = options.session(options.score(), Preset.SURE, setup());
    BowTask task = session.bowTask();
    List<Bowing> versions = versions(task);
    if (options.json) {
      spec.commandLine().getOut().println(Json.text(json(session, task, versions)));
    } else {
      printText(session, versions);
    }
    return 0;
  }

  private void check() {
    if (count < 1 || count > 12) {
      throw options.usage("--alternatives " + count + " is outside 1 to 12");
    }
    if (!slurs.equals("bowing") && !slurs.equals("phrasing")) {
      throw options.usage("--slurs " + slurs + " is not bowing or phrasing");
    }
    if (hairCm != 0 && !(hairCm >= 20 && hairCm <= 75)) {
      throw options.usage("--hair " + hairCm + " is outside 20 to 75");
    }
    if (BowPreset.named(options.presetName).isEmpty()) {
      throw options.usage(
          "--preset "
              + options.presetName
              + " is not one of "
              + BowPreset.all().stream().map(BowPreset::id).collect(Collectors.joining(", ")));
    }
  }

  private BowSetup setup() {
    BowRules.Slurs meaning = BowRules.Slurs.valueOf(slurs.toUpperCase(Locale.ROOT));
    return BowSetup.USUAL.withSlurs(meaning).withHair(hairCm).withPreset(options.presetName);
  }

  private List<Bowing> versions(BowTask task) {
    return asPrinted ? List.of(PrintedBowing.of(task)) : new BowSolver(task).bestOf(count);
  }

  private ObjectNode json(Session session, BowTask task, List<Bowing> versions) {
    Instrument instrument = task.instrument();
    ObjectNode root = Json.object();
    root.put("file", options.file.toString());
    root.put("instrument", options.instrumentName.toLowerCase(Locale.ROOT));
    root.put("hairCm", Json.round(task.bow().hairCm(), 1));
    SectionsJson.put(root, session);
    ArrayNode array = root.putArray("versions");
    for (Bowing bowing : versions) {
      String name = asPrinted ? "as printed" : "proposed " + (array.size() + 1);
      ObjectNode version = array.addObject().put("name", name);
      version(version, bowing, task);
      passes(version, session, task, bowing);
    }
    crossings(root.putArray("crossings"), Crossing.of(versions.get(0), task.bow()), instrument);
    ObjectNode fingering = root.putObject("fingering");
    FingerCommand.notes(
        fingering.putArray("notes"), session.resolved(), instrument, session.fingering());
    FingerCommand.shifts(
        fingering.putArray("shifts"), session.resolved(), instrument, session.fingering());
    Json.problems(root, session.problems());
    return root;
  }

  private void version(ObjectNode into, Bowing bowing, BowTask task) {
    into.put("effort", Json.round(bowing.effort(), 4));
    Json.terms(into, bowing.explanation());
    ArrayNode strokes = into.putArray("strokes");
    for (int i = 0; i < bowing.strokes().size(); i++) {
      stroke(strokes.addObject(), bowing, i, task);
    }
    ArrayNode drifts = into.putArray("drifts");
    Drift.of(bowing, task.bow().hairCm(), task.preset()).forEach(d -> drift(drifts.addObject(), d));
    ArrayNode warnings = into.putArray("warnings");
    BowWarning.of(bowing, task).forEach(w -> warning(warnings.addObject(), w));
  }

  /** Passes that are bowed otherwise than the first. */
  private static void passes(ObjectNode into, Session session, BowTask task, Bowing bowing) {
    List<PassBow> all =
        Passes.of(session.passage(), task)
            .map(p -> p.following(bowing, Token.NEVER))
            .orElse(List.of());
    ArrayNode array = all.isEmpty() ? null : into.putArray("passes");
    for (PassBow pass : all) {
      ArrayNode strokes = array.addObject().put("pass", pass.pass()).putArray("strokes");
      new TreeMap<>(pass.down())
          .forEach(
              (moment, down) ->
                  strokes
                      .addObject()
                      .put("fromEvent", moment)
                      .put("bar", bowing.moments().get(moment).bar())
                      .put("direction", down ? "down" : "up"));
    }
  }

  private void stroke(ObjectNode node, Bowing bowing, int i, BowTask task) {
    Stroke s = bowing.strokes().get(i);
    double hair = task.bow().hairCm();
    boolean lifted =
        i + 1 < bowing.strokes().size() && bowing.strokes().get(i + 1).retake().isPresent();
    node.put("fromEvent", s.fromMoment())
        .put("toEvent", s.toMoment())
        .put("bar", s.bar())
        .put("direction", s.down() ? "down" : "up")
        .put("kind", s.kind().family().id())
        .put("startPlace", Json.round(s.startCm() / hair, 4))
        .put("endPlace", Json.round(s.endCm() / hair, 4))
        .put("bowCm", Json.round(s.bowCm(), 2))
        .put("timeMs", Json.round(s.timeMs(), 1))
        .put("retakeBefore", s.retake().isPresent())
        .put("retakeMs", Json.round(s.retake().map(Stroke.Retake::needsMs).orElse(0.0), 1))
        .put("retakeHasMs", Json.round(s.retake().map(Stroke.Retake::hasMs).orElse(0.0), 1))
        .put("liftAfter", lifted)
        .put("printedSlurBroken", s.breaksSlur());
    if (s.kind() == StrokeKind.CLOSE_SPICCATO) {
      node.put("form", "close");
    }
    ArrayNode notes = node.putArray("notes");
    for (Stroke.Note n : s.notes()) {
      NoteSpeeds speeds = NoteSpeeds.of(task, bowing, n);
      notes
          .addObject()
          .put("event", n.moment())
          .put("string", task.instrument().stringNames(bowing.moments().get(n.moment()).strings()))
          .put("bowCm", Json.round(n.bowCm(), 2))
          .put("speedCmPerS", Json.round(n.cmPerS(), 2))
          .put("startCmPerS", Json.round(speeds.start(), 2))
          .put("endCmPerS", Json.round(speeds.to(), 2))
          .put("soundingShare", Json.round(n.sounds(), 3))
          .put("contactMm", Json.round(n.contactMm(), 1))
          .put("weight", n.weight().name().toLowerCase(Locale.ROOT))
          .put("loudness", LoudnessLine.word(n.level()))
          .put("accent", n.accent());
    }
  }

  private static void drift(ObjectNode node, Drift d) {
    node.put("fromBar", d.fromBar())
        .put("toBar", d.toBar())
        .put("times", d.times())
        .put("cmPerTime", Json.round(d.cmPerTime(), 2));
    if (d.breaksInTime() > 0) {
      node.put("breaksInTime", d.breaksInTime());
    } else {
      node.putNull("breaksInTime");
    }
    cures(node, d.cures());
  }

  private static void warning(ObjectNode node, BowWarning w) {
    node.put("bar", w.bar())
        .put("event", w.moment())
        .put("kind", w.kind().id())
        .put("missingCm", Json.round(w.missingCm(), 2))
        .put("needsMs", Json.round(w.needsMs(), 1))
        .put("hasMs", Json.round(w.hasMs(), 1))
        .put("message", Sentences.of(w.message()));
    cures(node, w.cures());
  }

  private static void cures(ObjectNode into, List<Cure> cures) {
    ArrayNode array = into.putArray("cures");
    for (Cure c : cures) {
      array
          .addObject()
          .put("kind", c.kind().id())
          .put("event", c.moment())
          .put("cm", Json.round(c.cm(), 2))
          .put("ms", Json.round(c.ms(), 1))
          .put("speedCmPerS", Json.round(c.cmPerS(), 2));
    }
  }

  private static void crossings(ArrayNode into, List<Crossing> all, Instrument instrument) {
    for (Crossing c : all) {
      into.addObject()
          .put("fromEvent", c.fromMoment())
          .put("toEvent", c.toMoment())
          .put("fromString", instrument.stringNames(c.fromStrings()))
          .put("toString", instrument.stringNames(c.toStrings()))
          .put("strings", c.strings())
          .put("angleDegrees", Json.round(c.degrees(), 2))
          .put("handCmHere", Json.round(c.hereCm(), 2))
          .put("handCmFrog", Json.round(c.frogCm(), 2))
          .put("handCmMiddle", Json.round(c.middleCm(), 2))
          .put("handCmTip", Json.round(c.tipCm(), 2))
          .put("insideSlur", c.insideSlur())
          .put("singleNote", c.single());
    }
  }

  private void printText(Session session, List<Bowing> versions) {
    var out = spec.commandLine().getOut();
    for (Bowing bowing : versions) {
      out.printf(
          Locale.ROOT,
          "effort %.2f, %d strokes, up on a first beat %d times%n",
          bowing.effort(),
          bowing.strokes().size(),
          Math.round(bowing.explanation().shares().get(BowEffort.UP_FIRST.ordinal()).quantity()));
      String bar = "";
      StringBuilder line = new StringBuilder();
      for (Stroke s : bowing.strokes()) {
        if (!s.bar().equals(bar)) {
          bar = s.bar();
          line.append(System.lineSeparator()).append(String.format("%4s ", bar));
        }
        line.append(' ')
            .append(s.retake().isPresent() ? "," : "")
            .append(s.down() ? "down" : "up")
            .append(s.notes().size() > 1 ? "(" + s.notes().size() + ")" : "")
            .append(':')
            .append(Math.round(s.bowCm()));
      }
      out.println(line.substring(Math.min(line.length(), System.lineSeparator().length())));
      for (BowWarning w : BowWarning.of(bowing, session.bowTask())) {
        out.println("bar " + w.bar() + ": " + Sentences.of(w.message()));
      }
    }
    out.println(session.problems().stream().map(Sentences::of).collect(Collectors.joining("\n")));
  }
}
