package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.BowDrillKind;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Remedy;
import fret.format.musicxml.MusicXmlWriter;
import fret.journal.Chance;
import fret.plan.Gate;
import fret.session.BowSpots;
import fret.session.Covered;
import fret.session.DrillBook;
import fret.session.Session;
import fret.tempo.Tempo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code drill}: a drill of the book as notation. */
@Command(
    name = "drill",
    description = "Write a drill of some bars as MusicXML.",
    mixinStandardHelpOptions = true)
final class DrillCommand implements Callable<Integer> {
  private static final double PAUSE_S = 6;

  @Spec private CommandSpec spec;
  @Mixin private PartOptions options;

  @Option(names = "--kind", description = "one of those that --list prints")
  private String kind;

  @Option(names = "--list", description = "print the kinds with their purpose")
  private boolean list;

  @Option(names = "--level", description = "tempo of this play; default: the target")
  private double level;

  @Option(names = "-o", description = "where to write it")
  private Path out;

  @Override
  public Integer call() throws UnusableInput {
    if (list) {
      printList();
      return 0;
    }
    if (kind == null) {
      throw options.usage("--kind is needed, or --list");
    }
    if (level < 0 || level > 1000) {
      throw options.usage("--level " + level + " is outside 0 to 1000");
    }
    Session session = options.session(options.score());
    Chunk all = Covered.stretch(session.resolved(), 0, session.resolved().slices().size() - 1);
    Drill made = made(session, all).orElseThrow(() -> nothing());
    Tempo target = session.passage().settings().target();
    Tempo start = level > 0 ? target.at(level) : target;
    String name = Words.drill(remedy());
    Drill drill =
        made.at(start, start.perMinute() / target.perMinute())
            .titled(t -> t.isEmpty() ? name : Sentences.of("drill.titled", name, t));
    if (out != null) {
      write(drill);
    }
    ObjectNode json = json(session, all, drill);
    if (options.json) {
      spec.commandLine().getOut().println(Json.text(json));
    } else if (out == null) {
      spec.commandLine()
          .getOut()
          .println(
              new String(
                  MusicXmlWriter.write(drill.whole()), java.nio.charset.StandardCharsets.UTF_8));
    }
    return 0;
  }

  private UnusableInput nothing() {
    return new UnusableInput(
        options.file.toString(), Said.of("batch.no-drill", kind), Said.of("batch.no-drill.do"));
  }

  private Remedy remedy() {
    return Remedy.named(kind)
        .orElseThrow(() -> options.usage("--kind " + kind + " is not one that --list prints"));
  }

  private Optional<Drill> made(Session session, Chunk all) {
    Remedy remedy = remedy();
    if (remedy.bow().isPresent()) {
      return BowSpots.made(session, all, remedy.bow().get())
          .map(score -> new Drill(DrillKind.BOW, List.of(score)));
    }
    DrillKind asked = remedy.kind();
    DrillBook book = new DrillBook(session);
    return asked.of() == DrillKind.Of.PASSAGE ? book.ofPassage(asked) : book.of(all, asked);
  }

  private void write(Drill drill) throws UnusableInput {
    try {
      Files.write(out, MusicXmlWriter.write(drill.whole()));
    } catch (IOException e) {
      throw new UnusableInput(
          out.toString(), Said.of("file.not-written"), Said.of("file.not-written.do"));
    }
  }

  /** Straight plays are asked for often enough in a row, each part of another drill once. */
  private ObjectNode json(Session session, Chunk all, Drill drill) {
    double length = drill.lengths().stream().mapToDouble(d -> d).sum();
    double straight = all.length().doubleValue();
    Tempo target = session.passage().settings().target();
    double whole = target.at(level > 0 ? level : target.perMinute()).wholeNoteMs() / 1000;
    boolean climbs = drill.kind() == DrillKind.STRAIGHT;
    double each = Chance.UNKNOWN.plays(climbs ? Gate.Settings.USUAL.cleanNeeded() : 1);
    double seconds = 0;
    for (double part : drill.lengths()) {
      seconds += each * (part * whole + PAUSE_S);
    }
    ObjectNode node = Json.object();
    node.put("kind", kind)
        .put("parts", drill.parts().size())
        .put("lengthRatio", length / straight)
        .put("plays", each * drill.parts().size())
        .put("minutes", seconds / 60);
    SectionsJson.put(node, session);
    Json.problems(node, session.problems());
    return node;
  }

  private void printList() {
    ObjectNode root = Json.object();
    ArrayNode kinds = root.putArray("kinds");
    for (DrillKind k : DrillKind.values()) {
      if (k != DrillKind.NONE) {
        String id = "drill." + k.id();
        add(kinds, k.id(), Sentences.of(id), Sentences.of(id + ".purpose"))
            .put("listen", Sentences.of(id + ".listen"))
            .put("stop", Sentences.of(id + ".stop"))
            .put("minutes", k.minutes())
            .put("daysAWeek", k.daysAWeek())
            .put("source", "common practice");
      }
    }
    for (BowDrillKind b : BowDrillKind.values()) {
      String words = "bow.drill." + b;
      add(kinds, Remedy.of(b).id(), Sentences.of(words), Sentences.of(words + ".how"))
          .put("source", "common practice");
    }
    if (options.json) {
      spec.commandLine().getOut().println(Json.text(root));
      return;
    }
    kinds.forEach(
        k ->
            spec.commandLine()
                .getOut()
                .printf(
                    Locale.ROOT, "%-24s %s%n", k.path("id").asText(), k.path("purpose").asText()));
  }

  private static ObjectNode add(ArrayNode kinds, String id, String name, String purpose) {
    return kinds.addObject().put("id", id).put("name", name).put("purpose", purpose);
  }
}
