package fret.session;

import fret.base.Said;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.score.SoundingNote;
import fret.take.Expected.Moment;
import fret.take.HeardNote;
import fret.take.HeardPitch;
import fret.take.TakeReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A note whose vibrato is heard otherwise than the player asked for. Nothing is told of notes of
 * which nothing was asked, nor of those too short to have a wave measured.
 *
 * @param slice moment of the passage
 * @param words where, and what differs
 */
public record TakeVibrato(int slice, Said words) {
  /** Shorter notes have no wave that can be told. */
  private static final double SHORTEST_S = 0.5;

  /** What is told lies well outside how steady a wave can be measured (from memory). */
  private static final double WIDTHS = 1.6;

  private static final double HERTZ = 1;

  /** All notes of a take at which it differs, in order of playing. */
  public static List<TakeVibrato> of(Session session, TakeReport report) {
    List<TakeVibrato> all = new ArrayList<>();
    double quarterMs = session.passage().settings().target().wholeNoteMs() / 4;
    for (HeardNote n : report.heard().notes()) {
      Moment m = report.expected().moments().get(n.moment());
      if (!m.isSingle() || !n.pitch().isTold() || n.lengthS() < SHORTEST_S) {
        continue;
      }
      SoundingNote note = session.resolved().notes().get(m.starting().get(0).note());
      Optional<VibratoWish> asked = session.passage().marks().at(VibratoLayer.VIBRATO, note.key());
      double quarterS = quarterMs / report.tempo().times() / 1000;
      asked
          .flatMap(w -> differs(w, n.pitch(), quarterS))
          .ifPresent(
              what ->
                  all.add(
                      new TakeVibrato(
                          m.slice(), Said.of("take.vibrato", note.bar(), note.pitch(), what))));
    }
    return all;
  }

  /** What differs from what is asked; the rate where swings are counted. */
  static Optional<Said> differs(VibratoWish asked, HeardPitch heard, double quarterS) {
    boolean waves = heard.vibratoHz() > 0;
    if (asked == VibratoWish.NONE) {
      return waves ? Optional.of(Said.of("take.vibrato.none-asked")) : Optional.empty();
    }
    if (!waves) {
      return Optional.of(Said.of("take.vibrato.not-heard"));
    }
    double rate = asked.pulses() > 0 ? asked.pulses() / quarterS : asked.hertz();
    if (asked.pulses() > 0 && Math.abs(heard.vibratoHz() - rate) > HERTZ) {
      return Optional.of(
          Said.of("take.vibrato.rate", Said.tenths(heard.vibratoHz()), Said.tenths(rate)));
    }
    double times = heard.vibratoCents() / asked.cents();
    if (asked != VibratoWish.GROWING && (times > WIDTHS || times < 1 / WIDTHS)) {
      return Optional.of(
          Said.of(
              times > 1 ? "take.vibrato.wider" : "take.vibrato.narrower",
              Math.round(heard.vibratoCents()),
              Math.round(asked.cents())));
    }
    return Optional.empty();
  }
}
