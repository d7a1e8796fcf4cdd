package fret.passage;

import fret.mark.Marks;

/**
 * A named change of a passage, as a value with its inverse: applying a change and then its inverse
 * gives the passage back.
 */
public sealed interface Change {
  /** What is done, in players' words, such as "Finger 3 on G4". */
  String name();

  Passage applyTo(Passage passage);

  Change inverse();

  /** Other marks. */
  record MarksChange(String name, Marks before, Marks after) implements Change {
    @Override
    public Passage applyTo(Passage passage) {
      return passage.withMarks(after);
    }

    @Override
    public Change inverse() {
      return new MarksChange(name, after, before);
    }
  }

  /** Other settings. */
  record SettingsChange(String name, Passage.Settings before, Passage.Settings after)
      implements Change {
    @Override
    public Passage applyTo(Passage passage) {
      return passage.withSettings(after);
    }

    @Override
    public Change inverse() {
      return new SettingsChange(name, after, before);
    }
  }
}
