package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.widget.Look;
import fret.app.widget.MusicFont;
import fret.app.widget.StripView;
import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** What is no longer shown is let go: the look, which outlives it, does not keep it. */
class LettingGoTest {
  @BeforeAll
  static void toolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  @Test
  void aStripThatNobodyShowsIsLetGo() throws Exception {
    Look look = new Look(MusicFont.load());
    List<WeakReference<StripView>> all = new ArrayList<>();
    WaitForAsyncUtils.asyncFx(
            () -> {
              for (int i = 0; i < 20; i++) {
                all.add(new WeakReference<>(StripView.small(look, 6)));
              }
            })
        .get(20, TimeUnit.SECONDS);
    WaitForAsyncUtils.waitFor(
        20,
        TimeUnit.SECONDS,
        () -> {
          System.gc();
          return all.stream().filter(r -> r.get() != null).count() <= 1;
        });
    assertThat(all.stream().filter(r -> r.get() != null).count()).isLessThanOrEqualTo(1);
  }
}
