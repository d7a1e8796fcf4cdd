package fret.format.part;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.RefusedValue;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.format.abc.AbcReader;
import fret.format.midi.MidiReader;
import fret.format.musicxml.KeptDecisions;
import fret.format.musicxml.MarkWriter;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.musicxml.MusicXmlWriter;
import fret.format.musicxml.SignWriter;
import fret.mark.Marks;
import fret.mark.Reminder;
import fret.passage.MarksForm;
import fret.passage.Passage;
import fret.passage.ScoreReader;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteKey;
import fret.score.Score;
import fret.session.MarkedFileWriter;
import fret.session.Session;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

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
    return MusicXmlReader.read(name, MusicXmlFile.openAsItCame(name, bytes), partName);
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
  public Outcome<Marks> decided(String name, byte[] bytes, String partName) throws UnusableInput {
    if (MidiReader.isMidi(bytes) || isAbc(name, bytes)) {
      return new Outcome<>(Marks.NONE, List.of());
    }
    try {
      return KeptDecisions.read(MusicXmlFile.open(name, bytes), name, partName)
          .map(MarksForm::read)
          .orElse(new Outcome<>(Marks.NONE, List.of()));
    } catch (IllegalArgumentException e) {
      Problem unread = Problem.of(Said.of("kept.damaged"), Said.of("kept.unread.do"));
      return new Outcome<>(Marks.NONE, List.of(unread));
    }
  }

  @Override
  public byte[] write(Session session, byte[] source, Proposed proposed) throws UnusableInput {
    Passage passage = session.passage();
    if (MidiReader.isMidi(source) || isAbc(passage.sourceName(), source)) {
      return writePage(session, proposed); // There is no tree to write into.
    }
    return marked(session, passage.sourceName(), passage.partName(), source, proposed);
  }

  @Override
  public byte[] writePage(Session session, Proposed proposed) {
    try {
      return marked(session, "page", "", MusicXmlWriter.write(session.page()), proposed);
    } catch (UnusableInput e) {
      throw new IllegalStateException(e); // It was written just now.
    }
  }

  private static byte[] marked(
      Session session, String file, String partName, byte[] source, Proposed proposed)
      throws UnusableInput {
    Document document = MusicXmlFile.openAsItCame(file, source);
    Map<NoteKey, Element> elements = MusicXmlReader.readLinked(file, document, partName).elements();
    FileSigns signs = new FileSigns(session);
    MarkWriter.write(elements, signs.marks(proposed));
    MarkWriter.writeSlurs(elements, signs.slurs());
    SignWriter.write(elements, signs.signs());
    signs.pencilled().forEach((key, all) -> pencil(elements.get(key), all));
    signs.slides().forEach((from, to) -> SignWriter.slide(elements.get(from), elements.get(to)));
    KeptDecisions.write(document, file, partName, MarksForm.of(session.passage().marks()));
    return MarkWriter.bytes(document);
  }

  private static void pencil(Element note, List<Reminder> all) {
    if (note != null) {
      all.forEach(r -> SignWriter.pencil(note, r));
    }
  }
}
