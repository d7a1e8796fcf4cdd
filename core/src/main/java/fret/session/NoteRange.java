package fret.session;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Some notes as a player names them: by bars ({@code 12-20}), by beats of the metre's lower number
 * ({@code 12.3-14.1}, both beats included), or by rehearsal marks ({@code A-C}, from A up to C).
 *
 * @param from first note
 * @param to last note
 */
public record NoteRange(int from, int to) {
  private static final Pattern RANGE =
      Pattern.compile("\\s*([^\\s-]+)(?:\\s*[-\u2013]\\s*([^\\s-]+))?\\s*");
  private static final Pattern BEAT = Pattern.compile("(.+)\\.(\\d{1,2})");

  /** Where a named place begins, and where it ends. */
  private record Spot(Fraction from, Fraction end) {}

  /** Reads a range; empty where it names no notes of the passage. */
  public static Optional<NoteRange> of(String text, ResolvedPassage passage) {
    Matcher m = RANGE.matcher(text);
    if (!m.matches()) {
      return Optional.empty();
    }
    Optional<Spot> from = spot(m.group(1), passage);
    Optional<Spot> to = m.group(2) == null ? from : spot(m.group(2), passage);
    return from.isEmpty() || to.isEmpty()
        ? Optional.empty()
        : notes(passage, from.get().from(), to.get().end());
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

  private static Optional<Spot> spot(String text, ResolvedPassage passage) {
    Optional<Bar> bar = passage.score().barNumbered(text);
    if (bar.isPresent()) {
      return bar.map(b -> new Spot(b.start(), b.end()));
    }
    Matcher beat = BEAT.matcher(text);
    if (beat.matches()) {
      int count = Integer.parseInt(beat.group(2));
      return passage
          .score()
          .barNumbered(beat.group(1))
          .filter(b -> count >= 1)
          .map(
              b -> {
                Fraction unit = b.time().unit();
                Fraction from = b.start().add(unit.multiply(count - 1));
                return new Spot(from, from.add(unit));
              })
          .filter(s -> s.from().compareTo(passage.score().end()) < 0);
    }
    return passage.score().bars().stream()
        .flatMap(b -> b.directions().stream())
        .filter(d -> d.kind() == Direction.Kind.REHEARSAL && d.text().equalsIgnoreCase(text))
        .findFirst()
        .map(d -> new Spot(d.onset(), d.onset()));
  }
}
