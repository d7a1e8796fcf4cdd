package fret.passage;

import fret.base.Outcome;
import fret.base.UnusableInput;
import fret.mark.Marks;
import fret.score.Score;
import java.util.List;

/** Reads parts from a file's bytes; implemented where file formats are known. */
public interface ScoreReader {
  /**
   * A part that can be picked.
   *
   * @param id picks the part in {@link #read}
   * @param name as in the file; may be empty
   * @param bars how many bars it has; 0 when not known before reading
   */
  record PartChoice(String id, String name, int bars) {}

  /**
   * The parts of a file in its order.
   *
   * @param name the file's name, for messages
   * @throws UnusableInput if it cannot be used at all
   */
  List<PartChoice> parts(String name, byte[] bytes) throws UnusableInput;

  /**
   * Reads a part.
   *
   * @param partName name or id of the part; empty for the first with notes
   * @throws UnusableInput if it cannot be used at all
   */
  Outcome<Score> read(String name, byte[] bytes, String partName) throws UnusableInput;

  /**
   * What was decided of a part, where this program wrote the file: see {@link MarksForm}. The page
   * that {@link #read} gives is then as it came, without the signs that were written into it.
   *
   * @return no marks where the file keeps none; what is not understood is told
   */
  default Outcome<Marks> decided(String name, byte[] bytes, String partName) throws UnusableInput {
    return new Outcome<>(Marks.NONE, List.of());
  }
}
