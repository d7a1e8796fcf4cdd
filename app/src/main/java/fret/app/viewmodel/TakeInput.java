package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.session.Session;
import fret.sound.ClickTrack;
import fret.sound.Microphone;
import fret.take.Expected;
import fret.take.HeldPitch;
import fret.take.Recording;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What comes in from the microphone: a take, or a tone that is held. One at a time. */
public final class TakeInput {
  /** What the open passage should sound like. */
  interface Asked {
    Expected of(Session session) throws Exception;
  }

  /**
   * What was recorded.
   *
   * @param of what was open when it began
   * @param called how it is to be named, where that was said
   * @param samples at {@link ClickTrack#SAMPLE_RATE}
   */
  record Recorded(Session of, Optional<String> called, float[] samples) {}

  private final Studio studio;
  private final Microphone microphone;
  private final Runnable quiet;
  private final Asked asked;
  private final Consumer<Recorded> done;
  private final ReadOnlyDoubleWrapper level = new ReadOnlyDoubleWrapper(-1);
  private final ReadOnlyObjectWrapper<Optional<HeldPitch.Reading>> held =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final List<float[]> recorded = new ArrayList<>();
  private long recordedSamples;
  private boolean holds;
  private Optional<String> name = Optional.empty();
  private Session of;

  /**
   * @param quiet ends what sounds, before a recording begins
   * @param done takes what was recorded
   */
  TakeInput(
      Studio studio, Microphone microphone, Runnable quiet, Asked asked, Consumer<Recorded> done) {
    this.studio = studio;
    this.microphone = microphone;
    this.quiet = quiet;
    this.asked = asked;
    this.done = done;
  }

  /** Level of what is being recorded, 0 to 1; below 0 where nothing is. */
  public ReadOnlyDoubleProperty levelProperty() {
    return level.getReadOnlyProperty();
  }

  public boolean isRecording() {
    return level.get() >= 0;
  }

  /** Records from now on, or stops; what was recorded becomes a take. */
  public void record() {
    if (isRecording()) {
      stop();
    } else {
      recordAs(Optional.empty());
    }
  }

  /** Ends a recording; where none is made nothing happens. */
  public void stop() {
    if (isRecording()) {
      microphone.stop();
    }
  }

  /**
   * Records from now on.
   *
   * @param called how the take will be named; by its number where nothing is said
   */
  public void recordAs(Optional<String> called) {
    if (studio.shown() == null || isRecording()) {
      return;
    }
    name = called;
    of = studio.shown();
    if (holds) {
      microphone.stop();
      holds = false;
    }
    quiet.run();
    recorded.clear();
    recordedSamples = 0;
    level.set(0);
    boolean starts =
        microphone.start(
            block -> studio.publish(() -> block(block)), () -> studio.publish(this::recorded));
    if (!starts) {
      level.set(-1);
      studio.tell(Sentences.of("take.no-input"));
    }
  }

  private void block(float[] block) {
    recorded.add(block);
    recordedSamples += block.length;
    double most = 0;
    for (float s : block) {
      most = Math.max(most, Math.abs(s));
    }
    level.set(Math.max(most, level.get() * 0.8));
    if (recordedSamples >= Recording.LONGEST_S * ClickTrack.SAMPLE_RATE) {
      microphone.stop();
    }
  }

  private void recorded() {
    level.set(-1);
    float[] all = new float[(int) recordedSamples];
    int at = 0;
    for (float[] block : recorded) {
      System.arraycopy(block, 0, all, at, block.length);
      at += block.length;
    }
    recorded.clear();
    done.accept(new Recorded(of, name, all));
  }

  // ---- what is being held ----------------------------------------------------------------------

  /** The tone that is being held; empty for none. */
  public ReadOnlyObjectProperty<Optional<HeldPitch.Reading>> heldProperty() {
    return held.getReadOnlyProperty();
  }

  public boolean isHolding() {
    return holds;
  }

  /** Listens to held tones from now on, or no more. */
  public void toggleHeld() {
    if (holds) {
      microphone.stop();
      return;
    }
    Session now = studio.shown();
    if (now == null || isRecording() || now.resolved().notes().isEmpty()) {
      return;
    }
    hold(() -> new HeldPitch(asked.of(now), ClickTrack.SAMPLE_RATE));
  }

  /** Listens to some tones from now on, or no more. */
  public void toggleHeld(List<Expected.Tone> tones) {
    if (holds) {
      microphone.stop();
    } else if (!isRecording()) {
      hold(() -> new HeldPitch(tones, ClickTrack.SAMPLE_RATE));
    }
  }

  private void hold(Callable<HeldPitch> what) {
    studio.run(
        "held",
        Rank.BESIDE,
        token -> what.call(),
        pitch -> {
          holds =
              microphone.start(
                  block -> {
                    // The reading is worked out where the sound comes in.
                    Optional<HeldPitch.Reading> reading = pitch.take(block);
                    studio.publish(() -> held.set(holds ? reading : Optional.empty()));
                  },
                  () ->
                      studio.publish(
                          () -> {
                            holds = false;
                            held.set(Optional.empty());
                          }));
          if (!holds) {
            studio.tell(Sentences.of("take.no-input"));
          }
        });
  }
}
