package fret.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * How loud a part is meant to be at every onset, in levels: 0 for ppp, 1 pp, 2 p, 3 mp, 4 mf, 5 f,
 * 6 ff, 7 fff, and what lies between. Steps at dynamics, even slopes along hairpins.
 *
 * <p>A hairpin leads to the dynamic that stands within a quarter note of its end; where there is
 * none, one level up or down. Alike hairpins in a row without a dynamic between begin again at the
 * level of the first (common practice, no source). Nothing printed is mf. A hairpin that lacks its
 * end in the file ends with the next dynamic or bar.
 */
public final class LoudnessLine {
  /** Printed words of the levels. */
  public static final List<String> WORDS = List.of("ppp", "pp", "p", "mp", "mf", "f", "ff", "fff");

  public static final int PIANO = 2;
  public static final int MEZZO_FORTE = 4;
  public static final int FORTE = 5;

  private static final Fraction NEAR = Fraction.of(1, 4);

  /** Hairpins of a row differ in length by no more than this factor. */
  private static final double LIKE = 1.5;

  /** From an onset on: level there, and level reached at the end of the piece. */
  private record Piece(double from, double to, Fraction end) {}

  private final NavigableMap<Fraction, Piece> pieces = new TreeMap<>();

  private final NavigableMap<Fraction, Double> offsets = new TreeMap<>();
  private LineShape shape = LineShape.NONE;

  private LoudnessLine() {}

  /** The line as printed. */
  public static LoudnessLine of(Score score) {
    return of(score, OwnLine.NONE);
  }

  /** The line with the player's own over the printed one. */
  public static LoudnessLine of(Score score, OwnLine own) {
    TreeMap<Fraction, Double> levels = new TreeMap<>();
    List<Direction> hairpins = new ArrayList<>();
    for (Bar bar : score.bars()) {
      for (Direction d : bar.directions()) {
        switch (d.kind()) {
          case DYNAMIC -> {
            int level = level(d.text());
            if (level >= 0) {
              levels.put(d.onset(), (double) level);
            }
          }
          case CRESCENDO, DIMINUENDO, HAIRPIN_END -> hairpins.add(d);
          default -> {}
        }
      }
    }
    levels.putAll(own.levels());
    for (OwnLine.Hairpin h : own.hairpins()) {
      hairpins.removeIf(h::hides);
      hairpins.addAll(h.signs());
    }
    hairpins.sort(Comparator.comparing(Direction::onset));
    return new LoudnessLine().laid(score, levels, hairpins, own.rowsGoOn());
  }

  private LoudnessLine laid(
      Score score, TreeMap<Fraction, Double> levels, List<Direction> hairpins, boolean rowsGoOn) {
    Fraction start = score.bars().get(0).start();
    Fraction end = score.end();
    put(start, MEZZO_FORTE, MEZZO_FORTE, end);
    levels.forEach((onset, level) -> put(onset, level, level, end));
    Slope before = null;
    for (int i = 0; i < hairpins.size(); i++) {
      Direction d = hairpins.get(i);
      if (d.kind() != Direction.Kind.HAIRPIN_END) {
        Fraction stop = i + 1 < hairpins.size() ? hairpins.get(i + 1).onset() : barEnd(score, d);
        boolean row = !rowsGoOn && before != null && before.isAlike(d, stop, levels);
        before = slope(d, stop, row ? before.began() : levelAt(d.onset()), levels, end);
      }
    }
    return this;
  }

  /** A hairpin that was laid: from where it began to where it stopped. */
  private record Slope(Direction sign, Fraction stop, double began) {
    /** Whether one goes on a row: of the same kind and length, near, without a dynamic between. */
    boolean isAlike(Direction next, Fraction nextStop, NavigableMap<Fraction, Double> levels) {
      Fraction length = stop.subtract(sign.onset());
      Fraction other = nextStop.subtract(next.onset());
      Fraction marked = levels.higherKey(sign.onset());
      boolean free = marked == null || marked.compareTo(next.onset()) > 0;
      boolean near = next.onset().subtract(stop).compareTo(length) <= 0;
      double ratio = length.signum() > 0 ? other.doubleValue() / length.doubleValue() : 0;
      return next.kind() == sign.kind() && free && near && ratio <= LIKE && ratio >= 1 / LIKE;
    }
  }

  private static Fraction barEnd(Score score, Direction d) {
    return score.bars().stream()
        .filter(b -> b.end().compareTo(d.onset()) > 0)
        .findFirst()
        .map(Bar::end)
        .orElse(score.end());
  }

  private Slope slope(
      Direction hairpin,
      Fraction printedStop,
      double at,
      TreeMap<Fraction, Double> levels,
      Fraction end) {
    Fraction from = hairpin.onset();
    Fraction next = levels.higherKey(from);
    Fraction stop =
        next != null && next.compareTo(printedStop) < 0 ? next : printedStop; // cut short by it
    if (stop.compareTo(from) <= 0) {
      return null;
    }
    int way = hairpin.kind() == Direction.Kind.CRESCENDO ? 1 : -1;
    boolean led = next != null && next.compareTo(stop.add(NEAR)) <= 0;
    double goal = led ? levels.get(next) : at + way;
    double reached = (goal - at) * way > 0 ? goal : at + way;
    double to = Math.max(0, Math.min(WORDS.size() - 1, reached));
    put(from, at, to, stop);
    if (next == null || next.compareTo(stop) > 0) {
      put(stop, to, to, end);
    }
    return new Slope(hairpin, stop, at);
  }

  private void put(Fraction onset, double from, double to, Fraction end) {
    pieces.put(onset, new Piece(from, to, end));
  }

  /** The level of a printed dynamic; "fp" ends soft; -1 for a mere accent or no dynamic. */
  public static int level(String text) {
    return text.equals("fp") ? PIANO : WORDS.indexOf(text);
  }

  /** The level at an onset, after what changes there. */
  public double levelAt(Fraction onset) {
    Map.Entry<Fraction, Piece> here = pieces.floorEntry(onset);
    double level = here == null ? MEZZO_FORTE : within(here, onset);
    return bounded(level + shape.at(onset) + offsets.getOrDefault(onset, 0.0));
  }

  private static double bounded(double level) {
    return Math.max(0, Math.min(WORDS.size() - 1, level));
  }

  /** The same line with something added to it. */
  public LoudnessLine shaped(LineShape added) {
    LoudnessLine line = new LoudnessLine();
    line.pieces.putAll(pieces);
    line.shape = added;
    line.offsets.putAll(offsets);
    return line;
  }

  /**
   * The same line with some notes louder or softer than it.
   *
   * @param levels by the onset of every note, 0 for those that stand in it
   */
  public LoudnessLine offset(Map<Fraction, Double> levels) {
    LoudnessLine line = shaped(shape);
    line.offsets.putAll(levels);
    return line;
  }

  /** The level just before an onset. */
  public double levelBefore(Fraction onset) {
    Map.Entry<Fraction, Piece> here = pieces.lowerEntry(onset);
    if (here == null) {
      return levelAt(onset);
    }
    Map.Entry<Fraction, Double> own = offsets.lowerEntry(onset);
    return bounded(within(here, onset) + shape.before(onset) + (own == null ? 0 : own.getValue()));
  }

  private static double within(Map.Entry<Fraction, Piece> piece, Fraction onset) {
    Piece p = piece.getValue();
    if (p.from() == p.to()) {
      return p.from();
    }
    Fraction length = p.end().subtract(piece.getKey());
    double share = onset.subtract(piece.getKey()).doubleValue() / length.doubleValue();
    return p.from() + (p.to() - p.from()) * Math.max(0, Math.min(1, share));
  }

  /** The printed word nearest to a level. */
  public static String word(double level) {
    return WORDS.get((int) Math.max(0, Math.min(WORDS.size() - 1, Math.round(level))));
  }
}
