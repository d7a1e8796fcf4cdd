package fret.format.musicxml;

import fret.bowing.Swell;
import fret.mark.Reminder;
import fret.score.LoudnessLine;
import fret.score.NoteKey;
import fret.score.Signs.Articulation;
import fret.session.BowSigns;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;

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
    Element begun = null;
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
        begun = s.hairpin().isPresent() ? note : begun;
        if (s.hairpinEnds() && begun != null) {
          hairpin(begun, note, signOf(signs, elements, begun));
          begun = null;
        }
      }
    }
  }

  private static void articulation(Element note, String name) {
    Element notations = MarkWriter.notations(note);
    Element articulations = Dom.child(notations, "articulations");
    if (articulations == null) {
      articulations = OwnSigns.add(notations, "articulations");
    }
    if (!Dom.has(articulations, name)) {
      OwnSigns.add(articulations, name);
    }
  }

  /** The player's own dynamic, in place of one that is printed at the same moment. */
  private static void dynamic(Element note, String word) {
    printedDynamics(note).forEach(OwnSigns::remove);
    Document document = note.getOwnerDocument();
    Element dynamics = document.createElement("dynamics");
    dynamics.appendChild(document.createElement(word));
    before(note, dynamics, "below");
  }

  /** Directions with a plain dynamic between the note, or its chord, and the note before. */
  private static List<Element> printedDynamics(Element note) {
    List<Element> found = new ArrayList<>();
    Node n = firstOfChord(note).getPreviousSibling();
    while (n != null && !ends(n)) {
      if (n instanceof Element e && e.getTagName().equals("direction") && isDynamic(e)) {
        found.add(e);
      }
      n = n.getPreviousSibling();
    }
    return found;
  }

  /** Whether time passes there: grace notes take none. */
  private static boolean ends(Node n) {
    return n instanceof Element e
        && (e.getTagName().equals("backup")
            || e.getTagName().equals("forward")
            || e.getTagName().equals("note") && !Dom.has(e, "grace"));
  }

  private static boolean isDynamic(Element direction) {
    Element type = Dom.child(direction, "direction-type");
    Element dynamics = type == null ? null : Dom.child(type, "dynamics");
    return dynamics != null
        && !Dom.has(direction, "offset")
        && Dom.children(dynamics).stream().allMatch(d -> LoudnessLine.level(d.getTagName()) >= 0);
  }

  private static Swell signOf(List<BowSigns> signs, Map<NoteKey, Element> elements, Element begun) {
    return signs.stream()
        .filter(s -> elements.get(s.note()) == begun)
        .flatMap(s -> s.hairpin().stream())
        .findFirst()
        .orElseThrow();
  }

  /** The player's own hairpin over some notes, in place of printed ones between them. */
  private static void hairpin(Element first, Element last, Swell swell) {
    Element part = (Element) first.getParentNode().getParentNode();
    Node end = afterChord(last);
    for (Element direction : wedges(part)) {
      boolean later = follows(firstOfChord(first), direction) || isJustBefore(direction, first);
      if (later && !follows(last, direction)) {
        OwnSigns.remove(direction);
      }
    }
    before(first, wedge(first, swell == Swell.GROWS ? "crescendo" : "diminuendo"), "below");
    direction(last, wedge(last, "stop"), "below", end);
  }

  private static List<Element> wedges(Element part) {
    NodeList wedges = part.getElementsByTagName("wedge");
    List<Element> directions = new ArrayList<>();
    for (int i = 0; i < wedges.getLength(); i++) {
      directions.add((Element) wedges.item(i).getParentNode().getParentNode());
    }
    return directions;
  }

  private static boolean follows(Node one, Node other) {
    return (one.compareDocumentPosition(other) & Node.DOCUMENT_POSITION_FOLLOWING) != 0;
  }

  /** Whether a direction stands at the moment of a note. */
  private static boolean isJustBefore(Element direction, Element note) {
    Node n = firstOfChord(note).getPreviousSibling();
    while (n != null && !ends(n)) {
      if (n == direction) {
        return true;
      }
      n = n.getPreviousSibling();
    }
    return false;
  }

  private static Element wedge(Element note, String type) {
    Element wedge = note.getOwnerDocument().createElement("wedge");
    wedge.setAttribute("type", type);
    return wedge;
  }

  /** What stands after a note and the other notes of its chord; null at the end of the bar. */
  private static Node afterChord(Element note) {
    Node n = note.getNextSibling();
    Node after = n;
    while (n != null) {
      if (n instanceof Element e) {
        if (!e.getTagName().equals("note") || !Dom.has(e, "chord")) {
          break;
        }
        after = e.getNextSibling();
      }
      n = n.getNextSibling();
    }
    return after;
  }

  /** What a player pencilled, where there is a sign for it. */
  public static void pencil(Element note, Reminder reminder) {
    switch (reminder.kind()) {
      case WORD -> words(note, reminder.text());
      case GLASSES -> before(note, note.getOwnerDocument().createElement("eyeglasses"), "above");
      case COMMA -> articulation(note, "breath-mark");
      default -> {} // No sign that other readers know: the decision itself is kept.
    }
  }

  /** A slide that is meant to be heard, from one note into another. */
  public static void slide(Element from, Element to) {
    slide(from, "start");
    slide(to, "stop");
  }

  private static void slide(Element note, String type) {
    Element slide = note.getOwnerDocument().createElement("slide");
    slide.setAttribute("type", type);
    slide.setAttribute("number", "1");
    slide.setAttribute("line-type", "solid");
    OwnSigns.add(MarkWriter.notations(note), slide, null);
  }

  private static void words(Element note, String text) {
    Element words = note.getOwnerDocument().createElement("words");
    words.setTextContent(text);
    before(note, words, "above");
  }

  /** A direction stands before the first note of a chord. */
  private static void before(Element note, Element what, String placement) {
    direction(note, what, placement, firstOfChord(note));
  }

  private static void direction(Element note, Element what, String placement, Node next) {
    Document document = note.getOwnerDocument();
    Element type = document.createElement("direction-type");
    type.appendChild(what);
    Element direction = document.createElement("direction");
    direction.setAttribute("placement", placement);
    direction.appendChild(type);
    OwnSigns.add((Element) note.getParentNode(), direction, next);
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
