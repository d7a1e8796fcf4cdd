package fret.format.musicxml;

import fret.base.RefusedValue;
import fret.base.Said;
import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Small steps through a document tree. */
final class Dom {
  private Dom() {}

  static List<Element> children(Element parent) {
    List<Element> found = new ArrayList<>();
    for (Node n = parent.getFirstChild(); n != null; n = n.getNextSibling()) {
      if (n instanceof Element e) {
        found.add(e);
      }
    }
    return found;
  }

  static List<Element> children(Element parent, String name) {
    List<Element> found = children(parent);
    found.removeIf(e -> !e.getTagName().equals(name));
    return found;
  }

  /** The first child of that name, or null. */
  static Element child(Element parent, String name) {
    for (Node n = parent.getFirstChild(); n != null; n = n.getNextSibling()) {
      if (n instanceof Element e && e.getTagName().equals(name)) {
        return e;
      }
    }
    return null;
  }

  static boolean has(Element parent, String name) {
    return child(parent, name) != null;
  }

  /** Text of the first child of that name, trimmed; empty if there is none. */
  static String text(Element parent, String name) {
    Element child = child(parent, name);
    return child == null ? "" : child.getTextContent().trim();
  }

  /** A whole number from a child's text; the fallback if absent. */
  static int number(Element parent, String name, int fallback) {
    String text = text(parent, name);
    return text.isEmpty() ? fallback : (int) decimal(text);
  }

  /** A number as it stands in the file. */
  static double decimal(String text) {
    try {
      return Double.parseDouble(text.trim());
    } catch (NumberFormatException e) {
      throw new RefusedValue(Said.of("value.number", text));
    }
  }
}
