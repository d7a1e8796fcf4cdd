package fret.session;

import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.SupportLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.player.BodyCue;
import fret.player.Region;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What hand and arm do on a note although the hand does not move (common practice, no source). */
public final class StillCues {
  /** A fourth finger that stays down so long needs the arm behind it (from memory), in s. */
  private static final double LONG_S = 0.5;

  /** Where the first finger stands in third position. */
  private static final int THIRD_POSITION = 5;

  private StillCues() {}

  /** The cues of a note in a fingering, the most pressing first. */
  public static List<BodyCue> of(Session s, Fingering fingering, int note) {
    Optional<NoteFinger> place = fingering.notes().get(note);
    if (place.isEmpty()) {
      return List.of();
    }
    NoteFinger p = place.get();
    SoundingNote n = s.resolved().notes().get(note);
    boolean vibrated =
        s.at(VibratoLayer.VIBRATO, note).filter(v -> v != VibratoWish.NONE).isPresent();
    List<BodyCue> all = new ArrayList<>();
    if (fingering.reasonsAt(n.slice()).stream()
        .anyMatch(r -> r.id().equals("stretch") && r.quantity() >= 1)) {
      all.add(BodyCue.STRETCH);
    }
    double seconds = s.task().tempo().durationMs(n.onset(), n.end()) / 1000;
    if (p.finger() == Finger.FOURTH && (vibrated || seconds >= LONG_S)) {
      all.add(BodyCue.LONG_FOURTH);
    }
    boolean weak = p.finger() == Finger.THIRD || p.finger() == Finger.FOURTH;
    if (s.at(SupportLayer.SUPPORT, note).isPresent() || vibrated && weak) {
      all.add(BodyCue.SUPPORT);
    }
    if (isFlat(s, fingering, n, p)) {
      all.add(BodyCue.FLAT);
    }
    atTheEdge(s, fingering, n, p).ifPresent(all::add);
    return all;
  }

  /** One finger over two strings. */
  private static boolean isFlat(Session s, Fingering f, SoundingNote n, NoteFinger p) {
    return !p.isOpen()
        && s.resolved().slices().get(n.slice()).starting().stream()
            .flatMap(i -> f.notes().get(i).stream())
            .anyMatch(o -> o.finger() == p.finger() && o.string() != p.string());
  }

  /**
   * The way to an outer string, or to third position on the viola, where the hand meets the rib.
   */
  private static Optional<BodyCue> atTheEdge(Session s, Fingering f, SoundingNote n, NoteFinger p) {
    InstrumentType type = s.task().hand().instrument().type();
    Optional<NoteFinger> before =
        n.slice() == 0
            ? Optional.empty()
            : s.resolved().slices().get(n.slice() - 1).starting().stream()
                .flatMap(i -> f.notes().get(i).stream())
                .reduce((a, b) -> b);
    if (before.isEmpty()) {
      return Optional.empty();
    }
    boolean third = p.base() == THIRD_POSITION && before.get().lastBase() != THIRD_POSITION;
    if (type == InstrumentType.VIOLA && third && p.region() == Region.NECK) {
      return Optional.of(BodyCue.THIRD_ON_VIOLA);
    }
    boolean other = before.get().string() != p.string();
    int lowest = s.task().hand().instrument().stringCount();
    return other && p.string() == 1
        ? Optional.of(BodyCue.TO_TOP)
        : other && p.string() == lowest ? Optional.of(BodyCue.TO_LOWEST) : Optional.empty();
  }
}
