package fret.passage;

import fret.passage.TempoMark.Source;
import fret.score.Score;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;

/** What a player may do with the tempos of a passage; each gives the settings after it. */
public final class TempoEdits {
  private TempoEdits() {}

  /** One section at another tempo, which is the player's then. */
  public static Passage.Settings section(
      Passage.Settings s, TempoPlan.Section section, Tempo tempo, double upper) {
    if (section.mark().isEmpty()) {
      return s.withTarget(tempo);
    }
    TempoMark old = section.mark().get();
    TempoMark mine = old.countedIn(tempo.beat()).at(tempo.perMinute(), upper);
    return with(s, s.details().tempoMarks().stream().map(m -> m.equals(old) ? mine : m).toList());
  }

  /** All sections by the same share faster or slower, each to a whole number. */
  public static Passage.Settings allBy(Passage.Settings s, double share) {
    List<TempoMark> marks =
        s.details().tempoMarks().stream()
            .map(m -> m.kind() == TempoMark.Kind.HOLD ? m : whole(m.scaled(share)))
            .toList();
    double first = Math.max(2, Math.round(s.target().perMinute() * share));
    return with(s.withTarget(s.target().at(first)), marks);
  }

  private static TempoMark whole(TempoMark m) {
    return m.at(Math.max(1, Math.round(m.value())), Math.round(m.upper()));
  }

  /**
   * The tempos of the page in place of those that were taken from it before; what the player set
   * stays.
   *
   * @param read of {@code page} what the settings read
   * @param mine whether the first tempo is the player's and stays too
   */
  public static Passage.Settings printed(Passage.Settings s, Score read, Score page, boolean mine) {
    Passage.Settings fresh = PrintedTempos.of(page).in(s, read, page);
    List<TempoMark> own =
        s.details().tempoMarks().stream().filter(m -> m.source() == Source.MINE).toList();
    List<TempoMark> all = new ArrayList<>(fresh.details().tempoMarks());
    all.removeIf(m -> own.stream().anyMatch(o -> isAtSame(m, o, page)));
    all.addAll(own);
    Passage.Settings timed = with(s, TempoPlan.inOrder(page, all));
    return mine ? timed : timed.withTarget(fresh.target());
  }

  /** One more mark; it takes the place of one of its kind there. */
  public static Passage.Settings added(Passage.Settings s, TempoMark mark, Score page) {
    List<TempoMark> all = new ArrayList<>(s.details().tempoMarks());
    all.removeIf(m -> isAtSame(m, mark, page));
    all.add(mark);
    return with(s, TempoPlan.inOrder(page, all));
  }

  private static boolean isAtSame(TempoMark a, TempoMark b, Score page) {
    return a.spot().in(page).equals(b.spot().in(page))
        && a.spot().offset().equals(b.spot().offset())
        && (a.kind() == TempoMark.Kind.HOLD) == (b.kind() == TempoMark.Kind.HOLD);
  }

  /** Other bars are read: the target is that of their first bar, the one before is a mark. */
  public static Passage.Settings reading(Passage.Settings s, Reading other, Score page) {
    Score was = s.reading().of(page);
    Score is = other.of(page);
    Passage.Settings read = s.withReading(other);
    if (was.bars().isEmpty() || is.bars().isEmpty() || was.bars().get(0).equals(is.bars().get(0))) {
      return read;
    }
    List<TempoMark> all = new ArrayList<>(s.details().tempoMarks());
    TempoMark before =
        new TempoMark(
            TempoMark.Spot.of(was.bars().get(0), was.bars().get(0).start()),
            TempoMark.Kind.SECTION,
            java.util.Optional.of(s.target().beat()),
            s.target().perMinute(),
            0,
            source(s, was, page),
            "");
    all.removeIf(m -> isAtSame(m, before, page) && m.kind() == TempoMark.Kind.SECTION);
    all.add(0, before);
    List<TempoMark> ordered = TempoPlan.inOrder(page, all);
    TempoMark first = ordered.get(0);
    Tempo page0 = first.spot().offset().signum() == 0 ? first.tempo(s.target()) : s.target();
    Tempo there = TempoPlan.of(page, page0, ordered).at(is.bars().get(0).start());
    List<TempoMark> rest = new ArrayList<>(ordered);
    rest.removeIf(
        m ->
            m.kind() == TempoMark.Kind.SECTION
                && m.spot().offset().signum() == 0
                && m.spot()
                    .in(page)
                    .filter(b -> b.index() == is.bars().get(0).index())
                    .isPresent());
    return with(read.withTarget(there), rest);
  }

  private static Source source(Passage.Settings s, Score read, Score page) {
    TempoPlan.Section printed = PrintedTempos.of(page).at(read, page);
    return printed.start().equals(s.target()) ? printed.source() : Source.MINE;
  }

  private static Passage.Settings with(Passage.Settings s, List<TempoMark> marks) {
    return s.withDetails(s.details().withTempoMarks(marks));
  }
}
