package fret.format.musicxml;

import java.io.ByteArrayInputStream;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
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
import org.w3c.dom.ProcessingInstruction;

/**
 * The signs that this program writes into a file's own tree, so that they can be told from those of
 * the page: a processing instruction {@code <?fret sign?>} stands before each element that was
 * added, and {@code <?fret was ...?>} with its text where one of the page was taken out. Any other
 * reader passes over them; taken off, the page is as it came.
 */
final class OwnSigns {
  private static final String TARGET = "fret";
  private static final String ADDED = "sign";
  private static final String REMOVED = "was ";

  /** The end of an instruction cannot stand within one: in what was taken out it is written so. */
  private static final String END = "?>";

  private static final String END_WITHIN = "?&#62;";

  /** Elements that are there for what they hold. */
  private static final Set<String> HOLDERS =
      Set.of("notations", "technical", "articulations", "ornaments");

  private OwnSigns() {}

  /** Adds a child before another one, or at the end where that is null. */
  static Element add(Element parent, Element child, Node before) {
    Node sign = before == null ? null : before.getPreviousSibling();
    boolean own = sign instanceof ProcessingInstruction p && isAdded(p);
    Node at = own ? sign : before;
    parent.insertBefore(sign(parent, ADDED), at);
    parent.insertBefore(child, at);
    return child;
  }

  /** Adds a new child without content at the end. */
  static Element add(Element parent, String name) {
    return add(parent, parent.getOwnerDocument().createElement(name), null);
  }

  /** Takes an element of the page out; one that was added before goes without a trace. */
  static void remove(Element e) {
    Node before = e.getPreviousSibling();
    if (before instanceof ProcessingInstruction p && isAdded(p)) {
      e.getParentNode().removeChild(before);
    } else {
      e.getParentNode().insertBefore(sign(e, REMOVED + text(e).replace(END, END_WITHIN)), e);
    }
    e.getParentNode().removeChild(e);
  }

  /** Takes out again what was added to hold signs and holds none. */
  static void dropEmpty(Element parent) {
    for (Node n : children(parent)) {
      if (n instanceof Element e) {
        dropEmpty(e);
        Node before = e.getPreviousSibling();
        boolean own = before instanceof ProcessingInstruction p && isAdded(p);
        if (own && HOLDERS.contains(e.getTagName()) && Dom.children(e).isEmpty()) {
          remove(e);
        }
      }
    }
  }

  private static ProcessingInstruction sign(Element near, String data) {
    return near.getOwnerDocument().createProcessingInstruction(TARGET, data);
  }

  private static boolean isOurs(ProcessingInstruction p) {
    return p.getTarget().equals(TARGET);
  }

  private static boolean isAdded(ProcessingInstruction p) {
    return isOurs(p) && p.getData().strip().equals(ADDED);
  }

  /** The page as it came, without what was written into it. */
  static void takeOff(Document document) {
    takeOff(document.getDocumentElement());
  }

  private static void takeOff(Element parent) {
    for (Node n : children(parent)) {
      if (n instanceof ProcessingInstruction p && isAdded(p)) {
        added(p);
      } else if (n instanceof ProcessingInstruction p && isOurs(p)) {
        removed(p);
      } else if (n instanceof Element e && e.getParentNode() == parent) {
        takeOff(e);
      }
    }
  }

  private static List<Node> children(Element parent) {
    List<Node> all = new ArrayList<>();
    for (Node n = parent.getFirstChild(); n != null; n = n.getNextSibling()) {
      all.add(n);
    }
    return all;
  }

  private static void added(ProcessingInstruction p) {
    Node next = p.getNextSibling();
    while (next != null && next.getNodeType() == Node.TEXT_NODE && isBlank(next)) {
      next = next.getNextSibling();
    }
    if (next instanceof Element) {
      next.getParentNode().removeChild(next);
    }
    p.getParentNode().removeChild(p);
  }

  private static boolean isBlank(Node text) {
    return text.getTextContent().isBlank();
  }

  /** An element that cannot be read any more stays away. */
  private static void removed(ProcessingInstruction p) {
    Node parent = p.getParentNode();
    if (p.getData().startsWith(REMOVED)) {
      String text = p.getData().substring(REMOVED.length()).replace(END_WITHIN, END);
      byte[] xml = text.getBytes(StandardCharsets.UTF_8);
      MusicXmlFile.piece(new ByteArrayInputStream(xml))
          .ifPresent(e -> parent.insertBefore(p.getOwnerDocument().importNode(e, true), p));
    }
    parent.removeChild(p);
  }

  private static String text(Element e) {
    try {
      Transformer transformer = TransformerFactory.newInstance().newTransformer();
      transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
      StringWriter out = new StringWriter();
      transformer.transform(new DOMSource(e), new StreamResult(out));
      return out.toString();
    } catch (TransformerException x) {
      throw new IllegalStateException(x);
    }
  }
}
