package fret.passage;

import fret.score.Bar;
import fret.score.Score;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The tempo of a passage from its target and its tempo marks. Marks on bars that are not there are
 * left out; of two at one moment the later holds. The target is the tempo at the first bar that is
 * read; marks before it do not count.
 */
public final class TempoPlan {
  /**
   * A stretch of one tempo, or of one gradual change.
   *
   * @param bar in which it starts
   * @param onset where it starts, in whole notes
   * @param end where the next one starts
   * @param start tempo at its start, in its own counted value
   * @param finish tempo at its end; equal to {@code start} where it is steady
   * @param upper upper end of the rate where a range is asked for; 0 for none
   * @param source who says so
   * @param mark that makes it; empty for the first, which is the target
   */
  public record Section(
      Bar bar,
      Fraction onset,
      Fraction end,
      Tempo start,
      Tempo finish,
      double upper,
      TempoMark.Source source,
      Optional<TempoMark> mark) {
    public boolean isSteady() {
      return start.equals(finish);
    }

    /** The same, said by another. */
    public Section by(TempoMark.Source other) {
      return new Section(bar, onset, end, start, finish, upper, other, mark);
    }
  }

  private record Placed(TempoMark mark, Bar bar, Fraction at) {}

  private TempoPlan() {}

  /** The clock of a part. */
  public static TempoMap of(Score score, Tempo target, List<TempoMark> marks) {
    List<TempoMap.Section> sections = new ArrayList<>();
    List<Section> found = sections(score, target, marks);
    for (Section s : found) {
      sections.add(new TempoMap.Section(s.onset(), s.start(), s.finish()));
    }
    Section last = found.get(found.size() - 1);
    if (!last.isSteady()) {
      sections.add(new TempoMap.Section(score.end(), last.finish(), last.finish()));
    }
    List<TempoMap.Hold> holds = new ArrayList<>();
    for (TempoMark m : marks) {
      if (m.kind() == TempoMark.Kind.HOLD) {
        m.spot()
            .in(score)
            .ifPresent(b -> holds.add(new TempoMap.Hold(b.start(), b.length(), m.value() * 1000)));
      }
    }
    return TempoMap.of(sections, holds);
  }

  /**
   * The sections of a part, in order, without a gap.
   *
   * @throws IllegalArgumentException if {@code score} has no bar
   */
  public static List<Section> sections(Score score, Tempo target, List<TempoMark> marks) {
    if (score.bars().isEmpty()) {
      throw new IllegalArgumentException("a part without bars has no tempo");
    }
    Bar first = score.bars().get(0);
    List<Section> all = new ArrayList<>();
    all.add(
        new Section(
            first,
            first.start(),
            score.end(),
            target,
            target,
            0,
            TempoMark.Source.MINE,
            Optional.<TempoMark>empty()));
    for (Placed p : placed(score, marks)) {
      Section before = all.get(all.size() - 1);
      Tempo goal = p.mark().tempo(target);
      boolean gradual = p.mark().kind() == TempoMark.Kind.GRADUAL;
      Tempo start = gradual ? before.finish() : goal;
      boolean same = before.onset().equals(p.at());
      if (same) {
        all.remove(all.size() - 1);
      } else {
        all.set(all.size() - 1, upTo(before, p.at()));
      }
      all.add(
          new Section(
              p.bar(),
              p.at(),
              score.end(),
              start,
              gradual ? goal.in(start.beat()) : goal,
              p.mark().upper(),
              p.mark().source(),
              Optional.of(p.mark())));
    }
    return all;
  }

  /**
   * Settings whose first tempo is another, all others by the same share faster or slower. What
   * keeps its speed keeps its source.
   */
  public static Passage.Settings withFirst(Passage.Settings settings, Tempo first) {
    double share = settings.target().wholeNoteMs() / first.wholeNoteMs();
    List<TempoMark> scaled =
        Math.abs(share - 1) < 1e-9
            ? settings.details().tempoMarks()
            : settings.details().tempoMarks().stream().map(m -> m.scaled(share)).toList();
    return settings.withTarget(first).withDetails(settings.details().withTempoMarks(scaled));
  }

  /** The section that is in force at an onset. */
  public static Section at(List<Section> sections, Fraction onset) {
    Section found = sections.get(0);
    for (Section s : sections) {
      found = s.onset().compareTo(onset) <= 0 ? s : found;
    }
    return found;
  }

  private static Section upTo(Section s, Fraction end) {
    return new Section(
        s.bar(), s.onset(), end, s.start(), s.finish(), s.upper(), s.source(), s.mark());
  }

  /** Marks by the place where they stand; those without one last. */
  static List<TempoMark> inOrder(Score score, List<TempoMark> marks) {
    List<TempoMark> all = new ArrayList<>(marks);
    all.sort(
        Comparator.comparing(
            m ->
                m.spot().in(score).map(b -> b.start().add(m.spot().offset())).orElse(score.end())));
    return all;
  }

  private static List<Placed> placed(Score score, List<TempoMark> marks) {
    List<Placed> all = new ArrayList<>();
    for (TempoMark m : marks) {
      if (m.kind() != TempoMark.Kind.HOLD) {
        Optional<Bar> bar = m.spot().in(score);
        bar.ifPresent(b -> all.add(new Placed(m, b, b.start().add(m.spot().offset()))));
      }
    }
    all.removeIf(p -> p.at().compareTo(score.end()) >= 0);
    all.sort(Comparator.comparing(Placed::at));
    return all;
  }

  /**
   * The clock of the bars in another order, as with repeats: in each bar the tempo is that of where
   * it is written.
   *
   * @param written the clock of {@code score}
   * @param order by bar of {@code played} the place of the bar in {@code score}
   */
  public static TempoMap played(TempoMap written, Score score, Score played, List<Integer> order) {
    List<TempoMap.Section> all = new ArrayList<>();
    List<TempoMap.Hold> holds = new ArrayList<>();
    for (int k = 0; k < order.size(); k++) {
      Bar from = score.bars().get(order.get(k));
      Fraction by = played.bars().get(k).start().subtract(from.start());
      Fraction at = from.start();
      for (TempoMap.Section s : written.sections()) {
        if (s.onset().compareTo(at) > 0 && s.onset().compareTo(from.end()) < 0) {
          all.add(between(written, at, s.onset(), by));
          at = s.onset();
        }
      }
      all.add(between(written, at, from.end(), by));
      written.holds().stream()
          .filter(h -> h.onset().compareTo(from.start()) >= 0)
          .filter(h -> h.onset().compareTo(from.end()) < 0)
          .map(h -> new TempoMap.Hold(h.onset().add(by), h.length(), h.extraMs()))
          .forEach(holds::add);
    }
    return TempoMap.of(all, holds);
  }

  private static TempoMap.Section between(
      TempoMap written, Fraction from, Fraction to, Fraction by) {
    return new TempoMap.Section(from.add(by), written.at(from), written.before(to));
  }
}
