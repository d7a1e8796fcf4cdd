package fret.app.viewmodel;

import fret.engraving.FingerText;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.SparseDigits;
import fret.mark.Marks;
import fret.passage.Workbench;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The digits and string numerals that are printed over the notes. */
public final class Digits {
  private Digits() {}

  /** The fingering as printed on the stave: sparse or full. */
  public static List<FingerText> of(Workbench bench) {
    return of(bench, bench.fingering(), bench.passage().settings().fullDigits());
  }

  private static final String[] NUMERALS = {"", "I", "II", "III", "IV", "V", "VI"};

  /** Another fingering of the same passage, as printed; each note that differs gets its digit. */
  public static List<FingerText> of(Workbench bench, Fingering fingering, boolean full) {
    Marks marks = bench.passage().marks();
    var notes = bench.resolved().notes();
    Set<Integer> sparse =
        SparseDigits.of(
            bench.resolved(),
            bench.task().hand().instrument(),
            fingering,
            i -> marks.pin(notes.get(i).key()).isPresent());
    Set<Integer> arrivals = new HashSet<>();
    fingering.shifts().forEach(s -> arrivals.add(s.toNote()));
    List<FingerText> texts = new ArrayList<>();
    int string = 0;
    for (int i = 0; i < notes.size(); i++) {
      Optional<NoteFinger> place = fingering.notes().get(i);
      if (place.isPresent()) {
        NoteFinger p = place.get();
        boolean pinned = marks.pin(notes.get(i).key()).isPresent();
        boolean unlike = bench.fingering().notes().get(i).map(q -> !q.samePlace(p)).orElse(true);
        boolean shown = full || sparse.contains(i) || unlike;
        boolean numeral =
            p.string() != string
                && (full && !p.isOpen() || arrivals.contains(i) || p.base() > 5 && shown);
        if (shown || numeral) {
          texts.add(
              new FingerText(
                  i,
                  shown ? p.digits() : "",
                  numeral ? NUMERALS[Math.min(6, p.string())] : "",
                  pinned));
        }
        string = p.string();
      }
    }
    return texts;
  }
}
