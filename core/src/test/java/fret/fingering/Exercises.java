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
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
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
