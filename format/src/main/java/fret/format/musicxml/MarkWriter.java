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
 * contradicts them is taken out, each so that it can be undone, and everything else stays.
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
   * @param proposed whether finger and string are only proposed: they are grey
   */
  public record NoteMark(
      String digit, int string, boolean harmonic, Optional<Signs.Bow> bow, boolean proposed) {
    public NoteMark(String digit, int string) {
      this(digit, string, false, Optional.empty());
    }

    public NoteMark(String digit, int string, boolean harmonic, Optional<Signs.Bow> bow) {
      this(digit, string, harmonic, bow, false);
    }

    /** The same with the string left alone. */
    public NoteMark withoutString() {
      return new NoteMark(digit, 0, harmonic, bow, proposed);
    }
  }

  private static final String GREY = "#808080";

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

  /** Slurs of a note in place of those that are printed on it. */
  public record Slurs(boolean starts, boolean stops) {}

  /** Writes slurs onto the notes of a part; those of other notes stay. */
  public static void writeSlurs(Map<NoteKey, Element> elements, Map<NoteKey, Slurs> slurs) {
    slurs.forEach(
        (key, mine) -> {
          Element note = elements.get(key);
          if (note != null) {
            write(notations(note), mine);
          }
        });
  }

  private static void write(Element notations, Slurs mine) {
    for (Element e : Dom.children(notations)) {
      if (e.getTagName().equals("slur")) {
        OwnSigns.remove(e);
      }
    }
    if (mine.stops()) {
      slur(notations, "stop");
    }
    if (mine.starts()) {
      slur(notations, "start");
    }
  }

  private static void slur(Element notations, String type) {
    Element slur = notations.getOwnerDocument().createElement("slur");
    slur.setAttribute("type", type);
    slur.setAttribute("number", "1");
    OwnSigns.add(notations, slur, notations.getFirstChild());
  }

  static Element notations(Element note) {
    Element notations = Dom.child(note, "notations");
    if (notations == null) {
      notations = note.getOwnerDocument().createElement("notations");
      OwnSigns.add(note, notations, firstOf(note, AFTER_NOTATIONS));
    }
    return notations;
  }

  private static void write(Element note, NoteMark mark) {
    Element notations = notations(note);
    Element technical = Dom.child(notations, "technical");
    if (technical == null) {
      technical = OwnSigns.add(notations, "technical");
    }
    if (!mark.digit().isEmpty()) {
      finger(technical, mark.digit(), mark.proposed());
    }
    if (mark.string() > 0) {
      string(technical, String.valueOf(mark.string()), mark.proposed());
    }
    if (mark.harmonic() && Dom.child(technical, "harmonic") == null) {
      child(child(technical, "harmonic"), "natural");
    }
    if (mark.bow().isPresent()) {
      bow(technical, mark.bow().get());
    }
  }

  private static Element made(Element technical, String name, String text, boolean proposed) {
    Element e = technical.getOwnerDocument().createElement(name);
    e.setTextContent(text);
    if (proposed) {
      e.setAttribute("color", GREY);
    }
    return e;
  }

  private static void string(Element technical, String string, boolean proposed) {
    Element printed = Dom.child(technical, "string");
    if (printed == null || !printed.getTextContent().trim().equals(string)) {
      OwnSigns.add(technical, made(technical, "string", string, proposed), printed);
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

  /**
   * The digits stand before those that are printed, which stay as they are: readers take the first.
   */
  private static void finger(Element technical, String digit, boolean proposed) {
    if (digit.equals("T")) {
      child(technical, "thumb-position");
      return;
    }
    Element thumb = Dom.child(technical, "thumb-position");
    if (thumb != null) {
      OwnSigns.remove(thumb);
    }
    if (digit.equals(NotationsReader.fingering(technical))) {
      return;
    }
    String[] digits = digit.split("-", 2);
    Node before = Dom.child(technical, "fingering");
    Element first = made(technical, "fingering", digits[0], proposed);
    boolean takesOver = before instanceof Element e && e.getAttribute("substitution").equals("yes");
    if (digits.length == 1 && takesOver) {
      OwnSigns.add(technical, first, null); // Before it, it would be read as taken over.
      return;
    }
    OwnSigns.add(technical, first, before);
    if (digits.length > 1) {
      Element second = made(technical, "fingering", digits[1], proposed);
      second.setAttribute("substitution", "yes");
      OwnSigns.add(technical, second, before);
    }
  }

  private static void remove(Element parent, String name) {
    Element child = Dom.child(parent, name);
    if (child != null) {
      OwnSigns.remove(child);
    }
  }

  private static Element child(Element parent, String name) {
    Element found = Dom.child(parent, name);
    return found == null ? OwnSigns.add(parent, name) : found;
  }

  private static Node firstOf(Element parent, Set<String> names) {
    return Dom.children(parent).stream()
        .filter(e -> names.contains(e.getTagName()))
        .findFirst()
        .orElse(null);
  }

  /** The document as UTF-8 bytes. */
  public static byte[] bytes(Document document) {
    OwnSigns.dropEmpty(document.getDocumentElement());
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
