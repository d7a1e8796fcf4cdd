package fret.score;

import fret.pitch.Pitch;
import fret.score.OrnamentForm.Ending;
import fret.score.OrnamentForm.Start;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An ornament note by note: trills, turns and mordents with their neighbours, tremolos with their
 * strokes. The forms are the usual ones (common practice, no source); all but speed, start and end
 * of a trill are fixed.
 *
 * @param tones one after the other, from the start of the note to its end
 */
public record WrittenOut(List<Tone> tones) {
  /** Fewest notes of a trill with and without its turn at the end. */
  private static final int SHORTEST = 3;

  private static final int SHORTEST_TURNED = 5;

  /** Most of a short note that the notes before its main one may take (from memory). */
  private static final double MOST_BEFORE = 0.6;

  /** Three strokes and more are as fast as the hand can, two are counted. */
  private static final int UNMEASURED = 3;

  /**
   * One note of it.
   *
   * @param pitch sounding
   * @param from when it starts, as a share of the note
   * @param lasts how long, as a share of the note
   */
  public record Tone(Pitch pitch, double from, double lasts) {}

  public WrittenOut {
    tones = List.copyOf(tones);
  }

  /**
   * What is played on a note.
   *
   * @param seconds that it lasts
   * @return empty where the note is played as it stands
   */
  public static Optional<WrittenOut> of(
      ResolvedPassage passage, SoundingNote note, OrnamentForm form, double seconds) {
    if (note.isGrace() || !(seconds > 0)) {
      return Optional.empty();
    }
    Pitch main = note.pitch();
    List<Tone> tones =
        switch (note.ornament()) {
          case TRILL, TRILL_WITH_TERMINATION -> trill(passage, note, form, seconds);
          case TURN ->
              before(form, seconds, above(passage, note), main, below(passage, note), main);
          case INVERTED_TURN ->
              before(form, seconds, below(passage, note), main, above(passage, note), main);
          case MORDENT -> before(form, seconds, main, below(passage, note), main);
          case INVERTED_MORDENT -> before(form, seconds, main, above(passage, note), main);
          case NONE -> tremolo(note, form, seconds);
        };
    return tones.size() < 2 ? Optional.empty() : Optional.of(new WrittenOut(tones));
  }

  /** The upper note of an ornament: as printed over it, else the next of the key. */
  public static Pitch above(ResolvedPassage passage, SoundingNote note) {
    return note.auxiliaries().isEmpty()
        ? Neighbours.of(passage.score(), note, 1)
        : note.auxiliaries().get(0);
  }

  private static Pitch below(ResolvedPassage passage, SoundingNote note) {
    return note.auxiliaries().stream()
        .filter(p -> p.midi() < note.pitch().midi())
        .findFirst()
        .orElseGet(() -> Neighbours.of(passage.score(), note, -1));
  }

  /** Whether a trill ends by way of its lower neighbour. */
  public static boolean isTurned(SoundingNote note, OrnamentForm form) {
    boolean printed = note.ornament() == Signs.Ornament.TRILL_WITH_TERMINATION;
    return form.ending() == Ending.TURNED || form.ending() == Ending.PRINTED && printed;
  }

  private static List<Tone> trill(
      ResolvedPassage passage, SoundingNote note, OrnamentForm form, double seconds) {
    TimeSignature time = passage.score().bar(note.key().barIndex()).time();
    double beats = note.duration().doubleValue() / time.unit().doubleValue();
    double share = form.beats() == 0 ? 1 : Math.min(1, form.beats() / beats);
    boolean turned = isTurned(note, form) && share == 1;
    int count = (int) Math.round(seconds * share * form.perSecond());
    if (turned) {
      count = turned(Math.max(SHORTEST_TURNED, count), form.start());
    }
    count = Math.max(SHORTEST, count);
    List<Pitch> pitches = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      boolean main = i % 2 == (form.start() == Start.MAIN ? 0 : 1);
      pitches.add(main ? note.pitch() : above(passage, note));
    }
    if (turned) {
      pitches.set(count - 2, below(passage, note));
      pitches.set(count - 1, note.pitch());
    }
    List<Tone> tones = new ArrayList<>();
    double each = share / count;
    for (int i = 0; i < count; i++) {
      tones.add(new Tone(pitches.get(i), i * each, each));
    }
    if (share < 1) {
      rest(tones, note.pitch(), share);
    } else {
      endOnMain(tones, note.pitch());
    }
    return tones;
  }

  /** So many notes that the turn is come into from the main note. */
  private static int turned(int count, Start start) {
    boolean fits = count % 2 == (start == Start.MAIN ? 1 : 0);
    return fits ? count : count - 1;
  }

  /**
   * A plain end rests on the main note: it takes the time of an upper one that would be the last.
   */
  private static void endOnMain(List<Tone> tones, Pitch main) {
    Tone last = tones.get(tones.size() - 1);
    if (!last.pitch().equals(main)) {
      tones.remove(tones.size() - 1);
      rest(tones, main, last.from());
    }
  }

  /** The main note for what is left, joined to it where it sounds already. */
  private static void rest(List<Tone> tones, Pitch main, double from) {
    Tone last = tones.get(tones.size() - 1);
    if (last.pitch().equals(main)) {
      tones.set(tones.size() - 1, new Tone(main, last.from(), 1 - last.from()));
    } else {
      tones.add(new Tone(main, from, 1 - from));
    }
  }

  /** Quick notes, and the last one for what is left. */
  private static List<Tone> before(OrnamentForm form, double seconds, Pitch... pitches) {
    int quick = pitches.length - 1;
    double each = Math.min(1 / form.perSecond() / seconds, MOST_BEFORE / quick);
    List<Tone> tones = new ArrayList<>();
    for (int i = 0; i < quick; i++) {
      tones.add(new Tone(pitches[i], i * each, each));
    }
    tones.add(new Tone(pitches[quick], quick * each, 1 - quick * each));
    return tones;
  }

  private static List<Tone> tremolo(SoundingNote note, OrnamentForm form, double seconds) {
    int strokes = note.tremolo();
    if (strokes == 0) {
      return List.of();
    }
    double measured = note.duration().doubleValue() * 4 * (1 << strokes);
    double wanted = strokes >= UNMEASURED ? seconds * Math.max(form.perSecond(), 12) : measured;
    int count = (int) Math.max(1, Math.round(wanted));
    List<Tone> tones = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      tones.add(new Tone(note.pitch(), (double) i / count, 1.0 / count));
    }
    return tones;
  }
}
