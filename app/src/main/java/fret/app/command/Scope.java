package fret.app.command;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;

/** On what of the music an action acts. */
public enum Scope {
  NOTE,
  SELECTION,
  BAR,
  ONWARDS,
  PASSAGE;

  private static final Map<String, Scope> ALL = read();

  /** Of the action of an id; empty where it is on no music. */
  public static Optional<Scope> of(String actionId) {
    return Optional.ofNullable(ALL.get(actionId));
  }

  /** The actions that act on music. */
  public static Set<String> ids() {
    return Set.copyOf(ALL.keySet());
  }

  private static Map<String, Scope> read() {
    Properties table = new Properties();
    try (InputStream in = Scope.class.getResourceAsStream("scopes.properties")) {
      table.load(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Map<String, Scope> all = new HashMap<>();
    for (String scope : table.stringPropertyNames()) {
      for (String id : table.getProperty(scope).trim().split("\\s+")) {
        if (all.put(id, valueOf(scope)) != null) {
          throw new IllegalStateException(id + " is told twice");
        }
      }
    }
    return all;
  }
}
