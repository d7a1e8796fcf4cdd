package fret.proof;

import fret.base.Said;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Accidentals that are easily missed, and keys that were forgotten. */
final class Accidentals extends Check {
  private static final int FAR_ON_LINE_OF_FIFTHS = 7;
  private static final int FEWEST_FOR_KEY = 4;
  private static final double MOST_OF_THEM = 0.8;

  Accidentals(Check.Of of) {
    super(of);
  }

  @Override
  void look() {
    carriedAccidentals();
    keySignature();
    farFromKey();
  }

  /** A sign holds for its own octave only; the same letter in another octave is easily missed. */
  private void carriedAccidentals() {
    for (Bar bar : page.bars()) {
      Map<Step, Pitch> altered = new EnumMap<>(Step.class);
      for (Event e : bar.events()) {
        for (Head h : e.heads()) {
          Pitch p = h.pitch();
          Pitch before = altered.get(p.step());
          boolean inKey = p.alter() == bar.key().alterOf(p.step());
          if (before != null && inKey && before.octave() != p.octave()) {
            add(
                Finding.Kind.CARRIED_ACCIDENTAL,
                e,
                Said.of("proof.carried", p, before),
                Said.of("proof.make", new Pitch(p.step(), before.alter(), p.octave())),
                Edits.event(
                    page,
                    e,
                    x ->
                        Edits.pitches(
                            x,
                            q ->
                                q.equals(p)
                                    ? new Pitch(q.step(), before.alter(), q.octave())
                                    : q)));
          } else if (!inKey) {
            altered.put(p.step(), p);
          }
        }
      }
    }
  }

  /** Where nearly every note of a letter carries the next sign of the key, it may be forgotten. */
  private void keySignature() {
    Bar first = page.bars().get(0);
    KeySignature key = first.key();
    boolean oneKey = page.bars().stream().allMatch(b -> b.key().equals(key));
    for (int sign = -1; oneKey && sign <= 1; sign += 2) {
      int fifths = key.fifths();
      while (Math.abs(fifths + sign) <= 7 && nearlyAll(new KeySignature(fifths + sign), sign)) {
        fifths += sign;
      }
      if (fifths != key.fifths() && fifths * sign > 0) {
        KeySignature meant = new KeySignature(fifths);
        Step last = meant.alteredSteps().get(meant.alteredSteps().size() - 1);
        List<Bar> bars = page.bars().stream().map(b -> inKey(b, meant)).toList();
        report(
            new Finding(
                Finding.Kind.KEY_SIGNATURE,
                first.number(),
                first.start(),
                sign > 0 ? Said.of("proof.key.sharp", last) : Said.of("proof.key.flat", last),
                sign > 0 ? Said.of("proof.sharps", fifths) : Said.of("proof.flats", -fifths),
                Optional.of(page.withBars(bars))));
      }
    }
  }

  private boolean nearlyAll(KeySignature key, int sign) {
    if (key.fifths() * sign <= 0) {
      return false;
    }
    Step added = key.alteredSteps().get(key.alteredSteps().size() - 1);
    long all = heads().filter(h -> h.pitch().step() == added).count();
    long altered =
        heads().filter(h -> h.pitch().step() == added && h.pitch().alter() == sign).count();
    return all >= FEWEST_FOR_KEY && altered >= MOST_OF_THEM * all;
  }

  private java.util.stream.Stream<Head> heads() {
    return notes.stream().flatMap(e -> e.heads().stream());
  }

  private static Bar inKey(Bar b, KeySignature key) {
    return new Bar(
        b.index(),
        b.number(),
        b.start(),
        b.length(),
        b.time(),
        key,
        b.clef(),
        b.clefChanges(),
        b.events(),
        b.directions(),
        b.repeatStart(),
        b.repeatEnd(),
        b.endings(),
        b.line());
  }

  private void farFromKey() {
    for (Event e : notes) {
      KeySignature key = page.barAt(e.onset()).key();
      for (Head h : e.heads()) {
        Pitch p = h.pitch();
        Pitch other = Pitch.ofMidi(p.midi(), key);
        boolean far = Math.abs(distance(p, key)) > FAR_ON_LINE_OF_FIFTHS;
        if (far
            && !other.equals(p)
            && Math.abs(distance(other, key)) < Math.abs(distance(p, key))) {
          add(
              Finding.Kind.FAR_FROM_KEY,
              e,
              Said.of("proof.far", p),
              Said.of("proof.write", other),
              Edits.event(page, e, x -> Edits.pitches(x, q -> q.equals(p) ? other : q)));
        }
      }
    }
  }

  /** Fifths from the middle of the key's seven notes. */
  private static double distance(Pitch p, KeySignature key) {
    int natural =
        switch (p.step()) {
          case F -> -1;
          case C -> 0;
          case G -> 1;
          case D -> 2;
          case A -> 3;
          case E -> 4;
          case B -> 5;
        };
    return natural + 7 * p.alter() - key.fifths() - 2.0;
  }
}
