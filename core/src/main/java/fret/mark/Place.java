package fret.mark;

import fret.score.NoteKey;
import java.util.Objects;

/**
 * Where a mark is: on what it hangs, in which pass of a repeat, and in which named version.
 *
 * @param pass 0 for every pass, else the one counted from 1
 * @param version empty for what counts; else the name of a version that is kept beside it
 */
public record Place(Anchor anchor, int pass, String version) {
  /** The whole passage, in what counts. */
  public static final Place WHOLE = of(Anchor.WHOLE);

  public Place {
    Objects.requireNonNull(anchor);
    Objects.requireNonNull(version);
    if (pass < 0) {
      throw new IllegalArgumentException("pass " + pass + " is below 0");
    }
  }

  /** In every pass, in what counts. */
  public static Place of(Anchor anchor) {
    return new Place(anchor, 0, "");
  }

  public static Place of(NoteKey key) {
    return of(new Anchor.Note(key));
  }

  /** The same place in a named version. */
  public Place in(String otherVersion) {
    return new Place(anchor, pass, otherVersion);
  }

  /** The same place on something else. */
  public Place on(Anchor other) {
    return new Place(other, pass, version);
  }

  /** Whether it belongs to what counts. */
  public boolean counts() {
    return version.isEmpty();
  }
}
