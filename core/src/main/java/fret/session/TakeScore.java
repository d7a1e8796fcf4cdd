package fret.session;

import fret.bowing.Bowing;
import fret.bowing.Crossing;
import fret.bowing.Stroke;
import fret.fingering.Shift;
import fret.intonation.TemperamentLayer;
import fret.intonation.Tuned;
import fret.score.Bar;
import fret.score.Head;
import fret.score.LongRests;
import fret.score.LoudnessLine;
import fret.score.PlayedTimes;
import fret.score.Repeats;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.take.Expected;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** What a take of a passage is checked against: its own notes, fingering, bowing and tuning. */
public final class TakeScore {
  private static final double SHORT_SHARE = 0.85;

  private final Session session;
  private final Tuned tuned;
  private final List<Tuned> others;
  private final ResolvedPassage passage;
  private final PlayedTimes times;
  private final LoudnessLine line;
  private final Set<Integer> shifts = new HashSet<>();
  private final Set<Integer> crossings = new HashSet<>();

  private TakeScore(Session session, Tuned tuned, List<Tuned> others) {
    this.session = session;
    this.tuned = tuned;
    this.others = others;
    this.passage = session.resolved();
    this.times = PlayedTimes.of(passage, session.task().tempo());
    this.line = session.bowTask().loudness();
    for (Shift s : session.fingering().shifts()) {
      shifts.add(s.toSlice());
    }
    for (Crossing c : session.arm().report().crossings()) {
      crossings.add(c.toMoment());
    }
  }

  /**
   * The passage as a take of it is expected, repeats written out.
   *
   * @throws IllegalArgumentException if there is no note in it
   */
  public static Expected of(Session session, Tuned tuned) {
    return new TakeScore(session, tuned, List.of()).expected();
  }

  /**
   * The same, where a note that sounds alone, and that the player tuned in no way of its own, is in
   * tune in any of several tunings.
   *
   * @param others beside the one that is shown
   */
  public static Expected of(Session session, Tuned tuned, List<Tuned> others) {
    return new TakeScore(session, tuned, others).expected();
  }

  private Expected expected() {
    List<Bar> bars = passage.score().bars();
    Map<Integer, List<Slice>> byBar = new TreeMap<>();
    for (Slice s : passage.slices()) {
      int bar = passage.notes().get(s.starting().get(0)).key().barIndex();
      byBar.computeIfAbsent(bar, b -> new ArrayList<>()).add(s);
    }
    TempoMap tempo = session.task().tempo();
    List<Moment> moments = new ArrayList<>();
    List<Span> spans = new ArrayList<>();
    double clock = tempo.msAt(bars.get(0).start());
    int before = -1;
    List<Integer> all = Repeats.playingOrder(passage.score());
    boolean cut = Learning.setup(session.passage()).restsCut();
    for (int written : cut ? LongRests.cut(passage.score(), all) : all) {
      Bar bar = bars.get(written);
      double start = tempo.msAt(bar.start());
      double length = tempo.msAt(bar.end()) - start;
      spans.add(new Span(written, bar.number(), clock, clock + length));
      for (Slice s : byBar.getOrDefault(bar.index(), List.of())) {
        moments.add(moment(s, spans.size() - 1, clock - start, before));
        before = s.index();
      }
      clock += length;
    }
    return new Expected(joined(moments), spans, session.passage().settings().setup().a4Hz());
  }

  /** Whether a moment sounds on to the next is only known from the next. */
  private static List<Moment> joined(List<Moment> moments) {
    List<Moment> all = new ArrayList<>();
    for (int i = 0; i < moments.size(); i++) {
      Moment m = moments.get(i);
      boolean touches =
          i + 1 < moments.size() && moments.get(i + 1).startMs() - m.endMs() < 2 && m.connected();
      boolean entry = i == 0 || moments.get(i).startMs() - moments.get(i - 1).endMs() >= 2;
      all.add(
          new Moment(
              m.slice(),
              m.bar(),
              m.startMs(),
              m.endMs(),
              m.soundsMs(),
              m.starting(),
              m.held(),
              entry ? Join.ENTRY : m.join(),
              touches,
              m.slurred() && !entry,
              m.ornament(),
              m.level()));
    }
    return all;
  }

  private Moment moment(Slice s, int bar, double shift, int before) {
    double start = times.startMs()[s.index()];
    double end = times.endMs()[s.index()];
    double share = sounds(s.index());
    boolean follows = before == s.index() - 1;
    boolean free =
        s.starting().size() == 1
            && s.held().isEmpty()
            && session.at(TemperamentLayer.TEMPERAMENT, s.starting().get(0)).isEmpty();
    return new Moment(
        s.index(),
        bar,
        start + shift,
        end + shift,
        (end - start) * Math.min(1, share),
        s.starting().stream().map(n -> free ? within(n) : tone(n)).toList(),
        s.held().stream().map(this::tone).toList(),
        !follows
            ? Join.PLAIN
            : shifts.contains(s.index())
                ? Join.SHIFT
                : crossings.contains(s.index()) ? Join.CROSSING : Join.PLAIN,
        share >= SHORT_SHARE,
        follows && s.slurredInto(),
        ornament(s),
        line.levelAt(s.onset()));
  }

  /** The share of its length that the bowing means it to sound. */
  private double sounds(int moment) {
    Bowing bowing = session.bowing();
    Optional<Stroke> stroke = bowing.strokeAt(moment);
    return stroke.map(x -> x.at(moment).sounds()).orElse(1.0);
  }

  private boolean ornament(Slice s) {
    SoundingNote n = passage.notes().get(s.starting().get(0));
    boolean tremolo =
        session.bowing().moments().size() > s.index()
            && session.bowing().moments().get(s.index()).tremolo() > 0;
    return n.isGrace()
        || n.trill()
        || !n.auxiliaries().isEmpty()
        || tremolo
        || !s.bowed()
        || n.harmonic() != Head.Harmonic.NONE;
  }

  private Tone tone(int note) {
    SoundingNote n = passage.notes().get(note);
    var pitch = session.fingering().notes().get(note).map(f -> f.sounding()).orElse(n.pitch());
    double cents = cents(tuned, note);
    double a4 = session.passage().settings().setup().a4Hz();
    return new Tone(note, pitch, pitch.hertz(a4) * Math.pow(2, cents / 1200));
  }

  /** The tone of a note alone, with how far all tunings reach. */
  private Tone within(int note) {
    Tone chosen = tone(note);
    double cents = cents(tuned, note);
    double below = 0;
    double above = 0;
    for (Tuned other : others) {
      below = Math.min(below, cents(other, note) - cents);
      above = Math.max(above, cents(other, note) - cents);
    }
    return new Tone(note, chosen.pitch(), chosen.hertz(), below, above);
  }

  private static double cents(Tuned in, int note) {
    return in.notes().get(note).map(Tuned.Place::cents).orElse(0.0);
  }
}
