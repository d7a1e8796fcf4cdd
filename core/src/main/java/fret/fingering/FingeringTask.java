package fret.fingering;

import fret.player.HandModel;
import fret.player.Preset;
import fret.score.ResolvedPassage;
import fret.tempo.TempoMap;
import java.util.List;
import java.util.Map;

/**
 * What is to be fingered.
 *
 * @param rules pins and bans
 * @param fixed notes that keep the place they have, by index
 */
public record FingeringTask(
    ResolvedPassage passage,
    TempoMap tempo,
    HandModel hand,
    Preset preset,
    List<NoteRule> rules,
    Map<Integer, NoteFinger> fixed) {
  public FingeringTask {
    rules = List.copyOf(rules);
    fixed = Map.copyOf(fixed);
  }

  public FingeringTask(ResolvedPassage passage, TempoMap tempo, HandModel hand, Preset preset) {
    this(passage, tempo, hand, preset, List.of(), Map.of());
  }

  public FingeringTask withRules(List<NoteRule> other) {
    return new FingeringTask(passage, tempo, hand, preset, other, fixed);
  }

  public FingeringTask withFixed(Map<Integer, NoteFinger> other) {
    return new FingeringTask(passage, tempo, hand, preset, rules, other);
  }
}
