package fret.app.viewmodel;

import fret.app.viewmodel.TakesModel.Checked;
import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.session.Ornaments;
import fret.session.Session;
import fret.sound.ClickTrack;
import fret.sound.PassagePlayer;
import fret.take.HeardNote;
import fret.take.Slower;
import fret.take.SoundFiles;
import fret.take.TakeReport;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/** A take heard from a note on or in a loop, slower at the same pitch, with the part after it. */
public final class TakeSound {
  private static final double BEFORE_S = 0.05;
  private static final double AFTER_S = 0.2;

  private final Studio studio;
  private final LeftHandModel selection;
  private final PassagePlayer player;
  private final SoundFiles sounds;
  private boolean withReference;
  private double slower = 1;

  TakeSound(Studio studio, LeftHandModel selection, PassagePlayer player, SoundFiles sounds) {
    this.studio = studio;
    this.selection = selection;
    this.player = player;
    this.sounds = sounds;
  }

  /** How many times as long it is heard; 1 as it is. */
  public void setSlower(double times) {
    slower = times;
  }

  /** Whether the reference sound of the same notes follows. */
  public void setWithReference(boolean wanted) {
    withReference = wanted;
  }

  /** The take from the selected note, or what is selected of it, in a loop; again to stop. */
  void hear(Optional<Checked> take, BooleanSupplier wanted) {
    if (player.isPlaying() || take.isEmpty() || studio.shown() == null) {
      player.stop();
      return;
    }
    Checked c = take.get();
    Session s = studio.shown();
    LeftHandModel.Stretch part = selection.stretch(s);
    double start = at(c.report(), part.from(), true);
    double end = at(c.report(), part.to(), false);
    double times = slower;
    boolean reference = withReference;
    studio.compute(
        "hear",
        Rank.BESIDE,
        token -> {
          byte[] file = studio.recordings().sound(c.take().id());
          float[] all = sounds.samples(c.take().name(), file, ClickTrack.SAMPLE_RATE);
          int a = (int) Math.max(0, (start - BEFORE_S) * ClickTrack.SAMPLE_RATE);
          int b = (int) Math.min(all.length, (end + AFTER_S) * ClickTrack.SAMPLE_RATE);
          float[] mine =
              Slower.slower(
                  Arrays.copyOfRange(all, a, Math.max(a, b)), ClickTrack.SAMPLE_RATE, times);
          return reference ? joined(mine, reference(s, part, times)) : mine;
        },
        wanted,
        samples -> {
          player.play(samples, part.isChosen());
          studio.tell(Sentences.of("take.heard", c.take().name(), player.description()));
        });
  }

  private static float[] reference(Session s, LeftHandModel.Stretch part, double times) {
    double a4 = s.passage().settings().setup().a4Hz();
    return Ornaments.heard(s, s.task().tempo().scaled(1 / times), a4)
        .samples(part.from(), part.to());
  }

  private static float[] joined(float[] a, float[] b) {
    float[] all = Arrays.copyOf(a, a.length + b.length);
    System.arraycopy(b, 0, all, a.length, b.length);
    return all;
  }

  /** Where a moment of the passage stands in a take, in s. */
  private static double at(TakeReport r, int slice, boolean begins) {
    double last = begins ? 0 : r.heard().seconds();
    for (HeardNote n : r.heard().notes()) {
      int here = r.expected().moments().get(n.moment()).slice();
      if (begins && here >= slice) {
        return n.onsetS();
      }
      if (!begins && here == slice) {
        last = n.endS();
      }
    }
    return last;
  }
}
