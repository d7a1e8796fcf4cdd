package fret.session;

import fret.bowing.Adopted;
import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.bowing.HandAt;
import fret.bowing.PhraseMark;
import fret.bowing.Stroke;
import fret.bowing.Swell;
import fret.mark.Anchor;
import fret.mark.BowLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.passage.Passage;
import fret.passage.TempoPlan;
import fret.score.LoudnessLine;
import fret.score.Repeats;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.search.Token;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A passage with repeats as it is played, pass after pass: what the bow does at the end of one pass
 * decides how the next begins.
 */
public final class Passes {
  /** A moment as played: where it is written, and in which pass it comes. */
  private record At(int moment, int pass) {}

  private final BowTask printed;
  private final BowTask played;
  private final List<At> moments;

  /** What was searched of them, for what is searched next; null for nothing. */
  private BowSolver searched;

  private Passes(BowTask printed, BowTask played, List<At> moments) {
    this.printed = printed;
    this.played = played;
    this.moments = moments;
  }

  /**
   * The passes of a passage; empty where nothing is repeated.
   *
   * @param printed what is to be bowed as written
   */
  public static Optional<Passes> of(Passage passage, BowTask printed) {
    Score score = printed.passage().score();
    List<Integer> order = Repeats.playingOrder(score);
    if (order.stream().distinct().count() == order.size()) {
      return Optional.empty();
    }
    Score unrolled =
        score
            .withBars(
                order.stream()
                    .map(i -> score.bars().get(i).withRepeats(false, false, List.of()))
                    .toList())
            .laidOut();
    ResolvedPassage resolved = Resolver.resolve(unrolled);
    Optional<List<At>> moments = moments(printed.passage(), resolved, order);
    return moments.map(at -> new Passes(printed, task(passage, printed, resolved, at, order), at));
  }

  /** Where each played moment is written; empty where ties over a repeat sign hide one. */
  private static Optional<List<At>> moments(
      ResolvedPassage written, ResolvedPassage played, List<Integer> order) {
    Map<Integer, List<Slice>> writtenIn = byBar(written);
    Map<Integer, List<Slice>> playedIn = byBar(played);
    Map<Integer, Integer> passes = new HashMap<>();
    List<At> all = new ArrayList<>();
    for (int k = 0; k < order.size(); k++) {
      int pass = passes.merge(order.get(k), 1, Integer::sum);
      List<Slice> here = writtenIn.getOrDefault(order.get(k), List.of());
      if (here.size() != playedIn.getOrDefault(k, List.of()).size()) {
        return Optional.empty();
      }
      here.forEach(s -> all.add(new At(s.index(), pass)));
    }
    return Optional.of(all);
  }

  private static Map<Integer, List<Slice>> byBar(ResolvedPassage passage) {
    Map<Integer, List<Slice>> all = new TreeMap<>();
    for (Slice s : passage.slices()) {
      int bar = passage.notes().get(s.starting().get(0)).key().barIndex();
      all.computeIfAbsent(bar, b -> new ArrayList<>()).add(s);
    }
    return all;
  }

  // ---- the task as played ----------------------------------------------------------------------

  private static BowTask task(
      Passage passage,
      BowTask printed,
      ResolvedPassage played,
      List<At> moments,
      List<Integer> order) {
    Passage.Settings s = passage.settings();
    List<HandAt> hand = moments.stream().map(at -> printed.hand().get(at.moment())).toList();
    Map<Integer, Double> levels = new HashMap<>();
    Map<Integer, Swell> swells = new HashMap<>();
    Map<Integer, PhraseMark> phrases = new HashMap<>();
    Map<Integer, Double> ownLevels = written(passage, printed, BowLayers.LEVEL, 0);
    Map<Integer, Swell> ownSwells = written(passage, printed, BowLayers.SWELL, 0);
    Map<Integer, PhraseMark> ownPhrases = written(passage, printed, BowLayers.PHRASE, 0);
    Map<Integer, Double> lines = Strands.offsets(passage.marks(), printed.passage());
    Map<Fraction, Double> offsets = new HashMap<>();
    for (int m = 0; m < moments.size(); m++) {
      if (!lines.isEmpty()) {
        offsets.put(played.slices().get(m).onset(), lines.get(moments.get(m).moment()));
      }
      Double level = ownLevels.get(moments.get(m).moment());
      PhraseMark phrase = ownPhrases.get(moments.get(m).moment());
      if (level != null) {
        levels.put(m, level);
      }
      if (ownSwells.containsKey(moments.get(m).moment())) {
        swells.put(m, ownSwells.get(moments.get(m).moment()));
      }
      if (phrase != null) {
        phrases.put(m, phrase);
      }
    }
    return new BowTask(
        played,
        TempoPlan.played(printed.tempo(), printed.passage().score(), played.score(), order),
        printed.instrument(),
        hand,
        LoudnessLine.of(
                played.score(), OwnLines.of(passage.marks(), played.slices(), levels, swells))
            .shaped(s.bow().shape().of(played, phrases))
            .offset(offsets),
        printed.bow(),
        printed.speed(),
        printed.preset(),
        rules(passage, printed, moments),
        printed.habits());
  }

  /** What is decided for every pass, and over it what is decided for one. */
  private static BowRules rules(Passage passage, BowTask printed, List<At> moments) {
    BowRules r = printed.rules();
    BowRules all =
        new BowRules(
            r.slurs(),
            spread(r.bows(), moments),
            spread(r.joints(), moments),
            spread(r.kinds(), moments),
            spread(r.sounds(), moments),
            spread(r.starts(), moments),
            spread(r.spots(), moments),
            spread(r.amounts(), moments),
            spread(r.contacts(), moments),
            spread(r.wishes(), moments),
            spread(r.damped().stream().collect(Collectors.toMap(m -> m, m -> m)), moments)
                .keySet());
    Map<Integer, Signs.Bow> bows = new HashMap<>(all.bows());
    int last = moments.stream().mapToInt(At::pass).max().orElse(1);
    for (int pass = 1; pass <= last; pass++) {
      Map<Integer, Signs.Bow> own = written(passage, printed, BowLayer.BOW, pass);
      for (int m = 0; m < moments.size(); m++) {
        if (moments.get(m).pass() == pass && own.containsKey(moments.get(m).moment())) {
          bows.put(m, own.get(moments.get(m).moment()));
        }
      }
    }
    return all.withBows(bows);
  }

  private static <V> Map<Integer, V> spread(Map<Integer, V> written, List<At> moments) {
    Map<Integer, V> all = new HashMap<>();
    for (int m = 0; m < moments.size(); m++) {
      V value = written.get(moments.get(m).moment());
      if (value != null) {
        all.put(m, value);
      }
    }
    return all;
  }

  /** What a layer says for a pass, 0 for every one, by written moment. */
  private static <V> Map<Integer, V> written(
      Passage passage, BowTask printed, NoteLayer<V> layer, int pass) {
    Marks marks = passage.marks();
    Map<Integer, V> all = new HashMap<>();
    for (SoundingNote n : printed.passage().notes()) {
      marks
          .at(layer, new Place(new Anchor.Note(n.key()), pass, ""))
          .ifPresent(v -> all.put(n.slice(), v));
    }
    return all;
  }

  // ---- answers ---------------------------------------------------------------------------------

  /** Searches as little as these passes ask for that others did not. */
  void near(Passes others) {
    searched = others.searched;
  }

  private BowSolver solver(BowTask task, Token token) {
    return searched == null ? new BowSolver(task, token) : searched.near(task, token);
  }

  /** What holds the page to the first pass of the best bowing as played. */
  public Map<Integer, Adopted> first(Token token) {
    searched = solver(played, token);
    Bowing best = searched.best();
    Map<Integer, Adopted> all = new HashMap<>();
    Adopted.of(best, played.passage())
        .forEach(
            (m, adopted) -> {
              if (moments.get(m).pass() == 1) {
                all.put(moments.get(m).moment(), adopted);
              }
            });
    return all;
  }

  /** How the later passes differ, when the first is bowed as written. */
  public List<PassBow> following(Bowing written, Token token) {
    Map<Integer, Adopted> held = new HashMap<>();
    Map<Integer, Adopted> first = Adopted.of(written, printed.passage());
    for (int m = 0; m < moments.size(); m++) {
      if (moments.get(m).pass() == 1 && first.containsKey(moments.get(m).moment())) {
        held.put(m, first.get(moments.get(m).moment()));
      }
    }
    BowTask task = played.withRules(played.rules().over(held));
    Bowing all = solver(task, token).best();
    Map<Integer, Map<Integer, Boolean>> differ = new TreeMap<>();
    for (Stroke s : all.strokes()) {
      At at = moments.get(s.fromMoment());
      boolean same = written.strokeAt(at.moment()).filter(w -> w.down() == s.down()).isPresent();
      if (at.pass() > 1 && !same) {
        differ.computeIfAbsent(at.pass(), p -> new TreeMap<>()).put(at.moment(), s.down());
      }
    }
    return differ.entrySet().stream().map(e -> new PassBow(e.getKey(), e.getValue())).toList();
  }
}
