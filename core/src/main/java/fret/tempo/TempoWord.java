package fret.tempo;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What a word over the notes says of the tempo. The figures are usual ones (common practice, no
 * source): a proposal where the page has no number.
 *
 * @param kind what happens
 * @param factor of the tempo before for {@link Kind#GRADUAL} (at its end) and {@link
 *     Kind#RELATIVE}; beats a minute in quarters for {@link Kind#HEAD}; else 1
 */
public record TempoWord(Kind kind, double factor) {
  /** What can happen. */
  public enum Kind {
    /** It slows or quickens little by little. */
    GRADUAL,
    /** Back to the tempo before the last change. */
    BACK,
    /** Back to the first tempo. */
    FIRST,
    /** The beat keeps its length whatever the metre is. */
    SAME_BEAT,
    /** At once so much faster or slower. */
    RELATIVE,
    /** Exactly twice as fast. */
    DOUBLED,
    /** The name of a tempo at the head of a section. */
    HEAD
  }

  private static final double LITTLE = 0.5;
  private static final double MUCH = 1.6;

  private static final Pattern SLOWER =
      Pattern.compile(
          "\\b(rit|ritard|ritardando|riten|ritenuto|rall|rallent|rallentando|allarg|allargando"
              + "|slent|slentando|calando|morendo|smorz|smorzando|perdendosi|zur.ckhaltend"
              + "|verlangsam\\w*|c.dez|ralentir|slow(ing)? down)\\b",
          Pattern.UNICODE_CHARACTER_CLASS);
  private static final Pattern FASTER =
      Pattern.compile(
          "\\b(accel|acceler|accelerando|string|stringendo|affrett|affrettando|incalz|incalzando"
              + "|beschleunig\\w*|drängend|pressez|animando|speed(ing)? up)\\b",
          Pattern.UNICODE_CHARACTER_CLASS);
  private static final Pattern FIRST_TEMPO =
      Pattern.compile(
          "\\btempo\\s*(primo|1\\s*(mo|°|º|o)?|i|i\\s*°)(?!\\w)|\\berstes zeitma|\\b1er mouv",
          Pattern.UNICODE_CHARACTER_CLASS);
  private static final Pattern BACK_AGAIN =
      Pattern.compile("\\b(a|in)\\s+tempo\\b|\\bim zeitma|\\bau mouv");
  private static final Pattern SAME =
      Pattern.compile("(l['’]?\\s*istesso|lo stesso|medesimo)\\s+(tempo|movimento)");
  private static final Pattern TWICE = Pattern.compile("\\bdoppio\\s+movimento\\b");
  private static final Pattern MORE =
      Pattern.compile(
          "\\b(pi[uù]|etwas|un peu plus|plus)\\s+(mosso|vivo|vivace|animato|presto|allegro|moto"
              + "|stretto|bewegter?|schneller|lebhafter|vite|animé)|\\bbewegter\\b|\\bschneller\\b",
          Pattern.UNICODE_CHARACTER_CLASS);
  private static final Pattern LESS =
      Pattern.compile(
          "\\bmeno\\s*(mosso|vivo|presto|allegro|moto)?\\s*$|\\bmeno\\s+(mosso|vivo|presto|allegro)"
              + "|\\b(pi[uù]|plus|un peu plus)\\s+(lento|largo|adagio|tranquillo|sostenuto|lent)"
              + "|\\blangsamer\\b|\\bmoins vite\\b",
          Pattern.UNICODE_CHARACTER_CLASS);

  /** Names of tempos, those that hold others first, in quarters a minute. */
  private static final List<Map.Entry<String, Double>> HEADS =
      List.of(
          Map.entry("prestissimo", 192.0),
          Map.entry("allegro moderato", 116.0),
          Map.entry("allegro ma non troppo", 120.0),
          Map.entry("allegro non troppo", 120.0),
          Map.entry("allegro maestoso", 120.0),
          Map.entry("allegro vivace", 144.0),
          Map.entry("allegro assai", 144.0),
          Map.entry("allegro molto", 148.0),
          Map.entry("molto allegro", 148.0),
          Map.entry("allegrissimo", 152.0),
          Map.entry("molto vivace", 160.0),
          Map.entry("andante sostenuto", 66.0),
          Map.entry("andante con moto", 84.0),
          Map.entry("andante cantabile", 72.0),
          Map.entry("presto", 176.0),
          Map.entry("vivacissimo", 168.0),
          Map.entry("vivace", 152.0),
          Map.entry("vivo", 152.0),
          Map.entry("allegretto", 108.0),
          Map.entry("allegro", 132.0),
          Map.entry("moderato", 96.0),
          Map.entry("andantino", 84.0),
          Map.entry("andante", 76.0),
          Map.entry("adagietto", 66.0),
          Map.entry("adagissimo", 48.0),
          Map.entry("adagio", 60.0),
          Map.entry("larghetto", 60.0),
          Map.entry("larghissimo", 40.0),
          Map.entry("largo", 48.0),
          Map.entry("lento", 54.0),
          Map.entry("grave", 44.0),
          Map.entry("tempo di marcia", 112.0),
          Map.entry("alla marcia", 112.0),
          Map.entry("tempo di menuetto", 112.0),
          Map.entry("tempo di minuetto", 112.0),
          Map.entry("tempo di valse", 168.0),
          Map.entry("maestoso", 84.0),
          Map.entry("sehr langsam", 46.0),
          Map.entry("langsam", 54.0),
          Map.entry("mässig", 92.0),
          Map.entry("sehr lebhaft", 152.0),
          Map.entry("lebhaft", 132.0),
          Map.entry("schnell", 152.0),
          Map.entry("modéré", 92.0),
          Map.entry("lent", 54.0),
          Map.entry("très vif", 168.0),
          Map.entry("vif", 152.0),
          Map.entry("animé", 132.0));

  /** What words say; empty where they say nothing of the tempo. */
  public static Optional<TempoWord> of(String words) {
    String plain = words.toLowerCase(Locale.ROOT).replaceAll("[.,;:()\\[\\]]", " ").trim();
    if (plain.isEmpty() || plain.startsWith("sempre ") || plain.startsWith("senza ")) {
      return Optional.empty();
    }
    if (FIRST_TEMPO.matcher(plain).find()) {
      return said(Kind.FIRST, 1);
    }
    if (BACK_AGAIN.matcher(plain).find()) {
      return said(Kind.BACK, 1);
    }
    if (SAME.matcher(plain).find()) {
      return said(Kind.SAME_BEAT, 1);
    }
    if (TWICE.matcher(plain).find()) {
      return said(Kind.DOUBLED, 1);
    }
    if (LESS.matcher(plain).find()) {
      return said(Kind.RELATIVE, 1 - 0.18 * amount(plain));
    }
    if (MORE.matcher(plain).find()) {
      return said(Kind.RELATIVE, 1 + 0.18 * amount(plain));
    }
    if (SLOWER.matcher(plain).find()) {
      return said(Kind.GRADUAL, 1 - 0.25 * amount(plain));
    }
    if (FASTER.matcher(plain).find()) {
      return said(Kind.GRADUAL, 1 + 0.25 * amount(plain));
    }
    return head(plain);
  }

  private static Optional<TempoWord> head(String plain) {
    for (Map.Entry<String, Double> e : HEADS) {
      if (Pattern.compile("\\b" + e.getKey() + "\\b", Pattern.UNICODE_CHARACTER_CLASS)
          .matcher(plain)
          .find()) {
        return said(Kind.HEAD, e.getValue());
      }
    }
    return Optional.empty();
  }

  private static double amount(String plain) {
    boolean bit = plain.matches(".*\\b(poco|etwas|un peu|slightly)\\b.*");
    if (bit && !plain.contains("poco a poco")) {
      return LITTLE;
    }
    return plain.matches(".*\\b(molto|assai|sehr|très)\\b.*") ? MUCH : 1;
  }

  private static Optional<TempoWord> said(Kind kind, double factor) {
    return Optional.of(new TempoWord(kind, factor));
  }

  /**
   * Beats a minute of a head for a counted value: a named tempo is felt in its beat, a longer beat
   * goes slower than a quarter would, not by the whole difference.
   */
  public double perMinuteOf(Beat beat) {
    double quarters = beat.length().doubleValue() * 4;
    double felt = quarters > 1 ? Math.pow(quarters, -0.7) : Math.pow(quarters, -0.5);
    return Math.max(20, Math.round(factor * felt));
  }
}
