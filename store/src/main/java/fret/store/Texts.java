package fret.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Fractions;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.mark.Wish;
import fret.passage.Change;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandSize;
import fret.player.School;
import fret.score.Bar;
import fret.score.Divided;
import fret.score.NoteKey;
import fret.score.Signs;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Settings, marks and changes as JSON text, and back. */
final class Texts {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  private Texts() {}

  static String of(Passage.Settings s) {
    Setup setup = s.setup();
    Reading reading = s.reading();
    ObjectNode node = MAPPER.createObjectNode();
    node.put("title", s.title()).put("instrument", setup.instrument().name());
    node.put("beat", s.target().beat().toString()).put("perMinute", s.target().perMinute());
    node.put("preset", setup.presetId()).put("school", setup.school().name());
    node.put("hand", setup.hand().size().name()).put("stringLengthMm", setup.stringLengthMm());
    node.put("spanMm", setup.hand().spanMm()).put("thumbFrom", setup.hand().thumbFrom());
    node.put("fourthCaution", setup.hand().fourthCaution());
    node.put("a4Hz", setup.a4Hz());
    Tuning tuning = setup.tuning();
    node.putObject("tuning")
        .put("name", tuning.name())
        .put("strings", tuning.text())
        .put("extension", tuning.extension())
        .put("partFollows", tuning.partFollows());
    ObjectNode weights = node.putObject("weights");
    new TreeMap<>(setup.weights()).forEach((kind, weight) -> weights.put(kind.id(), weight));
    node.put("soundsOctaveLow", reading.soundsOctaveLow()).put("fullDigits", s.fullDigits());
    node.put("divided", reading.divided().name()).put("octaves", reading.octaves());
    node.put("fromBar", reading.fromBar()).put("toBar", reading.toBar());
    node.put("details", Pages.details(s.details()));
    return node.toString();
  }

  static Passage.Settings settings(String text) {
    JsonNode node = read(text);
    InstrumentType type = InstrumentType.valueOf(node.path("instrument").asText());
    Setup setup =
        new Setup(
            type,
            tuning(node.path("tuning"), type),
            node.path("stringLengthMm").asDouble(),
            node.path("a4Hz").asDouble(440),
            node.path("preset").asText(),
            weights(node.path("weights")),
            School.valueOf(node.path("school").asText()),
            new Hand(
                HandSize.valueOf(node.path("hand").asText()),
                node.path("spanMm").asDouble(),
                node.path("fourthCaution").asBoolean(),
                node.path("thumbFrom").asInt()));
    Reading reading =
        new Reading(
            node.path("soundsOctaveLow").asBoolean(),
            Divided.valueOf(node.path("divided").asText(Divided.UNDECIDED.name())),
            node.path("fromBar").asText(),
            node.path("toBar").asText(),
            node.path("octaves").asInt());
    Tempo target =
        new Tempo(
            new Beat(Fractions.parse(node.path("beat").asText())),
            node.path("perMinute").asDouble());
    return new Passage.Settings(
        node.path("title").asText(),
        target,
        setup,
        reading,
        node.path("fullDigits").asBoolean(),
        Pages.details(node.path("details").asText()));
  }

  private static Tuning tuning(JsonNode node, InstrumentType type) {
    if (node.isMissingNode()) {
      return Tuning.usual(type);
    }
    return new Tuning(
        node.path("name").asText(),
        Tuning.parse(node.path("strings").asText(), false).strings(),
        node.path("extension").asInt(),
        node.path("partFollows").asBoolean());
  }

  private static Map<EffortKind, Double> weights(JsonNode node) {
    Map<EffortKind, Double> weights = new EnumMap<>(EffortKind.class);
    for (EffortKind kind : EffortKind.values()) {
      if (node.has(kind.id())) {
        weights.put(kind, node.path(kind.id()).asDouble());
      }
    }
    return weights;
  }

  static String of(Marks marks) {
    ArrayNode array = MAPPER.createArrayNode();
    marks.all().forEach(m -> put(array.addObject(), m));
    Map<String, Signs.Bow> bows = new TreeMap<>();
    marks.bows().forEach((key, bow) -> bows.put(key.text(), bow));
    bows.forEach((key, bow) -> array.addObject().put("note", key).put("bow", bow.name()));
    for (Wish w : marks.wishes()) {
      array
          .addObject()
          .put("wish", w.kind().name())
          .put("from", w.from().text())
          .put("to", w.to().text())
          .put("value", w.value());
    }
    marks.vibrato().stream()
        .map(NoteKey::text)
        .sorted()
        .forEach(key -> array.addObject().put("vibrato", key));
    marks
        .kept()
        .forEach(
            (name, fingering) -> {
              ArrayNode list = array.addObject().put("kept", name).putArray("fingering");
              fingering.forEach(m -> put(list.addObject(), m));
            });
    return array.toString();
  }

  private static void put(ObjectNode node, Mark m) {
    node.put("note", m.key().text())
        .put("finger", m.finger().map(Finger::digit).orElse(""))
        .put("string", m.string())
        .put("standing", m.standing().name());
    m.replacedBy().ifPresent(f -> node.put("replacedBy", f.digit()));
    if (m.harmonic()) {
      node.put("harmonic", true);
    }
  }

  static Marks marks(String text) {
    List<Mark> marks = new ArrayList<>();
    Map<NoteKey, Signs.Bow> bows = new HashMap<>();
    List<Wish> wishes = new ArrayList<>();
    Set<NoteKey> vibrato = new HashSet<>();
    Map<String, List<Mark>> kept = new TreeMap<>();
    for (JsonNode m : read(text)) {
      if (m.has("bow")) {
        bows.put(key(m, "note"), Signs.Bow.valueOf(m.path("bow").asText()));
      } else if (m.has("wish")) {
        Wish.Kind kind = Wish.Kind.valueOf(m.path("wish").asText());
        wishes.add(new Wish(kind, key(m, "from"), key(m, "to"), m.path("value").asInt()));
      } else if (m.has("vibrato")) {
        vibrato.add(key(m, "vibrato"));
      } else if (m.has("kept")) {
        List<Mark> fingering = new ArrayList<>();
        m.path("fingering").forEach(f -> fingering.add(mark(f)));
        kept.put(m.path("kept").asText(), fingering);
      } else {
        marks.add(mark(m));
      }
    }
    Marks all = Marks.of(marks).withBows(bows).withWishes(wishes).withVibrato(vibrato);
    for (Map.Entry<String, List<Mark>> fingering : kept.entrySet()) {
      all = all.keeping(fingering.getKey(), fingering.getValue());
    }
    return all;
  }

  private static NoteKey key(JsonNode node, String field) {
    return NoteKey.parse(node.path(field).asText());
  }

  private static Mark mark(JsonNode m) {
    return new Mark(
        key(m, "note"),
        Finger.ofDigit(m.path("finger").asText()),
        Finger.ofDigit(m.path("replacedBy").asText()),
        m.path("string").asInt(),
        m.path("harmonic").asBoolean(),
        Mark.Standing.valueOf(m.path("standing").asText()));
  }

  /** What a change needs to be taken back and done again. */
  static String[] of(Change change) {
    if (change instanceof Change.MarksChange m) {
      return new String[] {"marks", of(m.before()), of(m.after())};
    } else if (change instanceof Change.SettingsChange s) {
      return new String[] {"settings", of(s.before()), of(s.after())};
    } else if (change instanceof Change.PageChange p) {
      return new String[] {
        "page", page(p.at(), p.bars(), p.before()), page(p.at(), p.newBars(), p.after())
      };
    }
    Change.SourceChange s = (Change.SourceChange) change;
    return new String[] {
      "source", source(s.sourceBefore(), s.before()), source(s.sourceAfter(), s.after())
    };
  }

  private static String page(int at, List<Bar> bars, Marks marks) {
    ObjectNode node = MAPPER.createObjectNode().put("at", at).put("bars", Pages.of(bars));
    return node.put("marks", of(marks)).toString();
  }

  private static String source(long id, Marks marks) {
    return MAPPER.createObjectNode().put("source", id).put("marks", of(marks)).toString();
  }

  static Change change(String kind, String name, String before, String after) {
    return switch (kind) {
      case "marks" -> new Change.MarksChange(name, marks(before), marks(after));
      case "settings" -> new Change.SettingsChange(name, settings(before), settings(after));
      case "page" -> {
        JsonNode b = read(before);
        JsonNode a = read(after);
        yield new Change.PageChange(
            name,
            b.path("at").asInt(),
            Pages.bars(b.path("bars").asText()),
            Pages.bars(a.path("bars").asText()),
            marks(b.path("marks").asText()),
            marks(a.path("marks").asText()));
      }
      case "source" -> {
        JsonNode b = read(before);
        JsonNode a = read(after);
        yield new Change.SourceChange(
            name,
            b.path("source").asLong(),
            a.path("source").asLong(),
            marks(b.path("marks").asText()),
            marks(a.path("marks").asText()));
      }
      default -> throw new StoreException("The library holds a change of kind " + kind + ".", null);
    };
  }

  private static JsonNode read(String text) {
    try {
      return MAPPER.readTree(text);
    } catch (JsonProcessingException e) {
      throw new StoreException("The library holds an entry that cannot be read.", e);
    }
  }
}
