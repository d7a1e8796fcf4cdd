package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Fractions;
import fret.base.UnusableInput;
import fret.fingering.NoteFinger;
import fret.harmony.Harmony;
import fret.harmony.Key;
import fret.instrument.Instrument;
import fret.intonation.Check;
import fret.intonation.OpenStrings;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.intonation.Tuner;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.session.Ear;
import fret.session.Session;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.apache.commons.numbers.fraction.Fraction;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code tune}: what each note of a part is checked against. */
@Command(
    name = "tune",
    description = "Tune a part: places, checks, harmony.",
    mixinStandardHelpOptions = true)
final class TuneCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private PartOptions options;

  @Option(
      names = "--tuning",
      defaultValue = "just",
      description = "just (the default), pythagorean or equal")
  private String tuning;

  @Option(names = "--a4", defaultValue = "440", description = "390 to 470 Hz")
  private double a4;

  @Option(
      names = "--strings",
      defaultValue = "pure",
      description = "pure (the default) or tempered")
  private String strings;

  @Option(
      names = "--tritone",
      defaultValue = "45:32",
      description = "45:32 (the default) or 7:5, for tritones that sound together")
  private String tritone;

  @Override
  public Integer call() throws UnusableInput {
    if (!(a4 >= 390) || !(a4 <= 470)) {
      throw options.usage("--a4 " + a4 + " is outside 390 to 470");
    }
    Temperament temperament = options.temperament(tuning);
    boolean pure = strings.equalsIgnoreCase("pure");
    if (!pure && !strings.equalsIgnoreCase("tempered")) {
      throw options.usage("--strings " + strings + " is neither pure nor tempered");
    }
    if (!List.of("45:32", "7:5").contains(tritone)) {
      throw options.usage("--tritone " + tritone + " is neither 45:32 nor 7:5");
    }
    Session s = options.session(options.score());
    Instrument instrument = s.task().hand().instrument();
    OpenStrings open =
        pure ? OpenStrings.pure(instrument, a4) : OpenStrings.tempered(instrument, a4);
    Harmony harmony = Ear.harmony(s, options.otherScores());
    Tuned tuned =
        Tuner.of(
            s.resolved(),
            s.fingering(),
            s.task().hand(),
            open,
            harmony,
            n -> temperament,
            tritone.equals("7:5"));
    if (options.json) {
      spec.commandLine().getOut().println(Json.text(json(s, tuned, temperament, pure)));
    } else {
      text(s, tuned);
    }
    return 0;
  }

  private ObjectNode json(Session s, Tuned tuned, Temperament temperament, boolean pure) {
    ResolvedPassage passage = s.resolved();
    Instrument on = s.task().hand().instrument();
    ObjectNode root = Json.object();
    root.put("tuning", temperament.id()).put("strings", pure ? "pure" : "tempered").put("a4", a4);
    SectionsJson.put(root, s);
    ArrayNode keys = root.putArray("keys");
    for (Harmony.KeySpan k : tuned.harmony().keys()) {
      keys.addObject()
          .put("fromBar", passage.score().bars().get(k.fromBar()).number())
          .put("toBar", passage.score().bars().get(k.toBar()).number())
          .put("key", k.key().text())
          .put("confidence", Json.round(k.confidence(), 3));
    }
    ArrayNode harmony = root.putArray("harmony");
    for (Harmony.ChordSpan c : tuned.harmony().chords()) {
      Bar bar = passage.score().bars().get(c.bar());
      chord(harmony.addObject(), bar, c, tuned.harmony());
    }
    ArrayNode notes = root.putArray("notes");
    ArrayNode conflicts = Json.object().putArray("conflicts");
    for (int i = 0; i < passage.notes().size(); i++) {
      SoundingNote n = passage.notes().get(i);
      ObjectNode node = notes.addObject();
      node.put("event", n.slice()).put("bar", n.bar()).put("voice", n.voice());
      node.put("onset", Fractions.text(n.onset())).put("pitch", n.pitch().toString());
      Optional<NoteFinger> f = s.fingering().notes().get(i);
      Optional<Tuned.Place> place = tuned.notes().get(i);
      if (f.isPresent() && place.isPresent()) {
        node.put("pitch", f.get().sounding().toString());
        node.put("string", on.stringName(f.get().string())).put("finger", f.get().digit());
        note(node, on, s, place.get());
        place.get().conflict().ifPresent(c -> conflict(conflicts.addObject(), on, n, c));
      }
    }
    ArrayNode pairs = root.putArray("neighbourPairs");
    for (Tuned.Pair p : tuned.pairs()) {
      pairs
          .addObject()
          .putArray("events")
          .add(passage.notes().get(p.first()).slice())
          .add(passage.notes().get(p.second()).slice());
    }
    root.set("conflicts", conflicts);
    ArrayNode chords = root.putArray("chords");
    for (int slice : tuned.orders().keySet().stream().sorted().toList()) {
      for (Tuned.School school : Tuned.School.values()) {
        ObjectNode node = chords.addObject().put("event", slice);
        ArrayNode order = node.putArray("order");
        List<Integer> all = tuned.orders().get(slice).notes(school);
        all.forEach(x -> order.add(passage.notes().get(x).pitch().toString()));
        node.put("school", school.id());
      }
    }
    Json.problems(root, s.problems());
    return root;
  }

  private static void chord(ObjectNode node, Bar bar, Harmony.ChordSpan c, Harmony harmony) {
    Key key = harmony.keyAt(c.bar()).orElseThrow();
    Fraction beat = bar.placeOf(c.onset()).divide(bar.time().unit()).add(Fraction.ONE);
    node.put("bar", bar.number()).put("beat", Fractions.text(beat));
    node.put("chord", c.chord().map(x -> x.text(key)).orElse("?"));
    node.put("numeral", harmony.numeral(c));
    harmony.bassName(c).ifPresent(name -> node.put("bass", name));
    if (c.bass().filter(Harmony.Bass::over).isPresent()) {
      node.put("over", harmony.bassName(c).orElseThrow());
    }
    node.put("confidence", Json.round(c.confidence(), 3));
    c.second()
        .ifPresent(
            x ->
                node.putObject("second")
                    .put("chord", x.chord().text(key))
                    .put("numeral", x.chord().numeral(key))
                    .put("confidence", Json.round(x.confidence(), 3)));
  }

  private static void note(ObjectNode node, Instrument on, Session s, Tuned.Place p) {
    node.put("centsFromEqual", Json.round(p.cents(), 2));
    ArrayNode ring = node.putArray("ring");
    p.ring().forEach(r -> ring.add(on.stringName(r.string())));
    ArrayNode checks = node.putArray("checks");
    NoteFinger f = s.fingering().notes().get(p.note()).orElseThrow();
    for (Check c : p.checks()) {
      ObjectNode one = checks.addObject();
      boolean open = c.kind() == Check.Kind.OPEN;
      one.put("kind", c.kind().id())
          .put("against", open ? on.stringName(c.string()) : c.against().toString());
      one.put("interval", Intervals.name(c.interval())).put("ratio", c.ratio().toString());
      one.put("centsFromEqual", Json.round(c.centsFromEqual(), 2)).put("finger", f.digit());
      double mm = Json.round(Math.abs(c.mm()), 2);
      one.put("mm", mm);
      if (mm > 0) {
        one.put("towards", c.mm() > 0 ? "bridge" : "nut");
      }
      c.gapMm().ifPresent(g -> one.put("gapMm", Json.round(g, 2)));
      c.gapEqualMm().ifPresent(g -> one.put("gapEqualMm", Json.round(g, 2)));
    }
  }

  private static void conflict(ObjectNode node, Instrument on, SoundingNote n, Tuned.Conflict c) {
    node.put("event", n.slice());
    node.putArray("against")
        .add(on.stringName(c.first().string()))
        .add(on.stringName(c.second().string()));
    node.put("apartCents", Json.round(c.apartCents(), 2));
    node.put("apartMm", Json.round(Math.abs(c.apartMm()), 2));
  }

  private void text(Session s, Tuned tuned) {
    var out = spec.commandLine().getOut();
    Instrument on = s.task().hand().instrument();
    for (int i = 0; i < tuned.notes().size(); i++) {
      SoundingNote n = s.resolved().notes().get(i);
      String bar = n.bar();
      tuned
          .notes()
          .get(i)
          .ifPresent(
              p ->
                  out.printf(
                      Locale.ROOT,
                      "%4s %-4s %+6.1f cents %+5.1f mm  %s%n",
                      bar,
                      n.pitch(),
                      p.cents(),
                      p.mm(),
                      p.checks().stream()
                          .findFirst()
                          .map(
                              c ->
                                  c.kind().id()
                                      + " "
                                      + (c.string() > 0
                                          ? on.stringName(c.string())
                                          : c.against().toString())
                                      + " "
                                      + c.ratio())
                          .orElse("")));
    }
  }
}
