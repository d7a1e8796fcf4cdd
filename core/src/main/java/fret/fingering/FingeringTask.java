package fret.fingering;

import fret.player.HandModel;
import fret.player.Preset;
import fret.score.ResolvedPassage;
import fret.tempo.TempoMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * What is to be fingered.
 *
 * @param wishes what the player decided
 * @param fixed notes that keep the place they have, by index
 */
public record FingeringTask(
    ResolvedPassage passage,
    TempoMap tempo,
    HandModel hand,
    Preset preset,
    Wishes wishes,
    Map<Integer, NoteFinger> fixed) {
  public FingeringTask {
    Objects.requireNonNull(wishes);
    fixed = Map.copyOf(fixed);
  }

  public FingeringTask(ResolvedPassage passage, TempoMap tempo, HandModel hand, Preset preset) {
    this(passage, tempo, hand, preset, Wishes.NONE, Map.of());
  }

  /** Pins and bans. */
  public List<NoteRule> rules() {
    return wishes.rules();
  }

  public FingeringTask withRules(List<NoteRule> other) {
    return withWishes(wishes.withRules(other));
  }

  public FingeringTask withWishes(Wishes other) {
    return new FingeringTask(passage, tempo, hand, preset, other, fixed);
  }

  public FingeringTask withFixed(Map<Integer, NoteFinger> other) {
    return new FingeringTask(passage, tempo, hand, preset, wishes, other);
  }

  public FingeringTask withPreset(Preset other) {
    return new FingeringTask(passage, tempo, hand, other, wishes, fixed);
  }
}
