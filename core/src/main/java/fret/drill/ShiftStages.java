package fret.drill;

import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.pitch.Pitch;
import fret.score.Direction;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Drills of one shift, beside the slides of {@link ShiftDrill}. */
public final class ShiftStages {
  /** Counts of a slide, the slowest first. */
  private static final int[] COUNTS = {8, 6, 4, 2, 1};

  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final Fraction HALF = Fraction.of(1, 2);

  private final ResolvedPassage passage;
  private final Shift shift;
  private final List<Head> from;
  private final List<Head> to;
  private final Optional<List<Head>> anchor;

  /**
   * @param places how each note of the passage is fingered
   */
  public ShiftStages(ResolvedPassage passage, Shift shift, List<Optional<NoteFinger>> places) {
    this.passage = passage;
    this.shift = shift;
    this.from = head(places.get(shift.fromNote()));
    this.to = head(places.get(shift.toNote()));
    this.anchor = shift.fromSlice() == 0 ? Optional.empty() : Optional.of(before(places));
  }

  private List<Head> before(List<Optional<NoteFinger>> places) {
    int note = passage.slices().get(shift.fromSlice() - 1).starting().get(0);
    return head(places.get(note));
  }

  private List<Head> head(Optional<NoteFinger> place) {
    return place
        .map(
            p -> {
              Pitch written = p.sounding().plus(passage.score().transposition().negated());
              return List.of(Head.of(written).withPrintedFinger(p.finger().digit()));
            })
        .orElse(List.of());
  }

  private LineBuilder line() {
    return LineBuilder.about(passage.score(), passage.notes().get(shift.toNote()).key());
  }

  private Score built(LineBuilder line) {
    line.fillBar();
    return line.build("", passage.score().transposition());
  }

  /** The parts of a drill of shifts; none where the passage has nothing for it. */
  public List<Score> parts(DrillKind kind) {
    return switch (kind) {
      case STOP_BEFORE_SHIFT -> stopBefore();
      case SHIFT_FROM_ANCHOR -> fromAnchor();
      case COUNTED_SLIDE -> counted();
      default -> throw new IllegalArgumentException(kind + " is no stage of a shift");
    };
  }

  /** The bow stops before the shift; the hand moves in silence; the note reached sounds. */
  private List<Score> stopBefore() {
    LineBuilder line = line();
    for (int i = 0; i < 2; i++) {
      line.add(QUARTER, from, Signs.PLAIN);
      line.add(QUARTER, List.of(), Signs.PLAIN);
      line.add(HALF, to, Signs.PLAIN);
    }
    return List.of(built(line));
  }

  /** From the note before the one that is left, so that the hand knows where it comes from. */
  private List<Score> fromAnchor() {
    if (anchor.isEmpty() || anchor.get().isEmpty()) {
      return List.of();
    }
    LineBuilder line = line();
    for (int i = 0; i < 2; i++) {
      line.add(QUARTER, anchor.get(), Signs.PLAIN);
      line.add(QUARTER, from, Signs.PLAIN);
      line.add(HALF, to, Signs.PLAIN);
    }
    return List.of(built(line));
  }

  /** The slide over eight counts, then fewer, to one. */
  private List<Score> counted() {
    List<Score> parts = new ArrayList<>();
    for (int count : COUNTS) {
      LineBuilder line = line();
      line.say(Direction.Kind.WORDS, String.valueOf(count));
      line.add(Fraction.of(count, 4), from, Signs.PLAIN.withSlurs(List.of(1), List.of()));
      line.add(HALF, to, Signs.PLAIN.withSlurs(List.of(), List.of(1)));
      parts.add(built(line));
    }
    return parts;
  }
}
