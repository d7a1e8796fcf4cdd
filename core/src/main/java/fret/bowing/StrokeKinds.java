package fret.bowing;

import fret.score.LoudnessLine;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Infers the kind of a stroke from signs, words, loudness and speed. Thresholds are common
 * practice, no source, from memory.
 */
final class StrokeKinds {
  private static final Map<Pattern, StrokeKind> WORDS =
      Map.ofEntries(
          Map.entry(Pattern.compile("flying|volant"), StrokeKind.FLYING_STACCATO),
          Map.entry(Pattern.compile("ricochet|jet[eé]|gettato"), StrokeKind.RICOCHET),
          Map.entry(Pattern.compile("flaut|sul tasto|sulla tastiera"), StrokeKind.FLAUTANDO),
          Map.entry(Pattern.compile("sautill"), StrokeKind.SAUTILLE),
          Map.entry(Pattern.compile("spicc|saltando|saltato"), StrokeKind.SPICCATO),
          Map.entry(Pattern.compile("martel"), StrokeKind.MARTELE),
          Map.entry(Pattern.compile("d[eé]tach"), StrokeKind.DETACHE));

  private static final Pattern ORDINARY =
      Pattern.compile("\\b(ord(in(ario|aire)?)?|nat(urale)?|norm(ale)?|modo ord\\w*)\\b");

  /** Slower notes have no stroke but the plain one: a bite or a bounce would leave them empty. */
  private static final double SLOWEST = 0.6;

  /** Written strokes through the stem that are a measured repetition no longer. */
  private static final int TREMOLO_STROKES = 3;

  private StrokeKinds() {}

  /** The kind of a stroke over some moments. */
  static StrokeKind of(List<BowMoment> moments) {
    BowMoment first = moments.get(0);
    List<BowMoment> main = new ArrayList<>(moments.size());
    for (BowMoment m : moments) {
      if (m.tremolo() >= TREMOLO_STROKES) {
        return StrokeKind.TREMOLO;
      }
      if (!m.isGrace()) {
        main.add(m);
      }
    }
    if (main.size() > 1) {
      return slurred(main);
    }
    BowMoment only = main.isEmpty() ? first : main.get(0);
    if (only.isChord()) {
      return StrokeKind.CHORD;
    }
    return worded(only.words()).filter(k -> isFor(k, rate(main))).orElse(separate(only));
  }

  /** Whether single notes of so many a second can have a stroke that a word asks for. */
  static boolean isFor(StrokeKind kind, double rate) {
    boolean bounces =
        kind == StrokeKind.RICOCHET
            || kind == StrokeKind.SAUTILLE
            || kind == StrokeKind.FLYING_STACCATO;
    return bounces ? kind.fits(rate) : rate >= SLOWEST && rate <= kind.mostRate();
  }

  /** Whether a word ends the stroke that another asked for. */
  static boolean isOrdinary(String words) {
    return ORDINARY.matcher(words).find();
  }

  static Optional<StrokeKind> worded(String words) {
    if (words.isEmpty()) {
      return Optional.empty();
    }
    return WORDS.entrySet().stream()
        .filter(e -> e.getKey().matcher(words).find())
        .map(Map.Entry::getValue)
        .min(java.util.Comparator.naturalOrder());
  }

  /** Notes a second where all are like one; a rest counts up to as long as the note. */
  static double rate(double ms, double restMs) {
    return 1000 / Math.max(1, ms + Math.min(restMs, ms));
  }

  /** Notes a second. */
  static double rate(List<BowMoment> moments) {
    double ms = 0;
    for (BowMoment m : moments) {
      ms += m.timeMs() + Math.min(m.restMs(), m.timeMs());
    }
    return moments.size() * 1000.0 / Math.max(1, ms);
  }

  private static StrokeKind slurred(List<BowMoment> moments) {
    int marked = 0;
    for (BowMoment m : moments) {
      marked += m.isDotted() || isLined(m) ? 1 : 0;
    }
    if (marked < 2) {
      return worded(moments.get(0).words())
          .filter(k -> k == StrokeKind.FLAUTANDO)
          .orElse(StrokeKind.LEGATO);
    }
    Optional<StrokeKind> said =
        worded(moments.get(0).words())
            .filter(k -> k == StrokeKind.RICOCHET || k == StrokeKind.FLYING_STACCATO);
    boolean quick = rate(moments) > StrokeKind.PORTATO.mostRate();
    return said.orElse(quick ? StrokeKind.FLYING_STACCATO : StrokeKind.PORTATO);
  }

  private static boolean isLined(BowMoment m) {
    return m.articulations().contains(Signs.Articulation.TENUTO)
        || m.articulations().contains(Signs.Articulation.DETACHED_LEGATO);
  }

  private static StrokeKind separate(BowMoment m) {
    double rate = rate(List.of(m));
    if (m.isDotted()) {
      if (StrokeKind.SAUTILLE.fits(rate) && m.level() <= LoudnessLine.FORTE) {
        return StrokeKind.SAUTILLE;
      }
      if (m.isAccented() && rate <= StrokeKind.MARTELE.mostRate()) {
        return StrokeKind.MARTELE;
      }
      if (StrokeKind.SPICCATO.fits(rate)) {
        return StrokeKind.SPICCATO;
      }
      boolean loud = m.level() >= LoudnessLine.FORTE;
      return rate > StrokeKind.SAUTILLE.leastRate()
          ? StrokeKind.DETACHE
          : loud ? StrokeKind.MARTELE : StrokeKind.BRUSHED;
    }
    boolean bitten = m.articulations().contains(Signs.Articulation.MARCATO);
    return bitten && rate <= StrokeKind.MARTELE.mostRate()
        ? StrokeKind.MARTELE
        : StrokeKind.DETACHE;
  }
}
