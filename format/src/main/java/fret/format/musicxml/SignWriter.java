package fret.format.musicxml;

import fret.score.NoteKey;
import fret.score.Signs.Articulation;
import fret.session.BowSigns;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Writes articulations onto notes, and dynamics and words before them, into a file's own tree. */
public final class SignWriter {
  private static final Map<Articulation, String> NAMES =
      Map.of(
          Articulation.STACCATO, "staccato",
          Articulation.STACCATISSIMO, "staccatissimo",
          Articulation.TENUTO, "tenuto",
          Articulation.DETACHED_LEGATO, "detached-legato");

  private SignWriter() {}

  /** Adds what is not there yet. */
  public static void write(Map<NoteKey, Element> elements, List<BowSigns> signs) {
    for (BowSigns s : signs) {
      Element note = elements.get(s.note());
      if (note != null) {
        s.articulations().stream()
            .sorted()
            .map(NAMES::get)
            .filter(name -> name != null)
            .forEach(name -> articulation(note, name));
        s.dynamic().ifPresent(d -> dynamic(note, d));
        s.words().ifPresent(w -> words(note, w));
      }
    }
  }

  private static void articulation(Element note, String name) {
    Element notations = MarkWriter.notations(note);
    Element articulations = Dom.child(notations, "articulations");
    if (articulations == null) {
      articulations = note.getOwnerDocument().createElement("articulations");
      notations.appendChild(articulations);
    }
    if (!Dom.has(articulations, name)) {
      articulations.appendChild(note.getOwnerDocument().createElement(name));
    }
  }

  private static void dynamic(Element note, String word) {
    Document document = note.getOwnerDocument();
    Element dynamics = document.createElement("dynamics");
    dynamics.appendChild(document.createElement(word));
    before(note, dynamics, "below");
  }

  private static void words(Element note, String text) {
    Element words = note.getOwnerDocument().createElement("words");
    words.setTextContent(text);
    before(note, words, "above");
  }

  /** A direction stands before the first note of a chord. */
  private static void before(Element note, Element what, String placement) {
    Document document = note.getOwnerDocument();
    Element type = document.createElement("direction-type");
    type.appendChild(what);
    Element direction = document.createElement("direction");
    direction.setAttribute("placement", placement);
    direction.appendChild(type);
    note.getParentNode().insertBefore(direction, firstOfChord(note));
  }

  private static Element firstOfChord(Element note) {
    Element first = note;
    for (Node n = note; n != null && Dom.has(first, "chord"); n = n.getPreviousSibling()) {
      if (n instanceof Element e && e.getTagName().equals("note")) {
        first = e;
      }
    }
    return first;
  }
}
