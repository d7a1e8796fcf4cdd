package fret.session;

import fret.base.Later;
import fret.bowing.BowLayers;
import fret.bowing.BowReport;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.BowedScore;
import fret.bowing.Bowing;
import fret.fingering.Decided;
import fret.fingering.Fingering;
import fret.fingering.FingeringTask;
import fret.fingering.NoteRule;
import fret.fingering.PrintedWishes;
import fret.fingering.Standing;
import fret.fingering.WishRules;
import fret.instrument.Instrument;
import fret.mark.BowLayer;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.mark.FlagLayer;
import fret.mark.GuideLayer;
import fret.mark.Layer;
import fret.mark.LengthLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.OrnamentLayer;
import fret.mark.Place;
import fret.mark.ReductionLayer;
import fret.mark.ReturnsLayer;
import fret.mark.ReturnsWish;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.mark.SupportLayer;
import fret.mark.Wish;
import fret.passage.Layers;
import fret.passage.Passage;
import fret.passage.TempoPlan;
import fret.score.Bar;
import fret.score.Event;
import fret.score.NoteKey;
import fret.score.OrnamentForm;
import fret.score.OwnLevels;
import fret.score.ReducedChords;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TurnedEnds;
import fret.search.Token;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;

/** Every answer that follows from a passage and its page, for the window and the batch alike. */
public final class Pipeline {
  private Pipeline() {}

  /** The left hand from nothing; the right arm when it is asked for. */
  static Computed fingered(Passage passage, Score page) {
    return computed(passage, page, Optional.empty(), Token.NEVER);
  }

  /**
   * Everything; what a change does not concern is taken over.
   *
   * @param before what was computed before, of this passage or another
   */
  public static Computed compute(
      Passage passage, Score page, Optional<Computed> before, Token token) {
    Computed made = computed(passage, page, before, token);
    made.arm();
    return made;
  }

  private static Computed computed(
      Passage passage, Score page, Optional<Computed> before, Token token) {
    Optional<Computed> same = before.filter(b -> isSamePart(b, passage, page));
    ResolvedPassage printed =
        same.map(b -> b.standing().task().passage()).orElseGet(() -> printed(passage, page));
    FingeringTask task = task(passage, printed);
    Decided decided = decided(passage.marks(), printed, task);
    Standing standing =
        same.filter(b -> isSameHand(b, passage))
            .map(b -> b.standing().with(decided, token))
            .orElseGet(() -> Standing.of(task, decided, token))
            .guided(byNote(passage.marks(), GuideLayer.GUIDE, printed));
    ResolvedPassage marked = marked(passage, printed);
    Optional<Computed.Searched> known =
        same.flatMap(b -> b.right().known()).map(Computed.Right::searched);
    Later<Computed.Right> right =
        same.filter(b -> isSameHand(b, passage))
            .filter(b -> b.fingering().equals(standing.fingering()))
            .filter(b -> isSameBow(b.passage(), passage))
            .map(Computed::right)
            .orElseGet(() -> Later.of(() -> right(passage, standing, known, token)));
    ResolvedPassage resolved = decidedPage(passage, marked, right);
    return new Computed(passage, page, resolved, standing, right);
  }

  /** The best bowing; where bars are repeated, the first pass of the best one as played. */
  private static Computed.Right right(
      Passage passage, Standing standing, Optional<Computed.Searched> known, Token token) {
    BowTask task = bowTask(passage, standing, "", m -> true);
    Optional<Passes> passes = Passes.of(passage, task);
    passes.ifPresent(p -> known.flatMap(Computed.Searched::passes).ifPresent(p::near));
    BowTask held =
        task.withRules(passes.map(p -> task.rules().over(p.first(token))).orElse(task.rules()));
    BowSolver solver =
        known.map(k -> k.written().near(held, token)).orElseGet(() -> new BowSolver(held, token));
    boolean otherwise = returns(passage) == ReturnsWish.OTHERWISE;
    Bowing bowing = otherwise ? solver.otherwise() : solver.best();
    Arm arm = arm(passage, task, bowing, passes, token);
    return new Computed.Right(task, arm, new Computed.Searched(solver, passes));
  }

  /** The left hand alone, as it would stand with other decisions of it on the same page. */
  static Fingering standing(Computed now, Marks marks, Token token) {
    FingeringTask task = now.standing().task();
    return now.standing().with(decided(marks, task.passage(), task), token).fingering();
  }

  /** The left hand alone, from nothing. */
  static Standing standing(Passage passage, Score page, Token token) {
    ResolvedPassage printed = printed(passage, page);
    FingeringTask task = task(passage, printed);
    return Standing.of(task, decided(passage.marks(), printed, task), token);
  }

  /** What sounds of the page: the lines and bars asked for, chords as they are kept. */
  private static ResolvedPassage printed(Passage passage, Score page) {
    Score asked = passage.settings().reading().of(page);
    return Resolver.resolve(
        TurnedEnds.of(
            ReducedChords.of(asked, counting(passage.marks(), ReductionLayer.REDUCTION)),
            turned(passage.marks())));
  }

  /** The trills that end by way of the note below, or do not, where the player says so. */
  private static Map<NoteKey, Boolean> turned(Marks marks) {
    Map<NoteKey, Boolean> turned = new HashMap<>();
    counting(marks, OrnamentLayer.ORNAMENT)
        .forEach(
            (key, form) -> {
              if (form.ending() != OrnamentForm.Ending.PRINTED) {
                turned.put(key, form.ending() == OrnamentForm.Ending.TURNED);
              }
            });
    return turned;
  }

  /** The page as it was decided: what is only proposed of the bow does not stand on it. */
  private static ResolvedPassage decidedPage(
      Passage passage, ResolvedPassage marked, Later<Computed.Right> right) {
    if (passage.marks().any(BowLayers.ADOPTED)) {
      return right.get().arm().page();
    }
    return passage.marks().any(BowLayers.JOINT)
        ? marked.withScore(BowedScore.of(marked, right.get().arm().bowing(), false))
        : marked;
  }

  /** What is to be bowed. */
  static BowTask bowTask(Passage passage, Standing standing, String version, IntPredicate held) {
    FingeringTask hand = standing.task();
    return BowTasks.of(passage, hand.passage(), hand.tempo(), standing.fingering(), version, held);
  }

  /** A bowing with all that is told and shown of it. */
  static Arm arm(Passage passage, BowTask task, Bowing bowing, Token token) {
    return arm(passage, task, bowing, Passes.of(passage, task), token);
  }

  private static Arm arm(
      Passage passage, BowTask task, Bowing bowing, Optional<Passes> passes, Token token) {
    ResolvedPassage marked = marked(passage, task.passage());
    return new Arm(
        bowing,
        BowReport.of(bowing, task, passage.settings().bow().arm()),
        passes.map(p -> p.following(bowing, token)).orElse(List.of()),
        marked.withScore(BowedScore.of(marked, bowing, true)));
  }

  /** The printed passage with the player's bow marks and dynamics in place of the printed ones. */
  private static ResolvedPassage marked(Passage passage, ResolvedPassage printed) {
    Score bowed = bowed(printed.score(), counting(passage.marks(), BowLayer.BOW));
    return printed.withScore(OwnLevels.on(bowed, BowTasks.ownLine(passage.marks(), printed, "")));
  }

  private static boolean isSameBow(Passage was, Passage is) {
    return was.settings().bow().equals(is.settings().bow())
        && Layers.ALL.stream()
            .filter(l -> l.concern() == Layer.Concern.BOW)
            .allMatch(l -> was.marks().of(l).equals(is.marks().of(l)));
  }

  private static boolean isSamePart(Computed b, Passage passage, Score page) {
    return b.passage().id() == passage.id()
        && b.passage().settings().reading().equals(passage.settings().reading())
        && b.passage()
            .marks()
            .of(ReductionLayer.REDUCTION)
            .equals(passage.marks().of(ReductionLayer.REDUCTION))
        && turned(b.passage().marks()).equals(turned(passage.marks()))
        && b.page().equals(page);
  }

  private static boolean isSameHand(Computed b, Passage passage) {
    Passage.Settings was = b.passage().settings();
    Passage.Settings is = passage.settings();
    return was.target().equals(is.target())
        && was.setup().equals(is.setup())
        && returns(b.passage()) == returns(passage)
        && was.details().tempoMarks().equals(is.details().tempoMarks());
  }

  static ReturnsWish returns(Passage passage) {
    return passage.marks().at(ReturnsLayer.RETURNS, Place.WHOLE).orElse(ReturnsWish.USUAL);
  }

  /** What is to be fingered with what is printed and nothing else. */
  private static FingeringTask task(Passage passage, ResolvedPassage printed) {
    Passage.Settings s = passage.settings();
    TempoMap tempo = TempoPlan.of(printed.score(), s.target(), s.details().tempoMarks());
    Instrument instrument = s.setup().strung();
    return new FingeringTask(printed, tempo, s.setup().handModel(), s.setup().preset())
        .withWishes(
            WishRules.of(printed, tempo, List.of(), PrintedWishes.of(printed, instrument), Set.of())
                .withReturns(returns(passage)));
  }

  private static Decided decided(Marks marks, ResolvedPassage resolved, FingeringTask task) {
    return new Decided(
        rules(marks, FingerLayer.PINNED, "", resolved),
        rules(marks, FingerLayer.ADOPTED, "", resolved),
        WishRules.of(
                resolved,
                task.tempo(),
                List.of(),
                Wish.all(marks),
                VibratoAsked.notes(marks, resolved, task.tempo()))
            .withLengths(byNote(marks, LengthLayer.LENGTH, resolved))
            .withSlides(slides(marks, resolved))
            .withSupported(byNote(marks, SupportLayer.SUPPORT, resolved).keySet()));
  }

  /** Before a jury no slide is heard; those that are to be hidden stay so. */
  private static Map<Integer, SlideWish> slides(Marks marks, ResolvedPassage resolved) {
    Map<Integer, SlideWish> slides = byNote(marks, SlideLayer.SLIDE, resolved);
    if (marks.at(FlagLayer.SLIDES_HIDDEN, Place.WHOLE).orElse(false)) {
      slides.values().removeIf(w -> w == SlideWish.HEARD);
    }
    return slides;
  }

  private static <V> Map<Integer, V> byNote(
      Marks marks, NoteLayer<V> layer, ResolvedPassage resolved) {
    Map<Integer, V> all = new HashMap<>();
    for (int i = 0; i < resolved.notes().size(); i++) {
      int note = i;
      marks.at(layer, resolved.notes().get(i).key()).ifPresent(w -> all.put(note, w));
    }
    return all;
  }

  /** The places that a layer sets in a version. */
  static List<NoteRule> rules(
      Marks marks, FingerLayer layer, String version, ResolvedPassage resolved) {
    List<NoteRule> rules = new ArrayList<>();
    for (int i = 0; i < resolved.notes().size(); i++) {
      int note = i;
      fret.mark.Place place = fret.mark.Place.of(resolved.notes().get(i).key()).in(version);
      marks.at(layer, place).ifPresent(m -> rules.add(rule(note, m)));
    }
    return rules;
  }

  static NoteRule rule(int note, FingerMark m) {
    return new NoteRule(note, m.finger(), m.replacedBy(), m.string(), 0, m.harmonic(), false);
  }

  /** What counts of a kind of mark, by note. */
  static <V> Map<NoteKey, V> counting(Marks marks, NoteLayer<V> layer) {
    Map<NoteKey, V> all = new java.util.HashMap<>();
    marks
        .of(layer)
        .forEach(
            (place, value) -> {
              boolean everyPass = place.counts() && place.pass() == 0;
              if (everyPass && place.anchor() instanceof fret.mark.Anchor.Note n) {
                all.put(n.key(), value);
              }
            });
    return all;
  }

  /** The part with the player's bow marks in place of the printed ones. */
  private static Score bowed(Score score, Map<NoteKey, Signs.Bow> bows) {
    return score.withEach(bows.keySet(), (b, e) -> bowed(b, e, bows));
  }

  private static Event bowed(Bar bar, Event event, Map<NoteKey, Signs.Bow> bows) {
    Event bowed = event;
    for (int head = 0; head < (event.isGrace() ? 0 : event.heads().size()); head++) {
      Signs.Bow bow = bows.get(NoteKey.of(bar, event, 0, head));
      bowed = bow == null ? bowed : bowed.withSigns(bowed.signs().withBow(bow));
    }
    return bowed;
  }
}
