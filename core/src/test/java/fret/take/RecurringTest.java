package fret.take;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Pitch;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import fret.take.Fault.Kind;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class RecurringTest {
  private static final int NOTES = 8;

  private static Expected line() {
    List<Moment> moments = new ArrayList<>();
    Pitch pitch = Pitch.parse("A4");
    for (int i = 0; i < NOTES; i++) {
      moments.add(
          new Moment(
              i,
              0,
              500 * i,
              500 * i + 500,
              500,
              List.of(new Tone(i, pitch, 440)),
              List.of(),
              Join.PLAIN,
              true,
              false,
              false,
              4));
    }
    return new Expected(moments, List.of(new Span(0, "1", 0, 500 * NOTES)), 440);
  }

  private static TakeReport take(Fault... faults) {
    Heard nothing = new Heard(4, List.of(), List.of(), List.of(), List.of(), 0, 1);
    List<Finding> found = new ArrayList<>();
    for (Fault f : faults) {
      found.add(new Finding(f, 0.9));
    }
    Expected e = line();
    return new TakeReport(e, nothing, TakeReport.of(e, nothing).tempo(), 0, found);
  }

  @Test
  void whatIsLateInFourOfFiveTakesIsToldOnceWithItsMedian() {
    List<Recurring> all =
        Recurring.of(
            List.of(
                take(new Fault(Kind.LATE, 3, 50), new Fault(Kind.FLAT, 5, 20)),
                take(new Fault(Kind.LATE, 3, 70)),
                take(),
                take(new Fault(Kind.LATE, 3, 60), new Fault(Kind.FLAT, 5, 24)),
                take(new Fault(Kind.LATE, 3, 66), new Fault(Kind.SHARP, 5, 18))));
    assertThat(all)
        .containsExactly(
            new Recurring(new Fault(Kind.LATE, 3, 63), 4, 5),
            new Recurring(new Fault(Kind.FLAT, 5, 22), 2, 5));
  }

  @Test
  void onceIsNotAgainAndTwoTakesAreTooFew() {
    Fault late = new Fault(Kind.LATE, 3, 50);
    assertThat(Recurring.of(List.of(take(late), take(late)))).isEmpty();
    assertThat(Recurring.of(List.of(take(late), take(), take()))).isEmpty();
    assertThat(Recurring.of(List.of(take(late), take(late), take(), take(), take(), take())))
        .isEmpty();
  }
}
