package fret.take;

import fret.search.Token;
import fret.take.Follower.Stretch;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;

/** Lays a recording along the part and measures each note of it. */
public final class Listener {
  /** Grows whenever a recording may be heard otherwise than before: what was kept is then void. */
  public static final int EDITION = 1;

  private static final double LEFT_OUT_S = 0.4;
  private static final double ALIKE = 0.42;

  /** Shares of the work that are done when the tuning and when the way is found. */
  private static final double TUNED = 0.2;

  private static final double FOLLOWED = 0.45;

  private final Listened heard;
  private final NoteMeter meter;

  private Listener(Listened heard) {
    this.heard = heard;
    this.meter = new NoteMeter(heard);
  }

  /**
   * Takes about a hundredth of the recording's time.
   *
   * @param progress told from 0 to 1
   */
  public static Heard hear(
      Recording recording, Expected expected, Token token, DoubleConsumer progress) {
    Listened heard = Listened.to(recording, expected);
    progress.accept(TUNED);
    List<Stretch> stretches = new Follower(recording, expected, heard.tuned()).follow(token);
    progress.accept(FOLLOWED);
    return new Listener(heard).measured(stretches, token, progress);
  }

  private Heard measured(List<Stretch> stretches, Token token, DoubleConsumer progress) {
    Runs runs = Runs.of(stretches, heard);
    HeardNote[] last = new HeardNote[heard.expected().moments().size()];
    Beginnings beginnings = new Beginnings(heard);
    int done = 0;
    for (List<Rough> run : runs.runs()) {
      Repeated.tellApart(run, heard);
      for (int i = 0; i < run.size(); i++) {
        beginnings.set(run, i);
      }
      for (int i = 0; i < run.size(); i++) {
        token.check();
        measure(run, i, last);
        done++;
        progress.accept(FOLLOWED + (1 - FOLLOWED) * Math.min(1, done / (double) last.length));
      }
    }
    PassedOver passed = new PassedOver(heard, meter, last);
    return new Heard(
        heard.recording().seconds(),
        passed.notes(),
        runs.taken(),
        leftOut(stretches),
        passed.missing(),
        heard.tuned(),
        alignedShare(stretches));
  }

  /** Of several tries of a moment the last one stays. */
  private void measure(List<Rough> run, int i, HeardNote[] last) {
    HeardNote note = meter.measure(run, i).orElse(null);
    if (note == null) {
      return;
    }
    last[note.moment()] = note;
    HeardNote left = i == 0 ? null : last[run.get(i - 1).moment];
    boolean both = left != null && left.pitch().isTold() && note.pitch().isTold();
    if (!both || note.lengthS() < 3 * PitchTrack.SHORTEST_OTHER_S) {
      return;
    }
    // Where something else sounds first, it is one note too many after the one before.
    double lead = meter.otherFirst(note, run.get(i - 1).expected);
    if (lead >= PitchTrack.SHORTEST_OTHER_S) {
      last[left.moment()] = left.adding(lead * 1000);
      last[note.moment()] =
          meter.pitched(note.within(note.onsetS() + lead, note.endS()), note.endS());
    }
  }

  private List<Heard.LeftOut> leftOut(List<Stretch> stretches) {
    List<Heard.LeftOut> all = new ArrayList<>();
    for (Stretch s : stretches) {
      boolean loud = heard.sounds(s.from(), s.to());
      if (!s.sounds() && loud && s.to() - s.from() >= LEFT_OUT_S) {
        all.add(new Heard.LeftOut(Math.max(0, s.from()), s.to()));
      }
    }
    return all;
  }

  private double alignedShare(List<Stretch> stretches) {
    double sounding = 0;
    double aligned = 0;
    for (Stretch s : stretches) {
      if (heard.sounds(s.from(), s.to())) {
        sounding += s.to() - s.from();
        aligned += s.sounds() && s.likeness() >= ALIKE ? s.to() - s.from() : 0;
      }
    }
    return sounding <= 0 ? 0 : aligned / sounding;
  }
}
