package fret.engraving;

import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Sets what stands above and below the notes, each clear of what was set before. */
final class MarkEngraver {
  private final Pen pen;
  private final ResolvedPassage passage;
  private final Map<Integer, FingerText> fingers;
  private final StripStyle style;

  MarkEngraver(
      Pen pen, ResolvedPassage passage, Map<Integer, FingerText> fingers, StripStyle style) {
    this.style = style;
    this.pen = pen;
    this.passage = passage;
    this.fingers = fingers;
  }

  void engrave(
      List<StripEngraver.Placed> placed,
      List<NoteEngraver.Note> notes,
      List<Strip.BarSpan> spans,
      StavePlaces places) {
    DigitEngraver digits = new DigitEngraver(pen, passage, fingers);
    Map<StripEngraver.Placed, NoteEngraver.Note> of = new IdentityHashMap<>();
    notes.forEach(n -> of.put(n.placed, n));
    new TupletEngraver(pen, of, digits::hasAny).engrave(placed);
    placed.stream().filter(p -> p.slice() >= 0).forEach(p -> digits.engrave(p, middle(p)));
    placed.forEach(this::marks);
    for (StripEngraver.Placed p : placed) {
      Boolean up = p.slice() < 0 ? null : style.shiftMarks().get(p.slice());
      if (up != null && !p.small() && isFirstOfSlice(p)) {
        shiftMark(restAfter(p, placed).orElse(p), up, p.slice());
      }
    }
    placed.stream().filter(p -> p.slice() >= 0).forEach(this::reminders);
    DirectionEngraver directions =
        new DirectionEngraver(pen, passage.score(), style.lineOf().orElse(passage.score()), places);
    barNumbers(spans);
    directions.near();
    endings(spans, places);
    directions.far();
  }

  private static double middle(StripEngraver.Placed p) {
    return p.x() + NoteEngraver.HEAD_WIDTH / 2 * (p.small() ? 0.65 : 1);
  }

  /** Of two voices that begin together the upper one carries what belongs to both. */
  private boolean isFirstOfSlice(StripEngraver.Placed p) {
    return p.voiceRank() == 0
        || passage.slices().get(p.slice()).starting().stream()
            .allMatch(n -> passage.notes().get(n).voice().equals(p.event().voice()));
  }

  private void reminders(StripEngraver.Placed p) {
    ReminderEngraver reminders = new ReminderEngraver(pen);
    for (int note : passage.slices().get(p.slice()).starting()) {
      FingerText text = fingers.get(note);
      SoundingNote n = passage.notes().get(note);
      if (text != null && n.voice().equals(p.event().voice())) {
        text.pencilled().forEach(r -> reminders.over(r, n, middle(p), p.slice()));
      }
    }
  }

  private void marks(StripEngraver.Placed p) {
    Signs signs = p.event().signs();
    if (DigitEngraver.hasHarmonicSign(p)) {
      mark(p, MusicGlyph.HARMONIC, 0.35, Ink.NOTE);
    }
    MusicGlyph ornament =
        switch (signs.ornament()) {
          case NONE -> null;
          case TRILL, TRILL_WITH_TERMINATION -> MusicGlyph.TRILL;
          case TURN -> MusicGlyph.TURN;
          case INVERTED_TURN -> MusicGlyph.TURN_INVERTED;
          case MORDENT -> MusicGlyph.MORDENT;
          case INVERTED_MORDENT -> MusicGlyph.SHORT_TRILL;
        };
    if (ornament != null) {
      mark(p, ornament, 0.35, Ink.NOTE);
    }
    if (signs.bow() != Signs.Bow.NONE) {
      MusicGlyph bow = signs.bow() == Signs.Bow.DOWN ? MusicGlyph.DOWN_BOW : MusicGlyph.UP_BOW;
      mark(p, bow, 0.4, Ink.BOW);
    }
    if (signs.fermata()) {
      mark(p, MusicGlyph.FERMATA, 0.4, Ink.NOTE);
    }
  }

  private void mark(StripEngraver.Placed p, MusicGlyph glyph, double gap, Ink ink) {
    boolean below = DigitEngraver.isBelow(p) && glyph != MusicGlyph.FERMATA;
    if (below) {
      pen.glyphBelow(glyph, middle(p), 1, gap, ink, p.slice());
    } else {
      pen.glyphAbove(glyph, middle(p), 1, gap, ink, p.slice());
    }
  }

  /** The rest during which the hand moves when one follows the note that it leaves. */
  private Optional<StripEngraver.Placed> restAfter(
      StripEngraver.Placed left, List<StripEngraver.Placed> placed) {
    Slice slice = passage.slices().get(left.slice());
    Fraction end = slice.onset().add(slice.duration());
    return placed.stream()
        .filter(p -> slice.restAfter().signum() > 0 && p.event().isRest())
        .filter(p -> p.event().onset().compareTo(end) >= 0)
        .filter(p -> p.event().onset().compareTo(end.add(slice.restAfter())) < 0)
        .findFirst();
  }

  /** A slanted arrow over the event during which the hand moves: up or down the string. */
  private void shiftMark(StripEngraver.Placed p, boolean up, int slice) {
    double left = middle(p) - 0.2;
    double right = left + 1.5;
    double y = pen.skyline().topOver(left - 0.2, right + 0.2) - 0.4;
    double from = up ? y : y - 0.9;
    double to = up ? y - 0.9 : y;
    pen.line(left, from, right, to, 0.16, Ink.FINGER, slice);
    pen.line(right - 0.55, to, right, to, 0.16, Ink.FINGER, slice);
    pen.line(right, to + (up ? 0.5 : -0.5), right, to, 0.16, Ink.FINGER, slice);
  }

  private void barNumbers(List<Strip.BarSpan> spans) {
    double told = -1;
    String last = "";
    for (Strip.BarSpan span : spans) {
      boolean later = style.lineOf().isPresent() && !span.equals(spans.get(0));
      if (later || span.left() == told || span.number().equals(last)) {
        continue; // On paper each line is numbered, not each bar; bars of rest are drawn as one.
      }
      told = span.left();
      last = span.number();
      double width = pen.widthOf(span.number(), 1.1, Style.REGULAR);
      double x = span.left() - (span.equals(spans.get(0)) ? 0 : width / 2);
      double y = pen.skyline().topOver(x - 0.1, x + width + 0.1) - 0.45;
      pen.add(
          new Primitive.Text(span.number(), x, y, 1.1, width, Style.REGULAR, false, Ink.FAINT, -1));
    }
  }

  private void endings(List<Strip.BarSpan> spans, StavePlaces places) {
    List<Bar> bars = passage.score().bars();
    for (int i = 0; i < bars.size(); i++) {
      List<Integer> numbers = bars.get(i).endings();
      boolean starts = !numbers.isEmpty() && (i == 0 || !bars.get(i - 1).endings().equals(numbers));
      if (!starts) {
        continue;
      }
      int end = i;
      while (end + 1 < bars.size() && bars.get(end + 1).endings().equals(numbers)) {
        end++;
      }
      double left = spans.get(i).left() + 0.2;
      double right = Math.min(spans.get(end).right() - 0.3, places.right());
      double y = pen.skyline().topOver(left, right) - 2.1;
      pen.line(left, y, right, y, 0.16, Ink.NOTE, -1);
      pen.line(left, y, left, y + 1.8, 0.16, Ink.NOTE, -1);
      String text = String.join(", ", numbers.stream().map(String::valueOf).toList()) + ".";
      pen.add(
          new Primitive.Text(
              text,
              left + 0.4,
              y + 1.4,
              1.3,
              pen.widthOf(text, 1.3, Style.REGULAR),
              Style.REGULAR,
              false,
              Ink.NOTE,
              -1));
    }
  }
}
