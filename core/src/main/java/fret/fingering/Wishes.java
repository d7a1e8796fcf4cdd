package fret.fingering;

import fret.mark.LengthWish;
import fret.mark.ReturnsWish;
import fret.mark.SlideWish;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * What the player decided, as hard rules of the search.
 *
 * @param rules pins and bans of single notes
 * @param stretches rules that come from wishes for whole stretches; a pin beats them
 * @param still moments into which the hand must not move
 * @param vibrato indices of the notes for which vibrato is wanted
 * @param lengths notes that are to sound in full, or to be let go at the next note
 * @param slides notes into which a slide is meant to be heard, or to be hidden
 * @param returns how figures that come back are fingered
 * @param supported notes whose finger is supported by the next lower one, which stays free
 */
public record Wishes(
    List<NoteRule> rules,
    List<NoteRule> stretches,
    Set<Integer> still,
    Set<Integer> vibrato,
    Map<Integer, LengthWish> lengths,
    Map<Integer, SlideWish> slides,
    ReturnsWish returns,
    Set<Integer> supported) {
  public static final Wishes NONE = new Wishes(List.of(), List.of(), Set.of(), Set.of());

  public Wishes {
    rules = List.copyOf(rules);
    stretches = List.copyOf(stretches);
    still = Set.copyOf(still);
    vibrato = Set.copyOf(vibrato);
    lengths = Map.copyOf(lengths);
    slides = Map.copyOf(slides);
    supported = Set.copyOf(supported);
    Objects.requireNonNull(returns);
  }

  public Wishes(
      List<NoteRule> rules, List<NoteRule> stretches, Set<Integer> still, Set<Integer> vibrato) {
    this(rules, stretches, still, vibrato, Map.of(), Map.of(), ReturnsWish.USUAL, Set.of());
  }

  public Wishes withLengths(Map<Integer, LengthWish> other) {
    return new Wishes(rules, stretches, still, vibrato, other, slides, returns, supported);
  }

  public Wishes withSlides(Map<Integer, SlideWish> other) {
    return new Wishes(rules, stretches, still, vibrato, lengths, other, returns, supported);
  }

  public Wishes withSupported(Set<Integer> other) {
    return new Wishes(rules, stretches, still, vibrato, lengths, slides, returns, other);
  }

  public Wishes withReturns(ReturnsWish other) {
    return new Wishes(rules, stretches, still, vibrato, lengths, slides, other, supported);
  }

  public Wishes withRules(List<NoteRule> other) {
    return new Wishes(other, stretches, still, vibrato, lengths, slides, returns, supported);
  }
}
