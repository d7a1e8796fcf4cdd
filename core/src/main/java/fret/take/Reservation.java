package fret.take;

import fret.take.Expected.Moment;
import java.util.ArrayList;
import java.util.List;

/**
 * What keeps a take from being judged as a whole, or in part.
 *
 * @param kind what is the matter
 * @param moment where, among the expected moments
 * @param amount seconds of a stop; notes that fit in a hundred for a recording of something else
 */
public record Reservation(Kind kind, int moment, double amount) {
  /** What can be the matter with a recording. */
  public enum Kind {
    /** Nothing in it sounds like the part: noise, speech, another piece. */
    NOTHING,
    /** Some of it does by chance. */
    OTHER,
    BEGINS_LATER,
    ENDS_EARLIER,
    /** A long silence within. */
    STOP
  }

  /** Takes of other music reach 55 in a hundred, true ones with many faults 90 and more. */
  private static final double LEAST_FIT = 0.65;

  private static final double HARDLY_ANY = 0.15;
  private static final double SURE = 0.25;
  private static final double STOP_S = 1.5;

  /** Nobody plays a step so much slower or faster than the others without a stop. */
  private static final double ANYHOW = 1.6;

  private static final int FEWEST_STEPS = 4;

  /** Whether it is of the part at all. */
  public boolean isOfSomethingElse() {
    return kind == Kind.NOTHING || kind == Kind.OTHER;
  }

  /** All that is to be said before a take is judged, in order of playing. */
  static List<Reservation> of(Expected expected, Heard heard) {
    double fit = fit(heard) * steady(expected, heard);
    if (fit < LEAST_FIT) {
      Kind kind = fit < HARDLY_ANY ? Kind.NOTHING : Kind.OTHER;
      return List.of(new Reservation(kind, 0, Math.round(100 * fit)));
    }
    List<Reservation> all = new ArrayList<>();
    List<HeardNote> notes = heard.notes();
    int first = notes.get(0).moment();
    int last = notes.get(notes.size() - 1).moment();
    if (first > 0) {
      all.add(new Reservation(Kind.BEGINS_LATER, first, 0));
    }
    for (int i = 0; i + 1 < notes.size(); i++) {
      double silent = notes.get(i + 1).onsetS() - notes.get(i).endS();
      boolean filled = 2 * other(heard, notes.get(i).endS(), notes.get(i + 1).onsetS()) > silent;
      if (!filled && isStop(expected, notes.get(i), notes.get(i + 1))) {
        all.add(new Reservation(Kind.STOP, notes.get(i).moment(), silent));
      }
    }
    if (last < expected.moments().size() - 1) {
      all.add(new Reservation(Kind.ENDS_EARLIER, last, 0));
    }
    return all;
  }

  /** The share of notes that are those of the part, of all that sounds. */
  private static double fit(Heard heard) {
    int passed = heard.notes().size() + heard.missing().size();
    long own =
        heard.notes().stream().filter(n -> !n.pitch().isOther() && n.confidence() >= SURE).count();
    return passed == 0 ? 0 : heard.alignedShare() * own / passed;
  }

  /** Seconds between two times in which something else than the part sounds. */
  private static double other(Heard heard, double from, double to) {
    return heard.leftOut().stream()
        .mapToDouble(x -> Math.max(0, Math.min(to, x.to()) - Math.max(from, x.from())))
        .sum();
  }

  /** The share of its steps that go at the take's own pace: what fits by chance comes anyhow. */
  private static double steady(Expected expected, Heard heard) {
    List<HeardNote> notes = heard.notes();
    List<Double> paces = new ArrayList<>();
    for (int i = 0; i + 1 < notes.size(); i++) {
      HeardNote a = notes.get(i);
      HeardNote b = notes.get(i + 1);
      double written =
          expected.moments().get(b.moment()).startMs()
              - expected.moments().get(a.moment()).startMs();
      double took = (b.onsetS() - a.onsetS()) * 1000;
      if (written > 0 && took > 0) {
        paces.add(written / took);
      }
    }
    if (paces.size() < FEWEST_STEPS) {
      return 1;
    }
    List<Double> sorted = paces.stream().sorted().toList();
    double usual = sorted.get(sorted.size() / 2);
    long near = paces.stream().filter(x -> x < usual * ANYHOW && x > usual / ANYHOW).count();
    return near / (double) paces.size();
  }

  /** Whether so long a silence lies between two notes that it is no way of playing. */
  static boolean isStop(Expected expected, HeardNote one, HeardNote next) {
    Moment a = expected.moments().get(one.moment());
    Moment b = expected.moments().get(next.moment());
    double rest = Math.max(0, b.startMs() - a.startMs() - a.soundsMs()) / 1000;
    return next.onsetS() - one.endS() > STOP_S + 2 * rest;
  }
}
