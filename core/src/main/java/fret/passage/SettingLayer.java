package fret.passage;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * One of a passage's settings as a kind of mark on the whole passage.
 *
 * @param <V> what is set
 */
public final class SettingLayer<V> implements WholeLayer<V> {
  private final String id;
  private final Concern concern;
  private final Function<V, Form> write;
  private final Function<Form, V> read;
  private final Function<Passage.Settings, V> get;
  private final BiFunction<Passage.Settings, V, Passage.Settings> set;

  SettingLayer(
      String id,
      Concern concern,
      Function<V, Form> write,
      Function<Form, V> read,
      Function<Passage.Settings, V> get,
      BiFunction<Passage.Settings, V, Passage.Settings> set) {
    this.id = id;
    this.concern = concern;
    this.write = write;
    this.read = read;
    this.get = get;
    this.set = set;
  }

  V of(Passage.Settings settings) {
    return get.apply(settings);
  }

  Passage.Settings in(Passage.Settings settings, V value) {
    return set.apply(settings, value);
  }

  @Override
  public String id() {
    return "setting." + id;
  }

  @Override
  public Concern concern() {
    return concern;
  }

  @Override
  public Form write(V value) {
    return write.apply(value);
  }

  @Override
  public V read(Form form) {
    return read.apply(form);
  }

  @Override
  public Said told(V value) {
    return Said.of("mark.setting." + id);
  }
}
