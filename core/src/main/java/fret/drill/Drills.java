package fret.drill;

import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Event;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** Makes drills from a chunk, as real notation. */
public final class Drills {
  /** The four rhythms in sixteenths (common practice, no source); four notes take 8, 8, 6, 6. */
  static final int[][] RHYTHMS = {{3, 1}, {1, 3}, {3, 1, 1, 1}, {1, 1, 2, 2}};

  /** Longest build-up of the add-a-note drill. */
  static final int MOST_ADDED = 8;

  private Drills() {}

  /**
   * The notation of a drill. The written notes of one voice are used; grace notes are left out of
   * the rhythm drills.
   *
   * @param kind one of {@link DrillKind#OF_CHUNKS}
   */
  public static Score notation(Score score, Chunk chunk, DrillKind kind) {
    Score cut = ScoreCut.cut(score, chunk.fromOnset(), chunk.toOnset());
    return switch (kind) {
      case STRAIGHT -> cut.withTitle(chunk.label());
      case ADD_A_NOTE -> addANote(cut, chunk);
      case RHYTHMS -> rhythms(cut, chunk);
      case SHIFT, BOW -> throw new IllegalArgumentException(kind + " has its own drill");
    };
  }

  /** Notated time of a drill in whole notes, rests and stops included. */
  public static Fraction length(Score score, Chunk chunk, DrillKind kind) {
    Score drill = notation(score, chunk, kind);
    return drill.end().subtract(drill.bars().get(0).start());
  }

  private static List<Event> notes(Score cut) {
    List<Event> notes = new ArrayList<>();
    Fraction last = null;
    for (Event e : cut.events()) {
      boolean tiedOn = !e.isRest() && e.heads().stream().allMatch(fret.score.Head::tieStop);
      if (!e.isRest() && !e.isGrace() && !e.cue() && !tiedOn && !e.onset().equals(last)) {
        notes.add(e);
        last = e.onset();
      }
    }
    return notes;
  }

  private static LineBuilder builder(Score cut, TimeSignature time) {
    Bar first = cut.bars().get(0);
    Clef clef = first.clef();
    return new LineBuilder(time, first.key(), clef);
  }

  private static Score rhythms(Score cut, Chunk chunk) {
    List<Event> notes = notes(cut);
    LineBuilder line = builder(cut, TimeSignature.COMMON_TIME);
    for (int[] rhythm : RHYTHMS) {
      for (int i = 0; i < notes.size(); i++) {
        line.add(Fraction.of(rhythm[i % rhythm.length], 16), notes.get(i).heads(), Signs.PLAIN);
      }
      line.fillBar();
    }
    return line.build(chunk.label() + " in rhythms", cut.transposition());
  }

  private static Score addANote(Score cut, Chunk chunk) {
    List<Event> notes = notes(cut);
    LineBuilder line = builder(cut, cut.bars().get(0).time());
    int most = Math.min(MOST_ADDED, notes.size());
    for (int count = Math.min(2, most); count <= most; count++) {
      for (Event e : notes.subList(0, count)) {
        line.add(e.duration(), e.heads(), Signs.PLAIN);
      }
      line.fillBar();
    }
    return line.build(chunk.label() + ", add a note", cut.transposition());
  }
}
