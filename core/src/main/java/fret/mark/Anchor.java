package fret.mark;

import fret.score.NoteKey;
import java.util.Objects;

/** What a mark hangs on. */
public sealed interface Anchor {
  /** One line of text, read back by {@link #parse}. */
  String text();

  /** A written note. */
  record Note(NoteKey key) implements Anchor {
    public Note {
      Objects.requireNonNull(key);
    }

    @Override
    public String text() {
      return "note\t" + key.text();
    }
  }

  /** A stretch of notes, both ends included. */
  record Stretch(NoteKey from, NoteKey to) implements Anchor {
    public Stretch {
      Objects.requireNonNull(from);
      Objects.requireNonNull(to);
    }

    @Override
    public String text() {
      return "stretch\t" + from.text() + "\t" + to.text();
    }
  }

  /**
   * A written bar.
   *
   * @param index 0 for the first one of the page
   */
  record OfBar(int index) implements Anchor {
    @Override
    public String text() {
      return "bar\t" + index;
    }
  }

  /** The whole passage. */
  record Whole() implements Anchor {
    @Override
    public String text() {
      return "whole";
    }
  }

  Whole WHOLE = new Whole();

  /**
   * Reads what {@link #text} wrote.
   *
   * @throws IllegalArgumentException if it is no anchor
   */
  static Anchor parse(String text) {
    String[] part = text.split("\t");
    return switch (part[0]) {
      case "note" -> new Note(NoteKey.parse(rest(part, 2, text)[1]));
      case "stretch" -> {
        String[] all = rest(part, 3, text);
        yield new Stretch(NoteKey.parse(all[1]), NoteKey.parse(all[2]));
      }
      case "bar" -> new OfBar(Integer.parseInt(rest(part, 2, text)[1]));
      case "whole" -> WHOLE;
      default -> throw new IllegalArgumentException("no place for a mark: " + text);
    };
  }

  private static String[] rest(String[] part, int count, String text) {
    if (part.length != count) {
      throw new IllegalArgumentException("no place for a mark: " + text);
    }
    return part;
  }
}
