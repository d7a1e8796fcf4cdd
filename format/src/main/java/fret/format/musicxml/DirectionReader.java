package fret.format.musicxml;

import fret.score.Direction;
import fret.score.Metronome;
import fret.tempo.Beat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.numbers.fraction.Fraction;
import org.w3c.dom.Element;

/** Reads words, dynamics, tempos and lines that stand beside the notes. */
final class DirectionReader {
  private DirectionReader() {}

  /** Adds everything that a {@code direction} says. */
  static void read(Element direction, Fraction onset, List<Direction> into) {
    int before = into.size();
    for (Element type : Dom.children(direction, "direction-type")) {
      for (Element mark : Dom.children(type)) {
        readMark(mark, onset, into);
      }
    }
    Element sound = Dom.child(direction, "sound");
    if (sound != null) {
      boolean hasTempo =
          into.subList(before, into.size()).stream()
              .anyMatch(d -> d.kind() == Direction.Kind.TEMPO);
      if (!hasTempo) {
        readTempo(sound, onset, into);
      }
      readPlucking(sound, onset, into);
    }
  }

  /** Adds what a {@code sound} says that nothing printed has said. */
  static void readSound(Element sound, Fraction onset, List<Direction> into) {
    readTempo(sound, onset, into);
    readPlucking(sound, onset, into);
  }

  /** Plucked or bowed from here on, where no word has said so already. */
  private static void readPlucking(Element sound, Fraction onset, List<Direction> into) {
    if (!sound.hasAttribute("pizzicato")) {
      return;
    }
    boolean pluck = sound.getAttribute("pizzicato").equals("yes");
    Direction.Kind kind = pluck ? Direction.Kind.PLUCKED : Direction.Kind.BOWED;
    if (into.stream().noneMatch(d -> d.kind() == kind && d.onset().equals(onset))) {
      into.add(new Direction(onset, kind, "", 0));
    }
  }

  private static void readTempo(Element sound, Fraction onset, List<Direction> into) {
    String tempo = sound.getAttribute("tempo");
    if (!tempo.isEmpty()) {
      double quarters = Dom.decimal(tempo);
      if (quarters > 0 && quarters <= 1000) {
        into.add(new Direction(onset, Direction.Kind.TEMPO, "", quarters));
      }
    }
  }

  private static void readMark(Element mark, Fraction onset, List<Direction> into) {
    switch (mark.getTagName()) {
      case "dynamics" ->
          Dom.children(mark)
              .forEach(
                  d ->
                      into.add(
                          new Direction(
                              onset,
                              Direction.Kind.DYNAMIC,
                              d.getTagName().equals("other-dynamics")
                                  ? d.getTextContent().trim()
                                  : d.getTagName(),
                              0)));
      case "words" -> {
        String text = mark.getTextContent().trim();
        String plain = text.toLowerCase(Locale.ROOT);
        Direction.Kind kind =
            plain.startsWith("pizz")
                ? Direction.Kind.PLUCKED
                : plain.startsWith("arco") ? Direction.Kind.BOWED : Direction.Kind.WORDS;
        if (!text.isEmpty()) {
          into.add(new Direction(onset, kind, text, 0));
        }
      }
      case "rehearsal" ->
          into.add(new Direction(onset, Direction.Kind.REHEARSAL, mark.getTextContent().trim(), 0));
      case "wedge" -> {
        Direction.Kind kind =
            switch (mark.getAttribute("type")) {
              case "crescendo" -> Direction.Kind.CRESCENDO;
              case "diminuendo" -> Direction.Kind.DIMINUENDO;
              default -> Direction.Kind.HAIRPIN_END;
            };
        if (!mark.getAttribute("type").equals("continue")) {
          into.add(new Direction(onset, kind, "", 0));
        }
      }
      case "octave-shift" -> {
        int octaves = mark.getAttribute("size").equals("15") ? 2 : 1;
        String type = mark.getAttribute("type");
        if (type.equals("down") || type.equals("up")) {
          into.add(
              new Direction(
                  onset,
                  Direction.Kind.OCTAVE_LINE,
                  type.equals("down")
                      ? (octaves == 2 ? "15ma" : "8va")
                      : (octaves == 2 ? "15mb" : "8vb"),
                  type.equals("down") ? octaves : -octaves));
        } else if (type.equals("stop")) {
          into.add(new Direction(onset, Direction.Kind.OCTAVE_LINE_END, "", 0));
        }
      }
      case "metronome" -> readMetronome(mark, onset, into);
      default -> {}
    }
  }

  /** A value with its dots, and a rate or a value that lasts as long. */
  private static void readMetronome(Element mark, Fraction onset, List<Direction> into) {
    List<String> values = new ArrayList<>();
    String rate = "";
    for (Element child : Dom.children(mark)) {
      switch (child.getTagName()) {
        case "beat-unit" -> values.add(child.getTextContent().trim());
        case "beat-unit-dot" -> {
          if (!values.isEmpty()) {
            values.set(values.size() - 1, values.get(values.size() - 1) + ".");
          }
        }
        case "per-minute" -> rate = child.getTextContent().trim();
        default -> {}
      }
    }
    if (values.isEmpty() || rate.isEmpty() && values.size() < 2) {
      return;
    }
    String text = values.get(0) + "=" + (rate.isEmpty() ? values.get(1) : rate);
    Metronome.of(text)
        .map(m -> m.tempo().map(t -> t.perMinuteOf(Beat.QUARTER)).orElse(0.0))
        .filter(quarters -> quarters <= 1000)
        .ifPresent(
            quarters -> into.add(new Direction(onset, Direction.Kind.TEMPO, text, quarters)));
  }
}
