package fret.session;

import fret.bowing.Stroke;
import fret.care.BodyPart;
import fret.care.Strain;
import fret.drill.Chunk;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.score.LoudnessLine;
import fret.score.PlayedTimes;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What each chunk of an open passage loads at its target: stretches, octaves, long fourth fingers,
 * high positions, fast repeats, loud long work (common practice, no source; the numbers from
 * memory). A caution that rather takes too much than too little, and no finding about a body.
 */
final class Strains {
  /** A fourth finger that long, in ms, carries the hand. */
  private static final double LONG_FINGER_MS = 700;

  /** Fingers or strokes a second. */
  private static final double FAST = 7;

  private static final double VERY_FAST = 10;

  /** Semitones above the open string at which the first finger stands. */
  private static final int HIGH = 7;

  private static final int VERY_HIGH = 12;

  /** Loud playing without a rest, in ms. */
  private static final double LONG_LOUD_MS = 6000;

  private final Session session;
  private final PlayedTimes times;
  private final List<Strain> moments = new ArrayList<>();

  private Strains(Session session) {
    this.session = session;
    this.times = PlayedTimes.of(session.resolved(), session.task().tempo());
    double loudMs = 0;
    for (Slice s : session.resolved().slices()) {
      boolean loud =
          session.bowTask().loudness().levelAt(s.onset()) >= LoudnessLine.FORTE && s.bowed();
      loudMs = loud && s.restAfter().signum() == 0 ? loudMs + times.durationMs(s.index()) : 0;
      moments.add(hand(s).and(bow(s)).and(loud(loud, loudMs)));
    }
  }

  /** By the id of each chunk. */
  static Map<String, Strain> of(Session session, List<Chunk> chunks) {
    Strains all = new Strains(session);
    Map<String, Strain> by = new HashMap<>();
    for (Chunk c : chunks) {
      by.put(c.id(), all.in(c.fromOnset(), c.toOnset()));
    }
    return by;
  }

  private Strain in(Fraction from, Fraction to) {
    Strain all = Strain.NONE;
    for (Slice s : session.resolved().slices()) {
      if (s.onset().compareTo(from) >= 0 && s.onset().compareTo(to) < 0) {
        all = all.and(moments.get(s.index()));
      }
    }
    return all;
  }

  // ---- the left hand -------------------------------------------------------------------------

  private Strain hand(Slice s) {
    Strain all = Strain.NONE;
    boolean stretch =
        session.fingering().reasonsAt(s.index()).stream()
            .anyMatch(r -> r.id().equals("stretch") && r.quantity() >= 1);
    if (stretch) {
      all = all.with(Strain.MUCH, BodyPart.LEFT_HAND, BodyPart.THUMB, BodyPart.WRIST);
      all = all.with(Strain.MUCH, BodyPart.FOURTH_FINGER);
    }
    List<NoteFinger> stopped = new ArrayList<>();
    for (int note : s.starting()) {
      session.fingering().notes().get(note).filter(f -> !f.isOpen()).ifPresent(stopped::add);
    }
    for (NoteFinger f : stopped) {
      all = all.and(finger(f, times.durationMs(s.index()), trills(f.note())));
    }
    all = all.and(chord(stopped));
    double rate = s.index() == 0 ? 0 : rate(s.index());
    boolean moves = !stopped.isEmpty() && !repeats(s);
    return rate >= FAST && moves
        ? all.with(rate >= VERY_FAST ? Strain.MUCH : Strain.SOME, BodyPart.LEFT_HAND)
        : all;
  }

  private static Strain finger(NoteFinger f, double ms, boolean trill) {
    Strain all = Strain.NONE;
    if (f.finger() == Finger.FOURTH) {
      all = all.with(ms >= LONG_FINGER_MS ? Strain.MUCH : Strain.SOME, BodyPart.FOURTH_FINGER);
      all = ms >= LONG_FINGER_MS ? all.with(Strain.SOME, BodyPart.LEFT_HAND) : all;
    }
    if (trill) {
      all = all.with(Strain.MUCH, BodyPart.LEFT_HAND);
    }
    if (f.finger() == Finger.THUMB) {
      all = all.with(Strain.MUCH, BodyPart.THUMB);
    }
    if (f.base() >= HIGH) {
      int load = f.base() >= VERY_HIGH ? Strain.MUCH : Strain.SOME;
      all = all.with(load, BodyPart.WRIST, BodyPart.SHOULDER, BodyPart.THUMB, BodyPart.NECK);
      all = all.with(Strain.SOME, BodyPart.LEFT_HAND);
    }
    return all;
  }

  private boolean trills(int note) {
    return session.resolved().notes().get(note).trill();
  }

  private static Strain chord(List<NoteFinger> stopped) {
    if (stopped.size() < 2) {
      return Strain.NONE;
    }
    int low = stopped.stream().mapToInt(f -> f.sounding().midi()).min().orElse(0);
    int high = stopped.stream().mapToInt(f -> f.sounding().midi()).max().orElse(0);
    return high - low >= 12 && stopped.size() == 2
        ? Strain.NONE.with(
            Strain.MUCH, BodyPart.LEFT_HAND, BodyPart.FOURTH_FINGER, BodyPart.WRIST, BodyPart.THUMB)
        : Strain.NONE.with(Strain.SOME, BodyPart.LEFT_HAND, BodyPart.THUMB);
  }

  // ---- the bow -------------------------------------------------------------------------------

  private double rate(int moment) {
    return 1000 / Math.max(1, times.startMs()[moment] - times.startMs()[moment - 1]);
  }

  /** Whether the same notes sound again. */
  private boolean repeats(Slice s) {
    if (s.index() == 0) {
      return false;
    }
    Slice before = session.resolved().slices().get(s.index() - 1);
    return pitches(before).equals(pitches(s));
  }

  private List<Integer> pitches(Slice s) {
    return s.starting().stream()
        .map(n -> session.resolved().notes().get(n).pitch().midi())
        .toList();
  }

  private Strain bow(Slice s) {
    Optional<Stroke> stroke = session.bowing().strokeAt(s.index());
    if (stroke.isEmpty()) {
      return Strain.NONE;
    }
    Stroke own = stroke.get();
    boolean tremolo = session.bowing().moments().get(s.index()).tremolo() > 0;
    double rate = own.fromMoment() == s.index() ? session.bowing().rate(own) : 0;
    if (tremolo || rate >= VERY_FAST) {
      return Strain.NONE.with(Strain.MUCH, BodyPart.BOW_ARM, BodyPart.WRIST);
    }
    return rate >= FAST
        ? Strain.NONE.with(Strain.SOME, BodyPart.BOW_ARM, BodyPart.WRIST)
        : Strain.NONE;
  }

  private static Strain loud(boolean loud, double forMs) {
    if (!loud) {
      return Strain.NONE;
    }
    return forMs >= LONG_LOUD_MS
        ? Strain.NONE
            .with(Strain.MUCH, BodyPart.BOW_ARM, BodyPart.SHOULDER)
            .with(Strain.SOME, BodyPart.NECK)
        : Strain.NONE.with(Strain.SOME, BodyPart.BOW_ARM, BodyPart.SHOULDER);
  }
}
