package fret.fingering;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
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

  /** Words are notes; a plus joins notes that sound together. */
  static ResolvedPassage line(String pitches, Fraction length) {
    LineBuilder builder =
        new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String word : pitches.trim().split("\\s+")) {
      if (word.equals("-")) {
        builder.add(length);
        continue;
      }
      builder.add(
          length,
          java.util.Arrays.stream(word.split("\\+")).map(Pitch::parse).toArray(Pitch[]::new));
    }
    return Resolver.resolve(builder.build("exercise", Interval.UNISON));
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
    Score upper = line(first + " " + second, Fraction.of(1, 2)).score();
    Event held =
        new Event(
            "2",
            Fraction.ZERO,
            Fraction.ONE,
            new NoteValue(1, 0),
            List.of(Head.of(Pitch.parse(lower))),
            Event.Grace.NONE,
            false,
            Signs.PLAIN);
    Bar bar = upper.bars().get(0);
    List<Event> events = new ArrayList<>(bar.events());
    events.add(held);
    return Resolver.resolve(upper.withBars(List.of(bar.withEvents(events))));
  }

  static FingeringTask task(InstrumentType type, ResolvedPassage passage, double quarters) {
    HandModel hand = new HandModel(Instrument.standard(type), School.USUAL, Hand.MEDIUM);
    TempoMap tempo = TempoMap.steady(new Tempo(Beat.QUARTER, quarters));
    return new FingeringTask(passage, tempo, hand, Preset.SURE);
  }

  static String digits(Fingering fingering) {
    return fingering.notes().stream()
        .map(n -> n.map(NoteFinger::digit).orElse("?"))
        .collect(Collectors.joining());
  }
}
