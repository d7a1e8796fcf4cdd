package fret.fingering;

import fret.instrument.Instrument;
import fret.mark.Wish;
import fret.pitch.Pitch;
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
 * Each holds up to a word that ends it ("loco", "ordinario"), to the next such word, to a double
 * bar, a rehearsal mark or a rest of a bar, or to four notes in a row that do not lie on the
 * string; a word for the position up to any rest (common practice, no source).
 */
public final class PrintedWishes {
  private static final Pattern ON_STRING =
      Pattern.compile(
          "(?:sul|on the|sur|auf)\\s+(?:la\\s+)?([a-g])\\b.*|(iv|iii|ii|i)(?:\\.|a)?\\s*(?:corda)?");
  private static final Pattern IN_POSITION =
      Pattern.compile(".*(stay|remain)\\b.*\\bposition.*|restez.*|in position");
  private static final Pattern END = Pattern.compile("loco|ord\\.?|ordinario|nat\\.?");
  private static final List<String> NUMERALS = List.of("i", "ii", "iii", "iv");

  /** So many notes in a row that are not on the string end the word. */
  private static final int AWAY = 4;

  /** Semitones above an open string within which a word for it can be meant (from memory). */
  private static final int MOST_ABOVE = 28;

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
    String plain = plain(d.text());
    List<Slice> stretch = stretch(passage, d, end, IN_POSITION.matcher(plain).matches());
    int on = string(plain, instrument);
    if (on > 0) {
      stretch = onString(passage, stretch, instrument.open(on));
    }
    if (stretch.isEmpty() || END.matcher(plain).matches()) {
      return Optional.empty();
    }
    var from = passage.notes().get(stretch.get(0).starting().get(0)).key();
    List<Integer> last = stretch.get(stretch.size() - 1).starting();
    var to = passage.notes().get(last.get(last.size() - 1)).key();
    if (IN_POSITION.matcher(plain).matches()) {
      return Optional.of(new Wish(Wish.Kind.IN_POSITION, from, to, 0));
    }
    return on == 0 ? Optional.empty() : Optional.of(new Wish(Wish.Kind.ON_STRING, from, to, on));
  }

  private static List<Slice> stretch(
      ResolvedPassage passage, Direction d, Optional<Fraction> end, boolean anyRest) {
    List<Slice> stretch = new ArrayList<>();
    for (Slice s : passage.slices()) {
      boolean starts = s.onset().compareTo(d.onset()) >= 0;
      boolean over = end.isPresent() && s.onset().compareTo(end.get()) >= 0;
      if (!starts || over) {
        continue;
      }
      if (!stretch.isEmpty() && endsBefore(passage, stretch.get(stretch.size() - 1), s)) {
        break;
      }
      stretch.add(s);
      if (anyRest && s.restAfter().signum() > 0) {
        break;
      }
    }
    return stretch;
  }

  /** Whether what a word asks ends between two moments: a rest of a bar, a new section. */
  private static boolean endsBefore(ResolvedPassage passage, Slice last, Slice next) {
    Bar from = passage.score().barAt(last.onset());
    Bar to = passage.score().barAt(next.onset());
    if (last.restAfter().compareTo(from.time().barLength()) >= 0) {
      return true;
    }
    return passage.score().bars().stream()
        .filter(b -> b.index() >= from.index() && b.index() < to.index())
        .anyMatch(
            b ->
                b.line() != Bar.Line.PLAIN
                    || passage.score().after(b).filter(PrintedWishes::isMarked).isPresent());
  }

  private static boolean isMarked(Bar bar) {
    return bar.directions().stream().anyMatch(d -> d.kind() == Direction.Kind.REHEARSAL);
  }

  /** Up to four notes in a row that the string does not have. */
  private static List<Slice> onString(ResolvedPassage passage, List<Slice> all, Pitch open) {
    int away = 0;
    for (int i = 0; i < all.size(); i++) {
      boolean lies =
          all.get(i).starting().stream()
              .map(n -> passage.notes().get(n).pitch().midi() - open.midi())
              .anyMatch(above -> above >= 0 && above <= MOST_ABOVE);
      away = lies ? 0 : away + 1;
      if (away == AWAY) {
        return all.subList(0, i + 1 - AWAY);
      }
    }
    return all;
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
