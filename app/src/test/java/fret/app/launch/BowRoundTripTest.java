package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.BowRules;
import fret.bowing.Stroke;
import fret.bowing.Swell;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.part.PartFiles;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.score.Score;
import fret.score.Signs;
import fret.search.Token;
import fret.session.BowDecisions;
import fret.session.BowSelection;
import fret.session.BowVersions;
import fret.session.Change;
import fret.session.LineDecisions;
import fret.session.MarkedFileWriter.Proposed;
import fret.session.NewPassage;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is decided of the bow is in the file that is saved, and nothing else is. */
class BowRoundTripTest {
  private static byte[] demo(String name) throws Exception {
    try (var in = BowRoundTripTest.class.getResourceAsStream("/fret/app/demo/" + name)) {
      return in.readAllBytes();
    }
  }

  private static Session session(byte[] file, InstrumentType type) throws Exception {
    Score score =
        MusicXmlReader.read("part.musicxml", MusicXmlFile.open("part.musicxml", file), "").value();
    Passage.Settings settings =
        new Passage.Settings(
            "", new Tempo(Beat.QUARTER, 60), Setup.usual(type), Reading.PLAIN, false);
    return Session.of(Passage.of("part.musicxml", "", settings).withId(1), score);
  }

  private static Session after(Session s, Change change) {
    return s.after(s.step(change)).computed(fret.search.Token.NEVER);
  }

  private static List<Boolean> slurred(Session s) {
    return s.resolved().slices().stream().map(slice -> slice.slurredInto()).toList();
  }

  private static long slurs(byte[] file) {
    String text = new String(file, StandardCharsets.UTF_8).replaceAll("<\\?fret .*?\\?>", "");
    return text.split("<slur ", -1).length - 1;
  }

  @Test
  void aBrokenSlurIsSavedAsTwo() throws Exception {
    byte[] file = demo("slow-tide.musicxml");
    Session s = session(file, InstrumentType.CELLO);
    Stroke longest =
        s.bowing().strokes().stream()
            .max(java.util.Comparator.comparingInt(x -> x.notes().size()))
            .orElseThrow();
    int middle = (longest.fromMoment() + longest.toMoment()) / 2;
    Session broken = after(s, BowDecisions.joint(s, middle, BowRules.Joint.BREAK));
    byte[] saved = FretApplication.FORMATS.write(broken, file, Proposed.LEFT_OUT);
    Session opened = session(saved, InstrumentType.CELLO);
    List<Boolean> expected = new java.util.ArrayList<>(slurred(s));
    expected.set(middle, false);
    assertThat(slurred(opened)).isEqualTo(expected);
    assertThat(slurs(saved)).isEqualTo(slurs(file) + 2);
  }

  @Test
  void aSlurOfOnesOwnIsSaved() throws Exception {
    byte[] file = demo("giants-stairs.musicxml");
    Session s = session(file, InstrumentType.BASS);
    Session mine = after(s, BowDecisions.slur(s, 1, 2).orElseThrow());
    Session opened =
        session(FretApplication.FORMATS.write(mine, file, Proposed.LEFT_OUT), InstrumentType.BASS);
    assertThat(slurred(opened).get(2)).isTrue();
    assertThat(opened.bowing().strokeAt(1).orElseThrow().toMoment()).isEqualTo(2);
  }

  @Test
  void anAdoptedBowingSavesTheMarksThatAReaderNeeds() throws Exception {
    byte[] file = demo("lantern-dance.musicxml");
    Session s = session(file, InstrumentType.VIOLIN);
    Session adopted = after(s, BowVersions.adopt(s, s.bowing()));
    Session opened =
        session(
            FretApplication.FORMATS.write(adopted, file, Proposed.LEFT_OUT), InstrumentType.VIOLIN);
    assertThat(opened.bowing().differsFrom(s.bowing())).isEmpty();
    long marks =
        opened.score().events().stream().filter(e -> e.signs().bow() != Signs.Bow.NONE).count();
    assertThat(marks).isBetween(1L, (long) s.bowing().strokes().size() / 2);
  }

  /** An own hairpin is in the file, across a bar line too, and makes the same loudness there. */
  @Test
  void anOwnHairpinIsSaved() throws Exception {
    byte[] file = demo("giants-stairs.musicxml");
    Session s = session(file, InstrumentType.BASS);
    for (int to : new int[] {2, 9}) {
      Session mine = after(s, new BowSelection(s, 1, to).swell(Swell.GROWS).orElseThrow());
      Session opened =
          session(
              FretApplication.FORMATS.write(mine, file, Proposed.LEFT_OUT), InstrumentType.BASS);
      for (int m = 0; m < s.bowing().moments().size(); m++) {
        assertThat(opened.bowing().moments().get(m).fromLevel())
            .as("to %d at %d", to, m)
            .isCloseTo(mine.bowing().moments().get(m).fromLevel(), within(1e-9));
      }
    }
  }

  /** Loudness, place, length and kind of stroke come back as signs and words on the page. */
  @Test
  void whatHasASignIsSavedAsOne() throws Exception {
    byte[] file = demo("giants-stairs.musicxml");
    Session s = session(file, InstrumentType.BASS);
    Session mine = after(s, LineDecisions.level(s, 2, 2));
    mine = after(mine, BowDecisions.place(mine, 4, 1).orElseThrow());
    for (int i = 0; i < 4; i++) {
      mine = after(mine, BowDecisions.longer(mine, 3, -1).orElseThrow());
    }
    Session opened =
        session(FretApplication.FORMATS.write(mine, file, Proposed.LEFT_OUT), InstrumentType.BASS);
    assertThat(opened.bowing().moments().get(2).fromLevel()).isEqualTo(2);
    assertThat(opened.bowing().moments().get(3).isDotted()).isTrue();
    int first = mine.bowing().strokeAt(4).orElseThrow().fromMoment();
    assertThat(opened.bowing().moments().get(first).place()).contains(0.96);
    assertThat(opened.resolved().notes()).hasSameSizeAs(s.resolved().notes());
  }

  @Test
  void nothingDecidedChangesNoSlurAndNoBowMark() throws Exception {
    byte[] file = demo("lantern-dance.musicxml");
    Session s = session(file, InstrumentType.VIOLIN);
    byte[] saved = FretApplication.FORMATS.write(s, file, Proposed.LEFT_OUT);
    assertThat(slurs(saved)).isEqualTo(slurs(file));
    assertThat(new String(saved, StandardCharsets.UTF_8).split("-bow/>", -1).length)
        .isEqualTo(new String(file, StandardCharsets.UTF_8).split("-bow/>", -1).length);
  }

  /** A tune with a pick-up and an ending that are each other's beginning once crashed the bow. */
  @Test
  void hooksOnAnyNoteOfARepeatWithAPickUp() throws Exception {
    String tune = "X:1\nT:A round\nM:4/4\nL:1/4\nQ:1/4=90\nK:G\n|:G,A,B,C|DCB,A,|G,2A,:|\n";
    Score page =
        new PartFiles().read("round.abc", tune.getBytes(StandardCharsets.UTF_8), "").value();
    Passage passage = NewPassage.of("round.abc", "", page, Reading.PLAIN).withId(1);
    Session start = Session.of(passage, page);
    for (int m = 1; m < start.resolved().slices().size(); m++) {
      Session s = start;
      for (BowRules.Joint joint : BowRules.Joint.values()) {
        s = s.after(s.step(BowDecisions.joint(s, m, joint))).computed(Token.NEVER);
        assertThat(s.bowing().strokes()).isNotEmpty();
      }
      assertThat(Session.of(s.passage(), page).bowing().strokes()).isEqualTo(s.bowing().strokes());
    }
  }
}
