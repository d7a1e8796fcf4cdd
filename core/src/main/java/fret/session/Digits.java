package fret.session;

import fret.engraving.FingerText;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.PositionChanges;
import fret.fingering.SparseDigits;
import fret.fingering.StringDoubt;
import fret.fingering.Unkept;
import fret.instrument.PositionNames;
import fret.mark.FingerLayer;
import fret.mark.FlagLayer;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.Reminder;
import fret.passage.Layers;
import fret.player.Region;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The digits and string numerals that are printed over the notes. */
public final class Digits {
  private Digits() {}

  /** The fingering as printed on the stave: sparse or full. */
  public static List<FingerText> of(Session session) {
    return of(session, session.fingering(), session.passage().settings().fullDigits());
  }

  private static final String[] NUMERALS = {"", "I", "II", "III", "IV", "V", "VI"};

  /** Another fingering of the same passage, as printed; each note that differs gets its digit. */
  public static List<FingerText> of(Session session, Fingering fingering, boolean full) {
    Marks marks = session.passage().marks();
    var notes = session.resolved().notes();
    Set<Integer> sparse =
        SparseDigits.of(
            session.resolved(),
            session.task().hand().instrument(),
            fingering,
            i -> marks.at(FingerLayer.PINNED, notes.get(i).key()).isPresent());
    List<FingerText> texts = new ArrayList<>();
    Map<Integer, Unkept> unkept = new HashMap<>();
    session.unkept(fingering).stream()
        .filter(Unkept::isMine)
        .forEach(u -> unkept.putIfAbsent(u.note(), u));
    boolean named = marks.at(FlagLayer.POSITIONS, Place.WHOLE).isPresent();
    Set<Integer> changes = named ? PositionChanges.of(fingering) : Set.of();
    Set<Integer> doubts =
        StringDoubt.of(session.resolved(), session.task().hand().instrument(), fingering);
    for (int i = 0; i < notes.size(); i++) {
      Optional<NoteFinger> place = fingering.notes().get(i);
      if (place.isPresent()) {
        NoteFinger p = place.get();
        boolean kept = !unkept.containsKey(i);
        boolean pinned = kept && marks.at(FingerLayer.PINNED, notes.get(i).key()).isPresent();
        boolean unlike = session.fingering().notes().get(i).map(q -> !q.samePlace(p)).orElse(true);
        boolean shown = full || sparse.contains(i) || unlike || !kept;
        texts.add(
            new FingerText(
                i,
                shown ? p.digits() : "",
                over(
                    changes.contains(i) ? position(session, p) : "",
                    doubts.contains(i) ? NUMERALS[Math.min(6, p.string())] : ""),
                pinned,
                kept ? "" : asked(unkept.get(i)),
                pencilled(marks, notes.get(i))));
      } else {
        String asked = unkept.containsKey(i) ? asked(unkept.get(i)) : "";
        texts.add(new FingerText(i, "", "", false, asked, pencilled(marks, notes.get(i))));
      }
    }
    return texts.stream().filter(Digits::says).toList();
  }

  /** What stands struck out over the note: the digits, else the string, else a sign for a wish. */
  private static String asked(Unkept u) {
    boolean string = u.asked().isEmpty() && u.string() > 0;
    return string ? NUMERALS[Math.min(6, u.string())] : u.asked().isEmpty() ? "=" : u.asked();
  }

  private static String over(String position, String numeral) {
    return position.isEmpty() || numeral.isEmpty()
        ? position + numeral
        : position + " · " + numeral;
  }

  private static String position(Session session, NoteFinger p) {
    return PositionNames.shortOf(
        session.task().hand().instrument().type(), p.base(), p.region() == Region.THUMB);
  }

  /** The page as it came: its own digits, and what is pencilled over each note. */
  public static List<FingerText> ofPage(Session session) {
    Marks marks = session.passage().marks();
    List<FingerText> texts = new ArrayList<>();
    for (int i = 0; i < session.resolved().notes().size(); i++) {
      SoundingNote n = session.resolved().notes().get(i);
      texts.add(new FingerText(i, n.printedFinger(), "", false, "", pencilled(marks, n)));
    }
    return texts.stream().filter(Digits::says).toList();
  }

  /** What is pencilled over each note, without the fingering. */
  public static List<FingerText> pencilled(Session session) {
    Marks marks = session.passage().marks();
    List<FingerText> texts = new ArrayList<>();
    for (int i = 0; i < session.resolved().notes().size(); i++) {
      List<Reminder> here = pencilled(marks, session.resolved().notes().get(i));
      texts.add(new FingerText(i, "", "", false, "", here));
    }
    return texts.stream().filter(Digits::says).toList();
  }

  private static boolean says(FingerText t) {
    return !t.digit().isEmpty()
        || !t.string().isEmpty()
        || !t.unkept().isEmpty()
        || !t.pencilled().isEmpty();
  }

  private static List<Reminder> pencilled(Marks marks, SoundingNote note) {
    List<Reminder> all = new ArrayList<>();
    for (Layer<?, ?> layer : Layers.ALL) {
      pencilled(marks, layer, note).ifPresent(all::add);
    }
    return all;
  }

  private static <V> Optional<Reminder> pencilled(
      Marks marks, Layer<?, V> layer, SoundingNote note) {
    return marks.at(layer, Place.of(note.key())).flatMap(layer::pencilled);
  }
}
