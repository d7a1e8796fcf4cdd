package fret.drill;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;

/**
 * A drill of the book, told down to the drill of the bow.
 *
 * @param bow which one, where {@code kind} is {@link DrillKind#BOW}; empty for what the notes ask
 */
public record Remedy(DrillKind kind, Optional<BowDrillKind> bow) {
  private static final String BOW = "bow-";

  public Remedy {
    Objects.requireNonNull(kind);
    if (bow.isPresent() && kind != DrillKind.BOW) {
      throw new IllegalArgumentException(kind + " is no drill of the bow");
    }
  }

  /** A drill that is told by its kind. */
  public static Remedy of(DrillKind kind) {
    return new Remedy(kind, Optional.empty());
  }

  /** A drill of the bow. */
  public static Remedy of(BowDrillKind bow) {
    return new Remedy(DrillKind.BOW, Optional.of(bow));
  }

  /** How it is named in files and commands: lower case with dashes. */
  public String id() {
    return bow.map(b -> BOW + b.name().toLowerCase(Locale.ROOT).replace('_', '-'))
        .orElse(kind.id());
  }

  /** The drill of an id; empty if there is none. */
  public static Optional<Remedy> named(String id) {
    return List.of(BowDrillKind.values()).stream()
        .map(Remedy::of)
        .filter(r -> r.id().equals(id))
        .findFirst()
        .or(() -> DrillKind.named(id).map(Remedy::of));
  }
}
