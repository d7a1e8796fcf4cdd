package fret.drill;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * The drills of the book. Their names, what they are for, what to listen for and when to stop stand
 * with the words of the program under {@code drill.} and their id.
 */
public enum DrillKind {
  /** No drill: a break. */
  NONE(Of.NOTHING, 0, 7),
  STRAIGHT(Of.CHUNK, 3, 7),
  /** What is new, once near its target: what goes well twice need not be climbed. */
  FIRST_READING(Of.CHUNK, 1, 7),
  RHYTHMS(Of.CHUNK, 4, 3),
  TRIPLET_RHYTHMS(Of.CHUNK, 4, 3),
  ADD_A_NOTE(Of.CHUNK, 4, 7),
  ADD_FROM_END(Of.CHUNK, 4, 7),
  BACKWARDS(Of.CHUNK, 2, 3),
  CHAIN_BACK(Of.CHUNK, 4, 7),
  ACCENTS(Of.CHUNK, 2, 7),
  ACCENTS_DISPLACED(Of.CHUNK, 3, 3),
  DOUBLED(Of.CHUNK, 2, 7),
  TREBLED(Of.CHUNK, 3, 3),
  BURSTS(Of.CHUNK, 2, 7),
  BLOCKS(Of.CHUNK, 2, 7),
  /** Fingers that stay down until their note comes back. */
  KEPT_FINGERS(Of.CHUNK, 2, 7),
  FINGER_FIRST(Of.CHUNK, 2, 7),
  SILENT(Of.CHUNK, 1, 7),
  END_CLICK(Of.CHUNK, 2, 7),
  SYLLABLES(Of.CHUNK, 2, 7),
  NO_VIBRATO(Of.CHUNK, 3, 7),
  /** Each note and what it is checked against, in turn and together. */
  CHECKS(Of.CHUNK, 3, 7),
  /** Neighbours in time held as double stops. */
  NEIGHBOURS(Of.CHUNK, 3, 7),
  /** Chords built up in the order in which they are tuned. */
  CHORD_BUILD(Of.CHUNK, 3, 7),
  /** The key's scale over its tonic, without vibrato, then with. */
  SCALE_ON_DRONE(Of.CHUNK, 3, 7),
  /** Each line within broken chords by itself, rests in place of the others. */
  STRANDS(Of.CHUNK, 3, 7),
  /** Thirds, sixths and octaves up the key's scale. */
  INTERVALS(Of.CHUNK, 3, 7),
  /** Tenths up the key's scale: a stretch, within its dose. */
  TENTHS(Of.CHUNK, 2, 3),
  /** Trills in pulses and as they go, turns and mordents written out. */
  ORNAMENTS(Of.CHUNK, 3, 7),
  VIBRATO_PULSES(Of.CHUNK, 4, 7),
  /** The longest notes with vibrato from wide to none. */
  VIBRATO_NARROWING(Of.CHUNK, 3, 7),
  /** A note of each finger with vibrato. */
  VIBRATO_FINGERS(Of.CHUNK, 3, 7),
  STEADY_NOTES(Of.CHUNK, 2, 7),
  DYNAMICS_SCALE(Of.CHUNK, 2, 7),
  SOFT_ENDINGS(Of.CHUNK, 2, 7),
  /** As written, judged by one thing alone. */
  FOCUS_TUNE(Of.CHUNK, 2, 7),
  FOCUS_SHIFT(Of.CHUNK, 2, 7),
  FOCUS_BOW(Of.CHUNK, 2, 7),
  FOCUS_RELEASE(Of.CHUNK, 2, 7),
  /** The guide note in and out, slides slow, faster, quick. */
  SHIFT(Of.SHIFT, 3, 7),
  STOP_BEFORE_SHIFT(Of.SHIFT, 2, 7),
  SHIFT_FROM_ANCHOR(Of.SHIFT, 2, 7),
  COUNTED_SLIDE(Of.SHIFT, 2, 7),
  /** The shift, and at once what its note is checked against. */
  SHIFT_TO_CHECK(Of.SHIFT, 2, 7),
  /** Rocking between the fingers of a stretch, within its dose. */
  STRETCH(Of.STRETCH, 3, 3),
  /** What the bow has to learn, see {@link BowDrillKind}. */
  BOW(Of.BOW, 3, 7),
  /** Preparatory exercises of the skills that the passage asks for, see {@link Skill}. */
  SKILLS(Of.PASSAGE, 4, 7),
  WARM_UP(Of.PASSAGE, 6, 7),
  RUN_THROUGH(Of.PASSAGE, 2, 7),
  MOCK(Of.PASSAGE, 3, 2);

  /** What of the notes that a drill is made of it keeps. */
  public enum Keeps {
    /** Each note sounds at its place in its bar. */
    ONSETS,
    /** One note comes after the other as on the page, though it may come again. */
    ORDER,
    /** No note is there that the page does not have. */
    PITCHES
  }

  /** What of its notes a drill keeps; nothing where it is made of something else. */
  public Set<Keeps> keeps() {
    return switch (this) {
      case STRAIGHT,
          FIRST_READING,
          SILENT,
          SYLLABLES,
          NO_VIBRATO,
          STEADY_NOTES,
          ACCENTS,
          ACCENTS_DISPLACED,
          ADD_A_NOTE,
          ADD_FROM_END,
          CHAIN_BACK,
          BURSTS,
          FOCUS_TUNE,
          FOCUS_SHIFT,
          FOCUS_BOW,
          FOCUS_RELEASE ->
          EnumSet.allOf(Keeps.class);
      case RHYTHMS, TRIPLET_RHYTHMS, DOUBLED, TREBLED, FINGER_FIRST, END_CLICK, SOFT_ENDINGS ->
          EnumSet.of(Keeps.ORDER, Keeps.PITCHES);
      case BACKWARDS, VIBRATO_PULSES, VIBRATO_NARROWING, VIBRATO_FINGERS, BLOCKS ->
          EnumSet.of(Keeps.PITCHES);
      default -> EnumSet.noneOf(Keeps.class);
    };
  }

  /** What a drill is made of. */
  public enum Of {
    NOTHING,
    CHUNK,
    SHIFT,
    STRETCH,
    BOW,
    PASSAGE
  }

  private final Of of;
  private final int minutes;
  private final int daysAWeek;

  DrillKind(Of of, int minutes, int daysAWeek) {
    this.of = of;
    this.minutes = minutes;
    this.daysAWeek = daysAWeek;
  }

  /** Kinds that are judged by one thing alone. */
  public static final java.util.List<DrillKind> FOCUS =
      java.util.List.of(FOCUS_TUNE, FOCUS_SHIFT, FOCUS_BOW, FOCUS_RELEASE);

  /** Whether it stretches the hand and counts towards its dose. */
  public boolean stretches() {
    return this == STRETCH || this == TENTHS;
  }

  /** Whether it is the whole passage once, as it is. */
  public boolean isRun() {
    return this == RUN_THROUGH || this == MOCK;
  }

  public Of of() {
    return of;
  }

  /** Usual minutes of it in a day (common practice, no source). */
  public int minutes() {
    return minutes;
  }

  /** On how many days in seven at most (common practice, no source). */
  public int daysAWeek() {
    return daysAWeek;
  }

  /** How it is named in files and commands: lower case with dashes. */
  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The drill of an id; empty if there is none. */
  public static Optional<DrillKind> named(String id) {
    return List.of(values()).stream().filter(k -> k != NONE && k.id().equals(id)).findFirst();
  }
}
