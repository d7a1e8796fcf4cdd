package fret.session;

import fret.bowing.BowLayers;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.bowing.Swell;
import fret.score.LoudnessLine;
import fret.score.NoteKey;
import fret.score.Signs.Articulation;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a player decided of the bow at a note, as the signs and words that any reader of the page
 * knows. What has no sign of its own, as a saved note, is left to the bowing.
 *
 * @param note that carries it
 * @param articulations to add
 * @param dynamic such as "mf"; empty for none
 * @param words for the place of the bow; empty for none
 * @param hairpin an own one that begins there; empty for none
 * @param hairpinEnds whether an own one ends with the note
 */
public record BowSigns(
    NoteKey note,
    Set<Articulation> articulations,
    Optional<String> dynamic,
    Optional<String> words,
    Optional<Swell> hairpin,
    boolean hairpinEnds) {
  /** A place is named where it is no further from it, as a share of the hair. */
  private static final double NEAR = 0.12;

  private static final Map<StrokeKind, Set<Articulation>> OF_KINDS =
      Map.of(
          StrokeKind.SPICCATO, EnumSet.of(Articulation.STACCATO),
          StrokeKind.CLOSE_SPICCATO, EnumSet.of(Articulation.STACCATO),
          StrokeKind.DOUBLE_UP, EnumSet.of(Articulation.STACCATO),
          StrokeKind.SAUTILLE, EnumSet.of(Articulation.STACCATO),
          StrokeKind.FLYING_STACCATO, EnumSet.of(Articulation.STACCATO),
          StrokeKind.RICOCHET, EnumSet.of(Articulation.STACCATO),
          StrokeKind.ARPEGGIO, EnumSet.of(Articulation.STACCATO),
          StrokeKind.BRUSHED, EnumSet.of(Articulation.STACCATO, Articulation.TENUTO),
          StrokeKind.PORTATO, EnumSet.of(Articulation.DETACHED_LEGATO),
          StrokeKind.MARTELE, EnumSet.of(Articulation.STACCATISSIMO));

  /** Sounds no longer than this share: a dot. */
  private static final double SHORT = 0.7;

  public BowSigns {
    articulations = Set.copyOf(articulations);
  }

  /** All signs of what was decided, in order of the notes. */
  public static List<BowSigns> of(Session s) {
    List<BowSigns> all = new ArrayList<>();
    for (int m = 0; m < s.bowing().moments().size(); m++) {
      BowSigns signs = at(s, m);
      if (!signs.articulations().isEmpty()
          || signs.dynamic().isPresent()
          || signs.hairpin().isPresent()
          || signs.hairpinEnds()
          || signs.words().isPresent()) {
        all.add(signs);
      }
    }
    return all;
  }

  private static BowSigns at(Session s, int moment) {
    Set<Articulation> articulations = EnumSet.noneOf(Articulation.class);
    Optional<Stroke> stroke = s.bowing().strokeAt(moment);
    stroke
        .flatMap(x -> BowDecisions.at(s, BowLayers.STROKE, x.fromMoment()))
        .ifPresent(kind -> articulations.addAll(OF_KINDS.getOrDefault(kind, Set.of())));
    BowDecisions.at(s, BowLayers.SOUNDS, moment)
        .ifPresent(
            share -> {
              if (share <= SHORT) {
                articulations.add(Articulation.STACCATO);
              } else if (share > 1) {
                articulations.add(Articulation.TENUTO);
              }
            });
    return new BowSigns(
        BowDecisions.key(s, moment),
        articulations,
        BowDecisions.at(s, BowLayers.LEVEL, moment).map(LoudnessLine::word),
        BowDecisions.at(s, BowLayers.PLACE, moment).flatMap(BowSigns::place),
        goesOn(s, moment) ? Optional.empty() : BowDecisions.at(s, BowLayers.SWELL, moment),
        BowDecisions.at(s, BowLayers.SWELL, moment).isPresent() && !goesOn(s, moment + 1));
  }

  /** Whether an own hairpin goes on from the moment before. */
  private static boolean goesOn(Session s, int moment) {
    if (moment == 0 || moment >= s.bowing().moments().size()) {
      return false;
    }
    Optional<Swell> here = BowDecisions.at(s, BowLayers.SWELL, moment);
    return here.isPresent()
        && here.equals(BowDecisions.at(s, BowLayers.SWELL, moment - 1))
        && BowDecisions.at(s, BowLayers.LEVEL, moment).isEmpty();
  }

  /** The same signs on another note. */
  public BowSigns on(NoteKey other) {
    return new BowSigns(other, articulations, dynamic, words, hairpin, hairpinEnds);
  }

  private static Optional<String> place(double share) {
    if (share <= NEAR) {
      return Optional.of("at the frog");
    } else if (share >= 1 - NEAR) {
      return Optional.of("at the tip");
    }
    return Math.abs(share - 0.5) <= NEAR ? Optional.of("middle of the bow") : Optional.empty();
  }
}
