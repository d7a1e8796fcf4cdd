package fret.proof;

import fret.base.Said;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import org.apache.commons.numbers.fraction.Fraction;

/** Notes out of range, wide leaps and heaps of ledger lines. */
final class Pitches extends Check {
  /** An octave and a half. */
  private static final int WIDE_LEAP = 18;

  private static final int MANY_LEDGER_LINES = 5;

  Pitches(Check.Of of) {
    super(of);
  }

  @Override
  void look() {
    range();
    leaps();
    ledgerLines();
  }

  private void range() {
    int lowest = instrument.open(instrument.stringCount()).midi() - instrument.extension();
    int highest = instrument.open(1).midi() + instrument.highestSemitone();
    for (Event e : notes) {
      for (Head h : e.heads()) {
        int midi = h.pitch().plus(page.transposition()).midi();
        boolean plain = h.harmonic() == Head.Harmonic.NONE;
        if (plain && (midi < lowest || midi > highest)) {
          int by = midi < lowest ? 1 : -1;
          String name = instrument.type().displayName();
          add(
              Finding.Kind.OUT_OF_RANGE,
              e,
              Said.of(by > 0 ? "proof.below" : "proof.above", h.pitch(), name),
              Said.of(by > 0 ? "proof.octave-up" : "proof.octave-down"),
              Edits.event(page, e, x -> Edits.pitches(x, p -> Edits.octaves(p, by))));
        }
      }
    }
  }

  /** A leap of more than an octave and a half may be a clef that was passed over. */
  private void leaps() {
    for (int i = 1; i < notes.size(); i++) {
      Event a = notes.get(i - 1);
      Event b = notes.get(i);
      int leap = top(b).midi() - top(a).midi();
      boolean single = a.heads().size() == 1 && b.heads().size() == 1;
      if (single && a.voice().equals(b.voice()) && Math.abs(leap) > WIDE_LEAP) {
        int until = leapBack(i, leap);
        Fraction end = until < notes.size() ? notes.get(until).onset() : page.end();
        int by = leap > 0 ? -1 : 1;
        add(
            Finding.Kind.CLEF_MISSED,
            b,
            Said.of("proof.leap", top(a), top(b)),
            Said.of(by > 0 ? "proof.follow-up" : "proof.follow-down", bar(end)),
            Edits.events(
                page,
                (bar, e) ->
                    e.onset().compareTo(b.onset()) >= 0
                        && e.onset().compareTo(end) < 0
                        && e.voice().equals(b.voice()),
                x -> Edits.pitches(x, p -> Edits.octaves(p, by))));
      }
    }
  }

  private int leapBack(int from, int leap) {
    int i = from + 1;
    while (i < notes.size()) {
      int back = top(notes.get(i)).midi() - top(notes.get(i - 1)).midi();
      if (Math.abs(back) > WIDE_LEAP && Integer.signum(back) != Integer.signum(leap)) {
        return i;
      }
      i++;
    }
    return i;
  }

  /** Notes very far above the stave are usually printed under an 8va line. */
  private void ledgerLines() {
    int octaves = 0;
    boolean told = false;
    for (Bar bar : page.bars()) {
      for (Event e : bar.events()) {
        octaves = octavesAt(bar, e.onset(), octaves);
        if (e.isRest() || e.cue()) {
          continue;
        }
        int position = bar.clefAt(e.onset()).staffPosition(top(e)) - 7 * octaves;
        boolean far = position >= 8 + 2 * MANY_LEDGER_LINES;
        if (far && !told) {
          add(
              Finding.Kind.OCTAVE_LINE,
              e,
              Said.of("proof.ledger", top(e), (position - 8) / 2),
              Said.NOTHING,
              null);
        }
        told = far;
      }
      octaves = octavesAt(bar, bar.end(), octaves);
    }
  }

  private static int octavesAt(Bar bar, Fraction onset, int before) {
    int octaves = before;
    for (Direction d : bar.directions()) {
      if (d.onset().compareTo(onset) <= 0) {
        octaves =
            d.kind() == Direction.Kind.OCTAVE_LINE
                ? (int) d.number()
                : d.kind() == Direction.Kind.OCTAVE_LINE_END ? 0 : octaves;
      }
    }
    return octaves;
  }
}
