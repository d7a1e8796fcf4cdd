package fret.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Fractions;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.passage.Passage;
import fret.player.HandSize;
import fret.player.School;
import fret.score.NoteKey;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;

/** Settings and marks as JSON text, and back. */
final class Texts {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  private Texts() {}

  static String of(Passage.Settings s) {
    ObjectNode node = MAPPER.createObjectNode();
    node.put("title", s.title()).put("instrument", s.instrument().name());
    node.put("beat", s.target().beat().toString()).put("perMinute", s.target().perMinute());
    node.put("preset", s.presetId()).put("school", s.school().name()).put("hand", s.hand().name());
    node.put("soundsOctaveLow", s.soundsOctaveLow()).put("fullDigits", s.fullDigits());
    return node.toString();
  }

  static Passage.Settings settings(String text) {
    JsonNode node = read(text);
    return new Passage.Settings(
        node.path("title").asText(),
        InstrumentType.valueOf(node.path("instrument").asText()),
        new Tempo(
            new Beat(Fractions.parse(node.path("beat").asText())),
            node.path("perMinute").asDouble()),
        node.path("preset").asText(),
        School.valueOf(node.path("school").asText()),
        HandSize.valueOf(node.path("hand").asText()),
        node.path("soundsOctaveLow").asBoolean(),
        node.path("fullDigits").asBoolean());
  }

  static String of(Marks marks) {
    ArrayNode array = MAPPER.createArrayNode();
    for (Mark m : marks.all()) {
      array
          .addObject()
          .put("note", m.key().text())
          .put("finger", m.finger().map(Finger::digit).orElse(""))
          .put("string", m.string())
          .put("standing", m.standing().name());
    }
    return array.toString();
  }

  static Marks marks(String text) {
    List<Mark> marks = new ArrayList<>();
    for (JsonNode m : read(text)) {
      marks.add(
          new Mark(
              NoteKey.parse(m.path("note").asText()),
              Finger.ofDigit(m.path("finger").asText()),
              m.path("string").asInt(),
              Mark.Standing.valueOf(m.path("standing").asText())));
    }
    return Marks.of(marks);
  }

  private static JsonNode read(String text) {
    try {
      return MAPPER.readTree(text);
    } catch (JsonProcessingException e) {
      throw new StoreException("The library holds an entry that cannot be read.", e);
    }
  }
}
