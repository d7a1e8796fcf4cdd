package fret.format.json;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Form;
import java.util.ArrayList;
import java.util.List;

/** Stored forms as JSON text, and back. */
public final class FormJson {
  private static final ObjectMapper MAPPER = new ObjectMapper();
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private FormJson() {}

  public static String text(Form form) {
    return node(form).toString();
  }

  private static ObjectNode node(Form form) {
    ObjectNode node = NODES.objectNode();
    form.fields().forEach((name, value) -> node.set(name, value(value)));
    return node;
  }

  private static JsonNode value(Object value) {
    if (value instanceof Form f) {
      return node(f);
    } else if (value instanceof List<?> list) {
      ArrayNode array = NODES.arrayNode();
      list.forEach(v -> array.add(value(v)));
      return array;
    } else if (value instanceof Boolean b) {
      return NODES.booleanNode(b);
    } else if (value instanceof Long n) {
      return NODES.numberNode(n);
    } else if (value instanceof Double d) {
      return NODES.numberNode(d);
    }
    return NODES.textNode((String) value);
  }

  /**
   * Reads a form.
   *
   * @throws IllegalArgumentException if the text is none
   */
  public static Form form(String text) {
    return form(tree(text));
  }

  /**
   * Reads a list of forms.
   *
   * @throws IllegalArgumentException if the text is none
   */
  public static List<Form> forms(String text) {
    List<Form> all = new ArrayList<>();
    tree(text).forEach(node -> all.add(form(node)));
    return all;
  }

  private static JsonNode tree(String text) {
    try {
      return MAPPER.readTree(text);
    } catch (JsonProcessingException e) {
      throw new IllegalArgumentException("no entry that can be read: " + e.getOriginalMessage(), e);
    }
  }

  private static Form form(JsonNode node) {
    if (!node.isObject()) {
      throw new IllegalArgumentException("no entry that can be read");
    }
    Form form = Form.EMPTY;
    for (var field : node.properties()) {
      if (!field.getValue().isNull()) {
        form = form.with(field.getKey(), object(field.getValue()));
      }
    }
    return form;
  }

  private static Object object(JsonNode node) {
    if (node.isObject()) {
      return form(node);
    } else if (node.isArray()) {
      List<Object> all = new ArrayList<>();
      node.forEach(n -> all.add(object(n)));
      return all;
    } else if (node.isBoolean()) {
      return node.booleanValue();
    } else if (node.isIntegralNumber()) {
      return node.longValue();
    } else if (node.isNumber()) {
      return node.doubleValue();
    }
    return node.asText();
  }
}
