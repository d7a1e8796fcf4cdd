package fret.take;

import fret.take.Expected.Moment;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Moments between heard ones that were not heard themselves: something else, or nothing. */
final class PassedOver {
  private static final double DIP_DB = 2.5;
  private static final double DIP_REACH_S = 0.08;
  private static final double GAP_S = 0.1;
  private static final double TOUCH_S = 0.03;
  private static final double LEAST_PACE = 0.6;
  private static final double LONGER = 1.35;
  private static final double LIKELY = 0.6;

  private final Listened heard;
  private final NoteMeter meter;
  private final HeardNote[] last;
  private final List<HeardNote> instead = new ArrayList<>();
  private final List<Integer> missing = new ArrayList<>();

  /**
   * @param last by moment, null where it was not heard; notes that were taken for longer than they
   *     are become shorter
   */
  PassedOver(Listened heard, NoteMeter meter, HeardNote[] last) {
    this.heard = heard;
    this.meter = meter;
    this.last = last;
    int before = -1;
    for (int i = 0; i < last.length; i++) {
      if (last[i] != null) {
        if (before >= 0) {
          between(before, i);
        }
        before = i;
      }
    }
  }

  /** All that was heard, in order of the moments. */
  List<HeardNote> notes() {
    List<HeardNote> all = new ArrayList<>(instead);
    for (HeardNote n : last) {
      if (n != null) {
        all.add(n);
      }
    }
    all.sort(Comparator.comparingInt(HeardNote::moment));
    return all;
  }

  /** Moments in place of which nothing was heard. */
  List<Integer> missing() {
    return missing;
  }

  private void between(int before, int after) {
    if (after - before == 2) {
      instead(before)
          .ifPresentOrElse(
              instead::add,
              () -> {
                if (!isWithin(before)) {
                  missing.add(before + 1);
                }
              });
    } else if (after - before == 3) {
      missing.add(before + 1);
      missing.add(before + 2);
    }
  }

  /** Whether an ornament runs into the note before: a trill to it, that is held for both. */
  private boolean isWithin(int before) {
    HeardNote left = last[before];
    double own = heard.lastsMs(before) / 1000;
    double both = own + heard.lastsMs(before + 1) / 1000;
    return heard.moment(before + 1).ornament()
        && last[before + 2].onsetS() - left.endS() < GAP_S
        && left.lengthS() > (own + both) / 2;
  }

  /** Something that stands between two notes where one should. */
  private Optional<HeardNote> instead(int before) {
    HeardNote left = last[before];
    HeardNote right = last[before + 2];
    Moment m = heard.moment(before + 1);
    if (!m.isSingle() || m.ornament()) {
      return Optional.empty();
    }
    if (sounds(left.endS(), right.onsetS()) >= PitchTrack.SHORTEST_OTHER_S) {
      HeardNote there =
          meter.pitched(empty(before + 1, left.endS(), right.onsetS()), right.onsetS());
      if (there.pitch().isOther() || there.pitch().isTold()) {
        return Optional.of(there);
      }
    }
    return sameOnceMore(before).or(() -> nextTooSoon(before));
  }

  /** For how long of a stretch something sounds, in s; 0 where that is not most of it. */
  private double sounds(double from, double to) {
    double step = PitchTrack.FRAME_S;
    int frames = 0;
    for (double t = from + step; t < to - step; t += step) {
      frames += heard.sounds(t - step / 2, t + step / 2) ? 1 : 0;
    }
    return frames * step > 0.5 * (to - from) ? frames * step : 0;
  }

  private static HeardNote empty(int moment, double from, double to) {
    return new HeardNote(moment, from, to, Double.NaN, 0, HeardPitch.NONE, List.of(), 0, LIKELY);
  }

  /** The wrong note is the one before once more: that is too long and has a dip in it. */
  private Optional<HeardNote> sameOnceMore(int before) {
    HeardNote left = last[before];
    HeardNote right = last[before + 2];
    double own = heard.lastsMs(before) / 1000;
    double pace = (right.onsetS() - left.onsetS()) / (own + heard.lastsMs(before + 1) / 1000);
    boolean longer = right.onsetS() - left.endS() < TOUCH_S && pace > LEAST_PACE;
    double wanted = left.onsetS() + own * pace;
    double hertz = heard.hertz(heard.moment(before));
    if (!longer || !dips(wanted, left.endS(), hertz)) {
      return Optional.empty();
    }
    double at = heard.onsets().dip(wanted, left.onsetS(), right.onsetS(), hertz);
    HeardNote other = meter.pitched(empty(before + 1, at, left.endS()), left.endS());
    if (!other.pitch().isOther()) {
      return Optional.empty();
    }
    last[before] = meter.pitched(left.within(left.onsetS(), at), at);
    return Optional.of(other);
  }

  /** The wrong note is the next one too soon: that is too long and has a dip in it. */
  private Optional<HeardNote> nextTooSoon(int before) {
    HeardNote right = last[before + 2];
    double wanted = right.onsetS() + heard.lastsMs(before + 1) / 1000;
    double hertz = heard.hertz(heard.moment(before + 2));
    boolean longer = right.lengthS() > LONGER * heard.lastsMs(before + 2) / 1000;
    if (!longer || !dips(wanted, right.endS(), hertz)) {
      return Optional.empty();
    }
    double at = heard.onsets().dip(wanted, right.onsetS(), right.endS(), hertz);
    HeardNote other = meter.pitched(empty(before + 1, right.onsetS(), at), at);
    if (!other.pitch().isOther()) {
      return Optional.empty();
    }
    last[before + 2] = meter.pitched(right.within(at, right.endS()), right.endS());
    return Optional.of(other);
  }

  private boolean dips(double about, double to, double hertz) {
    double at =
        heard.onsets().dip(about, about - DIP_REACH_S, Math.min(to, about + DIP_REACH_S), hertz);
    return heard.onsets().depthDb(at, hertz) >= DIP_DB;
  }
}
