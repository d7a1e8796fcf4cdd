package fret.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;

/** What words on the page ask of a player. Immutable. */
public final class Glossary {
  /** A word or phrase of the page with its meaning. */
  public record Term(String word, String meaning) {}

  private final Map<String, String> meanings;
  private final List<Known> longestFirst;

  private record Known(Term term, Pattern whole) {
    static Known of(String word, String meaning) {
      String whole = "(?<![\\p{L}])" + Pattern.quote(word) + "(?![\\p{L}])";
      return new Known(new Term(word, meaning), Pattern.compile(whole));
    }
  }

  private Glossary(Map<String, String> meanings) {
    this.meanings = meanings;
    this.longestFirst =
        meanings.entrySet().stream()
            .map(e -> Known.of(e.getKey(), e.getValue()))
            .sorted(
                Comparator.comparingInt((Known k) -> -k.term().word().length())
                    .thenComparing(k -> k.term().word()))
            .toList();
  }

  /** The meanings of some words, lower case. */
  public static Glossary of(Map<String, String> meanings) {
    return new Glossary(meanings);
  }

  /** The same list with other meanings; an empty one takes a word out. */
  public Glossary with(Map<String, String> own) {
    Map<String, String> all = new TreeMap<>(meanings);
    own.forEach(
        (word, meaning) -> {
          if (meaning.isBlank()) {
            all.remove(word.toLowerCase(Locale.ROOT));
          } else {
            all.put(word.toLowerCase(Locale.ROOT), meaning);
          }
        });
    return new Glossary(all);
  }

  public int size() {
    return meanings.size();
  }

  /**
   * The known words and phrases in a text, in its order; a word that is part of a longer known
   * phrase is not told again.
   */
  public List<Term> in(String text) {
    String left = text.toLowerCase(Locale.ROOT);
    Map<Integer, Term> found = new TreeMap<>();
    for (Known k : longestFirst) {
      var match = k.whole().matcher(left);
      if (match.find()) {
        found.put(match.start(), k.term());
        left =
            left.substring(0, match.start())
                + " ".repeat(match.end() - match.start())
                + left.substring(match.end());
      }
    }
    return new ArrayList<>(found.values());
  }
}
