package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.fingering.NoteFinger;
import fret.instrument.InstrumentType;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.score.Head;
import fret.score.Reduction;
import fret.score.SoundingNote;
import fret.search.Token;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A chord is kept whole or reduced; everything follows, and the page keeps what is left out. */
class ChordsTest {
  private static final String LINE = "D3 G2+D3+B3+G4 A3 B3+D4 C4";

  private final Session whole = Lines.session(InstrumentType.CELLO, LINE);

  private static Session keep(Session s, int note, Reduction kept) {
    return Lines.after(s, Chords.keep(s, note, Optional.of(kept)).orElseThrow());
  }

  private static Stream<String> heard(Session s) {
    return s.resolved().notes().stream().map(SoundingNote::pitch).map(Object::toString);
  }

  @Test
  void onlyWhatIsKeptSoundsAndIsFingered() {
    assertThat(heard(keep(whole, 2, Reduction.TWO_UPPER)))
        .containsExactly("D3", "B3", "G4", "A3", "B3", "D4", "C4");
    assertThat(heard(keep(whole, 4, Reduction.TWO_LOWER)))
        .containsExactly("D3", "G2", "D3", "A3", "B3", "D4", "C4");
    assertThat(heard(keep(whole, 1, Reduction.TOP)))
        .containsExactly("D3", "G4", "A3", "B3", "D4", "C4");
    Session low = keep(whole, 3, Reduction.BOTTOM);
    assertThat(heard(low)).containsExactly("D3", "G2", "A3", "B3", "D4", "C4");
    assertThat(low.fingering().notes().get(1).map(NoteFinger::isOpen)).contains(true);
    assertThat(low.arm().bowing().strokeAt(4)).isPresent();
  }

  @Test
  void thePageKeepsWhatIsLeftOut() {
    Session top = keep(whole, 1, Reduction.TOP);
    List<Head> heads = top.score().bars().get(0).events().get(1).heads();
    assertThat(heads).extracting(Head::leftOut).containsExactly(true, true, true, false);
    assertThat(top.page()).as("the part itself").isEqualTo(whole.page());
  }

  @Test
  void wholeAgainIsAsBeforeWithEveryMarkInItsPlace() {
    Session marked =
        Lines.after(whole, Decisions.toggle(whole, VibratoLayer.VIBRATO, 1, VibratoWish.USUAL));
    Session back = keep(marked, 1, Reduction.TOP);
    assertThat(back.resolved().indexOf(marked.resolved().notes().get(1).key()))
        .as("what hangs on a note left out keeps its place in the chord")
        .contains(1);
    back = Lines.after(back, Chords.keep(back, 1, Optional.empty()).orElseThrow());
    assertThat(back.fingering()).isEqualTo(marked.fingering());
    assertThat(back.at(VibratoLayer.VIBRATO, 1)).isPresent();
  }

  @Test
  void theWaysGoRoundAndSuitTheChord() {
    assertThat(Chords.ways(whole, 0)).as("no chord").isEmpty();
    assertThat(Chords.next(whole, 0)).isEmpty();
    assertThat(Chords.ways(whole, 6))
        .as("a double stop")
        .containsExactly(Reduction.TOP, Reduction.BOTTOM);
    Session s = whole;
    for (Reduction r : Reduction.values()) {
      s = Lines.after(s, Chords.next(s, 1).orElseThrow());
      assertThat(Chords.kept(s, 1)).contains(r);
    }
    assertThat(Chords.kept(Lines.after(s, Chords.next(s, 1).orElseThrow()), 1)).isEmpty();
  }

  /** Each price is what the fingering really costs then. */
  @Test
  void everyWayTellsItsPrice() {
    List<Chords.Version> versions = Chords.versions(whole, 1, Token.NEVER);
    assertThat(versions).hasSize(5).allMatch(Chords.Version::playable);
    assertThat(versions.get(0).extraEffort()).isZero();
    for (Chords.Version v : versions.subList(1, 5)) {
      Session s = keep(whole, 1, v.kept().orElseThrow());
      assertThat(s.fingering().effort() - whole.fingering().effort()).isEqualTo(v.extraEffort());
      assertThat(v.extraEffort()).isNegative();
    }
    Session never = Lines.session(InstrumentType.CELLO, "D3 C2+D2+A2 D3");
    assertThat(Chords.versions(never, 1, Token.NEVER))
        .extracting(Chords.Version::playable)
        .as("what no hand can play is told, and what of it can")
        .containsExactly(false, true, false, true, true);
  }

  @Test
  void whatIsTiedToANoteLeftOutIsLeftOut() {
    Session tied = Lines.session(InstrumentType.VIOLIN, "G3+D4+B4 A4");
    List<Head> heads =
        tied.page().bars().get(0).events().get(0).heads().stream()
            .map(h -> h.withTies(true, false))
            .toList();
    var bar = tied.page().bars().get(0);
    var first = bar.events().get(0).withHeads(heads);
    var second =
        bar.events().get(1).withHeads(heads.stream().map(h -> h.withTies(false, true)).toList());
    var page = tied.page().withBars(List.of(bar.withEvents(List.of(first, second))));
    Session s = Session.of(Lines.passage(), page);
    assertThat(s.resolved().notes()).hasSize(3);
    assertThat(heard(keep(s, 0, Reduction.TWO_UPPER))).containsExactly("D4", "B4");
  }
}
