package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.score.Reduction;
import fret.session.Change;
import fret.session.Chords;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The chord that the selected note belongs to: whole, or reduced, each way with its price. */
public final class ChordModel {
  private final Studio studio;
  private final ReadOnlyObjectWrapper<List<Chords.Version>> versions =
      new ReadOnlyObjectWrapper<>(List.of());

  ChordModel(Studio studio) {
    this.studio = studio;
  }

  /** Every way to play it, the whole chord first; empty for a single note, and until known. */
  public ReadOnlyObjectProperty<List<Chords.Version>> versionsProperty() {
    return versions.getReadOnlyProperty();
  }

  /** What of it is played now; empty for all of it. */
  public Optional<Reduction> kept() {
    return Chords.kept(studio.shown(), studio.selectedProperty().get());
  }

  void find(Session now, int note) {
    versions.set(List.of());
    if (!Chords.ways(now, note).isEmpty()) {
      studio.compute(
          "chord-versions",
          Rank.BEHIND,
          token -> Chords.versions(now, note, token),
          () -> studio.selectedProperty().get() == note,
          versions::set);
    }
  }

  void clear() {
    versions.set(List.of());
  }

  /** Plays some notes of it only, or all again. */
  public void keep(Optional<Reduction> kept) {
    decide(s -> Chords.keep(s, studio.selectedProperty().get(), kept));
  }

  /** The next way to play it. */
  public void next() {
    decide(s -> Chords.next(s, studio.selectedProperty().get()));
  }

  /** The lowest note of the chord stays selected: there is always one. */
  private void decide(Function<Session, Optional<Change>> decision) {
    Session now = studio.shown();
    int note = studio.selectedProperty().get();
    if (now == null || note < 0 || Chords.ways(now, note).isEmpty()) {
      studio.tell(Sentences.of("chord.none"));
      return;
    }
    int slice = now.resolved().notes().get(note).slice();
    studio.select(now.resolved().slices().get(slice).starting().get(0));
    studio.open().decide(decision);
  }
}
