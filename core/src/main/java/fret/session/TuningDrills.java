package fret.session;

import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.harmony.Harmony;
import fret.intonation.Check;
import fret.intonation.Tuned;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Drills of the ear as notation: each note and its check in turn and together, neighbours as double
 * stops, chords built up in the order in which they are tuned (common practice, no source).
 */
final class TuningDrills {
  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final Fraction HALF = Fraction.of(1, 2);

  private static final int TIMES = 2;

  /** More notes at once tire the ear. */
  private static final int MOST = 12;

  private final Session session;
  private final ResolvedPassage passage;
  private Tuned tuned;

  TuningDrills(Session session) {
    this.session = session;
    this.passage = session.resolved();
  }

  /** One part; empty where a chunk has nothing of the kind. */
  Optional<Score> of(Chunk chunk, DrillKind kind) {
    List<Integer> notes = new ArrayList<>();
    List<Integer> chords = new ArrayList<>();
    for (Slice s : passage.slices()) {
      if (s.onset().compareTo(chunk.fromOnset()) >= 0
          && s.onset().compareTo(chunk.toOnset()) < 0
          && s.grace() == 0) {
        notes.addAll(s.starting());
        if (s.starting().size() > 1) {
          chords.add(s.index());
        }
      }
    }
    if (notes.isEmpty()) {
      return Optional.empty();
    }
    LineBuilder line = LineBuilder.about(passage.score(), passage.notes().get(notes.get(0)).key());
    int made =
        switch (kind) {
          case CHECKS -> checks(notes, line);
          case NEIGHBOURS -> neighbours(notes, line);
          case CHORD_BUILD -> chords(chords, line);
          default -> throw new IllegalArgumentException(kind.name());
        };
    line.fillBar();
    return made == 0
        ? Optional.empty()
        : Optional.of(line.build("", passage.score().transposition()));
  }

  /**
   * A shift, and at once what its arrival is checked against: alone, and together where the strings
   * are neighbours. Empty where no open string answers.
   */
  Optional<Score> toCheck(Shift shift) {
    Optional<Check> open =
        tuned().notes().get(shift.toNote()).stream()
            .flatMap(p -> p.checks().stream())
            .filter(c -> c.kind() == Check.Kind.OPEN)
            .findFirst();
    if (open.isEmpty()) {
      return Optional.empty();
    }
    LineBuilder line =
        LineBuilder.about(passage.score(), passage.notes().get(shift.fromNote()).key());
    Head from = written(shift.fromNote());
    Head to = written(shift.toNote());
    Head against = written(open.get().against(), "0");
    List<Head> end = open.get().beside() ? List.of(to, against) : List.of(to);
    for (int i = 0; i < TIMES; i++) {
      line.add(QUARTER, List.of(from), joined(true));
      line.add(HALF, List.of(to), joined(false));
      line.add(QUARTER, List.of(against), Signs.PLAIN);
      line.add(Fraction.ONE, end, Signs.PLAIN);
    }
    return Optional.of(line.build("", passage.score().transposition()));
  }

  private static Signs joined(boolean starts) {
    return Signs.PLAIN.withSlurs(starts ? List.of(1) : List.of(), starts ? List.of() : List.of(1));
  }

  private Tuned tuned() {
    if (tuned == null) {
      // The open strings and the fingers decide what can be checked, whatever the chords are.
      tuned = Ear.tuned(session, Harmony.NONE);
    }
    return tuned;
  }

  private Head written(Pitch sounding, String digits) {
    return Head.of(sounding.plus(passage.score().transposition().negated()))
        .withPrintedFinger(digits);
  }

  private Head written(int note) {
    NoteFinger f = session.fingering().notes().get(note).orElseThrow();
    return written(f.sounding(), f.fingers());
  }

  private int checks(List<Integer> notes, LineBuilder line) {
    List<Pitch> done = new ArrayList<>();
    for (int note : notes) {
      Optional<Tuned.Place> place = tuned().notes().get(note);
      Pitch pitch = passage.notes().get(note).pitch();
      if (place.isEmpty() || done.contains(pitch) || done.size() == MOST) {
        continue;
      }
      Optional<Check> open =
          place.get().checks().stream().filter(c -> c.kind() == Check.Kind.OPEN).findFirst();
      if (open.isEmpty()) {
        continue;
      }
      done.add(pitch);
      Head head = written(note);
      Head against = written(open.get().against(), "0");
      line.add(QUARTER, List.of(head), Signs.PLAIN);
      line.add(QUARTER, List.of(against), Signs.PLAIN);
      line.add(HALF, open.get().beside() ? List.of(head, against) : List.of(head), Signs.PLAIN);
    }
    return done.size();
  }

  private int neighbours(List<Integer> notes, LineBuilder line) {
    int made = 0;
    for (Tuned.Pair p : tuned().pairs()) {
      boolean inside = notes.contains(p.first()) && notes.contains(p.second());
      if (inside && made < MOST) {
        line.add(QUARTER, List.of(written(p.first())), Signs.PLAIN);
        line.add(QUARTER, List.of(written(p.second())), Signs.PLAIN);
        line.add(HALF, List.of(written(p.first()), written(p.second())), Signs.PLAIN);
        made++;
      }
    }
    return made;
  }

  /** Each note joins those that are in tune already. */
  private int chords(List<Integer> slices, LineBuilder line) {
    int made = 0;
    for (int slice : slices) {
      List<Integer> order =
          tuned().orders().get(slice).notes(Ear.setup(session).school()).stream()
              .filter(n -> session.fingering().notes().get(n).isPresent())
              .toList();
      if (order.size() < 2 || made == MOST) {
        continue;
      }
      List<Head> together = new ArrayList<>();
      for (int note : order) {
        line.add(QUARTER, List.of(written(note)), Signs.PLAIN);
        together.add(written(note));
        if (together.size() > 1 && sideBySide(order.subList(0, together.size()))) {
          line.add(QUARTER, together, Signs.PLAIN);
        }
      }
      line.fillBar();
      made++;
    }
    return made;
  }

  /** Whether the bow can sound them together. */
  private boolean sideBySide(List<Integer> notes) {
    OptionalInt high = strings(notes).min();
    OptionalInt low = strings(notes).max();
    return low.getAsInt() - high.getAsInt() == notes.size() - 1;
  }

  private java.util.stream.IntStream strings(List<Integer> notes) {
    return notes.stream().mapToInt(n -> session.fingering().notes().get(n).orElseThrow().string());
  }
}
