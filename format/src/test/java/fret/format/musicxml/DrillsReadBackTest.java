package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.UnusableInput;
import fret.drill.BowDrillKind;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.instrument.InstrumentType;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.session.BowSpots;
import fret.session.DrillBook;
import fret.session.Learning;
import fret.session.NewPassage;
import fret.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Every drill of every chunk reads back to its own notes and values: generated parts with pick-ups,
 * triplets, repeats, changes of key, clef and metre.
 */
class DrillsReadBackTest {
  private static final List<TimeSignature> METRES =
      List.of(
          TimeSignature.COMMON_TIME,
          TimeSignature.of(3, 4),
          TimeSignature.of(6, 8),
          TimeSignature.of(5, 8),
          TimeSignature.of(3, 8));
  private static final Fraction EIGHTH = Fraction.of(1, 8);
  private static final Fraction TRIPLET = Fraction.of(1, 12);

  private static Score part(Random random, int bars) {
    List<Bar> all = new ArrayList<>();
    TimeSignature time = METRES.get(random.nextInt(METRES.size()));
    KeySignature key = new KeySignature(random.nextInt(7) - 3);
    Clef clef = Clef.BASS;
    for (int i = 0; i < bars; i++) {
      time = i > 0 && random.nextInt(5) == 0 ? METRES.get(random.nextInt(METRES.size())) : time;
      key = random.nextInt(6) == 0 ? new KeySignature(random.nextInt(7) - 3) : key;
      clef = random.nextInt(6) == 0 ? List.of(Clef.BASS, Clef.TENOR).get(random.nextInt(2)) : clef;
      LineBuilder line = new LineBuilder(time, key, clef);
      if (i == 0) {
        line.pickUp(time.barLength().subtract(EIGHTH));
      }
      Fraction left = i == 0 ? EIGHTH : time.barLength();
      while (left.signum() > 0) {
        left = left.subtract(beat(line, random, left, key));
      }
      Bar bar = line.build("", Interval.UNISON).bars().get(0);
      all.add(bar.withRepeats(false, i > 0 && random.nextInt(9) == 0, List.of()));
    }
    return new Score("part", "", "", Interval.UNISON, all).laidOut();
  }

  /** A triplet, two slurred sixteenths, a rest or a note; how much of the bar it takes. */
  private static Fraction beat(LineBuilder line, Random random, Fraction left, KeySignature key) {
    boolean triplet = random.nextInt(5) == 0 && left.compareTo(Fraction.of(1, 4)) >= 0;
    for (int i = 0; triplet && i < 3; i++) {
      Signs.Tuplet in = new Signs.Tuplet(3, 2, i == 0, i == 2);
      line.add(
          new Event(
              "1",
              Fraction.ZERO,
              TRIPLET,
              new NoteValue(8, 0),
              List.of(head(random, key)),
              Event.Grace.NONE,
              false,
              Signs.PLAIN.withTuplet(in)));
    }
    if (triplet) {
      return Fraction.of(1, 4);
    }
    if (random.nextInt(8) == 0) {
      line.add(EIGHTH);
    } else if (random.nextInt(3) == 0) {
      line.add(
          EIGHTH.divide(2),
          List.of(head(random, key)),
          Signs.PLAIN.withSlurs(List.of(1), List.of()));
      line.add(
          EIGHTH.divide(2),
          List.of(head(random, key)),
          Signs.PLAIN.withSlurs(List.of(), List.of(1)));
    } else {
      line.add(EIGHTH, List.of(head(random, key)), Signs.PLAIN);
    }
    return EIGHTH;
  }

  private static Head head(Random random, KeySignature key) {
    return Head.of(Pitch.ofMidi(43 + random.nextInt(24), key));
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6})
  void itsNotesAndValues(int seed) throws UnusableInput {
    Score page = part(new Random(seed), 14);
    Session s =
        Session.of(
            NewPassage.of("part", "", page, Reading.PLAIN, Setup.usual(InstrumentType.CELLO)),
            page);
    DrillBook book = new DrillBook(s);
    for (Chunk c : Learning.chunks(s)) {
      for (DrillKind kind : DrillKind.values()) {
        if (kind.of() != DrillKind.Of.PASSAGE) {
          String where = kind.id() + " of " + c.id() + ", seed " + seed;
          for (Drill d : book.of(c, kind).stream().toList()) {
            same(d.whole(), where);
          }
        }
      }
      for (BowDrillKind kind : BowDrillKind.values()) {
        for (Score d : BowSpots.made(s, c, kind).stream().toList()) {
          same(d, kind + " of " + c.id() + ", seed " + seed);
        }
      }
    }
  }

  private static void same(Score drill, String where) throws UnusableInput {
    byte[] xml = MusicXmlWriter.write(drill);
    Score back = MusicXmlReader.read("drill", MusicXmlFile.open("drill", xml), "").value();
    assertThat(told(back)).as(where).isEqualTo(told(drill));
    for (Bar b : drill.bars()) {
      Fraction at = b.start();
      for (Event e : b.events()) {
        if (!e.isGrace()) {
          assertThat(e.onset()).as("in bar %s of %s", b.number(), where).isEqualTo(at);
          at = at.add(e.duration());
        }
      }
      assertThat(at).as("the end of bar %s of %s", b.number(), where).isEqualTo(b.end());
      assertThat(b.length()).as(where).isLessThanOrEqualTo(b.time().barLength());
    }
  }

  private static List<String> told(Score score) {
    List<String> all = new ArrayList<>();
    for (Bar b : score.bars()) {
      all.add("| " + b.number() + " " + b.time() + " " + b.key().fifths());
      for (Event e : b.events()) {
        all.add(
            e.onset().subtract(b.start())
                + " "
                + e.duration()
                + " "
                + (e.isRest() ? "rest" : e.heads().stream().map(Head::pitch).toList())
                + " "
                + b.clefAt(e.onset())
                + " "
                + e.signs().slurStarts()
                + e.signs().slurStops());
      }
    }
    return all;
  }
}
