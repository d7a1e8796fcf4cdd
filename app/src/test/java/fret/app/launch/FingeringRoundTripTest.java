package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.NoteFinger;
import fret.fingering.NoteRule;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.instrument.InstrumentType;
import fret.mark.Marks;
import fret.mark.Wish;
import fret.mark.WishLayer;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.player.Preset;
import fret.score.Score;
import fret.session.Decisions;
import fret.session.MarkedFileWriter.Proposed;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A fingering that leaves in a file is read in it by any other reader: strings, fingers, harmonics,
 * replacements.
 */
class FingeringRoundTripTest {
  private static byte[] demo(String name) throws Exception {
    try (var in =
        FingeringRoundTripTest.class.getResourceAsStream("/fret/app/demo/" + name + ".musicxml")) {
      return in.readAllBytes();
    }
  }

  private static Session session(byte[] file, InstrumentType type, String preset, Marks marks)
      throws Exception {
    Score score =
        MusicXmlReader.read("part.musicxml", MusicXmlFile.open("part.musicxml", file), "").value();
    Passage.Settings settings =
        new Passage.Settings(
            "",
            new Tempo(Beat.QUARTER, 60),
            Setup.usual(type).withPreset(preset),
            Reading.PLAIN,
            false);
    Passage p = Passage.of("part.musicxml", "", settings).withId(1);
    return Session.of(p.withMarks(p.marks().with(WishLayer.WISH, marks.of(WishLayer.WISH))), score);
  }

  private static Marks asPrinted(Session session) {
    var notes = session.resolved().notes();
    Wish all =
        new Wish(Wish.Kind.AS_PRINTED, notes.get(0).key(), notes.get(notes.size() - 1).key(), 0);
    return Marks.NONE.with(WishLayer.WISH, all.place(), Optional.of(List.of(all.ask())));
  }

  private static List<String> places(Fingering f) {
    return f.notes().stream()
        .map(n -> n.map(p -> p.string() + " " + p.digits()).orElse("none"))
        .toList();
  }

  @ParameterizedTest
  @CsvSource({
    "lantern-dance, VIOLIN, sure",
    "lantern-dance, VIOLIN, singing",
    "slow-tide, CELLO, gentle",
    "slow-tide, CELLO, powerful",
    "workshop-march, VIOLA, quick",
    "giants-stairs, BASS, sure",
    "night-market, VIOLIN, hidden",
  })
  void whatIsSavedIsPrintedWhenItIsOpenedAgain(String name, InstrumentType type, String preset)
      throws Exception {
    byte[] file = demo(name);
    Session mine = session(file, type, preset, Marks.NONE);
    for (byte[] saved :
        List.of(
            FretApplication.FORMATS.write(mine, file, Proposed.MARKED),
            FretApplication.FORMATS.writePage(mine, Proposed.MARKED))) {
      Session opened = session(saved, type, "sure", Marks.NONE);
      Session printed = session(saved, type, "sure", asPrinted(opened));
      assertThat(printed.fingering().problems()).isEmpty();
      assertThat(places(printed.fingering())).isEqualTo(places(mine.fingering()));
    }
  }

  @Test
  void aReplacedFingerIsSavedToo() throws Exception {
    byte[] file = demo("slow-tide");
    Session free = session(file, InstrumentType.CELLO, "sure", Marks.NONE);
    NoteFinger replaced =
        new FingeringSolver(free.task())
            .choicesAt(9).stream()
                .map(f -> f.notes().get(9).orElseThrow())
                .filter(p -> p.replaced().isPresent())
                .findFirst()
                .orElseThrow();
    Session mine = Session.of(Decisions.pin(free, replaced).applyTo(free.passage()), free.score());
    assertThat(mine.fingering().notes().get(9).orElseThrow().fingers()).contains("-");
    byte[] saved = FretApplication.FORMATS.write(mine, file, Proposed.MARKED);
    Session opened = session(saved, InstrumentType.CELLO, "sure", Marks.NONE);
    Session printed = session(saved, InstrumentType.CELLO, "sure", asPrinted(opened));
    assertThat(places(printed.fingering())).isEqualTo(places(mine.fingering()));
    assertThat(printed.fingering().shifts())
        .hasSameSizeAs(mine.fingering().shifts())
        .anyMatch(s -> s.isOnHeldNote());
  }

  @Test
  void aHarmonicThatThePageDidNotAskForIsSaved() throws Exception {
    byte[] file = demo("slow-tide");
    Session free = session(file, InstrumentType.CELLO, "gentle", Marks.NONE);
    List<NoteRule> touched = new ArrayList<>();
    Optional<NoteFinger> node = Optional.empty();
    FingeringSolver solver =
        new FingeringSolver(free.task().withPreset(Preset.GENTLE).withRules(touched));
    for (int i = 0; i < free.resolved().notes().size() && node.isEmpty(); i++) {
      int note = i;
      node =
          solver.choicesAt(i).stream()
              .map(f -> f.notes().get(note).orElseThrow())
              .filter(NoteFinger::harmonic)
              .findFirst();
    }
    NoteFinger place = node.orElseThrow();
    Session mine = Session.of(Decisions.pin(free, place).applyTo(free.passage()), free.score());
    byte[] saved = FretApplication.FORMATS.write(mine, file, Proposed.MARKED);
    Session opened = session(saved, InstrumentType.CELLO, "gentle", Marks.NONE);
    assertThat(opened.resolved().notes().get(place.note()).harmonic())
        .isEqualTo(fret.score.Head.Harmonic.NATURAL_SOUNDING);
    assertThat(opened.resolved().notes().get(place.note()).pitch())
        .isEqualTo(mine.resolved().notes().get(place.note()).pitch());
  }
}
