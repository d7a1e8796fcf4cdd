package fret.drill;

import fret.base.Form;
import fret.base.Said;
import fret.mark.StretchLayer;
import java.util.Objects;

/** A chunk as the player cut it; where there are some, they stand in place of those proposed. */
public final class OwnChunkLayer implements StretchLayer<OwnChunkLayer.Own> {
  public static final OwnChunkLayer OWN = new OwnChunkLayer();

  /**
   * A chunk of the player's own.
   *
   * @param id under which the record knows it
   * @param name empty for none
   * @param order where it stands in the list; equal ones stand by their start
   */
  public record Own(String id, String name, Way way, int order) {
    public Own {
      Objects.requireNonNull(id);
      Objects.requireNonNull(name);
      Objects.requireNonNull(way);
    }

    public Own named(String other) {
      return new Own(id, other, way, order);
    }

    public Own at(int other) {
      return new Own(id, name, way, other);
    }
  }

  private OwnChunkLayer() {}

  @Override
  public String id() {
    return "chunk.own";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(Own value) {
    return Form.version(1)
        .with("id", value.id())
        .with("name", value.name())
        .with("way", value.way().name())
        .with("order", value.order());
  }

  @Override
  public Own read(Form form) {
    return new Own(
        form.text("id"), form.text("name"), form.word("way", Way.class), form.whole("order"));
  }

  @Override
  public Said told(Own value) {
    return Said.of("mark.chunk");
  }
}
