package fret.app.batch;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.search.Explanation;
import java.util.List;

/** Small steps towards JSON. */
final class Json {
  private static final ObjectMapper MAPPER =
      new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

  private Json() {}

  static ObjectNode object() {
    return MAPPER.createObjectNode();
  }

  static String text(ObjectNode node) {
    try {
      return MAPPER.writeValueAsString(node);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  static void problems(ObjectNode into, List<Problem> problems) {
    ArrayNode array = into.putArray("problems");
    for (Problem p : problems) {
      ObjectNode node = array.addObject();
      if (!p.bar().isEmpty()) {
        node.put("bar", p.bar());
      }
      node.put("message", Sentences.of(Problem.of(p.message(), p.nextStep())));
    }
  }

  /** What an effort is made of. */
  static void terms(ObjectNode into, Explanation explanation) {
    ArrayNode terms = into.putArray("terms");
    for (Explanation.Share share : explanation.shares()) {
      terms
          .addObject()
          .put("id", share.id())
          .put("quantity", round(share.quantity(), 4))
          .put("unit", share.unit())
          .put("effort", round(share.effort(), 4));
    }
  }

  /** A number with at most {@code places} decimals. */
  static double round(double value, int places) {
    double factor = Math.pow(10, places);
    return Math.round(value * factor) / factor;
  }
}
