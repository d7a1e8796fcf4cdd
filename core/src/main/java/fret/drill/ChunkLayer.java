package fret.drill;

import fret.base.Form;
import fret.base.Said;
import fret.mark.StretchLayer;
import java.util.Objects;

/**
 * A chunk that was practised: its identity stays with its notes, whatever becomes of bar numbers
 * and of other chunks.
 */
public final class ChunkLayer implements StretchLayer<ChunkLayer.Named> {
  public static final ChunkLayer CHUNK = new ChunkLayer();

  /** Under which id the record knows it. */
  public record Named(String id, Chunk.Kind kind) {
    public Named {
      Objects.requireNonNull(id);
      Objects.requireNonNull(kind);
    }
  }

  private ChunkLayer() {}

  @Override
  public String id() {
    return "chunk";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(Named value) {
    return Form.version(1).with("id", value.id()).with("kind", value.kind().name());
  }

  @Override
  public Named read(Form form) {
    return new Named(form.text("id"), form.word("kind", Chunk.Kind.class));
  }

  @Override
  public Said told(Named value) {
    return Said.of("mark.chunk");
  }
}
