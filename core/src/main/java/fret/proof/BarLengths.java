package fret.proof;

import fret.base.Fractions;
import fret.base.Said;
import fret.score.Bar;
import fret.score.Event;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.tempo.Beat;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Bars that do not add up. */
final class BarLengths extends Check {
  BarLengths(Check.Of of) {
    super(of);
  }

  @Override
  void look() {
    barLengths();
  }

  private void barLengths() {
    for (int i = 0; i < page.bars().size(); i++) {
      Bar bar = page.bars().get(i);
      Fraction full = bar.time().barLength();
      Fraction declared = Fractions.min(bar.length(), full);
      Fraction content = Fraction.ZERO;
      for (Event e : bar.events()) {
        content = Fractions.max(content, e.end().subtract(bar.start()));
      }
      int compared = content.compareTo(declared);
      if (compared > 0) {
        Fraction over = content.subtract(declared);
        report(
            new Finding(
                Finding.Kind.BAR_LENGTH,
                bar.number(),
                bar.start(),
                Said.of("proof.long", length(over)),
                Said.NOTHING,
                Optional.empty()));
      } else if (compared < 0 && (!bar.events().isEmpty() || i + 1 < page.bars().size())) {
        tooShort(bar, content, declared);
      }
    }
  }

  private void tooShort(Bar bar, Fraction content, Fraction declared) {
    Fraction missing = declared.subtract(content);
    String voice = bar.events().stream().map(Event::voice).findFirst().orElse("1");
    List<Event> filled = new ArrayList<>(bar.events());
    boolean whole = addRests(filled, voice, bar.start().add(content), missing);
    Score mended = null;
    if (whole) {
      List<Bar> bars = new ArrayList<>(page.bars());
      bars.set(bars.indexOf(bar), bar.withEvents(filled));
      mended = page.withBars(bars);
    }
    report(
        new Finding(
            Finding.Kind.BAR_LENGTH,
            bar.number(),
            bar.start(),
            content.signum() == 0
                ? Said.of("proof.empty")
                : Said.of("proof.short", length(missing)),
            mended == null ? Said.NOTHING : Said.of("proof.fill"),
            Optional.ofNullable(mended)));
  }

  /** Adds rests, the short ones first; false when plain values do not fill it. */
  private static boolean addRests(List<Event> into, String voice, Fraction from, Fraction length) {
    List<NoteValue> values = new ArrayList<>();
    Fraction left = length;
    for (int denominator = 1; denominator <= 64; denominator *= 2) {
      NoteValue value = new NoteValue(denominator, 0);
      while (value.length().compareTo(left) <= 0) {
        values.add(0, value);
        left = left.subtract(value.length());
      }
    }
    Fraction at = from;
    for (NoteValue value : values) {
      into.add(
          new Event(
              voice, at, value.length(), value, List.of(), Event.Grace.NONE, false, Signs.PLAIN));
      at = at.add(value.length());
    }
    return left.signum() == 0;
  }

  private static Said length(Fraction length) {
    String name = new Beat(length).displayName();
    return name.equals("bar")
        ? Said.of("length.whole", Fractions.text(length))
        : Said.of("length.a", Said.of("beat." + name));
  }
}
