package fret.format.musicxml;

import fret.base.Form;
import fret.base.UnusableInput;
import fret.format.json.FormJson;
import java.util.List;
import java.util.Optional;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * What was decided of a part, in the file's own place for what programs keep: a {@code
 * miscellaneous-field} named {@code fret} and the part's id, with the decisions as JSON text. It
 * holds what has no sign of its own; a reader that does not know it leaves it alone.
 */
public final class KeptDecisions {
  private static final String FIELD = "miscellaneous-field";
  private static final List<String> BEFORE_IDENTIFICATION =
      List.of("work", "movement-number", "movement-title");

  private KeptDecisions() {}

  /** Keeps decisions of a part in place of those before. */
  public static void write(Document document, String file, String partName, Form decisions)
      throws UnusableInput {
    String name = name(file, document, partName);
    Element root = document.getDocumentElement();
    Element identification = Dom.child(root, "identification");
    if (identification == null) {
      identification = document.createElement("identification");
      root.insertBefore(identification, afterTitles(root));
    }
    Element miscellaneous = Dom.child(identification, "miscellaneous");
    if (miscellaneous == null) {
      miscellaneous = document.createElement("miscellaneous");
      identification.appendChild(miscellaneous);
    }
    Element field = field(miscellaneous, name).orElse(null);
    if (field == null) {
      field = document.createElement(FIELD);
      field.setAttribute("name", name);
      miscellaneous.appendChild(field);
    }
    field.setTextContent(FormJson.text(decisions));
  }

  private static Node afterTitles(Element root) {
    Node n = root.getFirstChild();
    while (n != null
        && !(n instanceof Element e && !BEFORE_IDENTIFICATION.contains(e.getTagName()))) {
      n = n.getNextSibling();
    }
    return n;
  }

  /**
   * The decisions that a file keeps of a part; empty where there are none.
   *
   * @throws IllegalArgumentException if they cannot be read
   */
  public static Optional<Form> read(Document document, String file, String partName)
      throws UnusableInput {
    Element identification = Dom.child(document.getDocumentElement(), "identification");
    Element miscellaneous =
        identification == null ? null : Dom.child(identification, "miscellaneous");
    return miscellaneous == null
        ? Optional.empty()
        : field(miscellaneous, name(file, document, partName))
            .map(f -> FormJson.form(f.getTextContent()));
  }

  private static Optional<Element> field(Element miscellaneous, String name) {
    return Dom.children(miscellaneous, FIELD).stream()
        .filter(f -> f.getAttribute("name").equals(name))
        .findFirst();
  }

  private static String name(String file, Document document, String partName) throws UnusableInput {
    return "fret " + MusicXmlReader.pick(file, document, partName).getAttribute("id");
  }
}
