package fret.lane;

import java.util.List;
import java.util.Optional;

/** The one list of lanes, in the order in which they stand. */
public final class Lanes {
  public static final List<Lane> ALL =
      List.of(
          new HandLane(),
          new BowArmLane(),
          new PlaneLane(),
          new LineLane(),
          new RingLane(),
          new LoadLane(),
          new TakeLane());

  private Lanes() {}

  public static Optional<Lane> of(String id) {
    return ALL.stream().filter(l -> l.id().equals(id)).findFirst();
  }
}
