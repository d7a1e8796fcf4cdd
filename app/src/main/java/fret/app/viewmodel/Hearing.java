package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.session.Ornaments;
import fret.session.Session;
import fret.sound.PassagePlayer;

/** Lets the open passage be heard, with nothing decided yet: from a note on, or a stretch again. */
public final class Hearing {
  private final Studio studio;
  private final LeftHandModel selection;
  private final PassagePlayer player;

  public Hearing(Studio studio, LeftHandModel selection, PassagePlayer player) {
    this.studio = studio;
    this.selection = selection;
    this.player = player;
    studio.shownProperty().addListener(o -> stopForAnother());
  }

  private long heard = -1;

  private void stopForAnother() {
    Session now = studio.shown();
    if (now != null && now.passage().id() != heard) {
      player.stop();
    }
  }

  /**
   * Starts to play, or stops: the selected notes again and again, else from the note on, or from
   * the start.
   */
  public void toggle() {
    Session now = studio.shown();
    int note = Math.max(0, studio.selectedProperty().get());
    if (player.isPlaying()) {
      player.stop();
      studio.tell(Sentences.of("hear.stopped"));
      return;
    }
    if (now == null || note >= now.resolved().notes().size()) {
      return;
    }
    LeftHandModel.Stretch part = selection.stretch(now);
    boolean loop = part.isChosen();
    heard = now.passage().id();
    studio.compute(
        "hear",
        Rank.BESIDE,
        token ->
            Ornaments.heard(now, now.task().tempo(), now.passage().settings().setup().a4Hz())
                .samples(part.from(), part.to()),
        () -> true,
        samples -> {
          player.play(samples, loop);
          String id = loop ? "hear.loop" : "hear.on";
          studio.tell(Sentences.of(id, player.description()));
        });
  }
}
