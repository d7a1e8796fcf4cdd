package fret.harmony;

import fret.base.Form;
import fret.base.Fractions;
import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Layer;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/** The chords of a bar as the player hears them. */
public final class ChordLayer implements Layer<Anchor.OfBar, BarChords> {
  public static final ChordLayer CHORD = new ChordLayer();

  private ChordLayer() {}

  @Override
  public String id() {
    return "chord";
  }

  @Override
  public Class<Anchor.OfBar> anchorType() {
    return Anchor.OfBar.class;
  }

  @Override
  public Concern concern() {
    return Concern.EAR;
  }

  @Override
  public Form write(BarChords value) {
    List<Form> all = new ArrayList<>();
    value.at().forEach((place, chord) -> all.add(form(chord).with("at", Fractions.text(place))));
    return Form.version(2).with("chords", all).with("whole", value.whole());
  }

  private static Form form(Chord chord) {
    return Form.EMPTY
        .with("root", String.valueOf(chord.root()))
        .with("quality", chord.quality().name());
  }

  @Override
  public BarChords read(Form form) {
    if (form.version() == 1) {
      return BarChords.whole(chord(form));
    }
    TreeMap<Fraction, Chord> all = new TreeMap<>();
    for (Form f : form.list("chords", f -> f)) {
      all.put(Fractions.parse(f.text("at")), chord(f));
    }
    return new BarChords(all, form.flag("whole"));
  }

  private static Chord chord(Form form) {
    return new Chord(
        Integer.parseInt(form.text("root")), form.word("quality", Quality.class, Quality.MAJOR));
  }

  @Override
  public Said told(BarChords value) {
    Said all = null;
    for (Chord chord : value.at().values()) {
      Said one = Said.words(chord.text(new Key(0, false)));
      all = all == null ? one : Said.of("and", all, one);
    }
    return Said.of("mark.chord", all);
  }
}
