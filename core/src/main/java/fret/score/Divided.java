package fret.score;

import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What two voices on one stave mean: a divided section, of which a player takes one line, or double
 * stops. In orchestral parts they are usually divided (common practice, no source).
 */
public enum Divided {
  /** Not said yet: two voices are read as double stops, what stands under "div." as one line. */
  UNDECIDED,
  DOUBLE_STOPS,
  UPPER,
  LOWER;

  private static final Pattern DIVIDED = Pattern.compile("^(div\\.|divisi|geteilt|divis\u00e9)");
  private static final Pattern JOINED = Pattern.compile("^(unis|non div|tutti|zusammen)");

  /**
   * The part with only the line that is played. Between "div." and "unis." chords are lines too:
   * until it is said which, the upper one is read there, since nobody plays both.
   */
  public Score of(Score score) {
    NavigableMap<Fraction, Boolean> words = words(score);
    if (this == DOUBLE_STOPS || this == UNDECIDED && words.isEmpty()) {
      return score;
    }
    return score.withBars(score.bars().stream().map(b -> of(b, words)).toList());
  }

  private Bar of(Bar bar, NavigableMap<Fraction, Boolean> words) {
    boolean chosen = this != UNDECIDED || isDivided(words, bar.start());
    Bar one = chosen ? ofVoices(bar) : bar;
    return one.withEvents(
        one.events().stream().map(e -> isDivided(words, e.onset()) ? line(e) : e).toList());
  }

  private Bar ofVoices(Bar bar) {
    List<String> voices = voices(bar);
    String mine = voices.isEmpty() ? "" : voices.get(this == LOWER ? voices.size() - 1 : 0);
    return voices.size() < 2
        ? bar
        : bar.withEvents(bar.events().stream().filter(e -> e.voice().equals(mine)).toList());
  }

  private Event line(Event e) {
    Comparator<Head> byHeight = Comparator.comparingInt(h -> h.pitch().midi());
    return e.heads().size() < 2
        ? e
        : e.withHeads(
            List.of(e.heads().stream().max(this == LOWER ? byHeight.reversed() : byHeight).get()));
  }

  /** From where a word divides the section, and from where one joins it again. */
  private static NavigableMap<Fraction, Boolean> words(Score score) {
    NavigableMap<Fraction, Boolean> all = new TreeMap<>();
    for (Bar b : score.bars()) {
      for (Direction d : b.directions()) {
        String text = d.text().strip().toLowerCase(Locale.ROOT);
        if (JOINED.matcher(text).find()) {
          all.put(d.onset(), false);
        } else if (DIVIDED.matcher(text).find()) {
          all.put(d.onset(), true);
        }
      }
    }
    return all.containsValue(true) ? all : Collections.emptyNavigableMap();
  }

  private static boolean isDivided(NavigableMap<Fraction, Boolean> words, Fraction onset) {
    Map.Entry<Fraction, Boolean> last = words.floorEntry(onset);
    return last != null && last.getValue();
  }

  /** Voices with notes in a bar, the upper one first: in the order of their names. */
  private static List<String> voices(Bar bar) {
    Set<String> found = new HashSet<>();
    for (Event e : bar.events()) {
      if (!e.isRest() && !e.cue()) {
        found.add(e.voice());
      }
    }
    return found.stream()
        .sorted(
            Comparator.<String>comparingInt(String::length)
                .thenComparing(Comparator.naturalOrder()))
        .toList();
  }

  /** Printed numbers of the bars in which two voices, or chords under "div.", have notes. */
  public static List<String> bars(Score score) {
    NavigableMap<Fraction, Boolean> words = words(score);
    return score.bars().stream()
        .filter(
            b ->
                voices(b).size() > 1
                    || b.events().stream()
                        .anyMatch(e -> e.heads().size() > 1 && isDivided(words, e.onset())))
        .map(Bar::number)
        .toList();
  }
}
