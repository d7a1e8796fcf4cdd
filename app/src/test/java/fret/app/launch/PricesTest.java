package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.Bowing;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.NoteFinger;
import fret.format.part.PartFiles;
import fret.mark.FingerLayer;
import fret.mark.Place;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.score.Score;
import fret.search.Token;
import fret.session.BowDecisions;
import fret.session.Change;
import fret.session.Decisions;
import fret.session.NewPassage;
import fret.session.Session;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The price said in any list is the effort after the press less the effort before, whatever was
 * pinned; what is tried is what then stands. More places with {@code -Dfret.places=1000}.
 */
class PricesTest {
  private static final int PLACES = Integer.getInteger("fret.places", 6);
  private static final double SAID = 0.05;

  private static Session open(String part) throws Exception {
    try (InputStream in = PricesTest.class.getResourceAsStream(part)) {
      Score score = new PartFiles().read(part, in.readAllBytes(), "").value();
      Passage passage = NewPassage.of(part, "", score, Reading.PLAIN).withId(1);
      return Session.of(passage, score);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Session after(Session s, Change change) {
    return change.isEmpty() ? s : s.after(s.step(change)).computed(Token.NEVER);
  }

  @ParameterizedTest
  @CsvSource({
    "/fret/app/demo/slow-tide.musicxml, 1",
    "/fret/app/demo/giants-stairs.musicxml, 2",
    "/fret/app/demo/night-market.musicxml, 3",
    "/fret/app/demo/lantern-dance.musicxml, 4",
    "/the-weir.musicxml, 5",
    "/violin.musicxml, 6"
  })
  void whatIsSaidIsWhatItCosts(String part, int seed) throws Exception {
    Session s = open(part);
    Random random = new Random(seed);
    for (int place = 0; place < PLACES; place++) {
      int note = random.nextInt(s.resolved().notes().size());
      List<Fingering> ways = s.waysAt(note, 6, Token.NEVER);
      assertThat(ways).as("note %d of %s", note, part).isNotEmpty();
      for (Fingering way : ways) {
        pressed(s, note, way);
      }
      if (place % 3 == 0) {
        turned(s, s.resolved().notes().get(note).slice());
      }
      // The next place is tried with one more pin, or from the beginning again.
      NoteFinger pin = ways.get(random.nextInt(ways.size())).notes().get(note).orElseThrow();
      s = random.nextInt(5) == 0 ? open(part) : after(s, Decisions.pin(s, pin));
    }
  }

  private static void pressed(Session s, int note, Fingering way) {
    NoteFinger place = way.notes().get(note).orElseThrow();
    Session next = after(s, Decisions.pin(s, place));
    String told = "note " + note + " as " + place.digits() + " on " + place.string();
    assertThat(next.fingering().effort() - s.fingering().effort())
        .as(told)
        .isCloseTo(way.effort() - s.fingering().effort(), within(SAID));
    assertThat(next.fingering().notesUnlike(way)).as(told + ": what was tried stands").isZero();
    if (!place.harmonic() && place.replaced().isEmpty()) {
      Session byKey = after(s, Decisions.pin(s, note, Optional.of(place.finger()), place.string()));
      assertThat(byKey.fingering().effort())
          .as(told + " by key")
          .isEqualTo(next.fingering().effort());
    }
  }

  private static void turned(Session s, int moment) {
    Optional<Change> turn = BowDecisions.turn(s, moment);
    if (turn.isPresent()) {
      Bowing said = s.bowedAfter(turn.get(), Token.NEVER).bowing();
      assertThat(after(s, turn.get()).bowing().effort()).isCloseTo(said.effort(), within(SAID));
    }
  }

  @ParameterizedTest
  @CsvSource({"/fret/app/demo/slow-tide.musicxml", "/the-weir.musicxml"})
  void anAdoptedFingeringCostsWhatWasSaid(String part) throws Exception {
    Session s = open(part);
    Session pinned =
        after(s, Decisions.pin(s, s.waysAt(5, 4, Token.NEVER).get(1).notes().get(5).orElseThrow()));
    FingeringSolver free = pinned.freeSolver(Token.NEVER);
    for (Fingering f : free.alternativesTo(pinned.fingering(), 3)) {
      Fingering said = pinned.adopted(f, Token.NEVER);
      Session next = after(pinned, Decisions.adopt(pinned, f));
      assertThat(next.fingering().effort()).isCloseTo(said.effort(), within(SAID));
      assertThat(next.passage().marks().at(FingerLayer.PINNED, keyOf(pinned))).isPresent();
    }
  }

  private static Place keyOf(Session s) {
    return Place.of(s.resolved().notes().get(5).key());
  }

  /** Asked together they cannot be played: said on the note, never shown as kept. */
  @ParameterizedTest
  @CsvSource({"/the-weir.musicxml"})
  void whatCannotBeKeptIsToldOnTheNote(String part) throws Exception {
    Session s = open(part);
    Random random = new Random(11);
    int told = 0;
    for (int i = 0; i < 12; i++) {
      int note = random.nextInt(s.resolved().notes().size() - 1);
      for (int n = note; n <= note + 1; n++) {
        int string = s.fingering().notes().get(n).orElseThrow().string();
        var finger = fret.instrument.Finger.values()[1 + random.nextInt(4)];
        s = after(s, Decisions.pin(s, n, Optional.of(finger), string));
      }
    }
    for (int n = 0; n < s.resolved().notes().size(); n++) {
      int note = n;
      var pin = s.at(FingerLayer.PINNED, n);
      var stands = s.fingering().notes().get(n);
      boolean kept =
          pin.isEmpty()
              || stands.isPresent()
                  && pin.get().finger().map(f -> f == stands.get().finger()).orElse(true)
                  && (pin.get().string() == 0 || pin.get().string() == stands.get().string());
      boolean says = s.unkept().stream().anyMatch(u -> u.note() == note && u.isMine());
      assertThat(says).as("note " + n).isEqualTo(!kept);
      told += says ? 1 : 0;
    }
    assertThat(told).as("some of so many random pins cannot be kept").isPositive();
  }
}
