package fret.app.batch;

import fret.instrument.InstrumentType;
import fret.take.Expected;
import fret.take.SimulatedPlayer.Style;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class TakeQualityTest {
  record Piece(String file, InstrumentType type, int target) {}

  static final List<Piece> PIECES =
      List.of(
          new Piece("lantern-dance", InstrumentType.VIOLIN, 108),
          new Piece("slow-tide", InstrumentType.CELLO, 54),
          new Piece("workshop-march", InstrumentType.VIOLA, 96),
          new Piece("giants-stairs", InstrumentType.BASS, 88),
          new Piece("night-market", InstrumentType.VIOLIN, 72));

  @Test
  void look() throws Exception {
    int each = Integer.getInteger("fret.takes", 1);
    TakeTrials trials = new TakeTrials();
    List<Expected> all = new ArrayList<>();
    for (Piece p : PIECES) {
      try (InputStream in =
          getClass().getResourceAsStream("/fret/app/demo/" + p.file() + ".musicxml")) {
        all.add(TakeTrials.expected(p.file(), in.readAllBytes(), "", p.type(), p.target()));
      }
    }
    long t = System.nanoTime();
    for (int k = 0; k < each; k++) {
      for (int i = 0; i < all.size(); i++) {
        Style style = Style.USUAL.withSeed(100 * k + i);
        trials.clean(PIECES.get(i).file(), all.get(i), style);
        trials.faulty(PIECES.get(i).file(), all.get(i), style.withSeed(100 * k + i + 50000));
      }
    }
    trials.log.forEach(x -> System.out.println("TAKE " + x));
    System.out.println(
        "TAKE " + trials.summary().replace("\n", "\nTAKE ") + (System.nanoTime() - t) / 1e9 + " s");
  }
}
