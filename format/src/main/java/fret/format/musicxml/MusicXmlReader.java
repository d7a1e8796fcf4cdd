package fret.format.musicxml;

import fret.base.Fractions;
import fret.base.Outcome;
import fret.base.Problem;
import fret.base.RefusedValue;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteKey;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Reads one part of a part-wise MusicXML document (3.1 or 4.0) into a {@link Score}.
 *
 * <p>{@code pitch} plus {@code transpose} is the sound; under an octave line and an octave clef
 * {@code pitch} already sounds; {@code sound tempo} counts quarter notes a minute; string 1 is the
 * highest.
 */
public final class MusicXmlReader {
  private final String file;
  private final Element part;
  private final Document document;
  private final List<Problem> problems = new ArrayList<>();
  private final List<Bar> bars = new ArrayList<>();

  private final List<Source> sources = new ArrayList<>();

  /** A note element with what identifies it, before a pick-up moves the onsets. */
  private record Source(
      int bar, String voice, Fraction onset, boolean grace, Pitch pitch, Element element) {}

  private int divisions = 1;
  private KeySignature key = KeySignature.NONE;
  private TimeSignature time = TimeSignature.COMMON_TIME;
  private Clef clef = Clef.TREBLE;
  private Interval transposition = Interval.UNISON;
  private boolean transposeSeen;
  private Fraction start = Fraction.ZERO;
  private List<Integer> ending = List.of();
  private String barNumber = "";

  private MusicXmlReader(String file, Document document, Element part) {
    this.file = file;
    this.document = document;
    this.part = part;
  }

  /**
   * Reads a part.
   *
   * @param file name for messages
   * @param partName name or id of the part; empty takes the only one, or the first with notes
   * @throws UnusableInput if the part cannot be used at all
   */
  public static Outcome<Score> read(String file, Document document, String partName)
      throws UnusableInput {
    return readLinked(file, document, partName).score();
  }

  /** A part with the note element that each written note comes from. */
  public record Linked(Outcome<Score> score, Map<NoteKey, Element> elements) {}

  /** Reads a part and keeps the way back to the document, for writing marks into it. */
  public static Linked readLinked(String file, Document document, String partName)
      throws UnusableInput {
    Element part = pick(file, document, partName);
    MusicXmlReader reader = new MusicXmlReader(file, document, part);
    try {
      Outcome<Score> score = reader.run();
      Score whole = withShared(file, document, part, score.value());
      return new Linked(new Outcome<>(whole, score.problems()), reader.links(score.value()));
    } catch (IllegalArgumentException | ArithmeticException e) {
      throw new UnusableInput(
          Said.of("where.file-bar", file, reader.barNumber),
          Said.of("read.value", RefusedValue.told(e)),
          Said.of("read.value.do"));
    }
  }

  /** Marks for all parts stand over one of so many at the top of a page. */
  private static final int UPPERMOST = 6;

  /** With the tempos and rehearsal marks that only another part of the file has. */
  private static Score withShared(String file, Document document, Element part, Score score) {
    Score whole = score;
    List<Element> parts = Dom.children(document.getDocumentElement(), "part");
    for (Element other : parts.subList(0, Math.min(UPPERMOST, parts.size()))) {
      if (!other.equals(part) && SharedMarks.areMissing(whole)) {
        whole = SharedMarks.taken(whole, reading(file, document, other).orElse(whole));
      }
    }
    return whole;
  }

  /**
   * Another part; empty where it cannot be read, which is no fault of the one that is asked for.
   */
  private static Optional<Score> reading(String file, Document document, Element part) {
    try {
      return Optional.of(new MusicXmlReader(file, document, part).run().value());
    } catch (UnusableInput | IllegalArgumentException | ArithmeticException e) {
      return Optional.empty();
    }
  }

  static Element pick(String file, Document document, String partName) throws UnusableInput {
    List<Element> parts = Dom.children(document.getDocumentElement(), "part");
    if (parts.isEmpty()) {
      throw new UnusableInput(file, Said.of("read.no-part"), Said.of("read.no-part.do"));
    }
    if (partName.isEmpty()) {
      return parts.stream()
          .filter(p -> p.getElementsByTagName("pitch").getLength() > 0)
          .findFirst()
          .orElse(parts.get(0));
    }
    List<String> names = new ArrayList<>();
    for (MusicXmlFile.PartChoice choice : MusicXmlFile.parts(document)) {
      names.add(choice.name().isEmpty() ? choice.id() : choice.name());
      if (choice.name().equalsIgnoreCase(partName) || choice.id().equals(partName)) {
        return parts.stream()
            .filter(p -> p.getAttribute("id").equals(choice.id()))
            .findFirst()
            .orElseThrow();
      }
    }
    throw new UnusableInput(
        file,
        Said.of("read.no-such-part", partName),
        Said.of("read.no-such-part.do", String.join(", ", names)));
  }

  private Outcome<Score> run() throws UnusableInput {
    refuseUnusable();
    List<Element> measures = Dom.children(part, "measure");
    for (Element measure : measures) {
      barNumber = measure.getAttribute("number");
      readBar(measure);
    }
    boolean anyNote = bars.stream().flatMap(b -> b.events().stream()).anyMatch(e -> !e.isRest());
    if (!anyNote) {
      throw new UnusableInput(file, Said.of("read.no-notes"), Said.of("read.no-notes.do"));
    }
    if (!transposeSeen && isBassWithoutOctave()) {
      transposition = Interval.OCTAVE_DOWN;
      problems.add(Problem.of(Said.of("read.octave", partName()), Said.of("read.octave.do")));
    }
    Score score = new Score(title(), composer(), partName(), transposition, bars).laidOut();
    Outcome<Score> ended = SlurEnds.of(score);
    problems.addAll(ended.problems());
    return new Outcome<>(ended.value(), problems);
  }

  private Map<NoteKey, Element> links(Score score) {
    Fraction shift = score.bars().get(0).start();
    Map<NoteKey, Element> links = new HashMap<>();
    for (int i = 0; i < sources.size(); i++) {
      Source s = sources.get(i);
      int rank = 0;
      for (int j = i;
          s.grace()
              && j < sources.size()
              && sources.get(j).grace()
              && sources.get(j).bar() == s.bar()
              && sources.get(j).onset().equals(s.onset());
          j++) {
        rank += j == i || !Dom.has(sources.get(j).element(), "chord") ? 1 : 0;
      }
      NoteKey key = new NoteKey(s.bar(), s.voice(), s.onset().add(shift), rank, s.pitch());
      if (links.putIfAbsent(key, s.element()) != null && Dom.has(s.element(), "chord")) {
        links.putIfAbsent(
            new NoteKey(s.bar(), s.voice(), s.onset().add(shift), rank, s.pitch(), 1), s.element());
      }
    }
    return links;
  }

  private void refuseUnusable() throws UnusableInput {
    for (Element measure : Dom.children(part, "measure")) {
      for (Element attributes : Dom.children(measure, "attributes")) {
        Said bar = Said.of("where.file-bar", file, measure.getAttribute("number"));
        if (Dom.number(attributes, "staves", 1) > 1) {
          throw new UnusableInput(bar, Said.of("read.staves"), Said.of("read.staves.do"));
        }
        for (Element sign : Dom.children(attributes, "clef")) {
          String name = Dom.text(sign, "sign");
          if (name.equals("TAB") || name.equals("percussion")) {
            throw new UnusableInput(
                bar,
                Said.of(name.equals("TAB") ? "read.tablature" : "read.percussion"),
                Said.of("read.notation.do"));
          }
        }
      }
    }
  }

  private String partName() {
    for (MusicXmlFile.PartChoice choice : MusicXmlFile.parts(document)) {
      if (choice.id().equals(part.getAttribute("id"))) {
        return choice.name();
      }
    }
    return "";
  }

  private boolean isBassWithoutOctave() {
    String name = partName().toLowerCase(Locale.ROOT);
    boolean bass =
        name.contains("contrabass")
            || name.contains("double bass")
            || name.contains("kontrabass")
            || name.contains("string bass")
            || name.equals("bass")
            || name.equals("basses");
    return bass && bars.stream().allMatch(b -> b.clef().octaveChange() == 0);
  }

  private String title() {
    Element root = document.getDocumentElement();
    Element work = Dom.child(root, "work");
    String title = work == null ? "" : Dom.text(work, "work-title");
    String movement = Dom.text(root, "movement-title");
    return title.isEmpty() ? movement : movement.isEmpty() ? title : title + ": " + movement;
  }

  private String composer() {
    Element identification = Dom.child(document.getDocumentElement(), "identification");
    if (identification != null) {
      for (Element creator : Dom.children(identification, "creator")) {
        if (creator.getAttribute("type").equals("composer")) {
          return creator.getTextContent().trim();
        }
      }
    }
    return "";
  }

  // ---- one bar ------------------------------------------------------------------------------

  private final class BarParts {
    private Fraction at = start;
    private Fraction furthest = start;
    private Fraction lastOnset = start;
    private final List<Event> events = new ArrayList<>();
    private final List<Direction> directions = new ArrayList<>();
    private final List<Bar.ClefChange> clefChanges = new ArrayList<>();
    private boolean repeatStart;
    private boolean repeatEnd;
    private boolean endingStops;
    private Bar.Line line = Bar.Line.PLAIN;
    private Clef clefAtStart;

    BarParts() {
      clefAtStart = clef;
    }
  }

  private void readBar(Element measure) {
    Element first = Dom.child(measure, "attributes");
    if (first != null && !hasNoteBefore(measure, first)) {
      readAttributes(first, null);
    }
    BarParts parts = new BarParts();
    for (Element child : Dom.children(measure)) {
      switch (child.getTagName()) {
        case "attributes" -> {
          if (!child.equals(first) || hasNoteBefore(measure, child)) {
            readAttributes(child, parts);
          }
        }
        case "note" -> readNote(child, parts);
        case "backup" -> parts.at = parts.at.subtract(length(child));
        case "forward" -> {
          parts.at = parts.at.add(length(child));
          parts.furthest = fret.base.Fractions.max(parts.furthest, parts.at);
        }
        case "direction" -> DirectionReader.read(child, onsetOf(child, parts.at), parts.directions);
        case "sound" -> DirectionReader.readSound(child, parts.at, parts.directions);
        case "barline" -> readBarline(child, parts);
        default -> {}
      }
    }
    finishBar(measure, parts);
  }

  /** Where a direction counts, with its offset. */
  private Fraction onsetOf(Element direction, Fraction at) {
    Element offset = Dom.child(direction, "offset");
    if (offset == null) {
      return at;
    }
    int ticks = (int) Dom.decimal(offset.getTextContent().trim());
    return at.add(Fraction.of(ticks, 4 * divisions));
  }

  private static boolean hasNoteBefore(Element measure, Element child) {
    for (Element e : Dom.children(measure)) {
      if (e.equals(child)) {
        return false;
      }
      if (e.getTagName().equals("note") || e.getTagName().equals("forward")) {
        return true;
      }
    }
    return false;
  }

  private void finishBar(Element measure, BarParts parts) {
    Fraction written = parts.furthest.subtract(start);
    Fraction full = time.barLength();
    boolean implicit = measure.getAttribute("implicit").equals("yes");
    boolean firstBar = bars.isEmpty();
    Fraction length = written.signum() > 0 ? written : full;
    if (written.compareTo(full) > 0) {
      problems.add(
          Problem.atBar(
              barNumber,
              Said.of("read.bar-long", Fractions.text(full), Fractions.text(written)),
              Said.of("read.bar-long.do")));
    } else if (written.compareTo(full) < 0 && !implicit && !firstBar && !isPartial(parts)) {
      problems.add(
          Problem.atBar(
              barNumber,
              Said.of("read.bar-short", Fractions.text(full), Fractions.text(written)),
              Said.of("read.bar-short.do")));
    }
    parts.events.sort(Comparator.comparing(Event::onset));
    bars.add(
        new Bar(
            bars.size(),
            barNumber,
            start,
            length,
            time,
            key,
            parts.clefAtStart,
            parts.clefChanges,
            parts.events,
            parts.directions,
            parts.repeatStart,
            parts.repeatEnd,
            ending,
            parts.line));
    start = start.add(length);
    if (parts.endingStops) {
      ending = List.of();
    }
  }

  /** A bar cut by a repeat sign or closing the piece may be short. */
  private static boolean isPartial(BarParts parts) {
    return parts.repeatEnd || parts.repeatStart || parts.line != Bar.Line.PLAIN;
  }

  private Fraction length(Element element) {
    String text = Dom.text(element, "duration");
    if (text.isEmpty()) {
      throw new RefusedValue(Said.of("value.no-duration"));
    }
    double value = Dom.decimal(text);
    if (!(value >= 0) || value > 1e8 || value != Math.rint(value)) {
      throw new RefusedValue(Said.of("value.duration", text));
    }
    return Fraction.of((int) value, 1).divide(Fraction.of(4)).divide(Fraction.of(divisions));
  }

  private void readAttributes(Element e, BarParts within) {
    int newDivisions = Dom.number(e, "divisions", divisions);
    if (newDivisions < 1 || newDivisions > 1_000_000) {
      throw new RefusedValue(Said.of("value.divisions", newDivisions));
    }
    divisions = newDivisions;
    Element keyElement = Dom.child(e, "key");
    if (keyElement != null && Dom.has(keyElement, "fifths")) {
      key = new KeySignature(Dom.number(keyElement, "fifths", 0));
      String mode = Dom.text(keyElement, "mode");
      if (within != null && (mode.equals("major") || mode.equals("minor"))) {
        within.directions.add(new Direction(within.at, Direction.Kind.MODE, mode, 0));
      }
    }
    Element timeElement = Dom.child(e, "time");
    if (timeElement != null && Dom.has(timeElement, "beats")) {
      time = readTime(timeElement);
    }
    for (Element clefElement : Dom.children(e, "clef")) {
      Clef read = readClef(clefElement);
      if (within != null && within.at.compareTo(start) > 0) {
        within.clefChanges.add(new Bar.ClefChange(within.at, read));
      } else if (within != null) {
        within.clefAtStart = read; // A second element before the first note counts from here.
      }
      clef = read;
    }
    Element transpose = Dom.child(e, "transpose");
    if (transpose != null) {
      int octaves = Dom.number(transpose, "octave-change", 0);
      transposition =
          new Interval(
              Dom.number(transpose, "diatonic", 0) + 7 * octaves,
              Dom.number(transpose, "chromatic", 0) + 12 * octaves);
      if (transposition.steps() == 0 && transposition.semitones() % 12 == 0) {
        transposition =
            new Interval(7 * (transposition.semitones() / 12), transposition.semitones());
      }
      transposeSeen = true;
    }
  }

  private static TimeSignature readTime(Element e) {
    List<Integer> groups = new ArrayList<>();
    for (String beats : Dom.text(e, "beats").split("\\+")) {
      groups.add((int) Dom.decimal(beats));
    }
    TimeSignature.Sign sign =
        switch (e.getAttribute("symbol")) {
          case "common" -> TimeSignature.Sign.COMMON;
          case "cut" -> TimeSignature.Sign.CUT;
          default -> TimeSignature.Sign.NUMBERS;
        };
    return new TimeSignature(groups, Dom.number(e, "beat-type", 4), sign);
  }

  private static Clef readClef(Element e) {
    String sign = Dom.text(e, "sign");
    int usual =
        switch (sign) {
          case "F" -> 4;
          case "C" -> 3;
          default -> 2;
        };
    Clef.Sign family =
        switch (sign) {
          case "F" -> Clef.Sign.F;
          case "C" -> Clef.Sign.C;
          case "G" -> Clef.Sign.G;
          default -> throw new RefusedValue(Said.of("value.clef", sign));
        };
    return new Clef(family, Dom.number(e, "line", usual), Dom.number(e, "clef-octave-change", 0));
  }

  private void readBarline(Element e, BarParts parts) {
    String style = Dom.text(e, "bar-style");
    boolean left = e.getAttribute("location").equals("left");
    if (!left) {
      parts.line =
          style.equals("light-heavy")
              ? Bar.Line.FINAL
              : style.equals("light-light") ? Bar.Line.DOUBLE : parts.line;
    }
    Element repeat = Dom.child(e, "repeat");
    if (repeat != null) {
      parts.repeatStart |= repeat.getAttribute("direction").equals("forward");
      parts.repeatEnd |= repeat.getAttribute("direction").equals("backward");
    }
    Element bracket = Dom.child(e, "ending");
    if (bracket != null) {
      if (bracket.getAttribute("type").equals("start")) {
        List<Integer> numbers = new ArrayList<>();
        for (String n : bracket.getAttribute("number").split("[,\\s]+")) {
          if (n.matches("\\d{1,2}")) {
            numbers.add(Integer.parseInt(n));
          }
        }
        ending = numbers;
      } else {
        parts.endingStops = true;
      }
    }
  }

  // ---- notes --------------------------------------------------------------------------------

  private void readNote(Element e, BarParts parts) {
    if (Dom.has(e, "unpitched")) {
      throw new RefusedValue(Said.of("value.unpitched"));
    }
    boolean grace = Dom.has(e, "grace");
    boolean chord = Dom.has(e, "chord");
    Fraction duration = grace ? Fraction.ZERO : length(e);
    Fraction onset = chord ? parts.lastOnset : parts.at;
    if (!chord) {
      parts.lastOnset = onset;
      parts.at = parts.at.add(duration);
      parts.furthest = fret.base.Fractions.max(parts.furthest, parts.at);
    }
    String voice = Dom.text(e, "voice").isEmpty() ? "1" : Dom.text(e, "voice");
    Signs signs = NotationsReader.signs(e);
    List<Head> heads = new ArrayList<>();
    if (Dom.has(e, "pitch")) {
      sources.add(new Source(bars.size(), voice, onset, grace, pitch(Dom.child(e, "pitch")), e));
      heads.add(NotationsReader.head(e, pitch(Dom.child(e, "pitch"))));
    }
    if (chord && !parts.events.isEmpty()) {
      joinChord(parts, voice, onset, heads, signs, grace);
      return;
    }
    Element graceElement = Dom.child(e, "grace");
    Event.Grace kind =
        !grace
            ? Event.Grace.NONE
            : graceElement.getAttribute("slash").equals("yes")
                ? Event.Grace.SLASHED
                : Event.Grace.PLAIN;
    boolean cue =
        Dom.has(e, "cue") || e.getAttribute("print-object").equals("no") && !heads.isEmpty();
    Event event =
        new Event(voice, onset, duration, value(e, duration, signs), heads, kind, cue, signs);
    parts.events.add(event);
  }

  private static void joinChord(
      BarParts parts, String voice, Fraction onset, List<Head> heads, Signs signs, boolean grace) {
    for (int i = parts.events.size() - 1; i >= 0; i--) {
      Event last = parts.events.get(i);
      if (last.voice().equals(voice) && last.onset().equals(onset) && last.isGrace() == grace) {
        List<Head> joined = new ArrayList<>(last.heads());
        joined.addAll(heads);
        parts.events.set(
            i, last.withHeads(joined).withSigns(NotationsReader.merge(last.signs(), signs)));
        return;
      }
    }
    throw new RefusedValue(Said.of("value.loose-chord"));
  }

  private static Pitch pitch(Element e) {
    String step = Dom.text(e, "step");
    double alter = Dom.text(e, "alter").isEmpty() ? 0 : Dom.decimal(Dom.text(e, "alter"));
    if (alter != Math.rint(alter)) {
      throw new RefusedValue(Said.of("value.quarter-tone", alter));
    }
    if (!step.matches("[A-Ga-g]")) {
      throw new RefusedValue(Said.of("value.step", step));
    }
    return new Pitch(
        Step.valueOf(step.toUpperCase(Locale.ROOT)), (int) alter, Dom.number(e, "octave", 4));
  }

  private NoteValue value(Element e, Fraction duration, Signs signs) {
    int dots = Dom.children(e, "dot").size();
    String type = Dom.text(e, "type");
    if (!type.isEmpty()) {
      int denominator = NotationsReader.denominator(type);
      return new NoteValue(denominator, Math.min(3, dots));
    }
    Fraction plain =
        signs.tuplet().isPresent()
            ? duration.multiply(Fraction.of(signs.tuplet().actual(), signs.tuplet().normal()))
            : duration;
    return NoteValue.ofLength(plain)
        .orElse(new NoteValue(plain.compareTo(Fraction.of(1)) >= 0 ? 1 : 4, 0));
  }
}
