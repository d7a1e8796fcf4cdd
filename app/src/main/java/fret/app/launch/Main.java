package fret.app.launch;

import fret.app.batch.BatchCommands;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;

/** The program's entry: a batch command, or the window. */
public final class Main {
  private static final Set<String> WINDOW_FLAGS =
      Set.of("--demo", "--screenshots", "--data", "--size", "--frames");

  private Main() {}

  public static void main(String[] args) {
    boolean window =
        args.length == 0
            || WINDOW_FLAGS.contains(args[0])
            || Files.isRegularFile(Path.of(args[0])); // A part to open.
    if (window) {
      FretApplication.open(args);
      return;
    }
    PrintStream out =
        new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
    PrintStream err =
        new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8);
    System.exit(BatchCommands.run(args, out, err));
  }
}
