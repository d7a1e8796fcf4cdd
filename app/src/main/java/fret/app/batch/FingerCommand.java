package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.words.Sentences;
import fret.base.Fractions;
import fret.base.UnusableInput;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.instrument.PositionNames;
import fret.player.Region;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code finger}: the best fingerings of a part, with reasons. */
@Command(
    name = "finger",
    description = "Finger a part and explain it.",
    mixinStandardHelpOptions = true)
final class FingerCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private PartOptions options;

  @Option(
      names = "--alternatives",
      defaultValue = "1",
      description = "how many fingerings, 1 to 12")
  private int count;

  @Option(
      names = "--free",
      description =
          "the least effort of all, whether figures that come back are fingered alike or not")
  private boolean free;

  @Override
  public Integer call() throws UnusableInput {
    if (count < 1 || count > 12) {
      throw options.usage("--alternatives " + count + " is outside 1 to 12");
    }
    Session session = options.session(options.score());
    List<Fingering> fingerings = fingerings(session);
    if (options.json) {
      spec.commandLine().getOut().println(Json.text(json(session, fingerings)));
    } else {
      printText(session, fingerings);
    }
    return 0;
  }

  private List<Fingering> fingerings(Session session) {
    FingeringSolver solver = new FingeringSolver(session.task());
    List<Fingering> all = new ArrayList<>(List.of(free ? solver.best() : session.fingering()));
    if (count > 1) {
      all.addAll(solver.alternativesTo(all.get(0), count - 1));
    }
    return all;
  }

  private ObjectNode json(Session session, List<Fingering> fingerings) {
    ResolvedPassage passage = session.resolved();
    Instrument instrument = session.task().hand().instrument();
    ObjectNode root = Json.object();
    root.put("file", options.file.toString());
    root.put("instrument", options.instrumentName.toLowerCase(java.util.Locale.ROOT));
    SectionsJson.put(root, session);
    root.put("noteCount", passage.notes().size());
    ArrayNode alternatives = root.putArray("alternatives");
    for (Fingering fingering : fingerings) {
      ObjectNode node = alternatives.addObject();
      node.put("effort", Json.round(fingering.effort(), 4));
      if (!free && alternatives.size() == 1) {
        node.putObject("alike")
            .put("figures", fingering.alike().figures())
            .put("overFree", Json.round(fingering.alike().overFree(), 4));
      }
      Json.terms(node, fingering.explanation());
      notes(node.putArray("notes"), passage, instrument, fingering);
      shifts(node.putArray("shifts"), passage, instrument, fingering);
    }
    Json.problems(root, session.problems());
    return root;
  }

  static void notes(
      ArrayNode into, ResolvedPassage passage, Instrument instrument, Fingering fingering) {
    for (int i = 0; i < passage.notes().size(); i++) {
      SoundingNote note = passage.notes().get(i);
      Optional<NoteFinger> place = fingering.notes().get(i);
      Bar bar = passage.score().bar(note.key().barIndex());
      ObjectNode node = into.addObject();
      node.put("event", note.slice()).put("bar", note.bar()).put("voice", note.voice());
      node.put("beat", beatIn(bar, note.onset()));
      node.put("onset", Fractions.text(note.onset()))
          .put("duration", Fractions.text(note.duration()));
      node.put("pitch", place.map(NoteFinger::sounding).orElse(note.pitch()).toString());
      if (!note.written().equals(note.pitch())) {
        node.put("written", note.written().toString());
      }
      place.ifPresent(
          p -> {
            node.put("string", instrument.stringName(p.string())).put("finger", p.digit());
            node.put(
                "position",
                PositionNames.of(instrument.type(), p.base(), p.region() == Region.THUMB));
            node.put("handBase", p.base()).put("mmFromNut", Json.round(p.mmFromNut(), 1));
            if (p.shape().isExtended() && !p.isOpen()) {
              node.put("extended", p.shape().name().toLowerCase(Locale.ROOT));
            }
            fingering
                .release(p.note())
                .ifPresent(
                    r ->
                        node.put(
                            "heldUntil", Fractions.text(passage.slices().get(r.slice()).onset())));
            p.replaced().ifPresent(r -> node.put("replacedBy", r.by().digit()));
            if (p.harmonic()) {
              node.put("touched", Json.round(p.mmFromNut(), 1));
            }
          });
      node.put("grace", note.isGrace());
    }
  }

  private static String beatIn(Bar bar, Fraction onset) {
    return Fractions.text(bar.placeOf(onset).divide(bar.time().unit()).add(Fraction.ONE));
  }

  static void shifts(
      ArrayNode into, ResolvedPassage passage, Instrument instrument, Fingering fingering) {
    for (Shift s : fingering.shifts()) {
      ObjectNode node = into.addObject();
      node.put("fromEvent", s.fromSlice())
          .put("toEvent", s.toSlice())
          .put("moveEvent", s.moveSlice())
          .put("moveInRest", passage.slices().get(s.moveSlice()).restAfter().signum() > 0);
      node.put("kind", s.creep() ? "creep" : "shift");
      node.put("bar", passage.notes().get(s.toNote()).bar());
      node.put("fromFinger", s.fromFinger().digit()).put("toFinger", s.toFinger().digit());
      node.put("string", instrument.stringName(s.arrivalString()));
      if (s.departureString() != s.arrivalString()) {
        node.put("fromString", instrument.stringName(s.departureString()));
      }
      node.put("travelMm", Json.round(s.travelMm(), 1)).put("timeMs", Json.round(s.timeMs(), 1));
      node.put("difficultyBits", Json.round(s.difficultyBits(), 2))
          .put("hiddenBehind", s.hiddenBehind());
      s.oldFinger()
          .ifPresent(
              g ->
                  node.put("guideOldFinger", g.pitch().toString())
                      .put("guideOldFingerMm", Json.round(g.slideMm(), 1)));
      s.newFinger()
          .ifPresent(
              g ->
                  node.put("guideNewFinger", g.pitch().toString())
                      .put("guideNewFingerMm", Json.round(g.slideMm(), 1)));
    }
  }

  private void printText(Session session, List<Fingering> fingerings) {
    ResolvedPassage passage = session.resolved();
    Instrument instrument = session.task().hand().instrument();
    var out = spec.commandLine().getOut();
    for (Fingering fingering : fingerings) {
      out.printf("effort %.2f, %d shifts%n", fingering.effort(), fingering.shifts().size());
      String bar = "";
      StringBuilder line = new StringBuilder();
      for (int i = 0; i < passage.notes().size(); i++) {
        SoundingNote note = passage.notes().get(i);
        if (!note.bar().equals(bar)) {
          bar = note.bar();
          line.append(System.lineSeparator()).append(String.format("%4s ", bar));
        }
        Optional<NoteFinger> place = fingering.notes().get(i);
        line.append(' ')
            .append(note.pitch())
            .append(':')
            .append(place.map(p -> instrument.stringName(p.string()) + p.digits()).orElse("?"));
      }
      out.println(line.substring(Math.min(line.length(), System.lineSeparator().length())));
      out.println(
          fingering.problems().stream()
              .map(Sentences::of)
              .collect(Collectors.joining(System.lineSeparator())));
    }
  }
}
