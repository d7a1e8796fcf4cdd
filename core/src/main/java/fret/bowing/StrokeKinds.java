package fret.bowing;

import fret.score.LoudnessLine;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

  /** So many notes of a slur with dots are thrown, from so many a second on. */
  private static final int FEWEST_THROWN = 3;

  private static final int MOST_THROWN = 6;
  private static final double THROWN_RATE = 9;

  /** A bouncing arpeggio goes over so many strings at least. */
  private static final int FEWEST_STRINGS = 3;

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
    double rate = rate(main);
    return worded(only.words())
        .filter(k -> isFor(k, rate))
        .map(k -> k == StrokeKind.SPICCATO ? spiccato(only, rate) : k)
        .orElse(separate(only));
  }

  /** What becomes of a spiccato: from about eight notes a second it stays near the string. */
  private static StrokeKind spiccato(BowMoment m, double rate) {
    if (rate <= StrokeKind.SPICCATO.mostRate()) {
      return StrokeKind.SPICCATO;
    }
    boolean close = isLoud(m) && StrokeKind.CLOSE_SPICCATO.fits(rate);
    return close ? StrokeKind.CLOSE_SPICCATO : StrokeKind.SAUTILLE;
  }

  private static boolean isLoud(BowMoment m) {
    return m.level() > LoudnessLine.FORTE;
  }

  /** What a word asks for that a stroke is too quick to have; empty where it has it. */
  static Optional<StrokeKind> notObeyed(List<BowMoment> moments, StrokeKind kind) {
    List<BowMoment> main = moments.stream().filter(m -> !m.isGrace()).toList();
    if (main.size() != 1 || kind == StrokeKind.CHORD || kind == StrokeKind.TREMOLO) {
      return Optional.empty();
    }
    double rate = rate(main);
    return worded(main.get(0).words()).filter(k -> !isFor(k, rate) && rate > k.mostRate());
  }

  /** Whether single notes of so many a second can have a stroke that a word asks for. */
  static boolean isFor(StrokeKind kind, double rate) {
    boolean bounces =
        kind == StrokeKind.RICOCHET
            || kind == StrokeKind.SAUTILLE
            || kind == StrokeKind.FLYING_STACCATO;
    double most = kind == StrokeKind.SPICCATO ? StrokeKind.SAUTILLE.mostRate() : kind.mostRate();
    return bounces ? kind.fits(rate) : rate >= SLOWEST && rate <= most;
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
    return said.orElseGet(() -> dotted(moments));
  }

  /**
   * Dots under a slur: carried while it is slow; quick over three strings or more the bow bounces
   * across them, a few quick notes are thrown, more are flung off one by one.
   */
  private static StrokeKind dotted(List<BowMoment> moments) {
    double rate = rate(moments);
    if (rate <= StrokeKind.PORTATO.mostRate()) {
      return StrokeKind.PORTATO;
    }
    if (StrokeKind.ARPEGGIO.fits(rate) && isAcrossStrings(moments)) {
      return StrokeKind.ARPEGGIO;
    }
    boolean thrown =
        moments.size() >= FEWEST_THROWN
            && moments.size() <= MOST_THROWN
            && rate >= THROWN_RATE
            && StrokeKind.RICOCHET.fits(rate);
    return thrown ? StrokeKind.RICOCHET : StrokeKind.FLYING_STACCATO;
  }

  /** Each note on another string than the one before, over three strings or more. */
  private static boolean isAcrossStrings(List<BowMoment> moments) {
    Set<Integer> strings = new HashSet<>();
    for (int i = 0; i < moments.size(); i++) {
      strings.addAll(moments.get(i).strings());
      if (i > 0 && moments.get(i - 1).stringsTo(moments.get(i)) != 1) {
        return false;
      }
    }
    return strings.size() >= FEWEST_STRINGS;
  }

  private static boolean isLined(BowMoment m) {
    return m.articulations().contains(Signs.Articulation.TENUTO)
        || m.articulations().contains(Signs.Articulation.DETACHED_LEGATO);
  }

  private static StrokeKind separate(BowMoment m) {
    double rate = rate(List.of(m));
    if (m.isDotted()) {
      if (StrokeKind.SAUTILLE.fits(rate) && !isLoud(m)) {
        return StrokeKind.SAUTILLE;
      }
      if (StrokeKind.CLOSE_SPICCATO.fits(rate) && isLoud(m)) {
        return StrokeKind.CLOSE_SPICCATO;
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
