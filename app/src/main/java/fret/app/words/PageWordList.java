package fret.app.words;

import fret.score.Glossary;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;

/** The list of words on the page that ships with the program. */
public final class PageWordList {
  private static final String LIST = "words-on-the-page.txt";

  private PageWordList() {}

  public static Glossary shipped() {
    Map<String, String> all = new TreeMap<>();
    try (InputStream in = PageWordList.class.getResourceAsStream(LIST);
        BufferedReader lines =
            new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        int at = line.indexOf(" = ");
        if (at > 0 && !line.startsWith("#")) {
          all.put(line.substring(0, at), line.substring(at + 3));
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return Glossary.of(all);
  }
}
