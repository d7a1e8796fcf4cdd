package fret.format.musicxml;

import fret.base.Said;
import fret.base.UnusableInput;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.ErrorHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;

/**
 * Opens MusicXML, plain or zipped, without trusting it: no entity and no external definition is
 * ever read, and sizes are bounded.
 */
public final class MusicXmlFile {
  /** Largest plain file, in bytes. */
  public static final int LARGEST_BYTES = 40_000_000;

  /** A score is about ten elements deep. */
  private static final int DEEPEST = 100;

  private static final String DEPTH = "http://www.oracle.com/xml/jaxp/properties/maxElementDepth";

  private static final Said NEXT = Said.of("read.xml.do");

  private MusicXmlFile() {}

  /** One part that can be picked. */
  public record PartChoice(String id, String name, int bars) {}

  /**
   * The document tree of a file.
   *
   * @param name shown in messages
   * @throws UnusableInput if the bytes are no usable part-wise MusicXML
   */
  public static Document open(String name, byte[] bytes) throws UnusableInput {
    if (bytes.length == 0) {
      throw new UnusableInput(name, Said.of("read.empty"), NEXT);
    }
    if (bytes.length > LARGEST_BYTES) {
      throw tooLarge(name);
    }
    byte[] xml = isZip(bytes) ? unzip(name, bytes) : bytes;
    Document document = parse(name, xml);
    String root = document.getDocumentElement().getTagName();
    if (root.equals("score-timewise")) {
      throw new UnusableInput(name, Said.of("read.timewise"), Said.of("read.timewise.do"));
    }
    if (!root.equals("score-partwise")) {
      throw new UnusableInput(name, Said.of("read.no-score", root), NEXT);
    }
    return document;
  }

  /**
   * The same without the signs that this program wrote into it: the page as it came.
   *
   * @throws UnusableInput if the bytes are no usable part-wise MusicXML
   */
  public static Document openAsItCame(String name, byte[] bytes) throws UnusableInput {
    Document document = open(name, bytes);
    OwnSigns.takeOff(document);
    return document;
  }

  /** The parts of a document, in its order. */
  public static List<PartChoice> parts(Document document) {
    Map<String, String> names = new HashMap<>();
    for (Element list : Dom.children(document.getDocumentElement(), "part-list")) {
      for (Element part : Dom.children(list, "score-part")) {
        names.put(part.getAttribute("id"), Dom.text(part, "part-name").trim());
      }
    }
    List<PartChoice> parts = new ArrayList<>();
    for (Element part : Dom.children(document.getDocumentElement(), "part")) {
      String id = part.getAttribute("id");
      parts.add(
          new PartChoice(id, names.getOrDefault(id, ""), Dom.children(part, "measure").size()));
    }
    return parts;
  }

  private static UnusableInput tooLarge(String name) {
    return new UnusableInput(
        name, Said.of("read.large", LARGEST_BYTES / 1_000_000), Said.of("read.large.do"));
  }

  private static boolean isZip(byte[] bytes) {
    return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
  }

  /** The score inside a compressed file: the one its container names, else the first score. */
  private static byte[] unzip(String name, byte[] bytes) throws UnusableInput {
    Map<String, byte[]> entries = new HashMap<>();
    long total = 0;
    String firstScore = "";
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      ZipEntry entry = zip.getNextEntry();
      for (int count = 0; entry != null && count < 200; count++) {
        byte[] content = readBounded(name, zip, LARGEST_BYTES - total);
        total += content.length;
        entries.put(entry.getName(), content);
        boolean score =
            entry.getName().matches("(?i).*\\.(musicxml|xml)")
                && !entry.getName().startsWith("META-INF");
        if (score && firstScore.isEmpty()) {
          firstScore = entry.getName();
        }
        entry = zip.getNextEntry();
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new UnusableInput(name, Said.of("read.zip-damaged"), NEXT);
    }
    String rooted = firstScore;
    byte[] container = entries.get("META-INF/container.xml");
    if (container != null) {
      var files = parse(name, container).getElementsByTagName("rootfile");
      if (files.getLength() > 0) {
        rooted = ((Element) files.item(0)).getAttribute("full-path");
      }
    }
    byte[] score = entries.getOrDefault(rooted, entries.get(firstScore));
    if (score == null) {
      throw new UnusableInput(name, Said.of("read.zip-empty"), NEXT);
    }
    return score;
  }

  private static byte[] readBounded(String name, InputStream in, long room)
      throws IOException, UnusableInput {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    byte[] buffer = new byte[16384];
    int n = in.read(buffer);
    while (n >= 0) {
      if (out.size() + n > room) {
        throw new UnusableInput(
            name, Said.of("read.zip-large", LARGEST_BYTES / 1_000_000), Said.of("read.large.do"));
      }
      out.write(buffer, 0, n);
      n = in.read(buffer);
    }
    return out.toByteArray();
  }

  /** An element of its own; empty where it cannot be read. */
  static Optional<Element> piece(InputStream xml) {
    try {
      return Optional.of(builder().parse(xml).getDocumentElement());
    } catch (SAXException | IOException | ParserConfigurationException e) {
      return Optional.empty();
    }
  }

  private static DocumentBuilder builder() throws ParserConfigurationException {
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
    factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
    factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
    factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
    factory.setAttribute(DEPTH, String.valueOf(DEEPEST));
    factory.setExpandEntityReferences(false);
    factory.setXIncludeAware(false);
    DocumentBuilder builder = factory.newDocumentBuilder();
    builder.setEntityResolver((publicId, systemId) -> new InputSource(new StringReader("")));
    builder.setErrorHandler(new Quiet());
    return builder;
  }

  private static Document parse(String name, byte[] xml) throws UnusableInput {
    try {
      Document document = builder().parse(new ByteArrayInputStream(xml));
      boolean entities =
          document.getDoctype() != null && document.getDoctype().getEntities().getLength() > 0;
      if (entities || hasEntityReference(document.getDocumentElement())) {
        throw new UnusableInput(name, Said.of("read.entities"), NEXT);
      }
      return document;
    } catch (SAXParseException e) {
      throw new UnusableInput(
          name, Said.of("read.broken", String.valueOf(e.getLineNumber())), NEXT);
    } catch (SAXException | IOException e) {
      throw new UnusableInput(name, Said.of("read.encoding"), NEXT);
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException(e);
    }
  }

  private static boolean hasEntityReference(Node node) {
    Node child = node.getFirstChild();
    boolean found = false;
    while (child != null && !found) {
      found =
          child.getNodeType() == Node.ENTITY_REFERENCE_NODE
              || child.getNodeType() == Node.ELEMENT_NODE && hasEntityReference(child);
      child = child.getNextSibling();
    }
    return found;
  }

  private static final class Quiet implements ErrorHandler {
    @Override
    public void warning(SAXParseException e) {}

    @Override
    public void error(SAXParseException e) {}

    @Override
    public void fatalError(SAXParseException e) throws SAXException {
      throw e;
    }
  }
}
