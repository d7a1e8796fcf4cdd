package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.mark.Place;
import fret.score.Score;
import fret.session.Decisions;
import fret.session.Session;
import fret.sound.Accompaniment;
import fret.sound.ClickRange;
import fret.sound.ClickRangeLayer;
import java.util.ArrayList;
import java.util.List;

/** What the click of the open passage does by bars: typed, or taken from the other parts. */
public final class Clicking {
  private final Studio studio;

  public Clicking(Studio studio) {
    this.studio = studio;
  }

  /** What is asked of the click in a session. */
  public static List<ClickRange> ranges(Session s) {
    return s.passage().marks().at(ClickRangeLayer.CLICKS, Place.WHOLE).orElse(List.of());
  }

  public void add(ClickRange range) {
    studio.decide(
        s -> {
          List<ClickRange> all = new ArrayList<>(ranges(s));
          all.add(range);
          return Decisions.clicks(s, all);
        });
  }

  public void remove(ClickRange range) {
    studio.decide(
        s -> {
          List<ClickRange> all = new ArrayList<>(ranges(s));
          all.remove(range);
          return Decisions.clicks(s, all);
        });
  }

  /** What the other parts of the file give; what was typed by hand goes before it. */
  public void fromOthers() {
    Session now = studio.shown();
    if (now == null) {
      return;
    }
    studio.run(
        "others",
        Rank.BESIDE,
        token -> studio.open().otherParts(now.passage()),
        others -> {
          List<ClickRange> found = found(now, others);
          if (found.isEmpty()) {
            studio.tell(Sentences.of("clicks.no-others"));
          } else {
            studio.decide(
                s -> {
                  List<ClickRange> all = new ArrayList<>(ranges(s));
                  found.stream().filter(f -> !all.contains(f)).forEach(all::add);
                  return Decisions.clicks(s, all);
                });
          }
        });
  }

  private static List<ClickRange> found(Session s, List<Score> others) {
    List<Score> same =
        others.stream().filter(o -> o.bars().size() == s.page().bars().size()).toList();
    return same.isEmpty() ? List.of() : Accompaniment.of(s.page(), same);
  }
}
