package fret.base;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * How a value is stored: named plain fields, in order. Knows no library and no class of the domain,
 * so that a renamed class or component changes no file. Immutable.
 */
public final class Form {
  public static final Form EMPTY = new Form(Map.of());

  private static final String VERSION = "v";

  private final Map<String, Object> fields;

  private Form(Map<String, Object> fields) {
    this.fields = fields;
  }

  /** An empty form of a kind's version, 1 or more. */
  public static Form version(int version) {
    return EMPTY.with(VERSION, version);
  }

  /** The version; 1 where none is told. */
  public int version() {
    return fields.containsKey(VERSION) ? whole(VERSION) : 1;
  }

  /**
   * This form with one more field.
   *
   * @param value a text, a truth, a whole or decimal number, a form, or a list of these
   * @throws IllegalArgumentException if it is anything else
   */
  public Form with(String name, Object value) {
    Map<String, Object> all = new LinkedHashMap<>(fields);
    all.put(name, plain(name, value));
    return new Form(Collections.unmodifiableMap(all));
  }

  private static Object plain(String name, Object value) {
    if (value instanceof List<?> list) {
      return list.stream().map(v -> plain(name, v)).toList();
    }
    if (value instanceof Integer i) {
      return i.longValue();
    }
    boolean known =
        value instanceof String
            || value instanceof Boolean
            || value instanceof Long
            || value instanceof Form
            || value instanceof Double d && Double.isFinite(d);
    if (!known) {
      throw new IllegalArgumentException(name + " cannot be stored: " + value);
    }
    return value;
  }

  /** All fields in their order. */
  public Map<String, Object> fields() {
    return fields;
  }

  public boolean has(String name) {
    return fields.containsKey(name);
  }

  /**
   * @throws IllegalArgumentException if there is no such text; so for the other kinds of fields
   */
  public String text(String name) {
    return field(name, String.class);
  }

  public String text(String name, String otherwise) {
    return has(name) ? text(name) : otherwise;
  }

  public boolean flag(String name) {
    return has(name) && field(name, Boolean.class);
  }

  public int whole(String name) {
    return Math.toIntExact(longNumber(name));
  }

  public int whole(String name, int otherwise) {
    return has(name) ? whole(name) : otherwise;
  }

  public long longNumber(String name) {
    return field(name, Long.class);
  }

  /** A number with or without a fraction. */
  public double decimal(String name) {
    return field(name, Number.class).doubleValue();
  }

  public double decimal(String name, double otherwise) {
    return has(name) ? decimal(name) : otherwise;
  }

  public Form form(String name) {
    return field(name, Form.class);
  }

  public Optional<Form> findForm(String name) {
    return has(name) ? Optional.of(form(name)) : Optional.empty();
  }

  /** A list; empty where there is none. */
  public List<?> list(String name) {
    return has(name) ? field(name, List.class) : List.of();
  }

  /** The forms of a list, read one by one. */
  public <T> List<T> list(String name, Function<Form, T> read) {
    List<T> all = new ArrayList<>();
    for (Object item : list(name)) {
      if (!(item instanceof Form f)) {
        throw new IllegalArgumentException(name + " holds something else than forms");
      }
      all.add(read.apply(f));
    }
    return all;
  }

  /** The texts of a list. */
  public List<String> texts(String name) {
    return list(name).stream().map(String.class::cast).toList();
  }

  /** The whole numbers of a list. */
  public List<Integer> wholes(String name) {
    return list(name).stream().map(n -> Math.toIntExact((Long) n)).toList();
  }

  /**
   * A word out of a fixed list.
   *
   * @throws IllegalArgumentException if the word is not known
   */
  public <E extends Enum<E>> E word(String name, Class<E> words) {
    return Enum.valueOf(words, text(name));
  }

  public <E extends Enum<E>> E word(String name, Class<E> words, E otherwise) {
    return has(name) ? word(name, words) : otherwise;
  }

  private <T> T field(String name, Class<T> type) {
    Object value = fields.get(name);
    if (!type.isInstance(value)) {
      throw new IllegalArgumentException(
          value == null ? "the field " + name + " is missing" : name + " is " + value);
    }
    return type.cast(value);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Form f && f.fields.equals(fields);
  }

  @Override
  public int hashCode() {
    return fields.hashCode();
  }

  @Override
  public String toString() {
    return fields.toString();
  }
}
