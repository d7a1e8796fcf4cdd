package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.UnusableInput;
import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.Repeats;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.tempo.TempoMap;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands around the notes: metres, keys, clefs, octave lines, repeats, words, rests. */
class AroundNotesTest {
  private Score score;

  private static byte[] page() {
    try (InputStream in = AroundNotesTest.class.getResourceAsStream("/around.musicxml")) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Score read(byte[] bytes) throws UnusableInput {
    return MusicXmlReader.read("around", MusicXmlFile.open("around", bytes), "").value();
  }

  @BeforeEach
  void readPage() throws UnusableInput {
    score = read(page());
  }

  private Bar bar(String number) {
    return score.bars().stream().filter(b -> b.number().equals(number)).findFirst().orElseThrow();
  }

  private List<String> pitches(String number) {
    return bar(number).events().stream()
        .flatMap(e -> e.heads().stream())
        .map(h -> h.pitch().toString())
        .toList();
  }

  private List<Direction.Kind> kinds(String number) {
    return bar(number).directions().stream().map(Direction::kind).toList();
  }

  @Test
  void thePickUpLiesBeforeTheFirstBar() {
    Bar pickUp = score.bars().get(0);
    assertThat(pickUp.start()).isEqualTo(Fraction.of(-1, 4));
    assertThat(pickUp.length()).isEqualTo(Fraction.of(1, 4));
    assertThat(bar("1").start()).isEqualTo(Fraction.ZERO);
    assertThat(pickUp.time().sign()).isEqualTo(TimeSignature.Sign.CUT);
    assertThat(pickUp.time().unit()).isEqualTo(Fraction.of(1, 2));
  }

  @Test
  void tempoWordsAndLettersAreRead() {
    Direction tempo =
        score.bars().get(0).directions().stream()
            .filter(d -> d.kind() == Direction.Kind.TEMPO)
            .findFirst()
            .orElseThrow();
    assertThat(tempo.number()).as("a dotted quarter at 60 in quarters").isEqualTo(90);
    assertThat(kinds("1")).containsExactly(Direction.Kind.REHEARSAL, Direction.Kind.DYNAMIC);
    assertThat(bar("1").directions()).extracting(Direction::text).containsExactly("A", "sfz");
  }

  @Test
  void ornamentsAndHarmonicsOfTheFirstBar() {
    assertThat(bar("1").events())
        .extracting(e -> e.signs().ornament())
        .containsExactly(
            Signs.Ornament.TURN,
            Signs.Ornament.INVERTED_TURN,
            Signs.Ornament.MORDENT,
            Signs.Ornament.NONE);
    assertThat(bar("1").events().get(3).heads().get(0).harmonic())
        .isEqualTo(Head.Harmonic.NATURAL_SOUNDING);
  }

  @Test
  void quarterTripletsFillHalfABar() {
    List<Event> events = bar("2").events();
    assertThat(events.get(0).signs().tuplet().actual()).isEqualTo(3);
    assertThat(events.get(0).duration()).isEqualTo(Fraction.of(1, 6));
    assertThat(events.get(3).onset().subtract(bar("2").start())).isEqualTo(Fraction.of(1, 2));
  }

  /** design: under an 8va line the file's pitch already sounds. */
  @Test
  void octaveLinesMoveThePrintNotTheSound() {
    assertThat(pitches("3")).containsExactly("D6", "E6", "D5");
    Direction line =
        bar("3").directions().stream()
            .filter(d -> d.kind() == Direction.Kind.OCTAVE_LINE)
            .findFirst()
            .orElseThrow();
    assertThat(line.text()).isEqualTo("8va");
    assertThat(line.number()).isEqualTo(1);
    Direction low =
        bar("9").directions().stream()
            .filter(d -> d.kind() == Direction.Kind.OCTAVE_LINE)
            .findFirst()
            .orElseThrow();
    assertThat(low.text()).isEqualTo("15mb");
    assertThat(low.number()).isEqualTo(-2);
    assertThat(pitches("9")).startsWith("C2", "D3");
  }

  @Test
  void repeatsAndEndingsGiveThePlayingOrder() {
    assertThat(bar("2").endings()).containsExactly(1);
    assertThat(bar("3").endings()).containsExactly(2);
    assertThat(Repeats.playingOrder(score)).startsWith(0, 1, 2, 1, 3, 4);
  }

  @Test
  void theMetreOfFiveHasTwoGroups() {
    assertThat(bar("7").time().groupStarts()).containsExactly(Fraction.ZERO, Fraction.of(3, 4));
    assertThat(bar("7").time().barLength()).isEqualTo(Fraction.of(5, 4));
    assertThat(bar("7").key().fifths()).isZero();
    assertThat(pitches("7")).containsExactly("C5", "Bb4", "A4", "F##4", "G4");
  }

  @Test
  void pluckedNotesNeedNoBow() {
    assertThat(kinds("7")).contains(Direction.Kind.PLUCKED, Direction.Kind.BOWED);
    ResolvedPassage p = Resolver.resolve(score);
    List<Boolean> bowed =
        p.slices().stream()
            .filter(s -> p.notes().get(s.starting().get(0)).bar().equals("7"))
            .map(s -> s.bowed())
            .toList();
    assertThat(bowed).containsExactly(false, false, false, true, true);
  }

  @Test
  void clefsChangeWithinTheBarAndWithTheirOctave() {
    Bar bar = bar("8");
    assertThat(bar.clef()).isEqualTo(new Clef(Clef.Sign.G, 2, -1));
    assertThat(bar.clefAt(bar.start().add(Fraction.of(1, 2)))).isEqualTo(Clef.BASS);
    assertThat(bar("9").clef()).isEqualTo(Clef.BASS);
    assertThat(bar.line()).isEqualTo(Bar.Line.DOUBLE);
  }

  @Test
  void cueNotesAreSeenButNotPlayed() {
    assertThat(bar("9").events()).anyMatch(Event::cue);
    assertThat(Resolver.resolve(score).notes())
        .noneMatch(n -> n.bar().equals("9") && n.pitch().toString().equals("G3"));
  }

  @Test
  void aRestOfThreeBarsIsFollowedAtTheRightTime() {
    ResolvedPassage p = Resolver.resolve(score);
    int before =
        p.slices().stream()
            .filter(s -> p.notes().get(s.starting().get(0)).bar().equals("3"))
            .mapToInt(s -> s.index())
            .max()
            .orElseThrow();
    assertThat(p.slices().get(before).restAfter()).isEqualTo(Fraction.of(3));
    double quarter = 60_000.0 / 90;
    TempoMap tempo = TempoMap.steady(new fret.tempo.Tempo(fret.tempo.Beat.QUARTER, 90));
    assertThat(tempo.msAt(p.slices().get(before + 1).onset()))
        .isEqualTo(6 * 4 * quarter, org.assertj.core.api.Assertions.within(1e-6));
  }

  @Test
  void everythingIsWrittenAndReadBackEqual() throws Exception {
    byte[] written = MusicXmlWriter.write(score);
    MusicXmlTest.validate(written);
    assertThat(read(written)).isEqualTo(score);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose> | C5",
        "<transpose><diatonic>0</diatonic><chromatic>0</chromatic><octave-change>-1</octave-change></transpose> | D4",
        "<transpose><chromatic>-12</chromatic></transpose> | D4",
      })
  void transposedPartsSoundWhereTheyShould(String transpose, String first) throws Exception {
    String text =
        new String(page(), StandardCharsets.UTF_8)
            .replace(
                "<clef><sign>G</sign><line>2</line></clef></attributes>\n      <direction><direction-type><metronome>",
                "<clef><sign>G</sign><line>2</line></clef>"
                    + transpose.strip()
                    + "</attributes>\n      <direction><direction-type><metronome>");
    Score transposed = read(text.getBytes(StandardCharsets.UTF_8));
    ResolvedPassage p = Resolver.resolve(transposed);
    assertThat(
            p.notes().stream()
                .filter(n -> n.bar().equals("1"))
                .findFirst()
                .orElseThrow()
                .pitch()
                .toString())
        .isEqualTo(first);
    byte[] written = MusicXmlWriter.write(transposed);
    MusicXmlTest.validate(written);
    assertThat(Resolver.resolve(read(written)).notes().get(5).pitch())
        .isEqualTo(p.notes().get(5).pitch());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<pitch><step>A</step><octave>4</octave></pitch> | <unpitched/> | id=value.unpitched",
        "<divisions>12</divisions> | <divisions>0</divisions> | id=value.divisions, args=[0]",
        "<alter>2</alter> | <alter>0.5</alter> | id=value.quarter-tone",
        "<actual-notes>3</actual-notes> | <actual-notes>300</actual-notes> | id=value.ratio, args=[300:2]",
        "<duration>36</duration> | <duration/> | id=value.no-duration",
        "<octave>4</octave> | <octave>four</octave> | id=value.number, args=[four]",
        "<step>A</step> | <step>H</step> | id=value.step, args=[H]",
      })
  void whatCannotBeReadIsNamedWithItsBar(String from, String to, String said) {
    String text = new String(page(), StandardCharsets.UTF_8);
    String other =
        from.strip().startsWith("<duration>36")
            ? text.replace("<duration>24</duration>", "<duration/>")
            : text.replace(from.strip(), to.strip());
    assertThat(other).isNotEqualTo(text);
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () -> read(other.getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("where.file-bar")
        .hasMessageContaining(said.strip());
  }
}
