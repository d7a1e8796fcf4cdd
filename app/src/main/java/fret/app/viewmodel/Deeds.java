package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Storing;
import fret.base.Said;
import fret.shelf.Deed;
import fret.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;

/**
 * Everything that was done, in one order over all areas, and the way back: the last thing first,
 * shown where it was done before it is taken back.
 */
public final class Deeds {
  /** Deeds beside the passages follow each other in one lane. */
  private static final String LANE = "deeds";

  /** Shows where something was done, so that it is seen before it is taken back. */
  public interface Way {
    /** The area that is looked at. */
    String area();

    /** Looks at an area, and opens a passage; 0 for none. */
    void show(String area, long passageId);
  }

  private final Studio studio;
  private final Library library;
  private final Storing storing;
  private final List<Deed> done = new ArrayList<>();
  private final List<Deed> undone = new ArrayList<>();
  private final ReadOnlyIntegerWrapper count = new ReadOnlyIntegerWrapper();
  private Way way = new NoWay();
  private Optional<Deed> shown = Optional.empty();
  private int underWay;

  private static final class NoWay implements Way {
    @Override
    public String area() {
      return "";
    }

    @Override
    public void show(String area, long passageId) {}
  }

  Deeds(Studio studio, Library library, Storing storing) {
    this.studio = studio;
    this.library = library;
    this.storing = storing;
    readAgain();
  }

  /** Takes them as they are stored. */
  void readAgain() {
    done.clear();
    undone.clear();
    done.addAll(library.deeds(false));
    List<Deed> back = library.deeds(true);
    for (int i = back.size() - 1; i >= 0; i--) {
      undone.add(back.get(i)); // The last one is the first to be done again.
    }
    changed();
  }

  /** How the window shows where something was done. */
  public void setWay(Way other) {
    way = other;
  }

  /** Changes whenever something was done or taken back. */
  public ReadOnlyIntegerProperty countProperty() {
    return count.getReadOnlyProperty();
  }

  private void changed() {
    shown = Optional.empty();
    count.set(count.get() + 1);
  }

  /** What an undo takes back; empty where there is nothing. */
  public Optional<Deed> last() {
    return done.isEmpty() ? Optional.empty() : Optional.of(done.get(done.size() - 1));
  }

  /** What a redo does again; empty where there is nothing. */
  public Optional<Deed> next() {
    return undone.isEmpty() ? Optional.empty() : Optional.of(undone.get(undone.size() - 1));
  }

  // ---- doing ---------------------------------------------------------------------------------

  /** A step of a passage, as it is to be kept. */
  Deed step(Said name, long passageId, boolean joined) {
    return Deed.step(name, way.area(), passageId, joined);
  }

  /** A new entry of a passage's log was made. */
  void did(Deed step) {
    done.add(step);
    undone.clear();
    changed();
  }

  /** Whether the last thing that was done is a step of a passage: typing may go on from it. */
  boolean isStepOf(long passageId) {
    return done.isEmpty()
        || last().filter(d -> d.isStep() && d.passageId() == passageId).isPresent();
  }

  /**
   * Does something beside the passages.
   *
   * @param then gets it as it is stored
   */
  void does(Said name, long passageId, List<Deed.Part> parts, Consumer<Deed> then) {
    Deed deed = Deed.of(name, way.area(), passageId, parts);
    did(deed); // Its place in the order is that of its deciding.
    underWay++;
    storing.store(
        LANE,
        () -> library.apply(deed),
        stored -> {
          underWay--;
          // Stored in the order of their deciding: the first that is alike is this one.
          int at = done.indexOf(deed);
          if (at >= 0) {
            done.set(at, stored);
          }
          then.accept(stored);
          studio.follow(stored.parts());
          changed();
        });
  }

  // ---- taking back ---------------------------------------------------------------------------

  /** Takes the last thing back; where it was done elsewhere, that is shown first. */
  public void undo() {
    if (underWay > 0) {
      studio.tell(Sentences.of("undo.wait"));
    } else if (done.isEmpty()) {
      studio.open().undo(); // What was done before there was one order of it.
    } else if (isSeen(last().get())) {
      take(true);
    }
  }

  /** Does again what was taken back last. */
  public void redo() {
    if (underWay > 0) {
      studio.tell(Sentences.of("undo.wait"));
    } else if (undone.isEmpty()) {
      studio.tell(Sentences.of("redo.none"));
    } else if (isSeen(next().get())) {
      take(false);
    }
  }

  private boolean isSeen(Deed deed) {
    boolean here = deed.area().isEmpty() || deed.area().equals(way.area());
    boolean open =
        !deed.isStep()
            || studio.session() != null && studio.session().passage().id() == deed.passageId();
    if (here && open || open && shown.filter(deed::equals).isPresent()) {
      return true;
    }
    way.show(deed.area(), deed.passageId());
    shown = Optional.of(deed);
    studio.tell(Sentences.of("undo.shown", told(deed)));
    return false;
  }

  /** A deed as the player knows it: what, and of which passage. */
  public String told(Deed deed) {
    String name = Sentences.of(deed.name());
    String title = studio.title(deed.passageId());
    boolean other = studio.session() == null || studio.session().passage().id() != deed.passageId();
    return title.isEmpty() || !other ? name : Sentences.of("undo.in", name, title);
  }

  /** The newest one, and those before it that it is joined to. */
  private void take(boolean back) {
    List<Deed> from = back ? done : undone;
    Deed deed;
    do {
      deed = from.remove(from.size() - 1);
      turn(deed, back);
    } while (!from.isEmpty() && (back ? deed.joined() : from.get(from.size() - 1).joined()));
    changed();
  }

  private void turn(Deed deed, boolean back) {
    List<Deed> to = back ? undone : done;
    if (deed.isStep()) {
      to.add(deed);
      if (back) {
        studio.open().undo();
      } else {
        studio.open().redo();
      }
      return;
    }
    int at = to.size();
    to.add(deed);
    underWay++;
    storing.store(
        LANE,
        () -> library.turn(deed, back),
        turned -> {
          underWay--;
          if (at < to.size() && to.get(at).id() == turned.id()) {
            to.set(at, turned);
          }
          studio.follow(back ? inverse(turned) : turned.parts());
          changed(); // What shows a setting looks again when it is what it was.
        });
    studio.tell(Sentences.of(back ? "undone" : "redone", told(deed)));
  }

  private static List<Deed.Part> inverse(Deed deed) {
    return deed.parts().stream().map(Deed.Part::inverse).toList();
  }
}
