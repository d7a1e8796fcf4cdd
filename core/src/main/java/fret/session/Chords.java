package fret.session;

import fret.base.Said;
import fret.fingering.Standing;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.ReductionLayer;
import fret.passage.Passage;
import fret.score.Event;
import fret.score.NoteKey;
import fret.score.ReducedChords;
import fret.score.Reduction;
import fret.score.SoundingNote;
import fret.search.Token;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Chords kept whole or reduced, each way with what the whole fingering then costs. */
public final class Chords {
  /**
   * One way to play a chord.
   *
   * @param kept what is played; empty for all of it
   * @param extraEffort over the way that stands, below 0 where it is easier
   * @param playable whether the hand can play all that is kept
   */
  public record Version(Optional<Reduction> kept, double extraEffort, boolean playable) {}

  private Chords() {}

  /** The ways in which the chord of a note can be reduced; none where it stands alone. */
  public static List<Reduction> ways(Session s, int note) {
    return chord(s, note)
        .map(c -> Arrays.stream(Reduction.values()).filter(r -> r.suits(c.heads().size())).toList())
        .orElse(List.of());
  }

  /** What is played of the chord of a note; empty for all of it. */
  public static Optional<Reduction> kept(Session s, int note) {
    return anchor(s, note)
        .flatMap(k -> s.passage().marks().at(ReductionLayer.REDUCTION, Place.of(k)));
  }

  /** Plays only some notes of the chord of a note, or all of them again. */
  public static Optional<Change> keep(Session s, int note, Optional<Reduction> kept) {
    return anchor(s, note)
        .map(
            k ->
                Change.of(
                    Said.of(kept.map(r -> "reduction." + r).orElse("reduction.whole")),
                    s.passage().marks(),
                    with(s, k, kept)));
  }

  /** The next way to play it, the whole chord after the last. */
  public static Optional<Change> next(Session s, int note) {
    List<Optional<Reduction>> all = new ArrayList<>(List.of(Optional.empty()));
    ways(s, note).forEach(r -> all.add(Optional.of(r)));
    int now = all.indexOf(kept(s, note));
    return keep(s, note, all.get((now + 1) % all.size()));
  }

  /** Every way, the whole chord first; none for a note that stands alone. */
  public static List<Version> versions(Session s, int note, Token token) {
    Optional<NoteKey> anchor = anchor(s, note);
    List<Version> all = new ArrayList<>();
    if (anchor.isEmpty()) {
      return all;
    }
    List<Optional<Reduction>> ways = new ArrayList<>(List.of(Optional.empty()));
    ways(s, note).forEach(r -> ways.add(Optional.of(r)));
    for (Optional<Reduction> kept : ways) {
      Passage passage = s.passage().withMarks(with(s, anchor.get(), kept));
      Standing standing =
          kept.equals(kept(s, note))
              ? s.computed().standing()
              : Pipeline.standing(passage, s.page(), token);
      double extra = standing.fingering().effort() - s.fingering().effort();
      all.add(new Version(kept, extra, isPlayed(standing, anchor.get())));
    }
    return all;
  }

  private static boolean isPlayed(Standing standing, NoteKey chord) {
    List<SoundingNote> notes = standing.task().passage().notes();
    for (int i = 0; i < notes.size(); i++) {
      if (notes.get(i).key().isInChordOf(chord) && standing.fingering().notes().get(i).isEmpty()) {
        return false;
      }
    }
    return true;
  }

  private static Marks with(Session s, NoteKey chord, Optional<Reduction> kept) {
    return s.passage().marks().with(ReductionLayer.REDUCTION, Place.of(chord), kept);
  }

  private static Optional<Event> chord(Session s, int note) {
    return note < 0
        ? Optional.empty()
        : ReducedChords.chord(s.score(), s.resolved().notes().get(note).key());
  }

  /** What the mark of the chord of a note hangs on. */
  private static Optional<NoteKey> anchor(Session s, int note) {
    return chord(s, note).map(c -> ReducedChords.key(s.resolved().notes().get(note).key(), c));
  }
}
