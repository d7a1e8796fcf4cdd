package fret.fingering;

import fret.base.Said;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;

/** Says in words which held note is let go, where and why. */
public final class Releases {
  private Releases() {}

  /** "A2 is let go at A3: the bow leaves the G string, a sixteenth early". */
  public static Said said(
      ResolvedPassage passage, Instrument instrument, Fingering fingering, Release release) {
    SoundingNote ended = passage.notes().get(release.note());
    SoundingNote at = passage.notes().get(passage.slices().get(release.slice()).starting().get(0));
    int string = fingering.notes().get(release.note()).map(NoteFinger::string).orElse(1);
    double early = ended.end().subtract(at.onset()).multiply(4).doubleValue();
    return Said.of(
        release.byBow() ? "hand.let-go.bow" : "hand.let-go.hand",
        ended.pitch().toString(),
        at.pitch().toString(),
        instrument.stringName(string),
        Said.tenths(early));
  }
}
