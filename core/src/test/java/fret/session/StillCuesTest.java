package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.SupportLayer;
import fret.mark.SupportWish;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.BodyCue;
import fret.score.LineBuilder;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Cues where the hand does not move, and a finger that is supported. */
class StillCuesTest {
  private static Session session(InstrumentType type, double tempo, String... notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String n : notes) {
      line.add(
          Fraction.of(1, 4), Stream.of(n.split("\\+")).map(Pitch::parse).toArray(Pitch[]::new));
    }
    Passage.Settings settings =
        new Passage.Settings(
            "x", new Tempo(Beat.QUARTER, tempo), Setup.usual(type), Reading.PLAIN, false);
    return Session.of(
        Passage.of("x.xml", "", settings).withId(1), line.build("x", Interval.UNISON));
  }

  private static List<BodyCue> cues(Session s, int note) {
    return StillCues.of(s, s.fingering(), note);
  }

  @Test
  void aLongFourthFingerHasItsCueAndAQuickOneNone() {
    Session slow = session(InstrumentType.VIOLIN, 60, "B4", "E5", "B4");
    slow = Lines.after(slow, Decisions.pin(slow, 1, Optional.of(Finger.FOURTH), 2));
    assertThat(cues(slow, 1)).containsExactly(BodyCue.LONG_FOURTH);
    assertThat(cues(slow, 0)).isEmpty();
    Session quick = session(InstrumentType.VIOLIN, 200, "B4", "E5", "B4");
    quick = Lines.after(quick, Decisions.pin(quick, 1, Optional.of(Finger.FOURTH), 2));
    assertThat(cues(quick, 1)).isEmpty();
  }

  @Test
  void aVibratedThirdFingerIsOfferedItsSupport() {
    Session s = session(InstrumentType.VIOLIN, 60, "B4", "D5", "B4");
    s = Lines.after(s, Decisions.toggle(s, VibratoLayer.VIBRATO, 1, VibratoWish.USUAL));
    assertThat(s.fingering().notes().get(1).orElseThrow().finger()).isEqualTo(Finger.THIRD);
    assertThat(cues(s, 1)).contains(BodyCue.SUPPORT);
  }

  @Test
  void theWayToAnOuterStringAndAFlatFinger() {
    Session s = session(InstrumentType.VIOLIN, 120, "B4", "G5", "G3");
    assertThat(cues(s, 1)).containsExactly(BodyCue.TO_TOP);
    assertThat(cues(s, 2)).containsExactly(BodyCue.TO_LOWEST);
    Session fifth = session(InstrumentType.VIOLIN, 120, "E4+B4");
    assertThat(cues(fifth, 0)).contains(BodyCue.FLAT);
  }

  /** A sixth that is usually played 1-2: with the second finger supported, the first stays free. */
  @Test
  void aSupportingFingerIsKeptFree() {
    Session s = session(InstrumentType.VIOLIN, 60, "E4+C5");
    assertThat(fingers(s)).containsExactly(Finger.FIRST, Finger.SECOND);
    s = Lines.after(s, Decisions.toggle(s, SupportLayer.SUPPORT, 1, SupportWish.BEHIND));
    List<Finger> now = fingers(s);
    assertThat(now.get(1).rank()).isGreaterThanOrEqualTo(2);
    assertThat(now.get(0).rank()).isNotEqualTo(now.get(1).rank() - 1);
    assertThat(s.fingering().problems()).isEmpty();
    assertThat(cues(s, 1)).contains(BodyCue.SUPPORT);
  }

  private static List<Finger> fingers(Session s) {
    return s.fingering().notes().stream()
        .map(n -> n.map(NoteFinger::finger).orElseThrow())
        .toList();
  }

  /** Every cue has words on every instrument. */
  @ParameterizedTest
  @EnumSource(BodyCue.class)
  void everyCueHasAnId(BodyCue cue) {
    for (InstrumentType type : InstrumentType.values()) {
      assertThat(cue.usual(type).id()).startsWith("cue." + cue.id());
    }
  }
}
