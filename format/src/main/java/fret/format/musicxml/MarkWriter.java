package fret.format.musicxml;

import fret.score.NoteKey;
import fret.score.Signs;
import java.io.ByteArrayOutputStream;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Writes fingers, strings and bow marks into a file's own tree: new marks are inserted, a mark that
 * stands is changed in place, and everything else stays as it was.
 */
public final class MarkWriter {
  private static final Set<String> AFTER_NOTATIONS = Set.of("lyric", "play", "listen");

  /**
   * What to write on a note.
   *
   * @param digit 0 to 4 or T, "1-4" where the finger is replaced; empty to leave the finger alone
   * @param string 1 the highest; 0 to leave the string alone
   * @param harmonic whether the sign of a natural harmonic is set; one that stands stays
   * @param bow the bow mark; empty to leave it alone, {@link Signs.Bow#NONE} to take it away
   */
  public record NoteMark(String digit, int string, boolean harmonic, Optional<Signs.Bow> bow) {
    public NoteMark(String digit, int string) {
      this(digit, string, false, Optional.empty());
    }
  }

  private MarkWriter() {}

  /** Writes marks onto the notes of a part that was read with its elements. */
  public static void write(Map<NoteKey, Element> elements, Map<NoteKey, NoteMark> marks) {
    marks.forEach(
        (key, mark) -> {
          Element note = elements.get(key);
          if (note != null) {
            write(note, mark);
          }
        });
  }

  private static void write(Element note, NoteMark mark) {
    Element notations = Dom.child(note, "notations");
    if (notations == null) {
      notations = note.getOwnerDocument().createElement("notations");
      note.insertBefore(notations, firstOf(note, AFTER_NOTATIONS));
    }
    Element technical = Dom.child(notations, "technical");
    if (technical == null) {
      technical = note.getOwnerDocument().createElement("technical");
      notations.appendChild(technical);
    }
    if (!mark.digit().isEmpty()) {
      finger(technical, mark.digit());
    }
    if (mark.string() > 0) {
      child(technical, "string").setTextContent(String.valueOf(mark.string()));
    }
    if (mark.harmonic() && Dom.child(technical, "harmonic") == null) {
      child(child(technical, "harmonic"), "natural");
    }
    if (mark.bow().isPresent()) {
      bow(technical, mark.bow().get());
    }
  }

  private static void bow(Element technical, Signs.Bow bow) {
    if (bow != Signs.Bow.DOWN) {
      remove(technical, "down-bow");
    }
    if (bow != Signs.Bow.UP) {
      remove(technical, "up-bow");
    }
    if (bow != Signs.Bow.NONE) {
      child(technical, bow == Signs.Bow.DOWN ? "down-bow" : "up-bow");
    }
  }

  private static void finger(Element technical, String digit) {
    Element thumb = Dom.child(technical, "thumb-position");
    if (digit.equals("T")) {
      remove(technical, "fingering");
      child(technical, "thumb-position");
    } else {
      if (thumb != null) {
        technical.removeChild(thumb);
      }
      String[] digits = digit.split("-", 2);
      Element fingering = child(technical, "fingering");
      if (!fingering.getTextContent().trim().equals(digits[0])) {
        fingering.setTextContent(digits[0]);
      }
      takeOver(technical, fingering, digits.length > 1 ? digits[1] : "");
    }
  }

  /** Writes the finger that takes over behind the first one, or takes it away. */
  private static void takeOver(Element technical, Element first, String digit) {
    Element there =
        Dom.children(technical, "fingering").stream()
            .filter(e -> e.getAttribute("substitution").equals("yes"))
            .findFirst()
            .orElse(null);
    if (there != null && digit.isEmpty()) {
      technical.removeChild(there);
    } else if (!digit.isEmpty()) {
      Element element = there;
      if (element == null) {
        element = technical.getOwnerDocument().createElement("fingering");
        element.setAttribute("substitution", "yes");
        technical.insertBefore(element, first.getNextSibling());
      }
      element.setTextContent(digit);
    }
  }

  private static void remove(Element parent, String name) {
    Element child = Dom.child(parent, name);
    if (child != null) {
      parent.removeChild(child);
    }
  }

  private static Element child(Element parent, String name) {
    Element found = Dom.child(parent, name);
    if (found == null) {
      found = parent.getOwnerDocument().createElement(name);
      parent.appendChild(found);
    }
    return found;
  }

  private static Node firstOf(Element parent, Set<String> names) {
    return Dom.children(parent).stream()
        .filter(e -> names.contains(e.getTagName()))
        .findFirst()
        .orElse(null);
  }

  /** The document as UTF-8 bytes. */
  public static byte[] bytes(Document document) {
    try {
      Transformer transformer = TransformerFactory.newInstance().newTransformer();
      if (document.getDoctype() != null) {
        transformer.setOutputProperty(
            OutputKeys.DOCTYPE_PUBLIC, document.getDoctype().getPublicId());
        transformer.setOutputProperty(
            OutputKeys.DOCTYPE_SYSTEM, document.getDoctype().getSystemId());
      }
      transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
      document.setXmlStandalone(true);
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      transformer.transform(new DOMSource(document), new StreamResult(out));
      return out.toByteArray();
    } catch (TransformerException e) {
      throw new IllegalStateException(e);
    }
  }
}
