package fret.bowing;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Short lines for tests of the bow. Words: {@code A4:4} is a quarter note, {@code A4:4.} dotted,
 * {@code -:8} an eighth rest, {@code G3+D4+B4:2} a chord; {@code (} before and {@code )} behind
 * make a slur; behind the length {@code >} is an accent, {@code '} a dot, {@code _} a line, {@code
 * n} and {@code v} down- and up-bow marks; {@code {f}} is a dynamic, {@code {<}}, {@code {>}} and
 * {@code {!}} hairpins and their end, {@code {pizz}} and {@code {arco}} plucked and bowed, {@code
 * {"word}} a word.
 */
final class Lines {
  private final TimeSignature time;
  private final List<Bar> bars = new ArrayList<>();
  private List<Event> events = new ArrayList<>();
  private List<Direction> directions = new ArrayList<>();
  private Fraction start;
  private Fraction at;
  private Fraction barEnd;

  private Lines(TimeSignature time, Fraction pickUp) {
    this.time = time;
    this.start = pickUp.negate();
    this.at = start;
    this.barEnd = pickUp.signum() > 0 ? Fraction.ZERO : time.barLength();
  }

  static ResolvedPassage of(int beats, int beatType, String words) {
    return of(beats, beatType, Fraction.ZERO, words);
  }

  static ResolvedPassage of(int beats, int beatType, Fraction pickUp, String words) {
    return Resolver.resolve(new Lines(TimeSignature.of(beats, beatType), pickUp).score(words));
  }

  private Score score(String words) {
    for (String word : words.trim().split("\\s+")) {
      if (word.startsWith("{")) {
        direction(word.substring(1, word.length() - 1));
      } else if (!word.equals("|")) {
        note(word);
      }
    }
    if (!events.isEmpty()) {
      close(at);
    }
    return new Score("line", "", "", Interval.UNISON, bars);
  }

  private void direction(String what) {
    Direction.Kind kind =
        switch (what) {
          case "<" -> Direction.Kind.CRESCENDO;
          case ">" -> Direction.Kind.DIMINUENDO;
          case "!" -> Direction.Kind.HAIRPIN_END;
          case "pizz" -> Direction.Kind.PLUCKED;
          case "arco" -> Direction.Kind.BOWED;
          default -> what.startsWith("\"") ? Direction.Kind.WORDS : Direction.Kind.DYNAMIC;
        };
    directions.add(new Direction(at, kind, what.replace("\"", ""), 0));
  }

  private void note(String word) {
    boolean opens = word.startsWith("(");
    boolean closes = word.endsWith(")");
    String[] part = word.replace("(", "").replace(")", "").split(":");
    String value = part[1].replaceAll("[^0-9.]", "");
    boolean dotted = value.endsWith(".");
    NoteValue length = new NoteValue(Integer.parseInt(value.replace(".", "")), dotted ? 1 : 0);
    Set<Signs.Articulation> marks = EnumSet.noneOf(Signs.Articulation.class);
    if (part[1].contains(">")) {
      marks.add(Signs.Articulation.ACCENT);
    }
    if (part[1].contains("'")) {
      marks.add(Signs.Articulation.STACCATO);
    }
    if (part[1].contains("_")) {
      marks.add(Signs.Articulation.TENUTO);
    }
    Signs.Bow bow =
        part[1].contains("n")
            ? Signs.Bow.DOWN
            : part[1].contains("v") ? Signs.Bow.UP : Signs.Bow.NONE;
    List<Head> heads =
        part[0].equals("-")
            ? List.of()
            : java.util.Arrays.stream(part[0].split("\\+"))
                .map(p -> Head.of(Pitch.parse(p)))
                .toList();
    Signs signs =
        Signs.PLAIN
            .withSlurs(opens ? List.of(1) : List.of(), closes ? List.of(1) : List.of())
            .withArticulations(marks)
            .withBow(bow);
    events.add(Event.of(at, length, heads).withSigns(signs));
    at = at.add(length.length());
    if (at.compareTo(barEnd) >= 0) {
      close(barEnd);
    }
  }

  private void close(Fraction end) {
    String number = String.valueOf(start.signum() < 0 ? 0 : bars.size() + (startsEarly() ? 0 : 1));
    bars.add(
        new Bar(
            bars.size(),
            number,
            start,
            end.subtract(start),
            time,
            KeySignature.NONE,
            Clef.TREBLE,
            List.of(),
            events,
            directions,
            false,
            false,
            List.of(),
            Bar.Line.PLAIN));
    events = new ArrayList<>();
    directions = new ArrayList<>();
    start = end;
    barEnd = end.add(time.barLength());
  }

  private boolean startsEarly() {
    return !bars.isEmpty() && bars.get(0).start().signum() < 0;
  }

  /** The task on an instrument, every note on the highest string that has it. */
  static BowTask task(InstrumentType type, ResolvedPassage passage, double quarters) {
    Instrument instrument = Instrument.standard(type);
    List<HandAt> hand = new ArrayList<>();
    for (Slice slice : passage.slices()) {
      List<Integer> strings = new ArrayList<>();
      int below = 0;
      int stopped = 0;
      List<Integer> heads = new ArrayList<>(slice.starting());
      java.util.Collections.reverse(heads);
      for (int note : heads) {
        int string = Math.max(below + 1, string(instrument, passage, note));
        strings.add(string);
        below = string;
        stopped =
            Math.max(stopped, instrument.semitones(string, passage.notes().get(note).pitch()));
      }
      hand.add(new HandAt(strings, stopped, false));
    }
    TempoMap tempo = TempoMap.steady(new Tempo(Beat.QUARTER, quarters));
    return BowTask.of(passage, tempo, instrument, hand);
  }

  private static int string(Instrument instrument, ResolvedPassage passage, int note) {
    for (int s = 1; s <= instrument.stringCount(); s++) {
      if (instrument.semitones(s, passage.notes().get(note).pitch()) >= 0) {
        return s;
      }
    }
    return instrument.stringCount();
  }

  /** Directions of the strokes: n for down, v for up; a space where the bow is lifted. */
  static String bows(Bowing b) {
    StringBuilder text = new StringBuilder();
    for (Stroke s : b.strokes()) {
      text.append(s.retake().isPresent() ? " " : "").append(s.down() ? 'n' : 'v');
    }
    return text.toString();
  }

  static String bows(int beats, int beatType, double quarters, String words) {
    return bows(
        new BowSolver(task(InstrumentType.VIOLIN, of(beats, beatType, words), quarters)).best());
  }
}
