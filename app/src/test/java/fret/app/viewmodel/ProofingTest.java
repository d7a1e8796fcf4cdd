package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.words.Sentences;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.passage.Details;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.proof.Finding;
import fret.proof.ProofReader;
import fret.score.LineBuilder;
import fret.score.TimeSignature;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What was accepted as right stays so, in libraries of before too. */
class ProofingTest {
  /** F2 and E2 lie below the violin. */
  private static List<Finding> found() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : List.of("G4", "F2", "E2", "G4")) {
      line.add(Fraction.of(1, 4), Pitch.parse(p));
    }
    return ProofReader.read(
            line.build("line", Interval.UNISON), Instrument.standard(InstrumentType.VIOLIN))
        .stream()
        .filter(f -> f.kind() == Finding.Kind.OUT_OF_RANGE)
        .toList();
  }

  @Test
  void eachPlaceIsAcceptedByItself() {
    List<Finding> all = found();
    assertThat(all).hasSize(2);
    Details details = Details.NONE.accepting(all.get(0).id());
    assertThat(Proofing.isAccepted(details, all.get(0))).isTrue();
    assertThat(Proofing.isAccepted(details, all.get(1))).isFalse();
    assertThat(Proofing.isAccepted(Details.NONE, all.get(0))).isFalse();
  }

  /** Until now the sentence that was shown was part of what was stored. */
  @Test
  void whatWasAcceptedBeforeTheSentencesHadIdsStaysAccepted() {
    Finding f = found().get(0);
    assertThat(Sentences.of(f.message())).isEqualTo("F2 lies below the violin.");
    String before =
        f.kind() + "|" + f.bar() + "|" + f.onset() + "|" + "F2 lies below the violin.".hashCode();
    assertThat(Proofing.isAccepted(Details.NONE.accepting(before), f)).isTrue();
    assertThat(Proofing.isAccepted(Details.NONE.accepting(before), found().get(1))).isFalse();
  }

  @Test
  void whatIsFoundIsToldWithWhatMendingDoes() {
    Finding f = found().get(0);
    assertThat(f.canBeMended()).isTrue();
    assertThat(Sentences.of(f.fix())).isEqualTo("Move it an octave up");
  }
}
