package fret.fingering;

import fret.base.Problem;
import fret.base.Said;
import fret.instrument.Instrument;
import fret.mark.Wish;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Something that was asked of a note and is not played so: told where it is looked at, and never
 * shown as kept.
 *
 * @param asked the digits that were asked; empty where it was a string or a wish
 * @param string the string that was asked, 1 the highest; 0 for none
 * @param wish of which it is a part; empty for a single note
 */
public record Unkept(int note, By by, String asked, int string, Optional<Wish> wish) {
  /** Who asked. */
  public enum By {
    /** The player, of this note. */
    PIN,
    /** The player, of a stretch of notes. */
    WISH,
    /** The page, in digits, numerals or words. */
    PAGE
  }

  public Unkept {
    Objects.requireNonNull(by);
    Objects.requireNonNull(asked);
    Objects.requireNonNull(wish);
  }

  /**
   * All that a fingering does not keep, by note.
   *
   * @param wishes of the player
   * @param printed wishes that stand on the page as words
   */
  public static List<Unkept> of(
      FingeringTask task,
      Decided decided,
      List<Wish> wishes,
      List<Wish> printed,
      Fingering fingering) {
    List<Unkept> all = new ArrayList<>();
    for (NoteRule pin : decided.pins()) {
      if (!pin.isKeptBy(fingering)) {
        all.add(new Unkept(pin.note(), By.PIN, digits(pin), pin.string(), Optional.empty()));
      }
    }
    wishes.forEach(w -> unkept(task, w, By.WISH, fingering, all));
    printed.forEach(w -> unkept(task, w, By.PAGE, fingering, all));
    digits(task.passage(), decided, fingering, all);
    all.sort(Comparator.comparingInt(Unkept::note).thenComparing(Unkept::by));
    return all;
  }

  private static void unkept(
      FingeringTask task, Wish wish, By by, Fingering fingering, List<Unkept> into) {
    Wishes rules = WishRules.of(task.passage(), task.tempo(), List.of(), List.of(wish), Set.of());
    for (NoteRule rule : rules.stretches()) {
      if (!rule.isKeptBy(fingering)) {
        into.add(new Unkept(rule.note(), by, "", 0, Optional.of(wish)));
      }
    }
    for (Shift shift : fingering.shifts()) {
      if (rules.still().contains(shift.toSlice())) {
        into.add(new Unkept(shift.toNote(), by, "", 0, Optional.of(wish)));
      }
    }
  }

  /** Printed digits and numerals; where the player chose otherwise nothing is missing. */
  private static void digits(
      ResolvedPassage passage, Decided decided, Fingering fingering, List<Unkept> into) {
    for (int i = 0; i < passage.notes().size(); i++) {
      SoundingNote n = passage.notes().get(i);
      int note = i;
      boolean chosen = decided.rules().stream().anyMatch(r -> r.note() == note);
      boolean asks = n.startingFinger().isPresent() || n.printedString() > 0;
      if (asks && !chosen) {
        NoteRule rule =
            new NoteRule(
                i, n.startingFinger(), n.replacingFinger(), n.printedString(), 0, false, false);
        boolean harmonic = fingering.notes().get(i).filter(NoteFinger::harmonic).isPresent();
        if (!harmonic && !rule.isKeptBy(fingering)) {
          into.add(new Unkept(i, By.PAGE, n.printedFinger(), n.printedString(), Optional.empty()));
        }
      }
    }
  }

  private static String digits(NoteRule pin) {
    String first = pin.finger().map(f -> f.digit()).orElse("");
    String touched = pin.harmonic() ? "h" + first : first;
    return pin.replacedBy().map(f -> touched + "-" + f.digit()).orElse(touched);
  }

  /** What is to be told of it where problems are listed. */
  public Problem problem(ResolvedPassage passage, Instrument instrument, Fingering fingering) {
    SoundingNote n = passage.notes().get(note);
    Said stands =
        fingering
            .notes()
            .get(note)
            .map(p -> place(p.digits(), p.string(), instrument))
            .orElse(Said.of("unkept.nothing"));
    Said what =
        wish.map(w -> told(w, instrument)).orElseGet(() -> place(asked, string, instrument));
    return Problem.atBar(
        n.bar(), Said.of("unkept.problem", n.pitch(), what, stands), Said.of("unkept.problem.do"));
  }

  private static Said told(Wish wish, Instrument instrument) {
    return wish.kind() == Wish.Kind.ON_STRING
        ? Said.of("unkept.string", instrument.stringName(wish.ask().value()))
        : Said.of("wish." + wish.kind().name());
  }

  private static Said place(String digits, int string, Instrument instrument) {
    if (string == 0) {
      return Said.of("unkept.finger", digits);
    }
    String name = instrument.stringName(string);
    return digits.isEmpty()
        ? Said.of("unkept.string", name)
        : Said.of("unkept.place", digits, name);
  }

  /** Whether the player asked for it. */
  public boolean isMine() {
    return by != By.PAGE;
  }
}
