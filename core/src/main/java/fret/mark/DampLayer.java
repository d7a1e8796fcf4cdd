package fret.mark;

import fret.instrument.Finger;
import java.util.Optional;

/** The finger that lies against a neighbouring string, so that it does not sound. */
public final class DampLayer extends WordLayer<Finger> {
  public static final DampLayer DAMP = new DampLayer();

  private DampLayer() {
    super("damp", Concern.BOW, "finger", "mark.damp", Finger.FIRST);
  }

  @Override
  public Optional<Reminder> pencilled(Finger finger) {
    return Optional.of(Reminder.word("damp " + finger.digit()));
  }
}
