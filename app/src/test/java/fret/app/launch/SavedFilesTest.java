package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Outcome;
import fret.base.Said;
import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.PhraseMark;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.part.PartFiles;
import fret.mark.FingerLayer;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.passage.Layers;
import fret.passage.MarksForm;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.score.Score;
import fret.search.Token;
import fret.session.BowDecisions;
import fret.session.BowVersions;
import fret.session.Change;
import fret.session.ChunkDecisions;
import fret.session.Decisions;
import fret.session.Learning;
import fret.session.LineDecisions;
import fret.session.MarkedFileWriter.Proposed;
import fret.session.NewPassage;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.util.Marshalling;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What was decided leaves in the file and comes back from it, layer by layer. */
class SavedFilesTest {
  private static final PartFiles FILES = new PartFiles();

  /** One thing that can be decided at a note. */
  private interface Way extends BiFunction<Session, Integer, Optional<Change>> {}

  private static final List<Way> WAYS =
      List.of(
          (s, n) -> other(s, n).map(p -> Decisions.pin(s, p)),
          (s, n) -> Optional.of(Decisions.wish(s, ask(s, n), n, Math.min(n + 4, last(s)))),
          (s, n) -> Optional.of(Decisions.toggle(s, SlideLayer.SLIDE, n, SlideWish.HEARD)),
          (s, n) -> Optional.of(remind(s, n, Reminder.of(Reminder.Kind.GLASSES))),
          (s, n) -> Optional.of(remind(s, n, Reminder.of(Reminder.Kind.COMMA))),
          (s, n) -> Optional.of(remind(s, n, Reminder.word("breathe <& low>"))),
          (s, n) -> Optional.of(Decisions.toggle(s, VibratoLayer.VIBRATO, n, VibratoWish.USUAL)),
          (s, n) -> joint(s, n, BowRules.Joint.HOOK),
          (s, n) -> joint(s, n, BowRules.Joint.RETAKE),
          (s, n) -> BowDecisions.turn(s, slice(s, n)),
          (s, n) -> BowDecisions.turnSecondTime(s, slice(s, n)),
          (s, n) -> Optional.of(BowDecisions.amount(s, slice(s, n), n % 2 == 0)),
          (s, n) -> BowDecisions.nextPlace(s, slice(s, n)),
          (s, n) -> BowDecisions.nextKind(s, slice(s, n)),
          (s, n) -> Optional.of(LineDecisions.louder(s, slice(s, n), 1)),
          (s, n) -> Optional.of(LineDecisions.phrase(s, slice(s, n), PhraseMark.TOP)),
          (s, n) -> Optional.of(Decisions.keep(s, "dry", s.fingering())),
          (s, n) -> Optional.of(BowVersions.keep(s, "section")),
          (s, n) -> Optional.of(BowVersions.adopt(s, s.bowing())),
          (s, n) -> Optional.of(Decisions.adopt(s, s.fingering())),
          (s, n) -> new ChunkDecisions(s).split(Math.max(1, n)),
          (s, n) ->
              Decisions.settings(
                  s, Said.of("target"), x -> x.withTarget(new Tempo(Beat.QUARTER, 60 + n))),
          (s, n) ->
              Learning.chunks(s).stream().findFirst().flatMap(c -> Decisions.practised(s, c)));

  private static int slice(Session s, int note) {
    return s.resolved().notes().get(note).slice();
  }

  private static int last(Session s) {
    return s.resolved().notes().size() - 1;
  }

  private static Optional<NoteFinger> other(Session s, int note) {
    List<Fingering> ways = s.waysAt(note, 4, Token.NEVER);
    return ways.stream().reduce((a, b) -> b).flatMap(f -> f.notes().get(note));
  }

  private static Wish.Ask ask(Session s, int note) {
    int string = s.fingering().notes().get(note).map(NoteFinger::string).orElse(1);
    return new Wish.Ask(Wish.Kind.ON_STRING, string);
  }

  private static Change remind(Session s, int note, Reminder reminder) {
    return Decisions.toggle(s, ReminderLayer.REMINDER, note, reminder);
  }

  private static Optional<Change> joint(Session s, int note, BowRules.Joint joint) {
    return slice(s, note) == 0
        ? Optional.empty()
        : Optional.of(BowDecisions.joint(s, slice(s, note), joint));
  }

  private static byte[] part(String name) throws Exception {
    try (InputStream in = SavedFilesTest.class.getResourceAsStream(name)) {
      return in.readAllBytes();
    }
  }

  private static Session open(String name, byte[] file) throws Exception {
    Score score = FILES.read(name, file, "").value();
    Outcome<Marks> kept = FILES.decided(name, file, "");
    assertThat(kept.problems()).isEmpty();
    Passage fresh = NewPassage.of(name, "", score, Reading.PLAIN).withId(1);
    return Session.of(NewPassage.with(fresh, kept.value()), score);
  }

  private static Session decided(Session opened, Random random, int count) {
    Session s = opened;
    for (int i = 0; i < count; i++) {
      int note = random.nextInt(s.resolved().notes().size());
      Optional<Change> change = WAYS.get(random.nextInt(WAYS.size())).apply(s, note);
      if (change.isPresent() && !change.get().isEmpty()) {
        s = s.after(s.step(change.get())).computed(Token.NEVER);
      }
    }
    return s;
  }

  @ParameterizedTest
  @CsvSource({
    "/fret/app/demo/slow-tide.musicxml, 1",
    "/fret/app/demo/giants-stairs.musicxml, 2",
    "/fret/app/demo/lantern-dance.musicxml, 3",
    "/violin.musicxml, 4",
    "/crowded.musicxml, 5",
    "/the-weir.musicxml, 6"
  })
  void savedAndOpenedInAnEmptyLibraryItIsTheSameSession(String name, int seed) throws Exception {
    byte[] file = part(name);
    Session s = decided(open(name, file), new Random(seed), 40);
    byte[] saved = FILES.write(s, file, Proposed.LEFT_OUT);
    Session again = open(name, saved);
    for (Layer<?, ?> layer : Layers.ALL) {
      assertThat(MarksForm.travelling(again.passage().marks()).of(layer))
          .as(layer.id())
          .isEqualTo(MarksForm.travelling(s.passage().marks()).of(layer));
    }
    assertThat(again.page()).as("the page is as it came").isEqualTo(s.page());
    assertThat(again.fingering()).isEqualTo(s.fingering());
    assertThat(again.bowing()).isEqualTo(s.bowing());
    assertThat(FILES.write(again, saved, Proposed.LEFT_OUT)).as("saved again").isEqualTo(saved);
    otherReaders(name, file, saved, s);
  }

  /** What another program reads: the same notes, and the signs of what was decided. */
  private static void otherReaders(String name, byte[] file, byte[] saved, Session s)
      throws Exception {
    List<String> before = new ArrayList<>();
    List<String> after = new ArrayList<>();
    pitches(file, before);
    pitches(saved, after);
    assertThat(after).isEqualTo(before).isNotEmpty();
    Score elsewhere = MusicXmlReader.read(name, MusicXmlFile.open(name, saved), "").value();
    Session other = Session.of(Passage.of(name, "", s.passage().settings()).withId(1), elsewhere);
    for (int i = 0; i < s.resolved().notes().size(); i++) {
      int note = i;
      Optional<String> digit =
          s.at(FingerLayer.PINNED, i)
              .or(() -> s.at(FingerLayer.ADOPTED, note))
              .flatMap(m -> m.finger().map(f -> f.digit()));
      int at = other.resolved().indexOf(s.resolved().notes().get(i).key()).orElse(-1);
      if (digit.isPresent() && at >= 0) {
        assertThat(other.resolved().notes().get(at).startingFinger().orElseThrow().digit())
            .as("note " + i)
            .isEqualTo(digit.get());
      }
    }
  }

  private static void pitches(byte[] file, List<String> into) throws Exception {
    ScorePartwise read = (ScorePartwise) Marshalling.unmarshal(new ByteArrayInputStream(file));
    read.getPart()
        .forEach(
            p ->
                p.getMeasure()
                    .forEach(
                        m ->
                            m.getNoteOrBackupOrForward()
                                .forEach(
                                    o -> {
                                      if (o instanceof Note n && n.getPitch() != null) {
                                        into.add(
                                            m.getNumber()
                                                + " "
                                                + n.getPitch().getStep()
                                                + n.getPitch().getOctave());
                                      }
                                    })));
  }

  /** Nothing decided: no sign is added; on request what is proposed stands there in grey. */
  @Test
  void whatIsOnlyProposedIsNotMixedIn() throws Exception {
    byte[] file = part("/the-weir.musicxml");
    Session s = open("/the-weir.musicxml", file);
    String plain = new String(FILES.write(s, file, Proposed.LEFT_OUT), "UTF-8");
    assertThat(plain).doesNotContain("<fingering").doesNotContain("<string");
    String marked = new String(FILES.write(s, file, Proposed.MARKED), "UTF-8");
    assertThat(marked).contains("<fingering color=\"#808080\">");
    assertThat(open("/the-weir.musicxml", marked.getBytes("UTF-8")).page()).isEqualTo(s.page());
  }

  /** One dynamic on a note: the player's own in place of the printed one. */
  @Test
  void aDynamicTakesThePlaceOfThePrintedOne() throws Exception {
    byte[] file = part("/the-weir.musicxml");
    Session s = open("/the-weir.musicxml", file);
    Session mine = s.after(s.step(LineDecisions.level(s, 0, 5))).computed(Token.NEVER);
    assertThat(mine.at(BowLayers.LEVEL, 0)).isPresent();
    byte[] saved = FILES.write(mine, file, Proposed.LEFT_OUT);
    Score elsewhere = MusicXmlReader.read("x", MusicXmlFile.open("x", saved), "").value();
    assertThat(
            elsewhere.bars().get(0).directions().stream()
                .filter(d -> d.kind() == fret.score.Direction.Kind.DYNAMIC)
                .filter(d -> d.onset().signum() == 0)
                .map(fret.score.Direction::text))
        .containsExactly("f");
  }
}
