package fret.bowing;

import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Words on the page that say where a stroke begins, in the usual languages (common practice, no
 * source, from memory).
 */
final class PlaceWords {
  /** Places as shares of the hair. */
  private static final Map<Pattern, Double> WORDS =
      Map.of(
          Pattern.compile("\\bfrog\\b|\\bheel\\b|\\bnut\\b|talon|tallone|frosch"), 0.02,
          Pattern.compile("\\btip\\b|\\bpoint\\b|\\bpointe\\b|punta|spitze"), 0.96,
          Pattern.compile("middle of the bow|met[aà] d.?arco|milieu|mitte"), 0.5);

  private PlaceWords() {}

  /**
   * The place that words ask for.
   *
   * @param words in lower case
   */
  static Optional<Double> place(String words) {
    return words.isEmpty()
        ? Optional.empty()
        : WORDS.entrySet().stream()
            .filter(e -> e.getKey().matcher(words).find())
            .map(Map.Entry::getValue)
            .findFirst();
  }
}
