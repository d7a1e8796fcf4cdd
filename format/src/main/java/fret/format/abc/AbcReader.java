package fret.format.abc;

import fret.base.Outcome;
import fret.base.Problem;
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
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Reads the common core of ABC text ("The abc music standard 2.1", December 2011): one tune and one
 * voice, with its fields, notes, chords, rests, ties, slurs, tuplets, grace notes, broken rhythm,
 * repeats and endings, and the usual decorations. What it does not know is passed over and told.
 */
public final class AbcReader {
  private static final int LONGEST = 2_000_000;
  private static final int MOST_EVENTS = 60_000;
  private static final Pattern FIELD = Pattern.compile("([A-Za-z]):\\s*(.*)");
  private static final Pattern LENGTH = Pattern.compile("(\\d{0,4})(/*)(\\d{0,4})");
  private static final String LETTERS = "CDEFGABcdefgab";
  private static final Said NEXT = Said.of("read.abc.do");

  private final String file;
  private final List<Problem> problems = new ArrayList<>();
  private final List<Bar> bars = new ArrayList<>();
  private final Map<Integer, Integer> accidentals = new HashMap<>();
  private String title = "";
  private String composer = "";
  private TimeSignature time = TimeSignature.COMMON_TIME;
  private KeySignature key = KeySignature.NONE;
  private Clef clef = Clef.TREBLE;
  private Fraction unit;
  private boolean inTune;
  private String text = "";
  private int at;
  private int line;

  private List<Event> events = new ArrayList<>();
  private List<Direction> directions = new ArrayList<>();
  private Fraction start = Fraction.ZERO;
  private Fraction onset = Fraction.ZERO;
  private boolean repeatStart;
  private List<Integer> ending = List.of();
  private int slurs;
  private int slursToStart;
  private boolean tied;
  private boolean grace;
  private int tupletLeft;
  private Signs.Tuplet tuplet = Signs.Tuplet.NONE;
  private Fraction broken = Fraction.ONE;
  private Signs pending = Signs.PLAIN;
  private int eventCount;

  private AbcReader(String file) {
    this.file = file;
  }

  /** Whether a text looks like ABC: it has a key field on a line of its own. */
  public static boolean isAbc(String text) {
    return Pattern.compile("(?m)^K:").matcher(text).find();
  }

  /**
   * Reads the first tune of a text.
   *
   * @throws UnusableInput if there is no tune with notes in it
   */
  public static Outcome<Score> read(String file, String text) throws UnusableInput {
    if (text.length() > LONGEST) {
      throw new UnusableInput(file, Said.of("read.abc-long"), NEXT);
    }
    AbcReader reader = new AbcReader(file);
    try {
      return reader.run(text);
    } catch (IllegalArgumentException | ArithmeticException e) {
      throw new UnusableInput(
          Said.of("where.file-line", file, String.valueOf(reader.line)),
          Said.of("read.line", String.valueOf(e.getMessage())),
          NEXT);
    }
  }

  private Outcome<Score> run(String all) throws UnusableInput {
    for (String raw : all.split("\\R", -1)) {
      line++;
      String content = raw.replaceFirst("(?<!\\\\)%.*", "");
      if (content.isBlank()) {
        if (inTune && !bars.isEmpty()) {
          break; // An empty line ends the tune.
        }
        continue;
      }
      Matcher field = FIELD.matcher(content);
      if (field.matches() && "+wWsVIRBDFGHNOPSZUmrX".indexOf(field.group(1).charAt(0)) >= 0) {
        if (field.group(1).equals("X") && inTune) {
          break;
        }
      } else if (field.matches() && !content.startsWith("|")) {
        field(field.group(1).charAt(0), field.group(2).trim());
      } else if (inTune) {
        music(content);
      }
    }
    closeBar(Bar.Line.FINAL, false);
    boolean any = bars.stream().flatMap(b -> b.events().stream()).anyMatch(e -> !e.isRest());
    if (!any) {
      throw new UnusableInput(file, Said.of("read.abc-empty"), Said.of("read.abc-empty.do"));
    }
    return new Outcome<>(
        new Score(title, composer, "", Interval.UNISON, bars).laidOut(), List.copyOf(problems));
  }

  // ---- fields ----------------------------------------------------------------------------------

  private void field(char name, String value) {
    switch (name) {
      case 'T' -> title = title.isEmpty() ? value : title;
      case 'C' -> composer = value;
      case 'M' -> time = AbcFields.metre(value).orElse(time);
      case 'L' -> unit = AbcFields.length(value);
      case 'Q' -> AbcFields.tempo(value, onset).ifPresent(directions::add);
      case 'K' -> {
        key = AbcFields.key(value);
        clef = AbcFields.clef(value).orElse(clef);
        inTune = true;
      }
      default -> {}
    }
  }

  /** No note is longer than so many whole notes. */
  private static final Fraction LONGEST_NOTE = Fraction.of(16);

  private Fraction unit() {
    if (unit != null) {
      return unit;
    }
    return time.barLength().compareTo(Fraction.of(3, 4)) < 0
        ? Fraction.of(1, 16)
        : Fraction.of(1, 8);
  }

  /** Digits of other scripts are words here. */
  private static boolean isDigit(int c) {
    return c >= '0' && c <= '9';
  }

  // ---- music -----------------------------------------------------------------------------------

  private void music(String content) throws UnusableInput {
    text = content;
    at = 0;
    while (at < text.length()) {
      int before = at;
      token();
      if (at == before) {
        at++;
      }
      if (eventCount > MOST_EVENTS) {
        throw new UnusableInput(file, Said.of("read.tune-long"), NEXT);
      }
    }
  }

  private char look(int ahead) {
    return at + ahead < text.length() ? text.charAt(at + ahead) : '\0';
  }

  private void token() {
    char c = look(0);
    if (c == '|' || c == ':') {
      barline();
    } else if (c == '[') {
      bracket();
    } else if (c == '(' && isDigit(look(1))) {
      tupletStart();
    } else if (c == '(') {
      slursToStart++;
      at++;
    } else if (c == ')') {
      endSlur();
      at++;
    } else if (c == '{') {
      grace = true;
      at += look(1) == '/' ? 2 : 1;
    } else if (c == '}') {
      grace = false;
      at++;
    } else if (c == '"') {
      annotation();
    } else if (c == '!' || c == '+') {
      decoration(c);
    } else if (c == '>' || c == '<') {
      brokenRhythm(c);
    } else if (c == '-') {
      tie();
      at++;
    } else if ("zxZX".indexOf(c) >= 0) {
      rest(c);
    } else if ("^_=".indexOf(c) >= 0 || LETTERS.indexOf(c) >= 0) {
      note();
    } else if (".~uvTHLMOPSJ".indexOf(c) >= 0) {
      shortDecoration(c);
      at++;
    } else {
      if (!Character.isWhitespace(c) && "`\\y$*;".indexOf(c) < 0) {
        problems.add(
            new Problem(
                Said.of("where.line", String.valueOf(line)),
                Said.of("read.passed-over", String.valueOf(c)),
                Said.NOTHING));
      }
      at++;
    }
  }

  private Fraction length() {
    Matcher m = LENGTH.matcher(text).region(at, text.length());
    m.lookingAt();
    at = m.end();
    int up = m.group(1).isEmpty() ? 1 : Integer.parseInt(m.group(1));
    int down = 1;
    if (!m.group(2).isEmpty()) {
      down =
          m.group(3).isEmpty()
              ? 1 << Math.min(8, m.group(2).length())
              : Integer.parseInt(m.group(3));
    } else if (!m.group(3).isEmpty()) {
      throw new IllegalArgumentException("length");
    }
    if (up == 0 || down == 0 || up > 256 || down > 256) {
      throw new IllegalArgumentException("length " + up + "/" + down);
    }
    return Fraction.of(up, down);
  }

  private Pitch pitch() {
    int alter = 0;
    boolean sign = false;
    while ("^_=".indexOf(look(0)) >= 0 && look(0) != '\0') {
      alter += look(0) == '^' ? 1 : look(0) == '_' ? -1 : 0;
      sign = true;
      at++;
    }
    int index = LETTERS.indexOf(look(0));
    if (index < 0 || look(0) == '\0') {
      throw new IllegalArgumentException("a note letter is missing");
    }
    at++;
    int diatonic = 4 * 7 + index;
    while (look(0) == '\'' || look(0) == ',') {
      diatonic += look(0) == '\'' ? 7 : -7;
      at++;
    }
    Step step = Step.of(diatonic);
    if (sign) {
      accidentals.put(diatonic, alter);
    }
    int used = accidentals.getOrDefault(diatonic, key.alterOf(step));
    int octave = Math.floorDiv(diatonic, 7);
    if (octave < 0 || octave > 9 || Math.abs(used) > 2) {
      throw new IllegalArgumentException("a note out of all ranges");
    }
    return new Pitch(step, used, octave);
  }

  private void note() {
    Pitch pitch = pitch();
    add(List.of(pitch), length().multiply(unit()));
  }

  private void rest(char c) {
    at++;
    Fraction length = length();
    if (c == 'Z' || c == 'X') {
      for (int i = 0; i < Math.min(200, Math.max(1, length.intValue())); i++) {
        add(List.of(), time.barLength());
        closeBar(Bar.Line.PLAIN, false);
      }
    } else {
      add(List.of(), length.multiply(unit()));
    }
  }

  private void bracket() {
    char next = look(1);
    if (next == '|') {
      barline();
    } else if (isDigit(next)) {
      at++;
      endings();
    } else if (look(2) == ':' && Character.isLetter(next)) {
      int close = text.indexOf(']', at);
      if (close < 0) {
        throw new IllegalArgumentException("a field in brackets is not closed");
      }
      field(next, text.substring(at + 3, close).trim());
      at = close + 1;
    } else {
      chord();
    }
  }

  private void chord() {
    at++;
    List<Pitch> pitches = new ArrayList<>();
    Fraction own = Fraction.ONE;
    while (look(0) != ']' && look(0) != '\0') {
      if (look(0) == '-' || Character.isWhitespace(look(0)) || look(0) == '.') {
        tied |= look(0) == '-';
        at++;
        continue;
      }
      pitches.add(pitch());
      Fraction length = length();
      own = pitches.size() == 1 ? length : own;
    }
    if (look(0) == '\0' || pitches.isEmpty()) {
      throw new IllegalArgumentException("a chord is not closed");
    }
    at++;
    boolean tieInside = tied;
    tied = false;
    add(pitches.stream().distinct().toList(), own.multiply(length()).multiply(unit()));
    if (tieInside) {
      tie();
    }
  }

  private void tupletStart() {
    Matcher m =
        Pattern.compile("\\((\\d)(?::(\\d?))?(?::(\\d?))?").matcher(text).region(at, text.length());
    m.lookingAt();
    at = m.end();
    int p = Integer.parseInt(m.group(1));
    int usual =
        switch (p) {
          case 2, 4, 8 -> 3;
          case 3, 6 -> 2;
          default -> time.isCompound() ? 3 : 2;
        };
    int q = m.group(2) == null || m.group(2).isEmpty() ? usual : Integer.parseInt(m.group(2));
    int r = m.group(3) == null || m.group(3).isEmpty() ? p : Integer.parseInt(m.group(3));
    if (p < 2 || q < 1 || r < 1) {
      throw new IllegalArgumentException("tuplet of " + p);
    }
    tuplet = new Signs.Tuplet(p, q, true, false);
    tupletLeft = r;
  }

  private void brokenRhythm(char c) {
    int count = 0;
    while (look(0) == c) {
      count++;
      at++;
    }
    int power = 1 << Math.min(3, count);
    Fraction longer = Fraction.of(2 * power - 1, power);
    Fraction shorter = Fraction.of(1, power);
    Fraction here = c == '>' ? longer : shorter;
    if (!events.isEmpty()) {
      Event last = events.remove(events.size() - 1);
      Fraction length = last.duration().multiply(here);
      onset = last.onset().add(length);
      events.add(remade(last, length));
      broken = c == '>' ? shorter : longer;
    }
  }

  private static Event remade(Event e, Fraction length) {
    Signs.Tuplet t = e.signs().tuplet();
    Fraction written = length.multiply(Fraction.of(t.actual(), t.normal()));
    NoteValue value = NoteValue.ofLength(written).orElse(e.value());
    return new Event(e.voice(), e.onset(), length, value, e.heads(), e.grace(), e.cue(), e.signs());
  }

  private void add(List<Pitch> pitches, Fraction asked) {
    eventCount++;
    boolean small = grace;
    Signs.Tuplet member = Signs.Tuplet.NONE;
    if (tupletLeft > 0 && !small) {
      tupletLeft--;
      member = new Signs.Tuplet(tuplet.actual(), tuplet.normal(), tuplet.starts(), tupletLeft == 0);
      tuplet = new Signs.Tuplet(tuplet.actual(), tuplet.normal(), false, false);
    }
    Fraction written = small ? Fraction.of(1, 8) : asked.multiply(broken);
    broken = small ? broken : Fraction.ONE;
    if (written.compareTo(LONGEST_NOTE) > 0) {
      throw new IllegalArgumentException("length " + written + " of a whole note");
    }
    NoteValue value = NoteValue.ofLength(written).orElse(null);
    if (value == null) {
      addTied(pitches, written);
      return;
    }
    Fraction length =
        small ? Fraction.ZERO : written.multiply(Fraction.of(member.normal(), member.actual()));
    boolean stop = tied;
    tied = false;
    Signs signs = pending.withTuplet(member).withSlurs(startedSlurs(pitches, small), List.of());
    pending = small ? pending : Signs.PLAIN;
    List<Head> heads = pitches.stream().map(p -> Head.of(p).withTies(false, stop)).toList();
    events.add(
        new Event(
            "1",
            onset,
            length,
            value,
            heads,
            small ? Event.Grace.SLASHED : Event.Grace.NONE,
            false,
            pitches.isEmpty() ? signs.withSlurs(List.of(), List.of()) : signs));
    onset = onset.add(length);
  }

  /** A length that needs two values: the larger first, tied. */
  private void addTied(List<Pitch> pitches, Fraction length) {
    for (int denominator = 1; denominator <= 128; denominator *= 2) {
      Fraction first = Fraction.of(1, denominator);
      Fraction rest = length.subtract(first);
      if (rest.signum() > 0 && length.getDenominator() <= 256) {
        add(pitches, first);
        if (!pitches.isEmpty()) {
          tie();
        }
        add(pitches, rest);
        return;
      }
    }
    throw new IllegalArgumentException("length " + length + " of a whole note");
  }

  private List<Integer> startedSlurs(List<Pitch> pitches, boolean small) {
    if (pitches.isEmpty() || small || slursToStart == 0) {
      return List.of();
    }
    List<Integer> numbers = new ArrayList<>();
    for (; slursToStart > 0; slursToStart--) {
      numbers.add(++slurs);
    }
    return numbers;
  }

  private void endSlur() {
    if (slurs > 0 && lastNote() >= 0) {
      int number = slurs--;
      int i = lastNote();
      Event e = events.get(i);
      List<Integer> stops = new ArrayList<>(e.signs().slurStops());
      stops.add(number);
      events.set(i, e.withSigns(e.signs().withSlurs(e.signs().slurStarts(), stops)));
    } else if (slurs > 0) {
      endSlurInBarBefore();
    }
  }

  private void endSlurInBarBefore() {
    slurs--;
    problems.add(
        new Problem(
            Said.of("where.line", String.valueOf(line)), Said.of("read.slur-open"), Said.NOTHING));
  }

  private int lastNote() {
    for (int i = events.size() - 1; i >= 0; i--) {
      if (!events.get(i).isRest()) {
        return i;
      }
    }
    return -1;
  }

  private void tie() {
    int i = events.size() - 1;
    if (i >= 0 && !events.get(i).isRest()) {
      Event e = events.get(i);
      events.set(
          i, e.withHeads(e.heads().stream().map(h -> h.withTies(true, h.tieStop())).toList()));
      tied = true;
    }
  }

  private void annotation() {
    int close = text.indexOf('"', at + 1);
    if (close < 0) {
      throw new IllegalArgumentException("a text is not closed");
    }
    String words = text.substring(at + 1, close);
    if (!words.isEmpty() && "^_<>@".indexOf(words.charAt(0)) >= 0) {
      directions.add(new Direction(onset, Direction.Kind.WORDS, words.substring(1), 0));
    }
    at = close + 1;
  }

  private void decoration(char quote) {
    int close = text.indexOf(quote, at + 1);
    if (close < 0) {
      at++;
      return;
    }
    String name = text.substring(at + 1, close);
    at = close + 1;
    switch (name) {
      case "trill" -> pending = pending.withOrnament(Signs.Ornament.TRILL);
      case "turn" -> pending = pending.withOrnament(Signs.Ornament.TURN);
      case "lowermordent", "mordent" -> pending = pending.withOrnament(Signs.Ornament.MORDENT);
      case "uppermordent", "pralltriller" ->
          pending = pending.withOrnament(Signs.Ornament.INVERTED_MORDENT);
      case "fermata" -> pending = pending.withFermata(true);
      case "accent", "emphasis", ">" -> articulation(Signs.Articulation.ACCENT);
      case "tenuto" -> articulation(Signs.Articulation.TENUTO);
      case "wedge" -> articulation(Signs.Articulation.STACCATISSIMO);
      case "upbow" -> pending = pending.withBow(Signs.Bow.UP);
      case "downbow" -> pending = pending.withBow(Signs.Bow.DOWN);
      case "crescendo(", "<(" -> direction(Direction.Kind.CRESCENDO, "");
      case "diminuendo(", ">(" -> direction(Direction.Kind.DIMINUENDO, "");
      case "crescendo)", "<)", "diminuendo)", ">)" -> direction(Direction.Kind.HAIRPIN_END, "");
      default -> {
        if (name.matches("p{1,4}|mp|mf|f{1,4}|sfz")) {
          direction(Direction.Kind.DYNAMIC, name);
        }
      }
    }
  }

  private void direction(Direction.Kind kind, String words) {
    directions.add(new Direction(onset, kind, words, 0));
  }

  private void articulation(Signs.Articulation which) {
    Set<Signs.Articulation> all = EnumSet.of(which);
    all.addAll(pending.articulations());
    pending = pending.withArticulations(all);
  }

  private void shortDecoration(char c) {
    switch (c) {
      case '.' -> articulation(Signs.Articulation.STACCATO);
      case 'u' -> pending = pending.withBow(Signs.Bow.UP);
      case 'v' -> pending = pending.withBow(Signs.Bow.DOWN);
      case 'T' -> pending = pending.withOrnament(Signs.Ornament.TRILL);
      case 'H' -> pending = pending.withFermata(true);
      case 'L' -> articulation(Signs.Articulation.ACCENT);
      case '~' -> pending = pending.withOrnament(Signs.Ornament.TURN);
      default -> {}
    }
  }

  // ---- bars ------------------------------------------------------------------------------------

  private void barline() {
    int from = at;
    while ("|:[]".indexOf(look(0)) >= 0 && look(0) != '\0') {
      boolean opens = look(0) == '[' && look(1) != '|';
      if (opens) {
        break;
      }
      at++;
    }
    String sign = text.substring(from, at);
    boolean end = sign.startsWith(":");
    Bar.Line kind =
        sign.contains("|]")
            ? Bar.Line.FINAL
            : sign.contains("||") ? Bar.Line.DOUBLE : Bar.Line.PLAIN;
    closeBar(end || sign.endsWith(":") ? Bar.Line.PLAIN : kind, end);
    boolean starts = sign.endsWith(":") && sign.length() > 1 || sign.equals("::");
    repeatStart |= starts;
    if (starts || end) {
      ending = List.of();
    }
    if (isDigit(look(0))) {
      endings();
    }
  }

  private void endings() {
    Matcher m = Pattern.compile("[\\d,-]+").matcher(text).region(at, text.length());
    m.lookingAt();
    at = m.end();
    List<Integer> numbers = new ArrayList<>();
    for (String part : m.group().split(",")) {
      Matcher range = Pattern.compile("(\\d{1,2})(?:-(\\d{1,2}))?").matcher(part);
      if (range.matches()) {
        int low = Integer.parseInt(range.group(1));
        int high = range.group(2) == null ? low : Integer.parseInt(range.group(2));
        for (int n = low; n <= Math.min(high, low + 8); n++) {
          numbers.add(n);
        }
      }
    }
    ending = numbers;
  }

  private void closeBar(Bar.Line kind, boolean repeatEnd) {
    if (events.isEmpty()) {
      if (!bars.isEmpty() && (repeatEnd || kind != Bar.Line.PLAIN)) {
        Bar last = bars.remove(bars.size() - 1);
        bars.add(lined(last, kind, repeatEnd || last.repeatEnd()));
      }
      return;
    }
    Fraction length = onset.subtract(start);
    boolean pickup = bars.isEmpty() && length.compareTo(time.barLength()) < 0;
    int number =
        bars.isEmpty()
            ? (pickup ? 0 : 1)
            : Integer.parseInt(bars.get(bars.size() - 1).number()) + 1;
    bars.add(
        new Bar(
            bars.size(),
            String.valueOf(number),
            start,
            length,
            time,
            key,
            clef,
            List.of(),
            events,
            directions,
            repeatStart,
            repeatEnd,
            ending,
            kind));
    events = new ArrayList<>();
    directions = new ArrayList<>();
    accidentals.clear();
    start = onset;
    repeatStart = false;
  }

  private static Bar lined(Bar b, Bar.Line kind, boolean repeatEnd) {
    return new Bar(
        b.index(),
        b.number(),
        b.start(),
        b.length(),
        b.time(),
        b.key(),
        b.clef(),
        b.clefChanges(),
        b.events(),
        b.directions(),
        b.repeatStart(),
        repeatEnd,
        b.endings(),
        kind);
  }
}
