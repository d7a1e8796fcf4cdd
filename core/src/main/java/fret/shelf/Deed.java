package fret.shelf;

import fret.base.Said;
import fret.journal.JournalEntry;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * Something that was done, as a value: what, where, and what became otherwise by it. All deeds of a
 * library stand in one order, whatever area they come from.
 *
 * @param id 0 until stored
 * @param area in which it was done, by its id; empty where that is not known
 * @param passageId the passage that it is about; 0 for none
 * @param parts what became otherwise beside the passages; none where it is a step of a passage,
 *     which stands in that passage's own log
 * @param joined whether it belongs to the deed before it: both are taken back together
 */
public record Deed(
    long id, Said name, String area, long passageId, List<Part> parts, boolean joined) {
  public Deed {
    Objects.requireNonNull(name);
    Objects.requireNonNull(area);
    parts = List.copyOf(parts);
    if (parts.isEmpty() && passageId == 0) {
      throw new IllegalArgumentException("a deed that does nothing: " + name);
    }
  }

  /** A step of a passage. */
  public static Deed step(Said name, String area, long passageId, boolean joined) {
    return new Deed(0, name, area, passageId, List.of(), joined);
  }

  /** Something done beside the passages, about one of them or about none. */
  public static Deed of(Said name, String area, long passageId, List<Part> parts) {
    return new Deed(0, name, area, passageId, parts, false);
  }

  /** Whether it is a step of a passage. */
  public boolean isStep() {
    return parts.isEmpty();
  }

  /** The same as it is stored. */
  public Deed stored(long newId, List<Part> made) {
    return new Deed(newId, name, area, passageId, made, joined);
  }

  /** One thing that became otherwise; an empty side is where it was not there. */
  public sealed interface Part {
    Part inverse();
  }

  /** A setting of the whole program. */
  public record Setting(String name, Optional<String> before, Optional<String> after)
      implements Part {
    public Setting {
      Objects.requireNonNull(name);
    }

    @Override
    public Part inverse() {
      return new Setting(name, after, before);
    }
  }

  /** A try of the journal. */
  public record Try(Optional<JournalEntry> before, Optional<JournalEntry> after) implements Part {
    public static Try made(JournalEntry entry) {
      return new Try(Optional.empty(), Optional.of(entry));
    }

    public static Try removed(JournalEntry entry) {
      return new Try(Optional.of(entry), Optional.empty());
    }

    @Override
    public Part inverse() {
      return new Try(after, before);
    }
  }

  /** A date to be ready for. */
  public record Date(Optional<Audition> before, Optional<Audition> after) implements Part {
    @Override
    public Part inverse() {
      return new Date(after, before);
    }
  }

  /**
   * For which date a passage is prepared.
   *
   * @param before id of the audition, 0 for none; {@link #NEW_DATE} for the one that the same deed
   *     makes
   */
  public record Belongs(long passageId, long before, long after) implements Part {
    public static final long NEW_DATE = -1;

    @Override
    public Part inverse() {
      return new Belongs(passageId, after, before);
    }
  }
}
