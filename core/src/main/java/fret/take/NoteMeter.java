package fret.take;

import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Measures the notes of a recording: how long, how loud, at which pitch. */
final class NoteMeter {
  private static final double SETTLED_S = 0.04;
  private static final double SILENCE_AFTER_S = 0.15;
  private static final double UNLIKE = 0.15;
  private static final double CLEAR = 0.08;
  private static final double STEADY_CENTS = 20;
  private static final double REACHED_CENTS = 50;
  private static final double LONGEST_GLIDE_S = 0.15;
  private static final double LONG_ORNAMENT_S = 0.5;

  /** A note before rings on for 0.1 to 0.2 s: what lasts twice as long is told from its rest. */
  private static final double RINGS_S = 0.3;

  private final Listened heard;
  private final ChordPitch chords;
  private final ChordPitch underRing;

  NoteMeter(Listened heard) {
    this.heard = heard;
    this.chords = new ChordPitch(heard.recording(), ChordPitch.LONG);
    this.underRing = new ChordPitch(heard.recording(), ChordPitch.SHORT);
  }

  /** A note of a run; empty where nothing of it is there: it was only passed over. */
  Optional<HeardNote> measure(List<Rough> run, int i) {
    Rough now = run.get(i);
    if (now.likeness < UNLIKE && !heard.sounds(now.from, now.to)) {
      return Optional.empty();
    }
    Moment m = now.expected;
    double hertz = heard.hertz(m);
    boolean goesOn = i + 1 < run.size();
    double next = goesOn ? owned(now, run.get(i + 1)) : now.to + SILENCE_AFTER_S;
    double end = heard.onsets().end(now.from, next, hertz);
    double level = heard.recording().level(now.from + 0.25 * (end - now.from), end);
    HeardNote plain =
        new HeardNote(
            now.moment,
            now.from,
            end,
            20 * Math.log10(Math.max(1e-7, level)),
            heard.onsets().attackMs(now.from, end, hertz),
            HeardPitch.NONE,
            List.of(),
            0,
            Math.max(0, Math.min(1, (now.likeness - 0.3) / 0.3)));
    if (m.ornament()) {
      return Optional.of(m.isSingle() ? main(plain) : plain);
    }
    if (!m.isSingle()) {
      return Optional.of(plain.withTones(tones(m, now.from, end)));
    }
    PitchTrack track = track(plain, goesOn ? next : end);
    HeardNote pitched = track.onto(plain);
    boolean rings = i > 0 && pitched.lengthS() < RINGS_S && track.isBlurred();
    if (rings && pitched.pitch().isTold()) {
      pitched = underRing(pitched, run.get(i - 1).expected);
    }
    return Optional.of(m.join() == Join.SHIFT ? reached(pitched) : pitched);
  }

  /**
   * A short note lies under what rings of the note before: it is told from the partials that it
   * does not share with that.
   */
  private HeardNote underRing(HeardNote note, Moment before) {
    double tuned = Math.pow(2, heard.tuned() / 1200);
    double own = heard.hertz(heard.moment(note.moment()));
    List<Double> all = new ArrayList<>(List.of(own));
    before.hertz().forEach(h -> all.add(h * tuned));
    double cents = underRing.cents(note.onsetS(), note.endS(), List.of(own), all).get(0);
    return Double.isNaN(cents) ? note : note.with(note.pitch().at(cents), note.addedMs());
  }

  private List<Double> tones(Moment m, double from, double to) {
    double tuned = Math.pow(2, heard.tuned() / 1200);
    List<Double> wanted = m.starting().stream().map(t -> t.hertz() * tuned).toList();
    List<Double> all = m.hertz().stream().map(h -> h * tuned).toList();
    return chords.cents(from + SETTLED_S, to, wanted, all);
  }

  /** Up to where a note may last: where one is left out behind it, that one has its share. */
  private double owned(Rough now, Rough next) {
    if (next.moment == now.moment + 1) {
      return next.from;
    }
    if (now.endsAtTo) {
      return now.to;
    }
    double own = heard.lastsMs(now.moment);
    double all = next.expected.startMs() - now.expected.startMs();
    return now.from + own / Math.max(own, all) * (next.from - now.from);
  }

  /** A long trill or tremolo with the pitch of its main note alone. */
  private HeardNote main(HeardNote note) {
    return note.lengthS() < LONG_ORNAMENT_S ? note : track(note, note.endS()).ofMain(note);
  }

  /** A note with its pitch, up to a time. */
  HeardNote pitched(HeardNote note, double to) {
    return track(note, to).onto(note);
  }

  private PitchTrack track(HeardNote note, double to) {
    double hertz = heard.hertz(heard.moment(note.moment()));
    double step = PitchTrack.FRAME_S;
    int frames = (int) Math.max(0, Math.floor((to - note.onsetS()) / step));
    double[] cents = new double[frames];
    double[] weights = new double[frames];
    for (int f = 0; f < frames; f++) {
      double at = note.onsetS() + (f + 0.5) * step;
      Yin.Pitch p =
          heard.sounds(at - step / 2, at + step / 2) ? heard.pitch(at, hertz) : Yin.Pitch.NONE;
      cents[f] = p.isHeard() ? Listened.cents(p.hertz(), hertz) : Double.NaN;
      // What rings from the note before pulls the pitch towards it, and makes it less periodic.
      weights[f] = Math.exp(-Math.max(0, p.aperiodic() - CLEAR) / CLEAR);
    }
    int first = (int) Math.round(Math.min(SETTLED_S, 0.4 * note.lengthS()) / step);
    int last = (int) Math.ceil(note.lengthS() / step - 0.8);
    return new PitchTrack(cents, weights, first, Math.min(last, frames));
  }

  /** After a glide a note begins when it is near its pitch. */
  private HeardNote reached(HeardNote note) {
    if (!note.pitch().isTold() || note.lengthS() < 2 * LONGEST_GLIDE_S) {
      return note;
    }
    double hertz =
        heard.hertz(heard.moment(note.moment())) * Math.pow(2, note.pitch().cents() / 1200);
    double step = PitchTrack.FRAME_S / 2;
    double last = Double.NaN;
    double moved = 0;
    double at = note.onsetS();
    for (; at < note.onsetS() + LONGEST_GLIDE_S; at += step) {
      Yin.Pitch p = heard.pitch(at, hertz);
      double off = p.isHeard() ? Listened.cents(p.hertz(), hertz) : Double.NaN;
      if (Math.abs(off) <= REACHED_CENTS) {
        break;
      }
      moved += Double.isNaN(off) || Double.isNaN(last) ? 0 : Math.abs(off - last);
      last = off;
    }
    // What stands still before is the note left, ringing; only what moves is a glide.
    boolean glides = moved >= REACHED_CENTS && at < note.onsetS() + LONGEST_GLIDE_S;
    if (!glides) {
      return note;
    }
    HeardPitch pitch = note.pitch().gliding((at - note.onsetS()) * 1000);
    return note.within(at, note.endS()).with(pitch, note.addedMs());
  }

  /**
   * A note whose first part may be another one that nobody wrote: then it begins behind that.
   *
   * @return how long the other one is, in s; 0 for none
   */
  double otherFirst(HeardNote note, Moment before) {
    double own = heard.hertz(heard.moment(note.moment()));
    double left = heard.hertz(before);
    double first = 0;
    int frames = 0;
    for (double t = note.onsetS() + PitchTrack.FRAME_S; t < note.endS(); t += PitchTrack.FRAME_S) {
      Yin.Pitch p = heard.pitch(t, own);
      boolean other =
          p.isHeard() && !Listened.near(p.hertz(), own) && !Listened.near(p.hertz(), left);
      if (!other || first > 0 && Math.abs(Listened.cents(p.hertz(), first)) >= STEADY_CENTS) {
        break;
      }
      first = p.hertz();
      frames++;
    }
    return frames * PitchTrack.FRAME_S;
  }
}
