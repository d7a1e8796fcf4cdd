package fret.engraving;

import java.util.List;
import java.util.Objects;

/**
 * One page to print, in mm from its upper left corner.
 *
 * @param blocks what stands on it
 */
public record Page(Paper paper, List<Block> blocks) {
  /** Sizes of paper (A4: ISO 216; Letter: ANSI/ASME Y14.1). */
  public enum Paper {
    A4(210, 297),
    LETTER(215.9, 279.4);

    private final double widthMm;
    private final double heightMm;

    Paper(double widthMm, double heightMm) {
      this.widthMm = widthMm;
      this.heightMm = heightMm;
    }

    public double widthMm() {
      return widthMm;
    }

    public double heightMm() {
      return heightMm;
    }
  }

  /** Something on a page. */
  public sealed interface Block {}

  /**
   * A line of text.
   *
   * @param yMm of its baseline
   * @param sizeMm height of the type
   */
  public record TextBlock(
      String text, double xMm, double yMm, double sizeMm, Primitive.Text.Style style)
      implements Block {}

  /**
   * A stave.
   *
   * @param xMm of the strip's start
   * @param yMm of the top line of the stave
   * @param spaceMm staff space
   */
  public record MusicBlock(Strip strip, double xMm, double yMm, double spaceMm) implements Block {}

  public Page {
    Objects.requireNonNull(paper);
    blocks = List.copyOf(blocks);
  }
}
