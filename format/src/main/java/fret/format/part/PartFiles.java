package fret.format.part;

import fret.base.Outcome;
import fret.base.RefusedValue;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.bowing.BowLayers;
import fret.format.abc.AbcReader;
import fret.format.midi.MidiReader;
import fret.format.musicxml.MarkWriter;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.musicxml.MusicXmlWriter;
import fret.format.musicxml.SignWriter;
import fret.mark.BowLayer;
import fret.passage.Passage;
import fret.passage.ScoreReader;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteKey;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import fret.session.BowSigns;
import fret.session.MarkedFileWriter;
import fret.session.Session;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.w3c.dom.Document;

/** The file formats behind the ports through which the program reads and writes parts. */
public final class PartFiles implements ScoreReader, MarkedFileWriter {
  /** C0 and C10: room for ornaments and octaves on both sides. */
  private static final int LOWEST = 12;

  private static final int HIGHEST = 132;

  @Override
  public List<PartChoice> parts(String name, byte[] bytes) throws UnusableInput {
    if (MidiReader.isMidi(bytes)) {
      return MidiReader.tracks(name, bytes).stream()
          .map(t -> new PartChoice(t.id(), t.name(), 0))
          .toList();
    }
    if (isAbc(name, bytes)) {
      return List.of(new PartChoice("", "", 0));
    }
    return MusicXmlFile.parts(MusicXmlFile.open(name, bytes)).stream()
        .map(p -> new PartChoice(p.id(), p.name(), p.bars()))
        .toList();
  }

  @Override
  public Outcome<Score> read(String name, byte[] bytes, String partName) throws UnusableInput {
    try {
      Outcome<Score> read = readAs(name, bytes, partName);
      checkRange(name, read.value());
      return read;
    } catch (IllegalArgumentException | ArithmeticException | IndexOutOfBoundsException e) {
      System.getLogger("fret").log(System.Logger.Level.WARNING, "cannot read " + name, e);
      throw new UnusableInput(
          name, Said.of("read.something", RefusedValue.told(e)), Said.of("read.again"));
    } catch (StackOverflowError e) {
      throw new UnusableInput(name, Said.of("read.deep"), Said.of("read.again"));
    }
  }

  private static Outcome<Score> readAs(String name, byte[] bytes, String partName)
      throws UnusableInput {
    if (MidiReader.isMidi(bytes)) {
      return MidiReader.read(name, bytes, partName);
    }
    if (isAbc(name, bytes)) {
      return AbcReader.read(name, new String(bytes, StandardCharsets.UTF_8));
    }
    return MusicXmlReader.read(name, MusicXmlFile.open(name, bytes), partName);
  }

  /** What is written may lie within all pitches there are, and what sounds outside them. */
  private static void checkRange(String name, Score score) throws UnusableInput {
    for (Bar bar : score.bars()) {
      for (Event event : bar.events()) {
        for (Head head : event.heads()) {
          int midi = head.pitch().midi() + score.transposition().semitones();
          if (midi < LOWEST || midi > HIGHEST) {
            throw new UnusableInput(
                Said.of("where.file-bar", name, bar.number()),
                Said.of("read.unheard", head.pitch()),
                Said.of("read.unheard.do"));
          }
        }
      }
    }
  }

  private static boolean isAbc(String name, byte[] bytes) {
    boolean named = name.toLowerCase(Locale.ROOT).endsWith(".abc");
    boolean markup = bytes.length > 0 && (bytes[0] == '<' || bytes[0] == 'P');
    return named || !markup && AbcReader.isAbc(new String(bytes, StandardCharsets.UTF_8));
  }

  @Override
  public byte[] write(Session session, byte[] source) throws UnusableInput {
    Passage passage = session.passage();
    if (MidiReader.isMidi(source) || isAbc(passage.sourceName(), source)) {
      return writePage(session); // There is no tree to write into.
    }
    Document document = MusicXmlFile.open(passage.sourceName(), source);
    MusicXmlReader.Linked linked =
        MusicXmlReader.readLinked(passage.sourceName(), document, passage.partName());
    MarkWriter.write(linked.elements(), marks(session));
    MarkWriter.writeSlurs(linked.elements(), slurs(session));
    SignWriter.write(linked.elements(), signs(session));
    return MarkWriter.bytes(document);
  }

  @Override
  public byte[] writePage(Session session) {
    return MusicXmlWriter.write(session.fingered(i -> true));
  }

  private static Map<NoteKey, MarkWriter.NoteMark> marks(Session session) {
    Map<NoteKey, MarkWriter.NoteMark> marks = new HashMap<>();
    int octaves = session.passage().settings().reading().octaves();
    for (int i = 0; i < session.resolved().notes().size(); i++) {
      NoteKey key = session.resolved().notes().get(i).key();
      Optional<Signs.Bow> bow =
          session.passage().marks().at(BowLayer.BOW, key).or(() -> adopted(session, key));
      session
          .fingering()
          .notes()
          .get(i)
          .ifPresent(
              p ->
                  marks.put(
                      inFile(key, octaves),
                      new MarkWriter.NoteMark(p.fingers(), p.string(), p.harmonic(), bow)));
    }
    return marks;
  }

  /** The bow mark that a reader of the adopted bowing needs, on the note that carries it. */
  private static Optional<Signs.Bow> adopted(Session session, NoteKey key) {
    if (session.passage().marks().at(BowLayers.ADOPTED, key).isEmpty()) {
      return Optional.empty();
    }
    return event(session.score(), key).map(e -> e.signs().bow()).filter(b -> b != Signs.Bow.NONE);
  }

  private static Optional<Event> event(Score score, NoteKey key) {
    return score.bar(key.barIndex()).events().stream()
        .filter(e -> !e.isGrace() && !e.isRest() && e.onset().equals(key.onset()))
        .filter(e -> e.voice().equals(key.voice()))
        .findFirst();
  }

  /** Notes on which the player's slurs differ from the printed ones, one a chord. */
  private static Map<NoteKey, MarkWriter.Slurs> slurs(Session session) {
    Map<NoteKey, MarkWriter.Slurs> all = new HashMap<>();
    int octaves = session.passage().settings().reading().octaves();
    Score printed = session.bowTask().passage().score();
    for (Slice slice : session.resolved().slices()) {
      boolean first = true;
      for (int note : slice.starting()) {
        NoteKey key = session.resolved().notes().get(note).key();
        Optional<Event> was = slice.grace() > 0 ? Optional.empty() : event(printed, key);
        Optional<Event> is = event(session.score(), key);
        if (was.isPresent() && is.isPresent() && !sameSlurs(was.get(), is.get())) {
          Signs signs = is.get().signs();
          all.put(
              inFile(key, octaves),
              new MarkWriter.Slurs(
                  first && !signs.slurStarts().isEmpty(), first && !signs.slurStops().isEmpty()));
          first = false;
        }
      }
    }
    return all;
  }

  private static List<BowSigns> signs(Session session) {
    int octaves = session.passage().settings().reading().octaves();
    return BowSigns.of(session).stream()
        .map(
            b -> new BowSigns(inFile(b.note(), octaves), b.articulations(), b.dynamic(), b.words()))
        .toList();
  }

  private static boolean sameSlurs(Event a, Event b) {
    return a.signs().slurStarts().equals(b.signs().slurStarts())
        && a.signs().slurStops().equals(b.signs().slurStops());
  }

  /** The note as the file has it, where the part was taken to another octave. */
  private static NoteKey inFile(NoteKey key, int octaves) {
    Pitch pitch = key.pitch().plus(new Interval(-7 * octaves, -12 * octaves));
    return key.at(pitch);
  }
}
