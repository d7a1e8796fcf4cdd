package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.base.Said;
import fret.fingering.GuideFingers;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Finger;
import fret.mark.DampLayer;
import fret.mark.FlagLayer;
import fret.mark.GuideLayer;
import fret.mark.LengthLayer;
import fret.mark.LengthWish;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.score.Signs;
import fret.session.Change;
import fret.session.Decisions;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

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
                studio.tell(Sentences.of("hand.no-open", p.sounding()));
              } else {
                studio.decide(s -> Decisions.pin(s, p.note(), Optional.of(finger), string));
              }
            });
  }

  private int openStringFor(NoteFinger p) {
    var strings = studio.shown().task().hand().instrument().openStrings();
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
              var instrument = studio.shown().task().hand().instrument();
              boolean fits = string >= 1 && string <= instrument.stringCount();
              int semitones = fits ? instrument.semitones(string, p.sounding()) : -1;
              if (!fits || semitones < 0 || semitones > instrument.highestSemitone()) {
                studio.tell(
                    fits
                        ? Sentences.of("hand.not-on", p.sounding(), instrument.stringName(string))
                        : Sentences.of("hand.not-next", p.sounding()));
              } else {
                studio.decide(s -> Decisions.pin(s, p.note(), Optional.empty(), string));
              }
            });
  }

  public void unpin() {
    int note = studio.selectedProperty().get();
    if (studio.shown() != null && note >= 0) {
      studio
          .open()
          .decide(
              s -> {
                Optional<Change> change = Decisions.unpin(s, note);
                if (change.isEmpty()) {
                  studio.tell(Sentences.of("unpin.none"));
                }
                return change;
              });
    }
  }

  /** Sets a bow mark on the selected note, or takes it away when it is there. */
  public void markBow(Signs.Bow bow) {
    Session now = studio.shown();
    if (now == null || studio.selectedProperty().get() < 0) {
      return;
    }
    int note = studio.selectedProperty().get();
    boolean there = now.bowAt(note) == bow;
    studio.decide(s -> Decisions.bow(s, note, there ? Signs.Bow.NONE : bow));
  }

  /** Sets a mark on the selected note, or takes it off where just that is there. */
  public <V> void toggle(NoteLayer<V> layer, V value) {
    int note = studio.selectedProperty().get();
    if (studio.shown() != null && note >= 0) {
      studio.decide(s -> Decisions.toggle(s, layer, note, value));
    }
  }

  /** How long the selected note of a second voice is held: in full, let go at once, by rule. */
  public void nextLength() {
    int note = studio.selectedProperty().get();
    Session now = studio.shown();
    if (now == null || note < 0) {
      return;
    }
    boolean held = now.resolved().slices().stream().anyMatch(s -> s.held().contains(note));
    if (!held) {
      studio.tell(Sentences.of("hand.not-held"));
      return;
    }
    boolean full =
        now.passage()
            .marks()
            .at(LengthLayer.LENGTH, now.resolved().notes().get(note).key())
            .filter(w -> w == LengthWish.FULL)
            .isPresent();
    toggle(LengthLayer.LENGTH, full ? LengthWish.LET_GO : LengthWish.FULL);
  }

  /** The slide into the selected note is heard, then hidden, then as it comes. */
  public void nextSlide() {
    int note = studio.selectedProperty().get();
    Session now = studio.shown();
    if (now != null && note >= 0) {
      boolean asked = now.at(SlideLayer.SLIDE, note).isPresent();
      toggle(SlideLayer.SLIDE, asked ? SlideWish.HIDDEN : SlideWish.HEARD);
    }
  }

  /** Another of the fingers that slide guides the hand into the selected double stop. */
  public void nextGuide() {
    int note = studio.selectedProperty().get();
    Session now = studio.shown();
    if (now == null || note < 0) {
      return;
    }
    int slice = now.resolved().notes().get(note).slice();
    List<Finger> guides =
        GuideFingers.at(now.resolved(), now.task().hand().instrument(), now.fingering(), slice);
    Optional<Shift> shift =
        now.fingering().shifts().stream().filter(s -> s.toSlice() == slice).findFirst();
    if (guides.size() < 2 || shift.isEmpty()) {
      studio.tell(Sentences.of("hand.no-guides"));
      return;
    }
    int at = guides.indexOf(shift.get().toFinger());
    Finger next = guides.get((at + 1) % guides.size());
    int lowest = now.resolved().slices().get(slice).starting().get(0);
    studio.decide(
        s ->
            Decisions.mark(
                s,
                GuideLayer.GUIDE,
                lowest,
                next == guides.get(0) ? Optional.empty() : Optional.of(next),
                Said.of("guide.set", next.digit())));
  }

  /**
   * A finger that is free on the selected note damps the string beside it: the next one, and after
   * the last none.
   */
  public void nextDamp() {
    int note = studio.selectedProperty().get();
    Session now = studio.shown();
    if (now == null || note < 0) {
      return;
    }
    int slice = now.resolved().notes().get(note).slice();
    Set<Integer> busy = now.bowTask().hand().get(slice).fingers();
    List<Finger> free =
        Stream.of(Finger.FIRST, Finger.SECOND, Finger.THIRD, Finger.FOURTH)
            .filter(f -> !busy.contains(f.rank()))
            .toList();
    if (free.isEmpty()) {
      studio.tell(Sentences.of("hand.no-finger-free"));
      return;
    }
    int next = now.at(DampLayer.DAMP, note).map(free::indexOf).orElse(-1) + 1;
    Optional<Finger> finger = next < free.size() ? Optional.of(free.get(next)) : Optional.empty();
    Said name = finger.map(f -> Said.of("damp.set", f.digit())).orElse(Said.of("damp.none"));
    studio.decide(s -> Decisions.mark(s, DampLayer.DAMP, note, finger, name));
  }

  /** All slides are hidden, as before a jury, or come back. */
  public void hideSlides() {
    if (studio.shown() != null) {
      studio.decide(
          s ->
              Decisions.hideSlides(
                  s, s.passage().marks().at(FlagLayer.SLIDES_HIDDEN, Place.WHOLE).isEmpty()));
    }
  }

  /** Positions are named on the page where they change, or no longer. */
  public void namePositions() {
    if (studio.shown() != null) {
      studio.decide(
          s ->
              Decisions.namePositions(
                  s, s.passage().marks().at(FlagLayer.POSITIONS, Place.WHOLE).isEmpty()));
    }
  }

  public void toggleDigits() {
    if (studio.session() != null) {
      boolean full = !studio.session().passage().settings().fullDigits();
      studio.changeSettings(
          Said.of(full ? "digits.all" : "digits.needed"), s -> s.withFullDigits(full));
    }
  }
}
