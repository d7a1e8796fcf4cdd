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

/**
 * The drill of one shift as notation: the guide note is heard slowly, faster, then not at all; the
 * bow stops while the hand moves; then there and back (common practice, no source).
 */
public final class ShiftDrill {
  /**
   * How a player shifts.
   *
   * @param oldFinger whether the finger that leaves guides the hand; else the one that arrives
   * @param late whether the slide belongs to the new bow; else to the old one
   * @param slideBeats beats that the slow slide is counted over, 1 to 8
   */
  public record Manner(boolean oldFinger, boolean late, int slideBeats) {
    public static final Manner USUAL = new Manner(true, false, 2);

    private static final int MOST_BEATS = 8;

    public Manner {
      if (slideBeats < 1 || slideBeats > MOST_BEATS) {
        throw new IllegalArgumentException("a slide over " + slideBeats + " beats");
      }
    }
  }

  private static final Fraction QUARTER = Fraction.of(1, 4);

  private final ResolvedPassage passage;
  private final Shift shift;
  private final Manner manner;
  private final List<Head> from;
  private final List<Head> to;
  private final Optional<Head> guide;
  private final boolean slurred;
  private final List<Direction> words = new ArrayList<>();
  private LineBuilder line;
  private Fraction at = Fraction.ZERO;

  private ShiftDrill(ResolvedPassage passage, Shift shift, Manner manner, List<NoteFinger> places) {
    this.passage = passage;
    this.shift = shift;
    this.manner = manner;
    this.from = List.of(head(places.get(0)));
    this.to = List.of(head(places.get(1)));
    this.guide = guide();
    this.slurred = passage.slices().get(shift.toSlice()).slurredInto();
  }

  /**
   * The drill of a shift.
   *
   * @param left how the note that the shift leaves is fingered; {@code reached} the note it reaches
   */
  public static Score notation(
      ResolvedPassage passage, Shift shift, NoteFinger left, NoteFinger reached, Manner manner) {
    return new ShiftDrill(passage, shift, manner, List.of(left, reached)).build();
  }

  private Head head(NoteFinger place) {
    Pitch written = place.sounding().plus(passage.score().transposition().negated());
    return Head.of(written).withPrintedFinger(place.finger().digit());
  }

  /** The guide note that is heard; none where the finger slides straight from note to note. */
  private Optional<Head> guide() {
    Optional<Shift.Guide> first = manner.oldFinger() ? shift.oldFinger() : shift.newFinger();
    Optional<Shift.Guide> used = first.or(manner.oldFinger() ? shift::newFinger : shift::oldFinger);
    return used.filter(
            g ->
                g.pitch().midi() != passage.notes().get(shift.toNote()).pitch().midi()
                    && g.pitch().midi() != passage.notes().get(shift.fromNote()).pitch().midi())
        .map(
            g ->
                Head.of(g.pitch().plus(passage.score().transposition().negated()))
                    .withPrintedFinger(g.finger().digit()));
  }

  private Score build() {
    line = LineBuilder.about(passage.score(), passage.notes().get(shift.toNote()).key());
    int slide = manner.slideBeats();
    step("slow");
    guided(QUARTER.multiply(4 - Math.min(3, slide)), QUARTER.multiply(slide), Fraction.ONE);
    step("faster");
    guided(Fraction.of(1, 2), QUARTER, QUARTER);
    step("quick");
    guided(Fraction.of(3, 8), Fraction.of(1, 8), Fraction.of(1, 2));
    step("stop the bow");
    note(from, QUARTER, Signs.PLAIN);
    note(List.of(), QUARTER, Signs.PLAIN);
    note(to, Fraction.of(1, 2), Signs.PLAIN);
    step("silent");
    note(from, Fraction.of(1, 2), joined(true));
    note(to, Fraction.of(1, 2), joined(false));
    step("back");
    note(to, Fraction.of(1, 2), joined(true));
    note(from, Fraction.of(1, 2), joined(false));
    Score plain = line.build("", passage.score().transposition());
    return plain.withBars(
        plain.bars().stream()
            .map(
                b ->
                    b.withDirections(
                        words.stream()
                            .filter(d -> d.onset().compareTo(b.start()) >= 0)
                            .filter(d -> d.onset().compareTo(b.end()) < 0)
                            .toList()))
            .toList());
  }

  /** Fills the bar, and prints how the next step is played over its first note. */
  private void step(String how) {
    line.fillBar();
    Fraction whole = Fraction.of(at.intValue());
    at = at.equals(whole) ? at : whole.add(Fraction.ONE);
    words.add(new Direction(at, Direction.Kind.WORDS, how, 0));
  }

  /** The note left, its guide, the note reached. */
  private void guided(Fraction left, Fraction slid, Fraction reached) {
    note(from, left, starts());
    guide.ifPresent(g -> note(List.of(g), slid, slurred ? Signs.PLAIN : passing()));
    note(to, guide.isPresent() ? reached : slid.add(reached), stops());
  }

  /** Whose bow the slide is in: with the change of bow, or late, in the new one. */
  private Signs passing() {
    return manner.late()
        ? Signs.PLAIN.withSlurs(List.of(1), List.of())
        : Signs.PLAIN.withSlurs(List.of(), List.of(1));
  }

  private Signs starts() {
    boolean starts = slurred || guide.isPresent() && !manner.late();
    return starts ? Signs.PLAIN.withSlurs(List.of(1), List.of()) : Signs.PLAIN;
  }

  private Signs stops() {
    boolean stops = slurred || guide.isPresent() && manner.late();
    return stops ? Signs.PLAIN.withSlurs(List.of(), List.of(1)) : Signs.PLAIN;
  }

  /** Slurred as in the passage, so that the bow change that goes with the shift is kept. */
  private Signs joined(boolean first) {
    if (!slurred) {
      return Signs.PLAIN;
    }
    return first
        ? Signs.PLAIN.withSlurs(List.of(1), List.of())
        : Signs.PLAIN.withSlurs(List.of(), List.of(1));
  }

  private void note(List<Head> heads, Fraction length, Signs signs) {
    line.add(length, heads, signs);
    at = at.add(length);
  }
}
