package fret.app.launch;

import fret.base.UnusableInput;
import fret.format.sound.RecordingFiles;
import fret.passage.Passage;
import fret.passage.ScoreReader;
import fret.session.Ear;
import fret.session.Session;
import fret.shelf.Library;
import fret.shelf.Take;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.Planting;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Style;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Takes of the demo's invented player, played by the simulated one: each a little better than the
 * one before, with one note that is low every time.
 */
final class DemoTakes {
  private static final int TAKES = 6;
  private static final int DAYS_APART = 3;

  private DemoTakes() {}

  /** Gives the second passage its takes: a slow one, in which a hand can be heard to land. */
  static void fill(Library library, ScoreReader reader, LocalDate today) {
    try {
      Passage passage = library.passages().get(1);
      byte[] source = library.source(passage.id(), passage.source().id());
      Session s =
          Session.of(
              passage, reader.read(passage.sourceName(), source, passage.partName()).value());
      Expected e = Ear.expected(s, Ear.harmony(s, List.of()));
      Random random = new Random(11);
      for (int i = 0; i < TAKES; i++) {
        Style style = Style.USUAL.withSeed(40 + i).withTempo(0.9 + 0.02 * i);
        var played = SimulatedPlayer.play(e, faults(e, i, random), style);
        LocalDate day = today.minusDays((long) DAYS_APART * (TAKES - i));
        library
            .takes()
            .add(
                new Take(
                    0,
                    passage.id(),
                    day.atTime(17, 5 + 7 * i),
                    "Run " + (i + 1),
                    i == 0 ? "first run, without the click" : "",
                    played.samples().length / (double) SimulatedPlayer.RATE,
                    s.passage().settings().target().perMinute(),
                    Take.Whose.OWN),
                new RecordingFiles().wav(played.samples(), SimulatedPlayer.RATE));
      }
    } catch (UnusableInput ex) {
      throw new IllegalStateException(ex);
    }
  }

  private static List<Fault> faults(Expected e, int take, Random random) {
    List<Fault> all = new ArrayList<>();
    int bars = e.bars().size();
    Planting.inBar(e, Fault.Kind.FLAT, 2, 14 + random.nextInt(6)).ifPresent(all::add);
    if (take != 3) {
      Planting.inBar(e, Fault.Kind.RUSH, 3, 11 - take).ifPresent(all::add);
    }
    Planting.inBar(e, Fault.Kind.LATE, 4, 90 - 6 * take).ifPresent(all::add);
    if (take % 2 == 1) {
      Planting.inBar(e, Fault.Kind.SHARP, 5, 19).ifPresent(all::add);
      Planting.inBar(e, Fault.Kind.GAP, 7, 150).ifPresent(all::add);
    }
    if (take == 0) {
      Planting.inBar(e, Fault.Kind.RESTART, bars - 3, 1).ifPresent(all::add);
    }
    return all;
  }
}
