package fret.format.abc;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.RefusedValue;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.pitch.Pitch;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
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
  private static final int MOST_REST_BARS = 200;
  private static final Pattern FIELD = Pattern.compile("([A-Za-z]):\\s*(.*)");
  private static final Pattern LENGTH = Pattern.compile("(\\d{0,4})(/*)(\\d{0,4})");
  private static final String LETTERS = "CDEFGABcdefgab";
  private static final Said NEXT = Said.of("read.abc.do");

  private final String file;
  private final List<Problem> problems = new ArrayList<>();
  private final AbcBars bars = new AbcBars();
  private String title = "";
  private String composer = "";
  private boolean inTune;
  private String text = "";
  private int at;
  private int line;

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
          Said.of("read.line", RefusedValue.told(e)),
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
    bars.close();
    if (!bars.hasNotes()) {
      throw new UnusableInput(file, Said.of("read.abc-empty"), Said.of("read.abc-empty.do"));
    }
    return new Outcome<>(bars.score(title, composer), List.copyOf(problems));
  }

  // ---- fields ----------------------------------------------------------------------------------

  private void field(char name, String value) {
    switch (name) {
      case 'T' -> title = title.isEmpty() ? value : title;
      case 'C' -> composer = value;
      case 'M' -> bars.metre(value);
      case 'L' -> bars.unit(value);
      case 'Q' -> bars.tempo(value);
      case 'K' -> {
        bars.key(value);
        inTune = true;
      }
      default -> {}
    }
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
      if (bars.eventCount() > MOST_EVENTS) {
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
      bars.startSlur();
      at++;
    } else if (c == ')') {
      if (!bars.endSlur()) {
        noticed(Said.of("read.slur-early"));
      }
      at++;
    } else if (c == '{') {
      bars.grace(true);
      at += look(1) == '/' ? 2 : 1;
    } else if (c == '}') {
      bars.grace(false);
      at++;
    } else if (c == '"') {
      annotation();
    } else if (c == '!' || c == '+') {
      decoration(c);
    } else if (c == '>' || c == '<') {
      brokenRhythm(c);
    } else if (c == '-') {
      bars.tie();
      at++;
    } else if ("zxZX".indexOf(c) >= 0) {
      rest(c);
    } else if ("^_=".indexOf(c) >= 0 || LETTERS.indexOf(c) >= 0) {
      note();
    } else if (".~uvTHLMOPSJ".indexOf(c) >= 0) {
      bars.decorate(c);
      at++;
    } else {
      if (!Character.isWhitespace(c) && "`\\y$*;".indexOf(c) < 0) {
        noticed(Said.of("read.passed-over", String.valueOf(c)));
      }
      at++;
    }
  }

  private void noticed(Said what) {
    problems.add(new Problem(Said.of("where.line", String.valueOf(line)), what, Said.NOTHING));
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
      throw new RefusedValue(Said.of("value.length", m.group()));
    }
    if (up == 0 || down == 0 || up > 256 || down > 256) {
      throw new RefusedValue(Said.of("value.length", up + "/" + down));
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
      throw new RefusedValue(Said.of("value.no-letter"));
    }
    at++;
    int diatonic = 4 * 7 + index;
    while (look(0) == '\'' || look(0) == ',') {
      diatonic += look(0) == '\'' ? 7 : -7;
      at++;
    }
    return bars.spelled(diatonic, sign, alter);
  }

  private void note() {
    Pitch pitch = pitch();
    bars.add(List.of(pitch), length().multiply(bars.unit()));
  }

  private void rest(char c) {
    at++;
    Fraction length = length();
    if (c == 'Z' || c == 'X') {
      bars.restBars(Math.min(MOST_REST_BARS, Math.max(1, length.intValue())));
    } else {
      bars.add(List.of(), length.multiply(bars.unit()));
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
        throw new RefusedValue(Said.of("value.open-field"));
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
    boolean tied = false;
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
      throw new RefusedValue(Said.of("value.open-chord"));
    }
    at++;
    bars.chord(pitches, own.multiply(length()).multiply(bars.unit()), tied);
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
          default -> bars.time().isCompound() ? 3 : 2;
        };
    int q = m.group(2) == null || m.group(2).isEmpty() ? usual : Integer.parseInt(m.group(2));
    int r = m.group(3) == null || m.group(3).isEmpty() ? p : Integer.parseInt(m.group(3));
    if (p < 2 || q < 1 || r < 1) {
      throw new RefusedValue(Said.of("value.tuplet", p));
    }
    bars.tuplet(p, q, r);
  }

  private void brokenRhythm(char c) {
    int count = 0;
    while (look(0) == c) {
      count++;
      at++;
    }
    bars.breakRhythm(c == '>', count);
  }

  private void annotation() {
    int close = text.indexOf('"', at + 1);
    if (close < 0) {
      throw new RefusedValue(Said.of("value.open-text"));
    }
    String words = text.substring(at + 1, close);
    if (!words.isEmpty() && "^_<>@".indexOf(words.charAt(0)) >= 0) {
      bars.words(words.substring(1));
    }
    at = close + 1;
  }

  private void decoration(char quote) {
    int close = text.indexOf(quote, at + 1);
    if (close < 0) {
      at++;
      return;
    }
    bars.decorate(text.substring(at + 1, close));
    at = close + 1;
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
    bars.line(text.substring(from, at));
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
    bars.ending(numbers);
  }
}
