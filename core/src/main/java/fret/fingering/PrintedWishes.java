package fret.fingering;

import fret.instrument.Instrument;
import fret.mark.Wish;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Reads printed words such as "stay in position", "restez", "on the G string" or "sul G" as wishes.
 * Each holds up to the next rest, or to a word that ends it ("loco", "ordinario"), or to the next
 * such word (common practice, no source).
 */
public final class PrintedWishes {
  private static final Pattern ON_STRING =
      Pattern.compile(
          "(?:sul|on the|sur|auf)\\s+(?:la\\s+)?([a-g])\\b.*|(iv|iii|ii|i)(?:\\.|a)?\\s*(?:corda)?");
  private static final Pattern IN_POSITION =
      Pattern.compile(".*(stay|remain)\\b.*\\bposition.*|restez.*|in position");
  private static final Pattern END = Pattern.compile("loco|ord\\.?|ordinario|nat\\.?");
  private static final List<String> NUMERALS = List.of("i", "ii", "iii", "iv");

  private PrintedWishes() {}

  /** The wishes that are printed in a passage, in order. */
  public static List<Wish> of(ResolvedPassage passage, Instrument instrument) {
    List<Direction> words = new ArrayList<>();
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Direction.Kind.WORDS && isKnown(d.text())) {
          words.add(d);
        }
      }
    }
    List<Wish> wishes = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      Direction d = words.get(i);
      Optional<Fraction> end =
          i + 1 < words.size() ? Optional.of(words.get(i + 1).onset()) : Optional.empty();
      wish(passage, instrument, d, end).ifPresent(wishes::add);
    }
    return wishes;
  }

  private static String plain(String text) {
    return text.strip().toLowerCase(Locale.ROOT);
  }

  private static boolean isKnown(String text) {
    String plain = plain(text);
    return ON_STRING.matcher(plain).matches()
        || IN_POSITION.matcher(plain).matches()
        || END.matcher(plain).matches();
  }

  private static Optional<Wish> wish(
      ResolvedPassage passage, Instrument instrument, Direction d, Optional<Fraction> end) {
    List<Slice> stretch = new ArrayList<>();
    for (Slice s : passage.slices()) {
      boolean starts = s.onset().compareTo(d.onset()) >= 0;
      boolean over = end.isPresent() && s.onset().compareTo(end.get()) >= 0;
      if (starts && !over) {
        stretch.add(s);
        if (s.restAfter().signum() > 0) {
          break;
        }
      }
    }
    String plain = plain(d.text());
    if (stretch.isEmpty() || END.matcher(plain).matches()) {
      return Optional.empty();
    }
    var from = passage.notes().get(stretch.get(0).starting().get(0)).key();
    List<Integer> last = stretch.get(stretch.size() - 1).starting();
    var to = passage.notes().get(last.get(last.size() - 1)).key();
    if (IN_POSITION.matcher(plain).matches()) {
      return Optional.of(new Wish(Wish.Kind.IN_POSITION, from, to, 0));
    }
    int string = string(plain, instrument);
    return string == 0
        ? Optional.empty()
        : Optional.of(new Wish(Wish.Kind.ON_STRING, from, to, string));
  }

  private static int string(String plain, Instrument instrument) {
    Matcher m = ON_STRING.matcher(plain);
    if (!m.matches()) {
      return 0;
    }
    if (m.group(2) != null) {
      int string = NUMERALS.indexOf(m.group(2)) + 1;
      return string <= instrument.stringCount() ? string : 0;
    }
    for (int s = 1; s <= instrument.stringCount(); s++) {
      if (instrument.open(s).name().equalsIgnoreCase(m.group(1))) {
        return s;
      }
    }
    return 0;
  }
}
