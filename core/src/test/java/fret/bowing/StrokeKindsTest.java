package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Signs, words, loudness and speed make a kind; common practice, no source. */
class StrokeKindsTest {
  private static List<BowMoment> moments(double quarters, String words) {
    return BowMoments.of(Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), quarters));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '`',
      value = {
        "60; D5:4; DETACHE",
        "60; (D5:4 E5:4); LEGATO",
        "60; (D5:4_ E5:4_); PORTATO",
        "60; (D5:4' E5:4'); PORTATO",
        "120; (D5:16' E5:16' F5:16'); FLYING_STACCATO",
        "60; (D5:4 E5:4'); LEGATO",
        "60; G3+D4+B4:4; CHORD",
        "60; D4+B4:4; DETACHE",
        "60; D5:4'; BRUSHED",
        "60; {ff} D5:4'; MARTELE",
        "60; D5:4>'; MARTELE",
        "96; D5:8'; SPICCATO",
        "132; D5:16'; SAUTILLE",
        "132; {fff} D5:16'; CLOSE_SPICCATO",
        "180; {fff} D5:16'; DETACHE",
        // quick dots under a slur: across the strings, thrown, flung off one by one
        "120; (G3:16' D4:16' A4:16' E5:16'); ARPEGGIO",
        "144; (D5:16' D5:16' D5:16' D5:16'); RICOCHET",
        "144; (D5:16' E5:16'); FLYING_STACCATO",
        "96; (D5:16' E5:16' F5:16' G5:16'); FLYING_STACCATO",
        // a quick spiccato stays near the string
        "144; {p} {\"spiccato} D5:16; SAUTILLE",
        "144; {ff} {\"spiccato} D5:16; CLOSE_SPICCATO",
        "60; {\"ricochet} (D5:8' E5:8'); RICOCHET",
        "60; {\"flautando} (D5:4 E5:4); FLAUTANDO",
        "60; {\"spiccato} D5:8; SPICCATO",
        "60; {\"Spiccato} D5:4; SPICCATO",
        "60; {\"détaché} D5:8'; DETACHE",
        "60; {\"martelé} D5:8; MARTELE",
        "160; {\"martelé} D5:16; DETACHE"
      })
  void aKindIsRead(double quarters, String words, StrokeKind kind) {
    assertThat(StrokeKinds.of(moments(quarters, words))).isEqualTo(kind);
  }

  /**
   * A word is silent on notes that cannot have it, counts again after them, goes on past other
   * words, and ends with another stroke, "ord.", or four such notes.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '`',
      value = {
        "120; {\"sautillé} D5:16 E5:16 D5:2 E5:16 F5:16; SAUTILLE SAUTILLE DETACHE SAUTILLE SAUTILLE",
        "120; {\"spiccato} D5:8 {\"dolce} E5:8 F5:1; SPICCATO SPICCATO DETACHE",
        "120; {\"spiccato} D5:8 {\"ord.} E5:8 F5:8; SPICCATO DETACHE DETACHE",
        "120; {\"spiccato} D5:8 {\"martelé} E5:8 F5:8; SPICCATO MARTELE MARTELE",
        "240; {\"ricochet} D5:1; DETACHE",
        "120; {\"sautillé} D5:16 E5:4 F5:4 G5:4 A5:4 B5:16; SAUTILLE DETACHE DETACHE DETACHE DETACHE DETACHE"
      })
  void howFarAWordReaches(double quarters, String words, String kinds) {
    List<String> found =
        moments(quarters, words).stream().map(m -> StrokeKinds.of(List.of(m)).name()).toList();
    assertThat(found).containsExactly(kinds.strip().split(" "));
  }

  private static List<BowWarning> said(double quarters, String words, BowWarning.Kind kind) {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), quarters);
    return BowWarning.of(new BowSolver(task).best(), task).stream()
        .filter(w -> w.kind() == kind)
        .toList();
  }

  /** A word that notes are too quick for is said once where that begins; nothing of slow notes. */
  @Test
  void aWordThatIsNotObeyedIsSaid() {
    String run = "D5:16 E5:16 F5:16 G5:16 F5:16 E5:16 F5:16 E5:16";
    assertThat(said(120, "{\"martelé} D5:4 " + run + " D5:4", BowWarning.Kind.WORD))
        .singleElement()
        .satisfies(
            w -> {
              assertThat(w.moment()).isEqualTo(1);
              assertThat(w.message().id()).isEqualTo("bow.word");
            });
    assertThat(said(60, "{\"martelé} " + run + " D5:1", BowWarning.Kind.WORD)).isEmpty();
    assertThat(said(144, "{ff} {\"spiccato} " + run, BowWarning.Kind.WORD)).isEmpty();
  }

  @Test
  void printedDownBowsThatAreHookedForTimeAreSaid() {
    assertThat(said(200, "D5:16n E5:16n F5:4", BowWarning.Kind.HOOKED))
        .singleElement()
        .satisfies(w -> assertThat(w.needsMs()).isGreaterThan(w.hasMs()));
    assertThat(said(60, "D5:4n E5:4n F5:4", BowWarning.Kind.HOOKED)).isEmpty();
    assertThat(said(200, "D5:16v E5:16v F5:4", BowWarning.Kind.HOOKED)).isEmpty();
  }

  /** A rest counts up to as long as the note: short notes with long rests are not quick. */
  @Test
  void notesASecond() {
    assertThat(StrokeKinds.rate(moments(60, "D5:4 E5:4"))).isCloseTo(1, within(1e-9));
    assertThat(StrokeKinds.rate(moments(60, "D5:16 E5:16"))).isCloseTo(4, within(1e-9));
    List<BowMoment> rested = moments(60, "D5:16 -:16 -:8 E5:4");
    assertThat(StrokeKinds.rate(rested.subList(0, 1))).isCloseTo(2, within(1e-9));
  }

  @ParameterizedTest
  @EnumSource(StrokeKind.class)
  void everyKindHasAPlaceAndAWindow(StrokeKind kind) {
    assertThat(kind.from()).isBetween(0.0, kind.to());
    assertThat(kind.to()).isLessThanOrEqualTo(1);
    assertThat(kind.leastRate()).isLessThan(kind.mostRate());
    assertThat(kind.sounds()).isGreaterThan(0).isLessThanOrEqualTo(1);
    double middle = (kind.leastRate() + kind.mostRate()) / 2;
    assertThat(kind.fits(middle)).isTrue();
    assertThat(kind.fits(kind.mostRate() + 0.1)).isFalse();
    long same = Arrays.stream(StrokeKind.values()).filter(k -> k.id().equals(kind.id())).count();
    assertThat(same).isEqualTo(1);
  }

  /** Words ask for a place: frog 0.02, middle 0.5, tip 0.96, in four languages. */
  @ParameterizedTest
  @CsvSource({
    "at the frog, 0.02",
    "au talon, 0.02",
    "al tallone, 0.02",
    "am frosch, 0.02",
    "at the tip, 0.96",
    "point of bow, 0.96",
    "a punta d'arco, 0.96",
    "an der spitze, 0.96",
    "middle of the bow, 0.5",
    "in der mitte, 0.5",
    "dolce, -1",
    "tipico, -1",
    "'', -1"
  })
  void aPlaceIsRead(String words, double share) {
    assertThat(PlaceWords.place(words).orElse(-1.0)).isEqualTo(share);
  }
}
