package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.base.Said;
import fret.bowing.BowEffort;
import fret.bowing.BowLeaning;
import fret.bowing.BowRules;
import fret.bowing.BowSetup;
import fret.bowing.Bowing;
import fret.bowing.Cure;
import fret.bowing.PhraseMark;
import fret.bowing.Stroke;
import fret.bowing.Swell;
import fret.session.BowDecisions;
import fret.session.BowSelection;
import fret.session.BowVersions;
import fret.session.Change;
import fret.session.LineDecisions;
import fret.session.Session;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntSupplier;
import java.util.function.UnaryOperator;

/** What one key decides of the bow, at the selected note or over the selected notes. */
public final class StrokeDecisions {
  private final Studio studio;

  private IntSupplier first;
  private IntSupplier last;

  StrokeDecisions(Studio studio) {
    this.studio = studio;
    this.first = () -> studio.selectedProperty().get();
    this.last = first;
  }

  /** From now on all that is selected is meant, not the one note. */
  public void over(LeftHandModel selection) {
    first = selection::firstSelected;
    last = selection::lastSelected;
  }

  /** The moment of the selected note; -1 for none. */
  int moment() {
    return moment(studio.selectedProperty().get());
  }

  private int moment(int note) {
    Session s = studio.shown();
    return s == null || note < 0 || note >= s.resolved().notes().size()
        ? -1
        : s.resolved().notes().get(note).slice();
  }

  private void decide(Function<Session, Optional<Change>> decision) {
    if (studio.shown() != null) {
      studio.open().decide(decision::apply);
    }
  }

  /** On all that is selected, at once. */
  private void here(Function<BowSelection, Optional<Change>> decision) {
    int from = moment(first.getAsInt());
    int to = moment(last.getAsInt());
    if (from >= 0) {
      decide(s -> decision.apply(new BowSelection(s, from, Math.max(from, to))));
    }
  }

  public void turn() {
    here(BowSelection::turn);
  }

  /** In the second pass of a repeat alone. */
  public void turnSecondTime() {
    here(
        selected -> {
          Optional<Change> change = selected.turnSecondTime();
          if (change.isEmpty()) {
            studio.tell(Sentences.of("bow.second.none"));
          }
          return change;
        });
  }

  public void joint(BowRules.Joint joint) {
    here(
        selected -> {
          Optional<Change> change = selected.joint(joint);
          if (change.isEmpty()) {
            studio.tell(Sentences.of("bow.first"));
          }
          return change;
        });
  }

  /** One stroke over the selected notes, or a stroke each. */
  public void slur(int firstNote, int lastNote) {
    int from = moment(firstNote);
    int to = moment(lastNote);
    if (from == to) {
      studio.tell(Sentences.of("bow.select"));
    } else if (from >= 0) {
      decide(s -> BowDecisions.slur(s, from, to));
    }
  }

  public void nextKind() {
    here(BowSelection::nextKind);
  }

  public void longer(int direction) {
    here(selected -> selected.longer(direction));
  }

  public void louder(int direction) {
    here(selected -> selected.louder(direction));
  }

  /** A level a bar over the selected notes. */
  public void levelABar(int firstNote, int lastNote, int direction) {
    int from = moment(firstNote);
    int to = moment(lastNote);
    if (from < 0) {
      return;
    }
    decide(
        s -> {
          Optional<Change> change = LineDecisions.levelABar(s, from, to, direction);
          if (change.isEmpty()) {
            studio.tell(Sentences.of("bow.level-a-bar.none"));
          }
          return change;
        });
  }

  public void amount(boolean spent) {
    here(selected -> selected.amount(spent));
  }

  public void nextVibrato() {
    here(BowSelection::nextVibrato);
  }

  public void swell(Swell swell) {
    here(selected -> selected.swell(swell));
  }

  public void nextContact() {
    here(BowSelection::nextContact);
  }

  public void nextHair() {
    here(BowSelection::nextHair);
  }

  public void nextSound() {
    here(BowSelection::nextSound);
  }

  public void nextMover() {
    here(BowSelection::nextMover);
  }

  /** Alike hairpins in a row go on from each other, or each begins again. */
  public void hairpinsGoOn(boolean goOn) {
    decide(s -> Optional.of(LineDecisions.hairpinsGoOn(s, goOn)));
  }

  public void phrase(PhraseMark mark) {
    here(selected -> selected.phrase(mark));
  }

  public void nextPlace() {
    here(BowSelection::nextPlace);
  }

  /** The stroke of a moment ends at a share of the hair, as it was drawn. */
  public void drawEnd(int moment, double share) {
    decide(s -> BowDecisions.end(s, moment, share));
  }

  /** From a moment on it is so loud, as it was drawn. */
  public void drawLevel(int moment, double level) {
    decide(s -> Optional.of(LineDecisions.level(s, moment, level)));
  }

  public void clear(int firstNote, int lastNote) {
    int from = moment(firstNote);
    int to = moment(lastNote);
    if (from >= 0) {
      decide(s -> BowDecisions.clear(s, from, to));
    }
  }

  /** What is decided on the selected notes, or on the stroke, goes to all places like it. */
  public void alike(int firstNote, int lastNote) {
    int first = moment(firstNote);
    Optional<Stroke> stroke =
        first < 0 ? Optional.empty() : studio.shown().bowing().strokeAt(first);
    if (stroke.isEmpty()) {
      return;
    }
    boolean one = firstNote == lastNote;
    int from = one ? stroke.get().fromMoment() : first;
    int to = one ? stroke.get().toMoment() : moment(lastNote);
    decide(
        s -> {
          Optional<Change> change = BowDecisions.alike(s, from, to);
          if (change.isEmpty()) {
            studio.tell(Sentences.of("bow.alike.none"));
          }
          return change;
        });
  }

  /** What a cure proposes. */
  public void take(Cure cure) {
    decide(s -> BowDecisions.cure(s, cure));
  }

  // ---- whole bowings ---------------------------------------------------------------------------

  void adopt(Bowing chosen) {
    decide(s -> Optional.of(BowVersions.adopt(s, chosen)));
  }

  /** Keeps what stands under a name. */
  public void keep(String name) {
    if (!name.isBlank()) {
      decide(s -> Optional.of(BowVersions.keep(s, name.strip())));
    }
  }

  /** A kept version counts from now on; an empty name is the page as printed. */
  public void use(String name) {
    decide(s -> Optional.of(BowVersions.use(s, name)));
  }

  public void forget(String name) {
    decide(s -> Optional.of(BowVersions.forget(s, name)));
  }

  // ---- what the player cares about -------------------------------------------------------------

  /** Gives one kind of effort another weight. */
  public void weigh(BowEffort kind, double weight) {
    studio.keepChanging(
        Said.of("weigh", Said.of("bow-effort." + kind.id())),
        s ->
            s.withBow(
                s.bow().withWeight(kind, weight / BowLeaning.factor(kind, s.bow().leanings()))));
  }

  /** Leans to one end of a habit, or back to the middle. */
  public void lean(BowLeaning habit, int steps) {
    studio.keepChanging(
        Said.of("lean", Said.of("bow-leaning." + habit + (steps < 0 ? ".first" : ".second"))),
        s -> s.withBow(s.bow().withLeanings(s.bow().leanings().with(habit, steps))));
  }

  public void change(Said name, UnaryOperator<BowSetup> edit) {
    studio.changeSettings(name, s -> s.withBow(edit.apply(s.bow())));
  }
}
