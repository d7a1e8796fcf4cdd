package fret.fingering;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.search.Explanation;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;

/** Small exercises for tests: sounding pitches in equal notes. */
final class Exercises {
  private Exercises() {}

  /**
   * Words are notes; a plus joins notes that sound together; a note with a star and a number
   * belongs to a second voice and lasts as many notes.
   */
  static ResolvedPassage line(String pitches, Fraction length) {
    LineBuilder builder =
        new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    List<Event> second = new ArrayList<>();
    Fraction onset = Fraction.ZERO;
    for (String word : pitches.trim().split("\\s+")) {
      List<Pitch> heads = new ArrayList<>();
      for (String note : word.equals("-") ? new String[0] : word.split("\\+")) {
        String[] parts = note.split("\\*");
        if (parts.length == 1) {
          heads.add(Pitch.parse(note));
        } else {
          second.add(second(onset, length.multiply(Integer.parseInt(parts[1])), parts[0]));
        }
      }
      builder.add(length, heads.toArray(Pitch[]::new));
      onset = onset.add(length);
    }
    Score score = builder.build("exercise", Interval.UNISON);
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : score.bars()) {
      List<Event> events = new ArrayList<>(bar.events());
      second.stream().filter(e -> isIn(bar, e.onset())).forEach(events::add);
      bars.add(bar.withEvents(events));
    }
    return Resolver.resolve(score.withBars(bars));
  }

  private static Event second(Fraction onset, Fraction length, String pitch) {
    return new Event(
        "2",
        onset,
        length,
        NoteValue.ofLength(length).orElseThrow(),
        List.of(Head.of(Pitch.parse(pitch))),
        Event.Grace.NONE,
        false,
        Signs.PLAIN);
  }

  private static boolean isIn(Bar bar, Fraction onset) {
    return onset.compareTo(bar.start()) >= 0 && onset.compareTo(bar.end()) < 0;
  }

  /** One slur over equal notes. */
  static ResolvedPassage slurred(String notes, Fraction length) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String[] words = notes.split(" ");
    for (int i = 0; i < words.length; i++) {
      Signs signs =
          i == 0
              ? Signs.PLAIN.withSlurs(List.of(1), List.of())
              : i == words.length - 1 ? Signs.PLAIN.withSlurs(List.of(), List.of(1)) : Signs.PLAIN;
      line.add(length, List.of(Head.of(Pitch.parse(words[i]))), signs);
    }
    return Resolver.resolve(line.build("slurred", Interval.UNISON));
  }

  /** A whole note under two halves. */
  static ResolvedPassage heldUnder(String lower, String first, String second) {
    return line(lower + "*2+" + first + " " + second, Fraction.of(1, 2));
  }

  static FingeringTask task(InstrumentType type, ResolvedPassage passage, double quarters) {
    return task(hand(type, Hand.MEDIUM), passage, quarters);
  }

  static HandModel hand(InstrumentType type, Hand player) {
    return new HandModel(Instrument.standard(type), School.USUAL, player);
  }

  static FingeringTask task(HandModel hand, ResolvedPassage passage, double quarters) {
    TempoMap tempo = TempoMap.steady(new Tempo(Beat.QUARTER, quarters));
    return new FingeringTask(passage, tempo, hand, Preset.SURE);
  }

  /** How much of an effort a fingering has, in its own unit. */
  static double quantity(Fingering f, EffortKind kind) {
    return f.explanation().shares().stream()
        .filter(s -> s.id().equals(kind.id()))
        .mapToDouble(Explanation.Share::quantity)
        .sum();
  }

  static String digits(Fingering fingering) {
    return fingering.notes().stream()
        .map(n -> n.map(NoteFinger::digit).orElse("?"))
        .collect(Collectors.joining());
  }
}
