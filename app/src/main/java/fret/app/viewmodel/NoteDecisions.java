package fret.app.viewmodel;

import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.passage.Workbench;
import fret.score.Signs;
import java.util.Optional;

/** What one key decides on the selected note: a finger, a string, a bow mark. */
public final class NoteDecisions {
  private final Studio studio;

  public NoteDecisions(Studio studio) {
    this.studio = studio;
  }

  /** Pins a finger on the selected note, on the string it is shown on. */
  public void pinFinger(Finger finger) {
    studio
        .selectedPlace()
        .ifPresent(
            p -> {
              int string = finger == Finger.OPEN ? openStringFor(p) : p.string();
              if (string == 0) {
                studio.tell("No open string sounds " + p.sounding());
              } else {
                studio.applyAt(
                    studio.current().pin(p.note(), Optional.of(finger), string), p.note());
              }
            });
  }

  private int openStringFor(NoteFinger p) {
    var strings = studio.bench().task().hand().instrument().openStrings();
    for (int i = 0; i < strings.size(); i++) {
      if (strings.get(i).midi() == p.sounding().midi()) {
        return i + 1;
      }
    }
    return 0;
  }

  /** Pins the selected note to the next higher (-1) or lower (+1) string. */
  public void pinString(int direction) {
    studio
        .selectedPlace()
        .ifPresent(
            p -> {
              int string = p.string() + direction;
              var instrument = studio.bench().task().hand().instrument();
              boolean fits = string >= 1 && string <= instrument.stringCount();
              int semitones = fits ? instrument.semitones(string, p.sounding()) : -1;
              if (!fits || semitones < 0 || semitones > instrument.highestSemitone()) {
                studio.tell(
                    p.sounding()
                        + " does not lie on the "
                        + (fits ? instrument.stringName(string) + " string" : "next string"));
              } else {
                studio.applyAt(studio.current().pin(p.note(), Optional.empty(), string), p.note());
              }
            });
  }

  public void unpin() {
    if (studio.bench() != null && studio.selectedProperty().get() >= 0) {
      studio
          .current()
          .unpin(studio.selectedProperty().get())
          .ifPresentOrElse(c -> studio.apply(b -> c), () -> studio.tell("There is no pin here"));
    }
  }

  /** Sets a bow mark on the selected note, or takes it away when it is there. */
  public void markBow(Signs.Bow bow) {
    Workbench now = studio.bench();
    if (now == null || studio.selectedProperty().get() < 0) {
      return;
    }
    int note = studio.selectedProperty().get();
    boolean there = now.bowAt(note) == bow;
    studio.apply(b -> b.bow(note, there ? Signs.Bow.NONE : bow));
  }

  public void toggleDigits() {
    if (studio.passage() != null) {
      boolean full = !studio.passage().settings().fullDigits();
      studio.changeSettings(
          full ? "All digits" : "Only the needed digits", s -> s.withFullDigits(full));
    }
  }
}
