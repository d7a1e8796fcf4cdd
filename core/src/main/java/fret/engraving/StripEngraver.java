package fret.engraving;

import fret.pitch.Clef;
import fret.pitch.KeySignature;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Engraves a part as one continuous stave: decides where every glyph, line and curve stands.
 *
 * <p>Line thicknesses are the engraving defaults of the Bravura font's SMuFL metadata (Steinberg
 * Media Technologies, SIL Open Font License).
 */
public final class StripEngraver {
  static final double STAFF_LINE = 0.13;
  static final double BARLINE = 0.16;

  private final ResolvedPassage passage;
  private final GlyphMetrics metrics;
  private final Pen pen;
  private final Map<EventKey, Integer> sliceOfEvent = new HashMap<>();
  private final Map<Integer, FingerText> fingers = new HashMap<>();
  private final double[] sliceX;
  private final List<Strip.BarSpan> spans = new ArrayList<>();
  private final List<Placed> placed = new ArrayList<>();
  private final TreeMap<Fraction, Double> columnX = new TreeMap<>();

  /** Where a bar that prints its metre has it. */
  private final Map<Fraction, Double> metreX = new HashMap<>();

  /** An event with the place it got. */
  record Placed(
      Bar bar, Event event, double x, int slice, boolean small, int voiceRank, int voiceCount) {}

  private final StripStyle style;

  private StripEngraver(
      ResolvedPassage passage, List<FingerText> texts, GlyphMetrics metrics, StripStyle style) {
    this.passage = passage;
    this.style = style;
    this.metrics = metrics;
    this.pen = new Pen(metrics);
    this.sliceX = new double[passage.slices().size()];
    texts.forEach(t -> fingers.put(t.note(), t));
    for (SoundingNote note : passage.notes()) {
      sliceOfEvent.put(
          new EventKey(note.key().barIndex(), note.voice(), note.onset(), note.key().grace()),
          note.slice());
    }
  }

  /**
   * Engraves a passage.
   *
   * @param fingers what to print as fingering
   * @param metrics glyph sizes
   */
  public static Strip engrave(
      ResolvedPassage passage, List<FingerText> fingers, GlyphMetrics metrics) {
    return engrave(passage, fingers, metrics, StripStyle.PLAIN);
  }

  /** Engraves a passage in a style. */
  public static Strip engrave(
      ResolvedPassage passage, List<FingerText> fingers, GlyphMetrics metrics, StripStyle style) {
    return new StripEngraver(passage, fingers, metrics, style).run();
  }

  /**
   * Engraves another part of a score so that it stands under a strip: what sounds together stands
   * under each other.
   *
   * @param main the strip, no bars of it drawn as one; {@code bars} of its part
   * @param scale of this stave against the strip's
   */
  public static Strip engraveUnder(
      ResolvedPassage other, Strip main, List<Bar> bars, double scale, GlyphMetrics metrics) {
    return new StripEngraver(other, List.of(), metrics, StripStyle.WRITING)
        .run(new Along(main, bars, scale));
  }

  /** Bars and columns stand where those of another strip stand. */
  private Strip run(Along along) {
    double x = 1;
    Bar before = null;
    for (Bar bar : passage.score().bars()) {
      Optional<Strip.BarSpan> span = along.span(bar);
      if (span.isEmpty()) {
        continue; // The strip is of other bars, or is over.
      }
      double left = span.get().left() / along.scale();
      double right = span.get().right() / along.scale();
      if (before == null) {
        key(bar, KeySignature.NONE, clef(bar.clef(), left + 0.6, 1) + 0.4);
      } else if (!bar.clef().equals(before.clefAt(before.end()))) {
        clef(bar.clef(), left - 2.2, 0.75);
      }
      columns(bar, along);
      pen.line(right, 0, right, 4, BARLINE, Primitive.Ink.NOTE, -1);
      spans.add(new Strip.BarSpan(bar.index(), bar.number(), left, right));
      x = right;
      before = bar;
    }
    return finished(x);
  }

  private void columns(Bar bar, Along along) {
    TreeSet<String> voices = new TreeSet<>();
    TreeMap<Fraction, List<Event>> columns = new TreeMap<>();
    for (Event e : bar.events()) {
      columns.computeIfAbsent(e.onset(), o -> new ArrayList<>()).add(e);
      if (!e.isRest()) {
        voices.add(e.voice());
      }
    }
    for (Map.Entry<Fraction, List<Event>> column : columns.entrySet()) {
      Fraction next = columns.higherKey(column.getKey());
      double x = along.x(bar, column.getKey());
      double graces = column.getValue().stream().filter(Event::isGrace).count() * 1.35;
      graces(bar, column.getValue(), x - graces - (graces > 0 ? 0.35 : 0), voices);
      columnX.put(column.getKey(), x);
      double width = along.x(bar, next == null ? bar.end() : next) - x;
      placeColumn(bar, column.getValue(), x, width, voices);
    }
  }

  private record EventKey(int bar, String voice, Fraction onset, int grace) {}

  private Strip run() {
    double x = 1;
    Bar before = null;
    List<Bar> bars = passage.score().bars();
    for (int i = 0; i < bars.size(); i++) {
      Bar bar = bars.get(i);
      double left = x;
      int rests = style.collapseRests() ? restBars(bars, i) : 0;
      Bar last = rests > 1 ? bars.get(i + rests - 1) : bar;
      x = prefix(bar, before, x);
      x = rests > 1 ? manyRests(rests, x) : columns(bar, x);
      x = clefAhead(last, x);
      x = barline(last, x);
      x = ahead(last, x);
      for (int r = i; r <= i + Math.max(1, rests) - 1; r++) {
        spans.add(new Strip.BarSpan(bars.get(r).index(), bars.get(r).number(), left, x));
      }
      i += Math.max(1, rests) - 1;
      before = last;
    }
    return finished(x);
  }

  /** The stave, and what stands on it and around it. */
  private Strip finished(double x) {
    double width = x + 1.5;
    for (int i = 0; i < 5; i++) {
      pen.line(1, i, x, i, STAFF_LINE, Primitive.Ink.STAVE, -1);
    }
    Score whole = style.lineOf().orElse(passage.score());
    List<NoteEngraver.Note> notes = new NoteEngraver(pen, metrics, whole, x).engrave(placed);
    new MarkEngraver(pen, passage, fingers, style)
        .engrave(placed, notes, spans, new StavePlaces(this::xAt, this::headAt, 1, x));
    List<Double> xs = new ArrayList<>();
    for (double v : sliceX) {
      xs.add(v);
    }
    return pen.strip(width, xs, spans, columnX);
  }

  /** How many bars from here on are nothing but rests, with nothing printed at them. */
  static int restBars(List<Bar> bars, int from) {
    int count = 0;
    while (from + count < bars.size()) {
      Bar bar = bars.get(from + count);
      boolean same =
          count == 0
              || bar.key().equals(bars.get(from).key())
                  && bar.time().equals(bars.get(from).time())
                  && bar.clef().equals(bars.get(from).clef())
                  && bar.directions().isEmpty()
                  && !bar.repeatStart();
      boolean rests =
          !bar.events().isEmpty()
              && bar.length().equals(bar.time().barLength())
              && bar.events().stream().allMatch(e -> e.isRest() && !e.signs().fermata())
              && bar.clefChanges().isEmpty()
              && bar.endings().isEmpty();
      if (!same || !rests) {
        return count;
      }
      count++;
      if (bar.repeatEnd() || bar.line() != Bar.Line.PLAIN) {
        return count;
      }
    }
    return count;
  }

  /** One thick rest with the number of bars over it. */
  private double manyRests(int count, double start) {
    double width = 7;
    double left = start + 0.5;
    double right = left + width;
    pen.line(left, 2, right, 2, 0.6, Primitive.Ink.NOTE, -1);
    pen.line(left, 1, left, 3, 0.16, Primitive.Ink.NOTE, -1);
    pen.line(right, 1, right, 3, 0.16, Primitive.Ink.NOTE, -1);
    List<MusicGlyph> digits = new ArrayList<>();
    digits(count, digits);
    row(digits, left + (width - width(digits)) / 2, -1.4);
    return right + 0.8;
  }

  // ---- what stands at a bar's start ------------------------------------------------------------

  private double prefix(Bar bar, Bar before, double start) {
    double x = start;
    boolean first = before == null;
    if (first) {
      x = clef(bar.clef(), x + 0.6, 1) + 0.4;
    }
    if (first || !bar.key().equals(before.key())) {
      x = key(bar, first ? KeySignature.NONE : before.key(), x + 0.4);
    }
    Bar previous = first ? style.before(bar).orElse(null) : before;
    if (previous == null || !bar.time().equals(previous.time())) {
      metreX.put(bar.start(), x + 0.5);
      x = time(bar.time(), x + 0.5);
    }
    if (bar.repeatStart()) {
      x = repeatStart(x + 0.2);
    }
    return x + 0.9;
  }

  /** A clef that comes into force at the next bar stands small before the bar line. */
  private double clefAhead(Bar bar, double x) {
    return style
        .after(passage.score(), bar)
        .map(Bar::clef)
        .filter(c -> !c.equals(bar.clefAt(bar.end())))
        .map(c -> clef(c, x, 0.75) + 0.5)
        .orElse(x);
  }

  /** The key and metre of the next line stand behind the last bar line of this one. */
  private double ahead(Bar bar, double x) {
    Optional<Bar> next =
        passage.score().after(bar).isPresent()
            ? Optional.empty()
            : style.after(passage.score(), bar);
    double at = x;
    if (next.isPresent() && !next.get().key().equals(bar.key())) {
      at = key(next.get(), bar.key(), at + 0.5);
    }
    if (next.isPresent() && !next.get().time().equals(bar.time())) {
      at = time(next.get().time(), at + 0.5);
    }
    return at == x ? x : at + 0.3;
  }

  private double clef(Clef clef, double x, double scale) {
    MusicGlyph glyph =
        switch (clef.sign()) {
          case G ->
              clef.octaveChange() < 0
                  ? MusicGlyph.G_CLEF_8VB
                  : clef.octaveChange() > 0 ? MusicGlyph.G_CLEF_8VA : MusicGlyph.G_CLEF;
          case C -> MusicGlyph.C_CLEF;
          case F ->
              clef.octaveChange() < 0
                  ? MusicGlyph.F_CLEF_8VB
                  : clef.octaveChange() > 0 ? MusicGlyph.F_CLEF_8VA : MusicGlyph.F_CLEF;
        };
    pen.glyph(glyph, x, 5 - clef.line(), scale, Primitive.Ink.NOTE, -1);
    return x + metrics.box(glyph).right() * scale;
  }

  private double key(Bar bar, KeySignature before, double start) {
    double x = start;
    KeySignature key = bar.key();
    for (Step step : before.alteredSteps()) {
      if (key.alterOf(step) == 0) {
        x = keySign(bar.clef(), step, before.fifths() > 0, MusicGlyph.NATURAL, x);
      }
    }
    for (Step step : key.alteredSteps()) {
      x =
          keySign(
              bar.clef(),
              step,
              key.fifths() > 0,
              key.fifths() > 0 ? MusicGlyph.SHARP : MusicGlyph.FLAT,
              x);
    }
    return x;
  }

  private double keySign(Clef clef, Step step, boolean sharp, MusicGlyph glyph, double x) {
    pen.glyph(glyph, x, NoteEngraver.y(clef.keyPosition(step, sharp)), 1, Primitive.Ink.NOTE, -1);
    return x + metrics.box(glyph).right() + 0.1;
  }

  private double time(TimeSignature time, double x) {
    if (time.sign() != TimeSignature.Sign.NUMBERS) {
      MusicGlyph glyph =
          time.sign() == TimeSignature.Sign.CUT ? MusicGlyph.TIME_CUT : MusicGlyph.TIME_COMMON;
      pen.glyph(glyph, x, 2, 1, Primitive.Ink.NOTE, -1);
      return x + metrics.box(glyph).right();
    }
    List<MusicGlyph> upper = new ArrayList<>();
    for (int group : time.groups()) {
      if (!upper.isEmpty()) {
        upper.add(MusicGlyph.TIME_PLUS);
      }
      digits(group, upper);
    }
    List<MusicGlyph> lower = new ArrayList<>();
    digits(time.beatType(), lower);
    double width = Math.max(width(upper), width(lower));
    row(upper, x + (width - width(upper)) / 2, 1);
    row(lower, x + (width - width(lower)) / 2, 3);
    return x + width;
  }

  private static void digits(int number, List<MusicGlyph> into) {
    String.valueOf(number).chars().forEach(c -> into.add(MusicGlyph.timeDigit(c - '0')));
  }

  private double width(List<MusicGlyph> glyphs) {
    return glyphs.stream().mapToDouble(g -> metrics.box(g).right() + 0.1).sum();
  }

  private void row(List<MusicGlyph> glyphs, double start, double y) {
    double x = start;
    for (MusicGlyph g : glyphs) {
      pen.glyph(g, x, y, 1, Primitive.Ink.NOTE, -1);
      x += metrics.box(g).right() + 0.1;
    }
  }

  private double repeatStart(double x) {
    pen.line(x + 0.25, 0, x + 0.25, 4, 0.5, Primitive.Ink.NOTE, -1);
    pen.line(x + 0.9, 0, x + 0.9, 4, BARLINE, Primitive.Ink.NOTE, -1);
    repeatDots(x + 1.3);
    return x + 1.8;
  }

  private void repeatDots(double x) {
    pen.glyph(MusicGlyph.DOT, x, 1.5, 1, Primitive.Ink.NOTE, -1);
    pen.glyph(MusicGlyph.DOT, x, 2.5, 1, Primitive.Ink.NOTE, -1);
  }

  // ---- columns ---------------------------------------------------------------------------------

  private double columns(Bar bar, double start) {
    TreeSet<Fraction> onsets = new TreeSet<>();
    TreeSet<String> voices = new TreeSet<>();
    for (Event e : bar.events()) {
      onsets.add(e.onset());
      if (!e.isRest()) {
        voices.add(e.voice());
      }
    }
    Map<Head, Head.Accidental> signs = Accidentals.of(bar);
    List<Fraction> order = new ArrayList<>(onsets);
    double x = start;
    for (int i = 0; i < order.size(); i++) {
      Fraction onset = order.get(i);
      for (Bar.ClefChange change : bar.clefChanges()) {
        if (change.onset().equals(onset)) {
          x = clef(change.clef(), x + 0.2, 0.75) + 0.6;
        }
      }
      List<Event> here = bar.events().stream().filter(e -> e.onset().equals(onset)).toList();
      x += leftExtent(here, signs);
      x = graces(bar, here, x, voices);
      columnX.put(onset, x);
      Fraction next = i + 1 < order.size() ? order.get(i + 1) : bar.end();
      double natural = ideal(next.subtract(onset)) * style.stretch();
      // A flag hangs to the right: no accidental may stand under it.
      List<Event> after = bar.events().stream().filter(e -> e.onset().equals(next)).toList();
      double gap = leftExtent(after, signs) > 0 ? 0.65 : 0.4;
      double width = Math.max(natural, rightExtent(here) + gap);
      placeColumn(bar, here, x, width, voices);
      x += width;
    }
    if (order.isEmpty()) {
      columnX.put(bar.start(), start);
      return x + 5;
    }
    return x;
  }

  private void placeColumn(
      Bar bar, List<Event> here, double x, double width, TreeSet<String> voices) {
    for (Event e : here) {
      if (!e.isGrace()) {
        int rank = voices.size() > 1 ? voices.headSet(e.voice()).size() : 0;
        int slice =
            e.isRest() || e.cue()
                ? -1
                : sliceOfEvent.getOrDefault(new EventKey(bar.index(), e.voice(), e.onset(), 0), -1);
        double at =
            isWholeBarRest(bar, e) && bar.events().size() == 1
                ? x + middleOfBar(width)
                : x + asideOf(bar, e, rank, here);
        placed.add(new Placed(bar, e, at, slice, e.cue(), rank, voices.size()));
        if (slice >= 0) {
          sliceX[slice] = x + 0.59;
        }
      }
    }
  }

  /**
   * A lower voice stands to the right of an upper one that is only a second away, or that has the
   * same note with another head.
   */
  private static double asideOf(Bar bar, Event e, int rank, List<Event> here) {
    if (rank == 0 || e.isRest()) {
      return 0;
    }
    Clef clef = bar.clefAt(e.onset());
    int high = e.heads().stream().mapToInt(h -> clef.staffPosition(h.pitch())).max().orElse(0);
    for (Event o : here) {
      if (!o.isRest() && !o.isGrace() && o.voice().compareTo(e.voice()) < 0) {
        int low = o.heads().stream().mapToInt(h -> clef.staffPosition(h.pitch())).min().orElse(99);
        boolean sameHead = o.value().equals(e.value());
        if (low - high < 2 && !(low == high && sameHead)) {
          return NoteEngraver.HEAD_WIDTH - NoteEngraver.STEM;
        }
      }
    }
    return 0;
  }

  /** Whether a voice rests for the whole of its bar, in whatever metre. */
  static boolean isWholeBarRest(Bar bar, Event e) {
    return e.isRest() && e.duration().equals(bar.length()) && e.onset().equals(bar.start());
  }

  /** From a bar's first column to where a rest stands in its middle. */
  private double middleOfBar(double width) {
    return Math.max(0, (width - 0.9 - metrics.box(MusicGlyph.REST_WHOLE).right()) / 2);
  }

  private double graces(Bar bar, List<Event> here, double start, TreeSet<String> voices) {
    List<Event> graces = here.stream().filter(Event::isGrace).toList();
    double x = start;
    for (int i = 0; i < graces.size(); i++) {
      Event g = graces.get(i);
      int rank = graces.size() - i;
      int slice =
          sliceOfEvent.getOrDefault(new EventKey(bar.index(), g.voice(), g.onset(), rank), -1);
      boolean sign =
          g.heads().stream()
              .anyMatch(h -> h.pitch().alter() != bar.key().alterOf(h.pitch().step()));
      x += sign ? 0.8 : 0;
      placed.add(
          new Placed(
              bar, g, x, slice, true, voices.size() > 1 ? voices.headSet(g.voice()).size() : 0, 1));
      if (slice >= 0) {
        sliceX[slice] = x + 0.38;
      }
      x += 1.35;
    }
    return graces.isEmpty() ? x : x + 0.35;
  }

  /** Room for accidentals and displaced heads before a column. */
  private static double leftExtent(List<Event> here, Map<Head, Head.Accidental> signs) {
    int count = 0;
    for (Event e : here) {
      if (!e.isGrace()) {
        for (Head h : e.heads()) {
          count += signs.containsKey(h) ? 1 : 0;
        }
      }
    }
    return count == 0 ? 0 : count == 1 ? 0.9 : 1.9;
  }

  private static double rightExtent(List<Event> here) {
    double extent = 1.3;
    for (Event e : here) {
      double own = 1.3 + (e.value().dots() > 0 ? 0.3 + 0.6 * e.value().dots() : 0);
      own += e.value().flags() > 0 && !e.isRest() ? 0.5 : 0;
      own += e.heads().size() > 1 ? 0.6 : 0;
      extent = Math.max(extent, own);
    }
    return extent;
  }

  /** Natural width of a length: it grows with the square root, so an eighth gets 3.2 spaces. */
  private static double ideal(Fraction length) {
    return 3.2 * Math.sqrt(Math.max(1.0 / 128, length.doubleValue()) * 8);
  }

  private double barline(Bar bar, double start) {
    double x = start;
    if (bar.repeatEnd()) {
      repeatDots(x - 0.2);
      pen.line(x + 0.6, 0, x + 0.6, 4, BARLINE, Primitive.Ink.NOTE, -1);
      pen.line(x + 1.25, 0, x + 1.25, 4, 0.5, Primitive.Ink.NOTE, -1);
      return x + 1.5;
    }
    switch (bar.line()) {
      case PLAIN -> pen.line(x, 0, x, 4, BARLINE, Primitive.Ink.NOTE, -1);
      case DOUBLE -> {
        pen.line(x, 0, x, 4, BARLINE, Primitive.Ink.NOTE, -1);
        x += 0.5;
        pen.line(x, 0, x, 4, BARLINE, Primitive.Ink.NOTE, -1);
      }
      case FINAL -> {
        pen.line(x, 0, x, 4, BARLINE, Primitive.Ink.NOTE, -1);
        x += 0.75;
        pen.line(x, 0, x, 4, 0.5, Primitive.Ink.NOTE, -1);
        x += 0.25;
      }
    }
    return x;
  }

  /** Where an onset lies on the strip. */
  private double xAt(Fraction onset) {
    Map.Entry<Fraction, Double> at = columnX.floorEntry(onset);
    Map.Entry<Fraction, Double> next = columnX.higherEntry(onset);
    if (at == null) {
      return columnX.isEmpty() ? 1 : columnX.firstEntry().getValue();
    }
    if (at.getKey().equals(onset)) {
      return at.getValue();
    }
    double end = next == null ? spans.get(spans.size() - 1).right() : next.getValue();
    Fraction endOnset = next == null ? passage.score().end() : next.getKey();
    double share =
        onset.subtract(at.getKey()).doubleValue()
            / Math.max(1e-9, endOnset.subtract(at.getKey()).doubleValue());
    return at.getValue() + (end - at.getValue()) * Math.min(1, share);
  }

  /** Where the head of a section stands: over its metre where that is printed. */
  private double headAt(Fraction onset) {
    return metreX.getOrDefault(onset, xAt(onset));
  }
}
