package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.JournalModel;
import fret.base.Said;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the journal says of the page that is shown. */
class JournalModelTest extends OnDemoLibrary {
  /** The plan is made after the page; until then it knew bars that were no more. */
  @Test
  void barsThatAreNoMoreAreNotWeak() throws Exception {
    openDemo(0);
    does(() -> studio.plans().ensure());
    until(() -> studio.plans().ofOpen().isPresent());
    JournalModel model = new JournalModel(studio);
    String last = studio.shown().page().bars().get(1).number();
    List<Integer> ends = new ArrayList<>();
    does(
        () ->
            studio
                .shownProperty()
                .addListener(
                    o -> {
                      int moments = studio.shown().resolved().slices().size();
                      model.weakBars().forEach(w -> ends.add(moments - w.to()));
                      ends.add(moments);
                    }));
    does(
        () ->
            studio.changeSettings(
                Said.of("set.bars-asked-for"), s -> s.withReading(s.reading().withBars("", last))));
    until(() -> !ends.isEmpty());
    assertThat(ends).allMatch(n -> n > 0);
  }
}
