package fret.bowing;

import fret.base.Said;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;

/** What the page asks of the bow that the time does not allow, said once where it begins. */
final class UnkeptPage {
  private final Bowing bowing;
  private final BowTask task;

  private UnkeptPage(Bowing bowing, BowTask task) {
    this.bowing = bowing;
    this.task = task;
  }

  static List<BowWarning> of(Bowing bowing, BowTask task) {
    UnkeptPage page = new UnkeptPage(bowing, task);
    List<BowWarning> all = new ArrayList<>();
    boolean before = false;
    for (int i = 0; i < bowing.strokes().size(); i++) {
      Stroke s = bowing.strokes().get(i);
      StrokeKind asked = page.notObeyed(s);
      if (asked != null && !before) {
        all.add(page.word(s, asked));
      }
      before = asked != null;
      if (i > 0 && page.isHookedForTime(s, bowing.strokes().get(i - 1))) {
        all.add(page.hooked(s, bowing.strokes().get(i - 1)));
      }
    }
    return all;
  }

  private StrokeKind notObeyed(Stroke s) {
    boolean own = task.rules().kinds().containsKey(s.fromMoment());
    List<BowMoment> here = bowing.moments().subList(s.fromMoment(), s.toMoment() + 1);
    return own ? null : StrokeKinds.notObeyed(here, s.kind()).orElse(null);
  }

  private BowWarning word(Stroke s, StrokeKind asked) {
    Said said =
        Said.of(
            "bow.word",
            Said.of("stroke." + asked.id()),
            Said.tenths(bowing.rate(s)),
            Said.tenths(asked.mostRate()),
            Said.of("stroke." + s.kind().id()));
    Cure other = new Cure(Cure.Kind.OTHER_STROKE, s.fromMoment(), 0, 0, 0);
    return new BowWarning(
        BowWarning.Kind.WORD, s.fromMoment(), s.bar(), 0, 0, 0, said, List.of(other));
  }

  private boolean isHookedForTime(Stroke s, Stroke before) {
    return s.hooked()
        && isPrintedDown(s.fromMoment())
        && isPrintedDown(before.fromMoment())
        && !task.rules().joints().containsKey(s.fromMoment())
        && !bowing.moments().get(s.fromMoment()).slice().slurredInto();
  }

  private boolean isPrintedDown(int moment) {
    return bowing.moments().get(moment).printed() == Signs.Bow.DOWN
        && !task.rules().bows().containsKey(moment);
  }

  private BowWarning hooked(Stroke s, Stroke before) {
    BowMoment last = bowing.moments().get(before.toMoment());
    double rest = bowing.moments().get(s.fromMoment()).startMs() - last.endMs();
    double has = rest + BowJoins.MOST_PAID * last.timeMs();
    double needs = BowJoins.needsMs(BowJoins.LEAST_WAY_CM);
    return new BowWarning(
        BowWarning.Kind.HOOKED,
        s.fromMoment(),
        s.bar(),
        0,
        needs,
        has,
        Said.of("bow.hooked-for-time", Math.round(has), Math.round(needs)),
        List.of());
  }
}
