package fret.format.musicxml;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.commons.numbers.fraction.Fraction;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Writes a part as MusicXML 4.0, part-wise. What {@link MusicXmlReader} reads comes back equal. */
public final class MusicXmlWriter {
  /** Note values of MusicXML 4.0 (W3C Music Notation Community Group 2021), the usual ones. */
  private static final Set<String> UNITS =
      Set.of("breve", "whole", "half", "quarter", "eighth", "16th", "32nd", "64th");

  private final Score score;
  private final Document document;
  private final int divisions;

  private MusicXmlWriter(Score score) {
    this.score = score;
    this.divisions = divisions(score);
    try {
      this.document = DocumentBuilderFactory.newInstance().newDocumentBuilder().newDocument();
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The part as UTF-8 bytes. */
  public static byte[] write(Score score) {
    MusicXmlWriter writer = new MusicXmlWriter(score);
    writer.root();
    return MarkWriter.bytes(writer.document);
  }

  /** Divisions of a quarter note in which every duration is a whole number. */
  private static int divisions(Score score) {
    BigInteger common = BigInteger.ONE;
    for (Bar bar : score.bars()) {
      for (Event e : bar.events()) {
        for (Fraction f : List.of(e.duration(), e.onset().subtract(bar.start()))) {
          BigInteger d = BigInteger.valueOf(f.multiply(4).getDenominator());
          common = common.multiply(d).divide(common.gcd(d));
        }
      }
      for (Direction d : bar.directions()) {
        BigInteger q =
            BigInteger.valueOf(d.onset().subtract(bar.start()).multiply(4).getDenominator());
        common = common.multiply(q).divide(common.gcd(q));
      }
    }
    return common.intValueExact();
  }

  private Element add(Element parent, String name, Object... text) {
    Element e = document.createElement(name);
    if (text.length > 0) {
      e.setTextContent(String.valueOf(text[0]));
    }
    parent.appendChild(e);
    return e;
  }

  private void root() {
    Element root = document.createElement("score-partwise");
    root.setAttribute("version", "4.0");
    document.appendChild(root);
    add(add(root, "work"), "work-title", score.title());
    if (!score.composer().isEmpty()) {
      Element creator = add(add(root, "identification"), "creator", score.composer());
      creator.setAttribute("type", "composer");
    }
    Element listed = add(add(root, "part-list"), "score-part");
    listed.setAttribute("id", "P1");
    add(listed, "part-name", score.partName());
    Element part = add(root, "part");
    part.setAttribute("id", "P1");
    Bar before = null;
    List<Integer> ending = List.of();
    for (Bar bar : score.bars()) {
      Element measure = add(part, "measure");
      measure.setAttribute("number", bar.number());
      if (before == null && bar.length().compareTo(bar.time().barLength()) < 0) {
        measure.setAttribute("implicit", "yes");
      }
      bar(bar, before, measure, ending);
      ending = bar.endings();
      before = bar;
    }
  }

  private void bar(Bar bar, Bar before, Element measure, List<Integer> endingBefore) {
    boolean endingStarts = !bar.endings().isEmpty() && !bar.endings().equals(endingBefore);
    if (bar.repeatStart() || endingStarts) {
      Element line = add(measure, "barline");
      line.setAttribute("location", "left");
      if (endingStarts) {
        ending(line, bar, "start");
      }
      if (bar.repeatStart()) {
        add(line, "repeat").setAttribute("direction", "forward");
      }
    }
    attributes(bar, before, measure);
    Fraction at = bar.start();
    boolean first = true;
    for (String voice : voices(bar)) {
      at = move(at, bar.start(), measure);
      for (Event e : bar.events()) {
        if (e.voice().equals(voice)) {
          at = move(at, e.onset(), measure);
          if (first) {
            directions(bar, e.onset(), measure);
          }
          note(e, measure);
          at = at.add(e.duration());
        }
      }
      first = false;
    }
    directions(bar, bar.end(), measure);
    move(at, bar.end(), measure);
    barline(bar, measure);
    written.clear();
  }

  private final List<Direction> written = new ArrayList<>();

  private void directions(Bar bar, Fraction until, Element measure) {
    for (Bar.ClefChange change : bar.clefChanges()) {
      if (change.onset().equals(until)) {
        clef(add(measure, "attributes"), change.clef());
      }
    }
    for (Direction d : bar.directions()) {
      if (d.onset().compareTo(until) <= 0 && !written.contains(d)) {
        written.add(d);
        direction(d, until, measure);
      }
    }
  }

  private static List<String> voices(Bar bar) {
    return new ArrayList<>(new TreeSet<>(bar.events().stream().map(Event::voice).toList()));
  }

  private Fraction move(Fraction from, Fraction to, Element measure) {
    int sign = to.compareTo(from);
    if (sign != 0) {
      add(
          add(measure, sign > 0 ? "forward" : "backup"),
          "duration",
          ticks(sign > 0 ? to.subtract(from) : from.subtract(to)));
    }
    return to;
  }

  private int ticks(Fraction length) {
    Fraction ticks = length.multiply(4 * divisions);
    return ticks.getNumerator() / ticks.getDenominator();
  }

  private void attributes(Bar bar, Bar before, Element measure) {
    boolean key = before == null || !before.key().equals(bar.key());
    boolean time = before == null || !before.time().equals(bar.time());
    boolean clef = before == null || !before.clefAt(before.end()).equals(bar.clef());
    if (!key && !time && !clef) {
      return;
    }
    Element attributes = add(measure, "attributes");
    if (before == null) {
      add(attributes, "divisions", divisions);
    }
    if (key) {
      Element signature = add(attributes, "key");
      add(signature, "fifths", bar.key().fifths());
      bar.directions().stream()
          .filter(d -> d.kind() == Direction.Kind.MODE)
          .findFirst()
          .ifPresent(d -> add(signature, "mode", d.text()));
    }
    if (time) {
      time(attributes, bar.time());
    }
    if (clef) {
      clef(attributes, bar.clef());
    }
    if (before == null && !score.transposition().equals(Interval.UNISON)) {
      Interval t = score.transposition();
      Element transpose = add(attributes, "transpose");
      add(transpose, "diatonic", t.steps() % 7);
      add(transpose, "chromatic", t.semitones() - 12 * (t.steps() / 7));
      if (t.steps() / 7 != 0) {
        add(transpose, "octave-change", t.steps() / 7);
      }
    }
  }

  private void time(Element attributes, TimeSignature time) {
    Element e = add(attributes, "time");
    if (time.sign() != TimeSignature.Sign.NUMBERS) {
      e.setAttribute("symbol", time.sign().name().toLowerCase(Locale.ROOT));
    }
    add(e, "beats", String.join("+", time.groups().stream().map(String::valueOf).toList()));
    add(e, "beat-type", time.beatType());
  }

  private void clef(Element attributes, Clef clef) {
    Element e = add(attributes, "clef");
    add(e, "sign", clef.sign());
    add(e, "line", clef.line());
    if (clef.octaveChange() != 0) {
      add(e, "clef-octave-change", clef.octaveChange());
    }
  }

  private void direction(Direction d, Fraction at, Element measure) {
    if (d.kind() == Direction.Kind.MODE) {
      return; // It stands with the key.
    }
    Element e = document.createElement("direction");
    Element type = add(e, "direction-type");
    switch (d.kind()) {
      case DYNAMIC -> {
        boolean usual =
            d.text().matches("p{1,6}|f{1,6}|mp|mf|sf|sfp|sfpp|fp|rf|rfz|sfz|sffz|fz|n|pf|sfzp");
        Element dynamics = add(type, "dynamics");
        if (usual) {
          add(dynamics, d.text());
        } else {
          add(dynamics, "other-dynamics", d.text());
        }
      }
      case WORDS -> add(type, "words", d.text());
      case PLUCKED, BOWED -> {
        String plucked = d.kind() == Direction.Kind.PLUCKED ? "yes" : "no";
        if (d.text().isEmpty()) {
          add(measure, "sound").setAttribute("pizzicato", plucked);
          return;
        }
        add(type, "words", d.text());
      }
      case REHEARSAL -> add(type, "rehearsal", d.text());
      case CRESCENDO -> add(type, "wedge").setAttribute("type", "crescendo");
      case DIMINUENDO -> add(type, "wedge").setAttribute("type", "diminuendo");
      case HAIRPIN_END -> add(type, "wedge").setAttribute("type", "stop");
      case OCTAVE_LINE -> {
        Element line = add(type, "octave-shift");
        line.setAttribute("type", d.number() > 0 ? "down" : "up");
        line.setAttribute("size", Math.abs(d.number()) > 1 ? "15" : "8");
      }
      case OCTAVE_LINE_END -> {
        Element line = add(type, "octave-shift");
        line.setAttribute("type", "stop");
      }
      case MODE -> throw new IllegalStateException("a mode is no direction of a file");
      case TEMPO -> {
        int equals = d.text().indexOf('=');
        if (equals < 0) {
          add(measure, "sound").setAttribute("tempo", number(d.number()));
          return;
        }
        Element metronome = add(type, "metronome");
        value(metronome, d.text().substring(0, equals));
        String right = d.text().substring(equals + 1);
        if (UNITS.contains(right.replace(".", ""))) {
          value(metronome, right);
        } else {
          add(metronome, "per-minute", right);
        }
      }
    }
    if (!d.onset().equals(at)) {
      add(e, "offset", -ticks(at.subtract(d.onset())));
    }
    measure.appendChild(e);
  }

  private void value(Element metronome, String text) {
    String unit = text.replace(".", "");
    if (!UNITS.contains(unit)) {
      throw new IllegalArgumentException("no note value is called " + unit);
    }
    add(metronome, "beat-unit", unit);
    for (int dot = 0; dot < text.length() - unit.length(); dot++) {
      add(metronome, "beat-unit-dot");
    }
  }

  private static String number(double value) {
    return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
  }

  private void ending(Element line, Bar bar, String type) {
    Element e = add(line, "ending");
    e.setAttribute(
        "number", String.join(", ", bar.endings().stream().map(String::valueOf).toList()));
    e.setAttribute("type", type);
  }

  private void barline(Bar bar, Element measure) {
    boolean endingStops =
        !bar.endings().isEmpty()
            && score.after(bar).map(next -> !next.endings().equals(bar.endings())).orElse(true);
    if (bar.line() == Bar.Line.PLAIN && !bar.repeatEnd() && !endingStops) {
      return;
    }
    Element line = add(measure, "barline");
    line.setAttribute("location", "right");
    if (bar.line() != Bar.Line.PLAIN) {
      add(line, "bar-style", bar.line() == Bar.Line.FINAL ? "light-heavy" : "light-light");
    }
    if (endingStops) {
      ending(line, bar, "stop");
    }
    if (bar.repeatEnd()) {
      add(line, "repeat").setAttribute("direction", "backward");
    }
  }

  // ---- notes --------------------------------------------------------------------------------

  private void note(Event e, Element measure) {
    if (e.isRest()) {
      noteElement(e, null, false, measure);
    }
    for (int i = 0; i < e.heads().size(); i++) {
      noteElement(e, e.heads().get(i), i > 0, measure);
    }
  }

  private void noteElement(Event e, Head head, boolean chord, Element measure) {
    Element note = add(measure, "note");
    if (e.isGrace()) {
      Element grace = add(note, "grace");
      if (e.grace() == Event.Grace.SLASHED) {
        grace.setAttribute("slash", "yes");
      }
    }
    if (e.cue()) {
      add(note, "cue");
    }
    if (chord) {
      add(note, "chord");
    }
    if (head == null) {
      add(note, "rest");
    } else {
      pitch(note, head.pitch());
    }
    if (!e.isGrace()) {
      add(note, "duration", ticks(e.duration()));
    }
    if (head != null) {
      ties(note, head, "tie");
    }
    add(note, "voice", e.voice());
    add(note, "type", type(e.value().denominator()));
    for (int i = 0; i < e.value().dots(); i++) {
      add(note, "dot");
    }
    if (head != null && head.accidental() != Head.Accidental.NONE) {
      add(
          note,
          "accidental",
          switch (head.accidental()) {
            case DOUBLE_FLAT -> "flat-flat";
            case DOUBLE_SHARP -> "double-sharp";
            default -> head.accidental().name().toLowerCase(Locale.ROOT);
          });
    }
    Signs.Tuplet tuplet = e.signs().tuplet();
    if (tuplet.isPresent()) {
      Element m = add(note, "time-modification");
      add(m, "actual-notes", tuplet.actual());
      add(m, "normal-notes", tuplet.normal());
    }
    if (!chord) {
      beams(note, e.signs().beams());
    }
    notations(note, e.signs(), head, chord);
  }

  private void pitch(Element note, Pitch pitch) {
    Element p = add(note, "pitch");
    add(p, "step", pitch.step());
    if (pitch.alter() != 0) {
      add(p, "alter", pitch.alter());
    }
    add(p, "octave", pitch.octave());
  }

  private void ties(Element parent, Head head, String name) {
    if (head.tieStop()) {
      add(parent, name).setAttribute("type", "stop");
    }
    if (head.tieStart()) {
      add(parent, name).setAttribute("type", "start");
    }
  }

  private void beams(Element note, List<Signs.Beam> beams) {
    for (int i = 0; i < beams.size(); i++) {
      add(
              note,
              "beam",
              beams
                  .get(i)
                  .name()
                  .toLowerCase(Locale.ROOT)
                  .replace("hook_forward", "forward hook")
                  .replace("hook_backward", "backward hook"))
          .setAttribute("number", String.valueOf(i + 1));
    }
  }

  private void notations(Element note, Signs signs, Head head, boolean chord) {
    Element notations = document.createElement("notations");
    if (head != null) {
      ties(notations, head, "tied");
    }
    if (!chord) {
      for (int n : signs.slurStops()) {
        slur(notations, "stop", n);
      }
      for (int n : signs.slurStarts()) {
        slur(notations, "start", n);
      }
      if (signs.tuplet().starts()) {
        add(notations, "tuplet").setAttribute("type", "start");
      }
      if (signs.tuplet().stops()) {
        add(notations, "tuplet").setAttribute("type", "stop");
      }
      ornaments(notations, signs);
    }
    technical(notations, signs, head, chord);
    if (!chord && !signs.articulations().isEmpty()) {
      Element all = add(notations, "articulations");
      for (Signs.Articulation a : signs.articulations()) {
        add(
            all,
            a == Signs.Articulation.MARCATO
                ? "strong-accent"
                : a.name().toLowerCase(Locale.ROOT).replace('_', '-'));
      }
    }
    if (!chord && signs.fermata()) {
      add(notations, "fermata");
    }
    if (notations.hasChildNodes()) {
      note.appendChild(notations);
    }
  }

  private void slur(Element notations, String type, int number) {
    Element slur = add(notations, "slur");
    slur.setAttribute("type", type);
    slur.setAttribute("number", String.valueOf(number));
  }

  private void ornaments(Element notations, Signs signs) {
    if (signs.ornament() == Signs.Ornament.NONE && signs.tremolo() == 0) {
      return;
    }
    Element all = add(notations, "ornaments");
    switch (signs.ornament()) {
      case NONE -> {}
      case TRILL -> add(all, "trill-mark");
      case TRILL_WITH_TERMINATION -> {
        add(all, "trill-mark");
        add(all, "turn");
      }
      default -> add(all, signs.ornament().name().toLowerCase(Locale.ROOT).replace('_', '-'));
    }
    if (signs.ornamentAlter() != Signs.NO_ALTER) {
      add(
          all,
          "accidental-mark",
          switch (signs.ornamentAlter()) {
            case 1 -> "sharp";
            case -1 -> "flat";
            case 2 -> "double-sharp";
            case -2 -> "flat-flat";
            default -> "natural";
          });
    }
    if (signs.tremolo() > 0) {
      add(all, "tremolo", signs.tremolo()).setAttribute("type", "single");
    }
  }

  private void technical(Element notations, Signs signs, Head head, boolean chord) {
    Element all = document.createElement("technical");
    if (!chord && signs.bow() != Signs.Bow.NONE) {
      add(all, signs.bow() == Signs.Bow.DOWN ? "down-bow" : "up-bow");
    }
    if (head != null) {
      if (head.printedFinger().equals("T")) {
        add(all, "thumb-position");
      } else if (!head.printedFinger().isEmpty()) {
        String[] digits = head.printedFinger().split("-", 2);
        add(all, "fingering", digits[0]);
        if (digits.length > 1) {
          add(all, "fingering", digits[1]).setAttribute("substitution", "yes");
        }
      }
      if (head.printedString() > 0) {
        add(all, "string", head.printedString());
      }
      harmonic(all, head.harmonic());
    }
    if (all.hasChildNodes()) {
      notations.appendChild(all);
    }
  }

  private void harmonic(Element technical, Head.Harmonic kind) {
    if (kind == Head.Harmonic.NONE) {
      return;
    }
    Element e = add(technical, "harmonic");
    add(e, kind.name().startsWith("NATURAL") ? "natural" : "artificial");
    switch (kind) {
      case NATURAL_SOUNDING, ARTIFICIAL_SOUNDING -> add(e, "sounding-pitch");
      case NATURAL_TOUCHED, ARTIFICIAL_TOUCHED -> add(e, "touching-pitch");
      default -> add(e, "base-pitch");
    }
  }

  private static String type(int denominator) {
    return switch (denominator) {
      case 0 -> "breve";
      case 1 -> "whole";
      case 2 -> "half";
      case 4 -> "quarter";
      case 8 -> "eighth";
      case 32 -> "32nd";
      default -> denominator + "th";
    };
  }
}
