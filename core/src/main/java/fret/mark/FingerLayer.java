package fret.mark;

import fret.base.Form;
import fret.base.Said;
import fret.instrument.Finger;
import java.util.Optional;

/** Fingers and strings on notes: those that are pinned, and a whole fingering that was adopted. */
public final class FingerLayer implements NoteLayer<FingerMark> {
  /** The player's decision on one note, a hard wish for everything around it. */
  public static final FingerLayer PINNED = new FingerLayer("finger.pinned");

  /**
   * The player's committed fingering: no setting or new tempo changes it. Kept beside it under a
   * name: fingerings to come back to.
   */
  public static final FingerLayer ADOPTED = new FingerLayer("finger.adopted");

  private final String id;

  private FingerLayer(String id) {
    this.id = id;
  }

  @Override
  public String id() {
    return id;
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(FingerMark m) {
    Form form =
        Form.version(1)
            .with("finger", m.finger().map(Finger::digit).orElse(""))
            .with("string", m.string());
    Form replaced =
        m.replacedBy().isPresent() ? form.with("replacedBy", m.replacedBy().get().digit()) : form;
    return m.harmonic() ? replaced.with("harmonic", true) : replaced;
  }

  @Override
  public FingerMark read(Form form) {
    return new FingerMark(
        finger(form.text("finger")),
        finger(form.text("replacedBy", "")),
        form.whole("string", 0),
        form.flag("harmonic"));
  }

  private static Optional<Finger> finger(String digit) {
    Optional<Finger> finger = Finger.ofDigit(digit);
    if (finger.isEmpty() && !digit.isEmpty()) {
      throw new IllegalArgumentException("no finger " + digit);
    }
    return finger;
  }

  @Override
  public Said told(FingerMark m) {
    return m.finger()
        .map(f -> Said.of("mark.finger", f.digit()))
        .orElseGet(() -> Said.of("mark.string"));
  }
}
