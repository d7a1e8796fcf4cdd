package fret.app.work;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/**
 * Writes files so that what was there stays whole until the new one is: beside it, flushed to the
 * disk, then renamed.
 */
public final class SafeFile {
  private SafeFile() {}

  /**
   * Writes a file in place of the one that may be there.
   *
   * @throws IOException if it cannot be written; then the old one is as it was
   */
  public static void write(Path file, byte[] bytes) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    Path beside = Files.createTempFile(folder, "." + file.getFileName(), ".part");
    try {
      try (FileChannel out = FileChannel.open(beside, StandardOpenOption.WRITE)) {
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        while (buffer.hasRemaining()) {
          out.write(buffer);
        }
        out.force(true);
      }
      move(beside, file);
    } finally {
      Files.deleteIfExists(beside);
    }
  }

  private static void move(Path beside, Path file) throws IOException {
    try {
      Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
    }
  }
}
