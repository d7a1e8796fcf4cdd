package fret.take;

import fret.search.Token;
import java.util.List;
import java.util.function.DoubleConsumer;

/**
 * All that a take tells.
 *
 * @param centsOff median of all pitches from the expected tuning; each note is told against it
 * @param findings in order of playing
 */
public record TakeReport(
    Expected expected, Heard heard, TempoLine tempo, double centsOff, List<Finding> findings) {
  public TakeReport {
    findings = List.copyOf(findings);
  }

  /** Listens to a recording; takes about a fiftieth of its time. */
  public static TakeReport of(
      Recording recording, Expected expected, Token token, DoubleConsumer progress) {
    Heard heard = Listener.hear(recording, expected, token, progress);
    return of(expected, heard);
  }

  /** From what was heard already. */
  public static TakeReport of(Expected expected, Heard heard) {
    TempoLine tempo = new TempoLine(expected, heard);
    double middle = WholeTuning.of(expected, heard);
    List<Finding> findings =
        Reservation.of(expected, heard).stream().anyMatch(Reservation::isOfSomethingElse)
            ? List.of()
            : new Judge(expected, heard, tempo, middle).findings();
    return new TakeReport(expected, heard, tempo, middle, findings);
  }

  /** What is to be said before it is judged; of something else nothing is found. */
  public List<Reservation> reservations() {
    return Reservation.of(expected, heard);
  }

  /** How notes come in after rests. */
  public Entries entries() {
    return Entries.of(expected, tempo);
  }

  /** The A that it is tuned to, in Hz. */
  public double a4() {
    return expected.a4() * Math.pow(2, (heard.tunedCents() + centsOff) / 1200);
  }

  /**
   * Distances of the notes of a double stop or chord from where they are expected in the take's own
   * tuning, low to high, in cents; {@code NaN} where one cannot be told.
   */
  public List<Double> tones(HeardNote n) {
    return n.tones().stream().map(c -> c - centsOff).toList();
  }

  /** A note's distance from where it is expected in the take's own tuning, in cents. */
  public double cents(HeardNote n) {
    return n.pitch().cents() - centsOff;
  }
}
