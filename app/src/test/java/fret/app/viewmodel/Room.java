package fret.app.viewmodel;

import fret.app.work.ByHand;
import fret.format.musicxml.MusicXmlWriter;
import fret.format.part.PartFiles;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.store.SqliteLibrary;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** View-models over a real library with two small passages; every thread goes on by hand. */
final class Room implements AutoCloseable {
  static final String UP = "B4 C5 D5 E5 F5 G5 A5 B5";
  static final String DOWN = "A5 G5 F5 E5 D5 C5 B4 A4 G4 F4";

  private static final Runnable NOTHING = () -> {};
  private static final PartFiles FILES = new PartFiles();
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-03-03T09:00:00Z"), ZoneOffset.UTC);

  final ByHand storing = new ByHand();
  final ByHand computing = new ByHand();
  final ByHand window = new ByHand();
  final FaultyLibrary library;
  final Studio studio;
  private final Path file;
  private Runnable settled = NOTHING;

  /** Opens the library of a folder; a new one gets two passages. */
  Room(Path file) {
    this(file, CLOCK);
  }

  /** The same by another clock. */
  Room(Path file, Clock clock) {
    this.file = file;
    library = new FaultyLibrary(SqliteLibrary.open(file));
    if (library.passages().isEmpty()) {
      add("up.musicxml", UP);
      add("down.musicxml", DOWN);
    }
    studio =
        new Studio(
            library,
            FILES,
            FILES,
            () -> null,
            clock,
            new Studio.Threads(storing, computing, window, then -> settled = then));
    studio
        .deeds()
        .setWay(
            new Deeds.Way() {
              @Override
              public String area() {
                return "";
              }

              @Override
              public void show(String area, long passageId) {
                studio.passage(passageId).ifPresent(studio::open);
              }
            });
  }

  /** The same library in another window. */
  Room another() {
    return new Room(file);
  }

  static Score line(String notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : notes.split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(p));
    }
    return line.build(notes.substring(0, 2), Interval.UNISON);
  }

  static byte[] bytes(String notes) {
    return MusicXmlWriter.write(line(notes));
  }

  private void add(String name, String notes) {
    Passage.Settings settings =
        new Passage.Settings(
            name,
            new Tempo(Beat.QUARTER, 80),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    library.add(Passage.of(name, "", settings), bytes(notes), Optional.empty());
  }

  Passage passage(int index) {
    return studio.passages().get(index);
  }

  /** Everything goes on until nothing is left to do. */
  void settle() {
    do {
      settled.run();
      settled = NOTHING;
      storing.all();
      computing.all();
      window.all();
    } while (!(storing.isIdle() && computing.isIdle() && window.isIdle())
        || !settled.equals(NOTHING));
  }

  void open(int index) {
    studio.open(passage(index));
    settle();
  }

  @Override
  public void close() {
    library.close();
  }
}
