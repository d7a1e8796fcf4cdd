package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.base.Said;
import fret.drill.ShiftDrill;
import fret.instrument.InstrumentType;
import fret.player.BodyCue;
import java.util.Locale;
import java.util.Map;

/** How the player shifts, and the player's own words for what hand and arm do. */
public final class ShiftHabits {
  private final Studio studio;

  ShiftHabits(Studio studio) {
    this.studio = studio;
  }

  /** How the player shifts. */
  public ShiftDrill.Manner manner() {
    return new ShiftDrill.Manner(
        studio.preferences().get("guideFinger").map("old"::equals).orElse(true),
        studio.preferences().get("slideLate").map(Boolean::parseBoolean).orElse(false),
        studio.preferences().get("slideBeats").map(Integer::parseInt).orElse(2));
  }

  public void setManner(ShiftDrill.Manner manner) {
    studio.set(
        Said.of("deed.shifts"),
        Map.of(
            "guideFinger",
            manner.oldFinger() ? "old" : "new",
            "slideLate",
            String.valueOf(manner.late()),
            "slideBeats",
            String.valueOf(manner.slideBeats())));
  }

  /** The line on elbow, thumb and forearm, in the player's own words where there are some. */
  public String cue(BodyCue cue) {
    InstrumentType type = studio.shown().task().hand().instrument().type();
    return studio.preferences().get(cueKey(cue, type)).orElse(Sentences.of(cue.usual(type)));
  }

  /** Other words for a cue; empty ones bring the usual words back. */
  public void setCue(BodyCue cue, String words) {
    InstrumentType type = studio.shown().task().hand().instrument().type();
    String kept = words.isBlank() ? Sentences.of(cue.usual(type)) : words.strip();
    studio.set(Said.of("deed.cue"), Map.of(cueKey(cue, type), kept));
  }

  private static String cueKey(BodyCue cue, InstrumentType type) {
    return "cue." + type.name().toLowerCase(Locale.ROOT) + "." + cue.id();
  }
}
