package fret.app.viewmodel;

import fret.plan.Part;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Where on the page a part of it is that stands alone on the stand.
 *
 * <p>The last answer is kept, as a set asks for it at every beat.
 */
final class PagePlace {
  private ResolvedPassage page;
  private ResolvedPassage drill;
  private List<Slice> found = List.of();

  /** The moments of the page with the same notes, nearest to where the part should be. */
  List<Slice> ofRound(ResolvedPassage whole, ResolvedPassage alone, Part part) {
    if (!isLast(whole, alone)) {
      page = whole;
      drill = alone;
      found = nearest(part);
    }
    return found;
  }

  /** The very same objects: to compare them note by note would take as long as to look. */
  @SuppressWarnings("ReferenceEquality")
  private boolean isLast(ResolvedPassage whole, ResolvedPassage alone) {
    return page == whole && drill == alone;
  }

  private List<Slice> nearest(Part part) {
    int n = drill.slices().size();
    double wanted = (part.part() - 1.0) / part.of() * page.slices().size();
    List<Slice> best = List.of();
    for (int i = 0; n > 0 && i + n <= page.slices().size(); i++) {
      List<Slice> here = page.slices().subList(i, i + n);
      boolean nearer =
          best.isEmpty() || Math.abs(i - wanted) < Math.abs(best.get(0).index() - wanted);
      if (nearer && pitch(page, i) == pitch(drill, 0) && isAsWritten(here, drill.slices())) {
        best = here;
      }
    }
    return best;
  }

  private static int pitch(ResolvedPassage p, int slice) {
    return p.notes().get(p.slices().get(slice).starting().get(0)).pitch().midi();
  }

  /** Whether a drill's moments follow one another as those of the page do. */
  static boolean isAsWritten(List<Slice> page, List<Slice> drill) {
    boolean same = page.size() == drill.size();
    for (int i = 1; same && i < page.size(); i++) {
      Fraction written = page.get(i).onset().subtract(page.get(0).onset());
      same = drill.get(i).onset().subtract(drill.get(0).onset()).equals(written);
    }
    return same;
  }
}
