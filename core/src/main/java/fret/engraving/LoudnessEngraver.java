package fret.engraving;

import fret.engraving.Primitive.Ink;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Direction.Kind;
import fret.score.Score;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/** Sets dynamics and the hairpins between them under the stave, near ones on one line. */
final class LoudnessEngraver {
  private static final double DYNAMICS_Y = 7.2;

  /** The line of a hairpin's middle over that of the letters' feet. */
  private static final double RAISED = 0.5;

  /** Half of what a hairpin opens to; {@code CUT} is the least where it goes on over a line. */
  private static final double OPENING = 0.6;

  private static final double CUT = 0.2;

  /** Dynamics and hairpins nearer than that to each other stand on one line. */
  private static final double TOGETHER = 8;

  /** A part of a hairpin that is shorter is left out. */
  private static final double LEAST_PART = 1;

  /** Between a dynamic and its hairpin; the letters lean over their feet. */
  private static final double BETWEEN = 0.6;

  /** The f leans out of its width by as much, to either side. */
  private static final double LEANS = 0.65;

  /** Height of the letters, with the room over them. */
  private static final double LETTERS = 1.95;

  private static final Set<Kind> HAIRPINS = EnumSet.of(Kind.CRESCENDO, Kind.DIMINUENDO);

  private final Pen pen;
  private final Score line;
  private final Score whole;
  private final StavePlaces places;

  /**
   * @param line the bars on this stave; {@code whole} all of the part
   */
  LoudnessEngraver(Pen pen, Score line, Score whole, StavePlaces places) {
    this.pen = pen;
    this.line = line;
    this.whole = whole;
    this.places = places;
  }

  /**
   * A dynamic or a hairpin that waits for its line.
   *
   * @param letters of a dynamic; none for a hairpin
   * @param opens half of its opening at the left; {@code closes} at the right
   */
  private record Loud(
      double left, double right, List<MusicGlyph> letters, double opens, double closes) {
    boolean isHairpin() {
      return letters.isEmpty();
    }

    /** A part of a hairpin. */
    Loud part(double from, double to) {
      return new Loud(from, to, letters, openingAt(from), openingAt(to));
    }

    private double openingAt(double x) {
      return opens + (closes - opens) * (x - left) / (right - left);
    }
  }

  void engrave() {
    List<Loud> all = new ArrayList<>();
    for (Bar bar : line.bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Kind.DYNAMIC) {
          dynamic(d).ifPresent(all::add);
        }
      }
    }
    List<Loud> letters = List.copyOf(all);
    for (Spanner s : Spanner.of(whole, HAIRPINS, Kind.HAIRPIN_END)) {
      if (s.isOn(line)) {
        all.addAll(around(hairpin(s, letters), letters));
      }
    }
    all.sort(Comparator.comparingDouble(Loud::left));
    List<Loud> together = new ArrayList<>();
    double end = Double.NEGATIVE_INFINITY;
    for (Loud l : all) {
      if (l.left() > end + TOGETHER) {
        set(together);
        together.clear();
      }
      together.add(l);
      end = Math.max(end, l.right());
    }
    set(together);
  }

  private Optional<Loud> dynamic(Direction d) {
    List<MusicGlyph> letters = new ArrayList<>();
    for (char c : d.text().toCharArray()) {
      switch (c) {
        case 'p' -> letters.add(MusicGlyph.DYNAMIC_P);
        case 'm' -> letters.add(MusicGlyph.DYNAMIC_M);
        case 'f' -> letters.add(MusicGlyph.DYNAMIC_F);
        case 'r' -> letters.add(MusicGlyph.DYNAMIC_R);
        case 's' -> letters.add(MusicGlyph.DYNAMIC_S);
        case 'z' -> letters.add(MusicGlyph.DYNAMIC_Z);
        default -> {}
      }
    }
    double width = letters.stream().mapToDouble(this::step).sum();
    double x = places.within(places.notes(d.onset()) - 0.1, width);
    return letters.isEmpty()
        ? Optional.empty()
        : Optional.of(new Loud(x, x + width, letters, 0, 0));
  }

  /** Between the dynamics at its ends; open at once where it comes from the line before. */
  private Loud hairpin(Spanner s, List<Loud> letters) {
    boolean crescendo = s.sign().kind() == Kind.CRESCENDO;
    double left = s.comesInto(line) ? places.notes(first()) - 0.6 : places.notes(s.from());
    double right = s.goesOnAfter(line) ? places.right() - 0.3 : places.notes(s.to()) - 0.3;
    for (Loud l : letters) {
      if (l.left() <= left + 0.5 && l.right() > left) {
        left = l.right() + BETWEEN;
      }
      if (l.left() > left && l.left() < right + 1 && l.right() > right) {
        right = l.left() - BETWEEN;
      }
    }
    double from = s.comesInto(line) ? s.share(first()) : 0;
    double to = s.goesOnAfter(line) ? s.share(line.end()) : 1;
    double opens = crescendo ? from : 1 - from;
    double closes = crescendo ? to : 1 - to;
    double wide = Math.max(left + 2, right);
    return new Loud(
        Math.min(left, places.right() - 2),
        Math.min(wide, places.right()),
        List.of(),
        Math.max(s.comesInto(line) ? CUT : 0, opens) * OPENING,
        Math.max(s.goesOnAfter(line) ? CUT : 0, closes) * OPENING);
  }

  /** A hairpin is left out where a dynamic stands within it. */
  private static List<Loud> around(Loud hairpin, List<Loud> letters) {
    List<Loud> parts = new ArrayList<>();
    double from = hairpin.left();
    for (Loud l : letters) {
      if (l.left() > from && l.right() < hairpin.right()) {
        parts.add(hairpin.part(from, l.left() - BETWEEN));
        from = l.right() + BETWEEN;
      }
    }
    parts.add(hairpin.part(from, hairpin.right()));
    return parts.stream().filter(p -> p.right() - p.left() >= LEAST_PART).toList();
  }

  private Fraction first() {
    return line.bars().get(0).start();
  }

  private void set(List<Loud> together) {
    double y = DYNAMICS_Y;
    for (Loud l : together) {
      double under = pen.skyline().bottomOver(l.left() - LEANS, l.right() + LEANS);
      y = Math.max(y, under + (l.isHairpin() ? OPENING + 0.4 + RAISED : LETTERS));
    }
    for (Loud l : together) {
      double at = l.left();
      for (MusicGlyph g : l.letters()) {
        pen.glyph(g, at, y, 1, Ink.NOTE, -1);
        at += step(g);
      }
      if (l.isHairpin()) {
        double middle = y - RAISED;
        for (int side : new int[] {-1, 1}) {
          pen.line(
              l.left(),
              middle + side * l.opens(),
              l.right(),
              middle + side * l.closes(),
              0.13,
              Ink.NOTE,
              -1);
        }
      }
    }
  }

  /** Letters of a dynamic stand close; the leaning f reaches under its neighbours. */
  private double step(MusicGlyph letter) {
    return pen.metrics().box(letter).right() - (letter == MusicGlyph.DYNAMIC_F ? 0.4 : 0.06);
  }
}
