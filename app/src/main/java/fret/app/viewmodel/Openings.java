package fret.app.viewmodel;

import fret.app.work.Computing.Rank;
import fret.passage.Passage;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.shelf.Library;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;

/** The first bars of each passage of the shelf: players know a passage by its opening. */
public final class Openings {
  private static final int MOST_NOTES = 14;

  private final Studio studio;
  private final Library library;
  private final ObservableMap<Long, ResolvedPassage> openings =
      FXCollections.observableMap(new HashMap<>());
  private final Map<Long, Passage> asked = new HashMap<>();

  Openings(Studio studio, Library library) {
    this.studio = studio;
    this.library = library;
  }

  /** By passage; they come in as they are read. */
  public ObservableMap<Long, ResolvedPassage> all() {
    return openings;
  }

  /** Reads what is not known yet, or was changed. */
  public void read(List<Passage> passages) {
    for (Passage p : passages) {
      if (!p.equals(asked.put(p.id(), p))) {
        studio.run(
            "opening of " + p.id(),
            Rank.BEHIND,
            token -> opening(p.id()),
            found -> found.ifPresent(o -> openings.put(p.id(), o)));
      }
    }
  }

  private Optional<ResolvedPassage> opening(long id) throws fret.base.UnusableInput {
    Optional<Library.Stored> stored = library.load(id);
    if (stored.isEmpty()) {
      return Optional.empty();
    }
    Score page = studio.open().page(stored.get()).value();
    Score part = stored.get().passage().settings().reading().of(page);
    int bars = 0;
    int notes = 0;
    for (Bar bar : part.bars()) {
      notes += bar.events().size();
      if (bars > 0 && notes > MOST_NOTES) {
        break;
      }
      bars++;
    }
    return bars == 0
        ? Optional.empty()
        : Optional.of(Resolver.resolve(part.withBars(part.bars().subList(0, bars))));
  }
}
