package fret.app.viewmodel;

import fret.base.Said;
import fret.drill.Frame;
import fret.score.TimeSignature;
import fret.session.ChunkDecisions;
import fret.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** The frames on the picture of the open passage's page. */
public final class Framing {
  private static final int USUAL_BARS = 4;

  private final Studio studio;

  public Framing(Studio studio) {
    this.studio = studio;
  }

  /** All frames, in their order. */
  public List<Frame> frames() {
    Session s = studio.session();
    return s == null ? List.of() : ChunkDecisions.frames(s);
  }

  public Optional<Frame> frame(String id) {
    return frames().stream().filter(f -> f.id().equals(id)).findFirst();
  }

  /**
   * A new frame: it goes on where the last one ended, in the metre of that one.
   *
   * @return its id
   */
  public String draw(int page, Frame.Box box) {
    Optional<Frame> last = frames().stream().max((a, b) -> a.toBar() - b.toBar());
    TimeSignature metre =
        last.map(Frame::metre).orElseGet(() -> studio.session().page().bars().get(0).time());
    int from = last.map(f -> f.toBar() + 1).orElse(1);
    String id = fresh();
    Frame made = new Frame(id, "", page, box, from, USUAL_BARS * metre.beats(), metre, 0);
    edit(
        Said.of("frame.drawn", from),
        all -> {
          List<Frame> more = new ArrayList<>(all);
          more.add(made);
          return more;
        });
    return id;
  }

  private String fresh() {
    for (int i = 1; ; i++) {
      String id = "frame-" + i;
      boolean played =
          studio.journal().stream()
              .anyMatch(
                  e -> e.passageId() == studio.session().passage().id() && e.chunkId().equals(id));
      if (!played && frame(id).isEmpty()) {
        return id;
      }
    }
  }

  /** A frame becomes another one. */
  public void change(Said name, String id, UnaryOperator<Frame> edit) {
    edit(name, all -> all.stream().map(f -> f.id().equals(id) ? edit.apply(f) : f).toList());
  }

  /** A frame goes; its record stays. */
  public void remove(String id) {
    edit(Said.of("frame.removed"), all -> all.stream().filter(f -> !f.id().equals(id)).toList());
  }

  /** Some notes are those of a frame. */
  public void attach(String id, int fromNote, int toNote) {
    frame(id).ifPresent(f -> studio.decide(s -> new ChunkDecisions(s).attach(f, fromNote, toNote)));
  }

  private void edit(Said name, UnaryOperator<List<Frame>> edit) {
    studio.open().decide(s -> ChunkDecisions.frames(s, name, edit));
  }
}
