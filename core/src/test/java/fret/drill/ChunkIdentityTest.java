package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.session.Decisions;
import fret.session.Learning;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.LadderKind;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class ChunkIdentityTest {
  private static Session session(Score page) {
    Passage.Settings settings =
        new Passage.Settings(
            "x",
            new Tempo(Beat.QUARTER, 100),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return Session.of(Passage.of("x.xml", "", settings).withId(1), page);
  }

  /** Bars of eight different notes. */
  private static Score page(int bars) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String[] notes = "A4 B4 C5 D5 E5 D5 C5 B4 G4 A4 B4 C5 D5 C5 B4 A4".split(" ");
    for (int i = 0; i < 8 * bars; i++) {
      line.add(Fraction.of(1, 8), Pitch.parse(notes[(i + i / 8) % notes.length]));
    }
    return line.build("x", Interval.UNISON);
  }

  private static List<Chunk> chunks(Session s) {
    return Learning.chunks(s);
  }

  /**
   * Eight equal bars are one chunk and one join, learned once; a ninth that differs adds its own.
   */
  @Test
  void whatIsAlikeIsLearnedOnce() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String[] notes = "A4 B4 C5 D5 E5 D5 C5 B4".split(" ");
    for (int i = 0; i < 64; i++) {
      line.add(Fraction.of(1, 8), Pitch.parse(notes[i % 8]));
    }
    Session s = session(line.build("x", Interval.UNISON));
    List<Learned> learned =
        Learned.of(s.resolved(), s.task().tempo(), s.fingering(), Learning.chunks(s));
    assertThat(learned)
        .extracting(l -> l.chunk().kind())
        .containsExactly(Chunk.Kind.BARS, Chunk.Kind.JOIN);
    assertThat(learned).extracting(Learned::times).containsExactly(8, 7);
    for (int i = 0; i < 8; i++) {
      line.add(Fraction.of(1, 8), Pitch.parse(i % 2 == 0 ? "G4" : "D4"));
    }
    Session other = session(line.build("x", Interval.UNISON));
    assertThat(
            Learned.of(
                other.resolved(), other.task().tempo(), other.fingering(), Learning.chunks(other)))
        .extracting(Learned::times)
        .contains(1);
  }

  /** Numbers that begin again, as in several excerpts on one page, once gave 254 chunks 10 ids. */
  @Test
  void noTwoChunksHaveTheSameIdWhereBarNumbersBeginAgain() {
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      bars.addAll(page(3).bars());
    }
    List<Chunk> chunks = chunks(session(page(3).withBars(bars).laidOut()));
    assertThat(chunks).hasSizeGreaterThan(15);
    assertThat(chunks).extracting(Chunk::id).doesNotHaveDuplicates();
  }

  /** Four bars were practised as one; cut smaller, each piece keeps their tries. */
  @Test
  void aPieceKeepsTheTriesOfTheChunkWithinWhoseNotesItLies() {
    Session s = session(page(6));
    List<Chunk> small = chunks(s);
    Chunk first = small.get(0);
    Chunk third = small.get(2);
    Chunk big =
        new Chunk(
            "bars-1-3",
            Chunk.Kind.BARS,
            first.from(),
            third.to(),
            "1",
            "3",
            first.fromOnset(),
            third.toOnset(),
            9,
            Said.of("chunk.own"));
    Session after =
        s.after(s.step(Decisions.practised(s, big).orElseThrow())).computed(Token.NEVER);
    Learning learning = Learning.of(after, LadderKind.EVEN, 0);
    assertThat(ids(learning, first.id())).contains("bars-1-3");
    assertThat(ids(learning, third.id())).contains("bars-1-3");
    assertThat(ids(learning, small.get(4).id())).doesNotContain("bars-1-3");
  }

  private static Set<String> ids(Learning learning, String chunk) {
    return learning.units().stream()
        .filter(u -> u.ids().contains(chunk))
        .findFirst()
        .orElseThrow()
        .ids();
  }

  @Test
  void aChunkThatWasPractisedKeepsItsIdWhenBarsComeBeforeIt() {
    Session s = session(page(4));
    Chunk third = chunks(s).get(2);
    Session practised = s.after(s.step(Decisions.practised(s, third).orElseThrow()));
    assertThat(Decisions.practised(practised, third)).isEmpty();
    List<Bar> longer = new ArrayList<>(page(4).bars());
    longer.add(0, page(4).bars().get(3));
    longer.add(0, page(4).bars().get(2));
    Score page = page(4).withBars(longer).laidOut();
    Session later =
        practised
            .after(practised.step(Decisions.page(practised, Said.words("x"), page).change()))
            .computed(Token.NEVER);
    List<Chunk> now = chunks(later);
    assertThat(now).extracting(Chunk::id).doesNotHaveDuplicates();
    Chunk moved = now.stream().filter(c -> c.id().equals(third.id())).findFirst().orElseThrow();
    assertThat(moved.from().barIndex()).isEqualTo(third.from().barIndex() + 2);
    assertThat(moved.kind()).isEqualTo(Chunk.Kind.BARS);
  }
}
