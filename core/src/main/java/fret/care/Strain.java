package fret.care;

import java.util.EnumMap;
import java.util.Map;

/**
 * How much a stretch of music loads each part of the body: {@link #LIGHT}, {@link #SOME} or {@link
 * #MUCH}.
 */
public record Strain(Map<BodyPart, Integer> loads) {
  public static final int LIGHT = 0;
  public static final int SOME = 1;
  public static final int MUCH = 2;

  /** Music that loads nothing more than playing does. */
  public static final Strain NONE = new Strain(Map.of());

  public Strain {
    loads = Map.copyOf(loads);
  }

  /** How much it loads a part; where that is not said, the most that it loads any. */
  public int on(BodyPart part) {
    return part == BodyPart.ELSEWHERE
        ? loads.values().stream().mapToInt(i -> i).max().orElse(LIGHT)
        : loads.getOrDefault(part, LIGHT);
  }

  /** Both together: of each the greater load. */
  public Strain and(Strain other) {
    Map<BodyPart, Integer> all = new EnumMap<>(BodyPart.class);
    all.putAll(loads);
    other.loads().forEach((p, l) -> all.merge(p, l, Math::max));
    return new Strain(all);
  }

  /** The same with at least so much on some parts. */
  public Strain with(int load, BodyPart... parts) {
    Map<BodyPart, Integer> all = new EnumMap<>(BodyPart.class);
    for (BodyPart p : parts) {
      all.put(p, load);
    }
    return and(new Strain(all));
  }
}
