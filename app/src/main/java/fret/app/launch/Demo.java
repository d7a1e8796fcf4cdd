package fret.app.launch;

import fret.base.UnusableInput;
import fret.drill.DrillKind;
import fret.instrument.InstrumentType;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.ScoreReader;
import fret.passage.Setup;
import fret.plan.ReadyDate;
import fret.plan.Unit;
import fret.session.BowVersions;
import fret.session.Learning;
import fret.session.NewPassage;
import fret.session.Session;
import fret.shelf.Audition;
import fret.shelf.Library;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.Level;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * The demo library: an invented player prepares to play four instruments in the pit of an invented
 * puppet theatre. The music is made up for it.
 */
final class Demo {
  private static final int DAYS = 21;

  private record Piece(String file, InstrumentType type) {}

  private static final List<Piece> PIECES =
      List.of(
          new Piece("lantern-dance", InstrumentType.VIOLIN),
          new Piece("slow-tide", InstrumentType.CELLO),
          new Piece("workshop-march", InstrumentType.VIOLA),
          new Piece("giants-stairs", InstrumentType.BASS),
          new Piece("night-market", InstrumentType.VIOLIN),
          new Piece("kite-weather", InstrumentType.VIOLIN),
          new Piece("ferry-at-dusk", InstrumentType.CELLO));

  private Demo() {}

  static void fill(Library library, ScoreReader reader, LocalDate today) {
    LocalDate date = today.plusDays(48);
    Audition audition =
        library.save(
            new Audition(
                0,
                "Moth Lantern Puppet Theatre: player for the pit",
                date,
                ReadyDate.of(today.minusDays(DAYS), date)));
    library.putSetting("minutes", "60");
    Random random = new Random(7);
    for (Piece piece : PIECES) {
      byte[] source = source(piece.file() + ".musicxml");
      try {
        var score = reader.read(piece.file(), source, "").value();
        Passage made =
            NewPassage.of(
                    piece.file() + ".musicxml", "", score, Reading.PLAIN, Setup.usual(piece.type()))
                .withAudition(audition.id());
        Session session = Session.of(made, score);
        Passage bowed = BowVersions.adopt(session, session.bowing()).applyTo(made);
        Passage passage = library.add(bowed, source, Optional.empty());
        practise(library, passage, Learning.of(session, LadderKind.EVEN, 0), today, random);
      } catch (UnusableInput e) {
        throw new IllegalStateException(e);
      }
    }
  }

  /** Three weeks of tries: slow at first, some days missed, now and then something breaks. */
  private static void practise(
      Library library, Passage passage, Learning learning, LocalDate today, Random random) {
    List<Unit> units = learning.units();
    int[] level = new int[units.size()];
    for (int day = DAYS; day >= 1; day--) {
      LocalDate date = today.minusDays(day);
      int visits = random.nextInt(100) < 30 ? 0 : 1 + random.nextInt(3);
      for (int v = 0; v < visits; v++) {
        int chunk = random.nextInt(units.size());
        Ladder ladder = units.get(chunk).ladder().orElse(learning.ladder());
        boolean closed =
            visit(
                library,
                passage,
                units.get(chunk),
                ladder,
                ladder.levels().get(level[chunk]),
                date,
                random);
        if (closed && level[chunk] < Math.min(4, ladder.size() - 2)) {
          level[chunk]++;
        }
      }
    }
  }

  /** Tries until three in a row are clean, or six in all. */
  private static boolean visit(
      Library library,
      Passage passage,
      Unit unit,
      Ladder ladder,
      Level level,
      LocalDate date,
      Random random) {
    int clean = 0;
    for (int attempt = 0; attempt < 6 && clean < 3; attempt++) {
      int luck = random.nextInt(100);
      Verdict verdict = luck < 72 ? Verdict.CLEAN : luck < 90 ? Verdict.NEARLY : Verdict.MISSED;
      clean = verdict == Verdict.CLEAN ? clean + 1 : 0;
      Breakage broke =
          verdict == Verdict.CLEAN
              ? Breakage.NONE
              : List.of(Breakage.SHIFT, Breakage.INTONATION, Breakage.CROSSING, Breakage.RUSHED)
                  .get(random.nextInt(4));
      library.add(
          new JournalEntry(
              0,
              passage.id(),
              date,
              unit.id(),
              DrillKind.STRAIGHT,
              level.perMinute(),
              Optional.of(ladder.counted()),
              level.clicks(),
              20 + random.nextInt(50),
              verdict,
              broke,
              ""));
    }
    return clean == 3;
  }

  private static byte[] source(String name) {
    try (InputStream in = Demo.class.getResourceAsStream("/fret/app/demo/" + name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
