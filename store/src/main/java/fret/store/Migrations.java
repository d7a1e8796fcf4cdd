package fret.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;
import org.jdbi.v3.core.Handle;

/**
 * The steps from an empty file to the library of today, each in one transaction with the file's
 * version number. The list is the one truth on versions.
 */
final class Migrations {
  private static final List<Consumer<Handle>> STEPS =
      List.of(
          h -> script(h, "V1__library.sql"),
          h -> script(h, "V2__pages.sql"),
          h -> {
            script(h, "V3__marks.sql");
            FirstForms.convert(h);
          },
          h -> script(h, "V4__practice.sql"),
          h -> script(h, "V5__takes.sql"),
          h -> script(h, "V6__deeds.sql"),
          h -> script(h, "V7__tries.sql"),
          h -> script(h, "V8__counted.sql"),
          h -> script(h, "V9__at_stand.sql"),
          h -> script(h, "V10__learning.sql"));

  private Migrations() {}

  /** The version that this program reads and writes. */
  static int newest() {
    return STEPS.size();
  }

  static int version(Handle h) {
    return h.createQuery("PRAGMA user_version").mapTo(Integer.class).one();
  }

  static void run(Handle handle) {
    for (int version = version(handle); version < newest(); version++) {
      int next = version + 1;
      handle.useTransaction(
          h -> {
            STEPS.get(next - 1).accept(h);
            h.execute("PRAGMA user_version = " + next);
          });
    }
  }

  private static void script(Handle h, String name) {
    try (InputStream in = Migrations.class.getResourceAsStream("migration/" + name)) {
      h.createScript(new String(in.readAllBytes(), StandardCharsets.UTF_8)).execute();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
