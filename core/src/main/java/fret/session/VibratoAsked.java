package fret.session;

import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.VibratoLayer;
import fret.mark.VibratoRule;
import fret.mark.VibratoRuleLayer;
import fret.mark.VibratoWish;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What the player asks of the vibrato: of single notes, and by a rule of their own. */
final class VibratoAsked {
  private final Marks marks;
  private final ResolvedPassage passage;
  private final TempoMap tempo;
  private final VibratoRule rule;

  private VibratoAsked(Marks marks, ResolvedPassage passage, TempoMap tempo) {
    this.marks = marks;
    this.passage = passage;
    this.tempo = tempo;
    this.rule = marks.at(VibratoRuleLayer.RULE, Place.WHOLE).orElse(VibratoRule.USUAL);
  }

  /** By moment; nothing where the usual rule decides. */
  static Map<Integer, VibratoWish> moments(Marks marks, ResolvedPassage passage, TempoMap tempo) {
    VibratoAsked asked = new VibratoAsked(marks, passage, tempo);
    Map<Integer, VibratoWish> all = new HashMap<>();
    for (SoundingNote n : passage.notes()) {
      asked.byRule(n).ifPresent(w -> all.putIfAbsent(n.slice(), w));
      asked.ofNote(n).ifPresent(w -> all.put(n.slice(), w));
    }
    return all;
  }

  /** The notes, by index, that are to have vibrato and so a finger. */
  static Set<Integer> notes(Marks marks, ResolvedPassage passage, TempoMap tempo) {
    VibratoAsked asked = new VibratoAsked(marks, passage, tempo);
    Set<Integer> all = new HashSet<>();
    for (int i = 0; i < passage.notes().size(); i++) {
      SoundingNote n = passage.notes().get(i);
      if (asked
          .ofNote(n)
          .or(() -> asked.byRule(n))
          .filter(w -> w != VibratoWish.NONE)
          .isPresent()) {
        all.add(i);
      }
    }
    return all;
  }

  private Optional<VibratoWish> ofNote(SoundingNote n) {
    return marks.at(VibratoLayer.VIBRATO, n.key());
  }

  private Optional<VibratoWish> byRule(SoundingNote n) {
    if (!rule.isOwn()) {
      return Optional.empty();
    }
    double ms = tempo.durationMs(n.onset(), n.onset().add(n.duration()));
    boolean grace = passage.slices().get(n.slice()).grace() > 0;
    boolean has = !grace && n.tremolo() == 0 && rule.admits(n.duration().doubleValue(), ms / 1000);
    return Optional.of(has ? VibratoWish.USUAL : VibratoWish.NONE);
  }
}
