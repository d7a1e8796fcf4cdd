package fret.mark;

/** Which line within broken chords a note belongs to. */
public final class StrandLayer extends WordLayer<Strand> {
  public static final StrandLayer STRAND = new StrandLayer();

  private StrandLayer() {
    super("strand", Concern.BOW, "strand", "mark.strand", Strand.LOWER);
  }
}
