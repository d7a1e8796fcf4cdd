package fret.session;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Some notes as a player names them: by bars ({@code 12-20}), by beats of the metre's lower number
 * ({@code 12.3-14.1}, both beats included), by rehearsal marks ({@code A-C} or {@code from A to C},
 * from A up to C; {@code A} alone up to the next mark; {@code figure 6} where a bar has the number
 * too), or from a mark ({@code 4 before B}, {@code 2 after C-D}).
 *
 * @param from first note
 * @param to last note
 */
public record NoteRange(int from, int to) {
  private static final Pattern PARTED = Pattern.compile("\\s*(?:-|\u2013|\\bto\\b|\\bbis\\b)\\s*");
  private static final Pattern BEAT = Pattern.compile("(.+)\\.(\\d{1,2})");
  private static final Pattern MARK =
      Pattern.compile("(?:figure|fig\\.?|letter|mark|rehearsal)\\s+(\\S+)");
  private static final Pattern BAR = Pattern.compile("(?:bars?|b\\.|m\\.)\\s+(\\S+)");
  private static final Pattern FROM_MARK =
      Pattern.compile("(\\d{1,3})\\s+(?:bars?\\s+)?(before|after)\\s+(.+)");

  /**
   * Where a named place begins, and where it ends.
   *
   * @param asMark whether a rehearsal mark is meant
   */
  private record Spot(Fraction from, Fraction end, boolean asMark) {}

  /** Reads a range; empty where it names no notes of the passage, or may be meant in two ways. */
  public static Optional<NoteRange> of(String text, ResolvedPassage passage) {
    Set<NoteRange> all = readings(text, passage);
    return all.size() == 1 ? all.stream().findFirst() : Optional.empty();
  }

  /** Whether a number may be that of a bar and of a rehearsal mark. */
  public static boolean isInDoubt(String text, ResolvedPassage passage) {
    return readings(text, passage).size() > 1;
  }

  private static Set<NoteRange> readings(String text, ResolvedPassage passage) {
    String plain = text.strip().toLowerCase(Locale.ROOT).replaceFirst("^from\\s+", "");
    String[] ends = PARTED.split(plain, -1);
    Set<NoteRange> all = new LinkedHashSet<>();
    if (ends.length > 2) {
      return all;
    }
    for (Spot from : spots(ends[0], passage)) {
      for (Spot to : spots(ends[ends.length - 1], passage)) {
        boolean alike = ends.length == 1 ? from.equals(to) : from.asMark() == to.asMark();
        boolean mixed = !isNumber(ends[0]) || !isNumber(ends[ends.length - 1]);
        if (alike || ends.length == 2 && mixed) {
          Fraction end = ends.length == 2 && to.asMark() ? to.from() : to.end();
          notes(passage, from.from(), end).ifPresent(all::add);
        }
      }
    }
    return all;
  }

  private static boolean isNumber(String text) {
    return text.matches("\\d+");
  }

  private static Optional<NoteRange> notes(ResolvedPassage passage, Fraction from, Fraction end) {
    List<Slice> in =
        passage.slices().stream()
            .filter(s -> s.onset().compareTo(from) >= 0 && s.onset().compareTo(end) < 0)
            .toList();
    return in.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new NoteRange(
                in.get(0).starting().stream().mapToInt(i -> i).min().orElseThrow(),
                in.get(in.size() - 1).starting().stream().mapToInt(i -> i).max().orElseThrow()));
  }

  /** What a name may mean: a bar, a beat, a rehearsal mark, bars before or after one. */
  private static List<Spot> spots(String name, ResolvedPassage passage) {
    String text = name.strip();
    Matcher mark = MARK.matcher(text);
    if (mark.matches()) {
      return mark(mark.group(1), passage).stream().toList();
    }
    Matcher counted = FROM_MARK.matcher(text);
    if (counted.matches()) {
      int bars = Integer.parseInt(counted.group(1));
      boolean before = counted.group(2).equals("before");
      String at = counted.group(3).replaceFirst("^(figure|fig\\.?|letter|mark)\\s+", "");
      return mark(at, passage).flatMap(m -> away(m, before ? -bars : bars, passage)).stream()
          .toList();
    }
    Matcher bar = BAR.matcher(text);
    List<Spot> all = new ArrayList<>(bar(bar.matches() ? bar.group(1) : text, passage));
    if (!bar.matches()) {
      mark(text, passage).ifPresent(all::add);
    }
    return all;
  }

  private static List<Spot> bar(String text, ResolvedPassage passage) {
    Optional<Bar> bar =
        passage.score().bars().stream().filter(b -> b.number().equalsIgnoreCase(text)).findFirst();
    if (bar.isPresent()) {
      return List.of(new Spot(bar.get().start(), bar.get().end(), false));
    }
    Matcher beat = BEAT.matcher(text);
    if (!beat.matches()) {
      return List.of();
    }
    int count = Integer.parseInt(beat.group(2));
    return passage
        .score()
        .barNumbered(beat.group(1))
        .filter(b -> count >= 1)
        .map(
            b -> {
              Fraction unit = b.time().unit();
              Fraction from = b.start().add(unit.multiply(count - 1));
              return new Spot(from, from.add(unit), false);
            })
        .filter(s -> s.from().compareTo(passage.score().end()) < 0)
        .stream()
        .toList();
  }

  /** A rehearsal mark; alone it goes up to the next one, or to the end. */
  private static Optional<Spot> mark(String text, ResolvedPassage passage) {
    List<Direction> marks =
        passage.score().bars().stream()
            .flatMap(b -> b.directions().stream())
            .filter(d -> d.kind() == Direction.Kind.REHEARSAL)
            .toList();
    for (int i = 0; i < marks.size(); i++) {
      if (marks.get(i).text().equalsIgnoreCase(text.strip())) {
        Fraction end = i + 1 < marks.size() ? marks.get(i + 1).onset() : passage.score().end();
        return Optional.of(new Spot(marks.get(i).onset(), end, true));
      }
    }
    return Optional.empty();
  }

  /** So many bars after a mark, or before it: then up to the mark. */
  private static Optional<Spot> away(Spot mark, int bars, ResolvedPassage passage) {
    int at = passage.score().barAt(mark.from()).index() - passage.score().bars().get(0).index();
    int wanted = at + bars;
    if (wanted < 0 || wanted >= passage.score().bars().size()) {
      return Optional.empty();
    }
    Fraction from = passage.score().bars().get(wanted).start();
    return Optional.of(new Spot(from, bars < 0 ? mark.from() : mark.end(), true));
  }
}
