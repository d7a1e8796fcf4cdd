package fret.format.musicxml;

import fret.base.RefusedValue;
import fret.base.Said;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.w3c.dom.Element;

/** Reads what hangs on a note element. */
final class NotationsReader {
  private NotationsReader() {}

  static int denominator(String type) {
    return switch (type) {
      case "breve" -> 0;
      case "whole" -> 1;
      case "half" -> 2;
      case "quarter" -> 4;
      case "eighth" -> 8;
      case "16th" -> 16;
      case "32nd" -> 32;
      case "64th" -> 64;
      case "128th" -> 128;
      case "256th" -> 256;
      default -> throw new RefusedValue(Said.of("value.note-type", type));
    };
  }

  static Head head(Element note, Pitch pitch) {
    boolean start = false;
    boolean stop = false;
    for (Element tie : Dom.children(note, "tie")) {
      start |= tie.getAttribute("type").equals("start");
      stop |= tie.getAttribute("type").equals("stop");
    }
    String finger = "";
    int string = 0;
    Head.Harmonic harmonic = Head.Harmonic.NONE;
    for (Element notations : Dom.children(note, "notations")) {
      for (Element tied : Dom.children(notations, "tied")) {
        start |= tied.getAttribute("type").equals("start");
        stop |= tied.getAttribute("type").equals("stop");
      }
      for (Element technical : Dom.children(notations, "technical")) {
        String digit = fingering(technical);
        finger = digit.isEmpty() ? finger : digit;
        finger =
            Dom.has(technical, "thumb-position")
                ? "T"
                : Dom.has(technical, "open-string") ? "0" : finger;
        string = Dom.number(technical, "string", string);
        Element sign = Dom.child(technical, "harmonic");
        if (sign != null) {
          harmonic = harmonic(sign);
        }
      }
    }
    return new Head(
        pitch, accidental(Dom.text(note, "accidental")), start, stop, harmonic, finger, string);
  }

  /**
   * The first digit, with the one that takes over: "1-4". Alternatives and other words are left.
   */
  static String fingering(Element technical) {
    String digits = "";
    boolean next = false;
    for (Element e : Dom.children(technical, "fingering")) {
      String digit = e.getTextContent().trim();
      boolean known = digit.matches("[0-4]");
      // Only what stands right behind the first digit takes over from it.
      boolean takesOver = next && known && e.getAttribute("substitution").equals("yes");
      next = known && digits.isEmpty();
      digits = takesOver ? digits + "-" + digit : next ? digit : digits;
    }
    return digits;
  }

  private static Head.Harmonic harmonic(Element sign) {
    if (Dom.has(sign, "artificial")) {
      if (Dom.has(sign, "touching-pitch")) {
        return Head.Harmonic.ARTIFICIAL_TOUCHED;
      }
      return Dom.has(sign, "sounding-pitch")
          ? Head.Harmonic.ARTIFICIAL_SOUNDING
          : Head.Harmonic.ARTIFICIAL_BASE;
    }
    return Dom.has(sign, "touching-pitch") || Dom.has(sign, "base-pitch")
        ? Head.Harmonic.NATURAL_TOUCHED
        : Head.Harmonic.NATURAL_SOUNDING;
  }

  private static Head.Accidental accidental(String text) {
    return switch (text) {
      case "sharp" -> Head.Accidental.SHARP;
      case "flat" -> Head.Accidental.FLAT;
      case "natural" -> Head.Accidental.NATURAL;
      case "double-sharp", "sharp-sharp" -> Head.Accidental.DOUBLE_SHARP;
      case "flat-flat" -> Head.Accidental.DOUBLE_FLAT;
      default -> Head.Accidental.NONE;
    };
  }

  static Signs signs(Element note) {
    List<Integer> slurStarts = new ArrayList<>();
    List<Integer> slurStops = new ArrayList<>();
    Set<Signs.Articulation> articulations = EnumSet.noneOf(Signs.Articulation.class);
    Signs.Ornament ornament = Signs.Ornament.NONE;
    int ornamentAlter = Signs.NO_ALTER;
    Signs.Bow bow = Signs.Bow.NONE;
    boolean fermata = false;
    int tremolo = 0;
    boolean tupletStarts = false;
    boolean tupletStops = false;
    for (Element notations : Dom.children(note, "notations")) {
      for (Element e : Dom.children(notations)) {
        switch (e.getTagName()) {
          case "slur" -> {
            int number =
                e.getAttribute("number").matches("\\d{1,2}")
                    ? Integer.parseInt(e.getAttribute("number"))
                    : 1;
            if (e.getAttribute("type").equals("start")) {
              slurStarts.add(number);
            } else if (e.getAttribute("type").equals("stop")) {
              slurStops.add(number);
            }
          }
          case "articulations" ->
              Dom.children(e).forEach(a -> addArticulation(a.getTagName(), articulations));
          case "fermata" -> fermata = true;
          case "tuplet" -> {
            tupletStarts |= e.getAttribute("type").equals("start");
            tupletStops |= e.getAttribute("type").equals("stop");
          }
          case "technical" ->
              bow =
                  Dom.has(e, "down-bow")
                      ? Signs.Bow.DOWN
                      : Dom.has(e, "up-bow") ? Signs.Bow.UP : bow;
          case "ornaments" -> {
            Signs.Ornament read = ornament(e);
            ornament = read == Signs.Ornament.NONE ? ornament : read;
            tremolo = Math.max(0, Math.min(4, Dom.number(e, "tremolo", tremolo)));
            ornamentAlter = ornamentAlter(e, ornamentAlter);
          }
          default -> {}
        }
      }
    }
    return new Signs(
        slurStarts,
        slurStops,
        articulations,
        ornament,
        ornamentAlter,
        bow,
        fermata,
        tremolo,
        tuplet(note, tupletStarts, tupletStops),
        beams(note));
  }

  private static void addArticulation(String name, Set<Signs.Articulation> into) {
    switch (name) {
      case "staccato" -> into.add(Signs.Articulation.STACCATO);
      case "staccatissimo" -> into.add(Signs.Articulation.STACCATISSIMO);
      case "tenuto" -> into.add(Signs.Articulation.TENUTO);
      case "accent" -> into.add(Signs.Articulation.ACCENT);
      case "strong-accent" -> into.add(Signs.Articulation.MARCATO);
      case "detached-legato" -> into.add(Signs.Articulation.DETACHED_LEGATO);
      default -> {}
    }
  }

  private static Signs.Ornament ornament(Element e) {
    boolean terminated = e.getElementsByTagName("turn").getLength() > 0;
    if (Dom.has(e, "trill-mark")) {
      return terminated ? Signs.Ornament.TRILL_WITH_TERMINATION : Signs.Ornament.TRILL;
    }
    if (Dom.has(e, "turn") || Dom.has(e, "delayed-turn")) {
      return Signs.Ornament.TURN;
    }
    if (Dom.has(e, "inverted-turn") || Dom.has(e, "delayed-inverted-turn")) {
      return Signs.Ornament.INVERTED_TURN;
    }
    if (Dom.has(e, "mordent")) {
      return Signs.Ornament.MORDENT;
    }
    return Dom.has(e, "inverted-mordent") ? Signs.Ornament.INVERTED_MORDENT : Signs.Ornament.NONE;
  }

  private static int ornamentAlter(Element e, int before) {
    return switch (accidental(Dom.text(e, "accidental-mark"))) {
      case SHARP -> 1;
      case FLAT -> -1;
      case NATURAL -> 0;
      case DOUBLE_SHARP -> 2;
      case DOUBLE_FLAT -> -2;
      case NONE -> before;
    };
  }

  private static Signs.Tuplet tuplet(Element note, boolean starts, boolean stops) {
    Element e = Dom.child(note, "time-modification");
    if (e == null) {
      return Signs.Tuplet.NONE;
    }
    int actual = Dom.number(e, "actual-notes", 3);
    int normal = Dom.number(e, "normal-notes", 2);
    if (actual < 1 || normal < 1 || actual > 64 || normal > 64) {
      throw new RefusedValue(Said.of("value.ratio", actual + ":" + normal));
    }
    return new Signs.Tuplet(actual, normal, starts, stops);
  }

  private static List<Signs.Beam> beams(Element note) {
    List<Signs.Beam> beams = new ArrayList<>();
    for (Element beam : Dom.children(note, "beam")) {
      switch (beam.getTextContent().trim()) {
        case "begin" -> beams.add(Signs.Beam.BEGIN);
        case "continue" -> beams.add(Signs.Beam.CONTINUE);
        case "end" -> beams.add(Signs.Beam.END);
        case "forward hook" -> beams.add(Signs.Beam.HOOK_FORWARD);
        case "backward hook" -> beams.add(Signs.Beam.HOOK_BACKWARD);
        default -> {}
      }
    }
    return beams;
  }

  /** Signs of a chord: the first note's, with slurs and articulations of the others. */
  static Signs merge(Signs a, Signs b) {
    List<Integer> starts = new ArrayList<>(a.slurStarts());
    b.slurStarts().stream().filter(n -> !starts.contains(n)).forEach(starts::add);
    List<Integer> stops = new ArrayList<>(a.slurStops());
    b.slurStops().stream().filter(n -> !stops.contains(n)).forEach(stops::add);
    Set<Signs.Articulation> articulations = EnumSet.noneOf(Signs.Articulation.class);
    articulations.addAll(a.articulations());
    articulations.addAll(b.articulations());
    return new Signs(
        starts,
        stops,
        articulations,
        a.ornament() == Signs.Ornament.NONE ? b.ornament() : a.ornament(),
        a.ornamentAlter() == Signs.NO_ALTER ? b.ornamentAlter() : a.ornamentAlter(),
        a.bow() == Signs.Bow.NONE ? b.bow() : a.bow(),
        a.fermata() || b.fermata(),
        Math.max(a.tremolo(), b.tremolo()),
        a.tuplet(),
        a.beams());
  }
}
