package fret.session;

import fret.base.Said;
import fret.drill.Chunk;
import fret.drill.ChunkLayer;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.load.Limits;
import fret.load.LimitsLayer;
import fret.mark.BowLayer;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.mark.FlagLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.mark.Reattachment;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.mark.ReturnsLayer;
import fret.mark.ReturnsWish;
import fret.mark.VibratoRule;
import fret.mark.VibratoRuleLayer;
import fret.mark.Wish;
import fret.mark.WishLayer;
import fret.passage.HeadingLayer;
import fret.passage.Passage;
import fret.passage.PracticeLayer;
import fret.passage.PracticeSetup;
import fret.passage.SourceLayer;
import fret.passage.TempoEdits;
import fret.passage.TempoMark;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.sound.ClickRange;
import fret.sound.ClickRangeLayer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** What the player can decide, as pure functions from a session to the change. */
public final class Decisions {
  /** A moment without a word among words. */
  private static final String SKIPS = ".";

  private Decisions() {}

  /** Marks of a new page and what became of the old ones. */
  public record Moved(Change change, Reattachment marks) {}

  private static SoundingNote note(Session s, int note) {
    return s.resolved().notes().get(note);
  }

  private static Change changed(Said name, Session s, Marks after) {
    return Change.of(name, s.passage().marks(), after);
  }

  /** One mark on a note, or none there. */
  public static <V> Change mark(
      Session s, NoteLayer<V> layer, int note, Optional<V> value, Said name) {
    Place place = Place.of(note(s, note).key());
    return changed(name, s, s.passage().marks().with(layer, place, value));
  }

  /** A note is played as it is elsewhere. */
  public static Change pin(Session s, NoteFinger place) {
    SoundingNote n = note(s, place.note());
    Said name = Said.of("pin.finger", place.digits(), n.pitch(), n.bar());
    return mark(s, FingerLayer.PINNED, place.note(), Optional.of(mark(s, place)), name);
  }

  /** A finger, a string or both are pinned on a note; a pin replaces the one before. */
  public static Change pin(Session s, int note, Optional<Finger> finger, int string) {
    SoundingNote n = note(s, note);
    Said name =
        finger
            .map(f -> Said.of("pin.finger", f.digit(), n.pitch(), n.bar()))
            .orElseGet(
                () ->
                    Said.of(
                        "pin.string",
                        s.task().hand().instrument().stringName(string),
                        n.pitch(),
                        n.bar()));
    return mark(s, FingerLayer.PINNED, note, Optional.of(FingerMark.of(finger, string)), name);
  }

  /** A note's pin is taken away; empty if it has none. */
  public static Optional<Change> unpin(Session s, int note) {
    SoundingNote n = note(s, note);
    return s.at(FingerLayer.PINNED, note)
        .map(
            m ->
                mark(
                    s,
                    FingerLayer.PINNED,
                    note,
                    Optional.empty(),
                    Said.of("unpin", n.pitch(), n.bar())));
  }

  /** What is stored where a note is pinned or adopted as it is played elsewhere. */
  static FingerMark mark(Session s, NoteFinger p) {
    boolean touched = p.harmonic() && !p.isPrintedHarmonic(s.resolved());
    return new FingerMark(
        Optional.of(p.finger()), p.replaced().map(NoteFinger.Replacement::by), p.string(), touched);
  }

  private static Marks placed(Session s, Fingering chosen, String version) {
    Map<Place, FingerMark> all = new HashMap<>();
    s.passage().marks().of(FingerLayer.ADOPTED).keySet().stream()
        .filter(p -> p.version().equals(version))
        .forEach(p -> all.put(p, null));
    for (int i = 0; i < chosen.notes().size(); i++) {
      Place place = Place.of(note(s, i).key()).in(version);
      chosen.notes().get(i).ifPresent(p -> all.put(place, mark(s, p)));
    }
    return s.passage().marks().with(FingerLayer.ADOPTED, all);
  }

  /** A fingering becomes the player's own. */
  public static Change adopt(Session s, Fingering chosen) {
    return changed(Said.of("adopt"), s, placed(s, chosen, ""));
  }

  /** A chunk was practised: its identity stays with its notes; empty when that is so already. */
  public static Optional<Change> practised(Session s, Chunk chunk) {
    ChunkLayer.Named named = new ChunkLayer.Named(chunk.id(), chunk.kind());
    Marks marks = s.passage().marks().with(ChunkLayer.CHUNK, chunk.place(), Optional.of(named));
    Change change = changed(Said.of("practised"), s, marks);
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /** The passage is practised in a way of its own; the usual one takes the mark away. */
  public static Change practice(Session s, PracticeSetup setup) {
    Optional<PracticeSetup> own =
        setup.equals(PracticeSetup.USUAL) ? Optional.empty() : Optional.of(setup);
    Marks after = s.passage().marks().with(PracticeLayer.PRACTICE, Place.WHOLE, own);
    return changed(Said.of("practice.setup"), s, after);
  }

  /** How figures that come back are fingered; the usual takes the mark away. */
  public static Change returns(Session s, ReturnsWish wish) {
    Optional<ReturnsWish> own = wish == ReturnsWish.USUAL ? Optional.empty() : Optional.of(wish);
    return changed(
        Said.of("returns.set", Said.of("returns." + wish)),
        s,
        s.passage().marks().with(ReturnsLayer.RETURNS, Place.WHOLE, own));
  }

  /** Which notes are vibrated; the usual rule takes the mark away. */
  public static Change vibratoRule(Session s, VibratoRule rule) {
    return changed(
        Said.of("vibrato-rule.set", Said.of("vibrato-rule." + rule)),
        s,
        s.passage()
            .marks()
            .with(
                VibratoRuleLayer.RULE,
                Place.WHOLE,
                rule.isOwn() ? Optional.of(rule) : Optional.empty()));
  }

  /** All slides are hidden, or those that are meant to be heard come back. */
  public static Change hideSlides(Session s, boolean hidden) {
    return changed(
        Said.of(hidden ? "slides.hide" : "slides.back"),
        s,
        s.passage()
            .marks()
            .with(
                FlagLayer.SLIDES_HIDDEN,
                Place.WHOLE,
                hidden ? Optional.of(true) : Optional.empty()));
  }

  /** Positions are named on the page, or no longer. */
  public static Change namePositions(Session s, boolean named) {
    return changed(
        Said.of(named ? "positions.name" : "positions.none"),
        s,
        s.passage()
            .marks()
            .with(FlagLayer.POSITIONS, Place.WHOLE, named ? Optional.of(true) : Optional.empty()));
  }

  /** What the player can do; the usual takes the mark away. */
  public static Change limits(Session s, Limits limits) {
    Optional<Limits> own = limits.equals(Limits.USUAL) ? Optional.empty() : Optional.of(limits);
    return changed(
        Said.of("limits.set"), s, s.passage().marks().with(LimitsLayer.LIMITS, Place.WHOLE, own));
  }

  /** What the click does by bars. */
  public static Change clicks(Session s, List<ClickRange> ranges) {
    Marks after =
        s.passage()
            .marks()
            .with(
                ClickRangeLayer.CLICKS,
                Place.WHOLE,
                ranges.isEmpty() ? Optional.empty() : Optional.of(List.copyOf(ranges)));
    return changed(Said.of("clicks.set"), s, after);
  }

  /** The program proposes again; pins stay. */
  public static Change release(Session s) {
    return changed(Said.of("release"), s, cleared(s, ""));
  }

  private static Marks cleared(Session s, String version) {
    Map<Place, FingerMark> none = new HashMap<>();
    s.passage().marks().of(FingerLayer.ADOPTED).keySet().stream()
        .filter(p -> p.version().equals(version))
        .forEach(p -> none.put(p, null));
    return s.passage().marks().with(FingerLayer.ADOPTED, none);
  }

  /** A whole fingering is kept under a name, to come back to. */
  public static Change keep(Session s, String name, Fingering chosen) {
    return changed(Said.of("keep", name), s, placed(s, chosen, name));
  }

  public static Change forget(Session s, String name) {
    return changed(Said.of("forget", name), s, cleared(s, name));
  }

  /** The bow mark on a note's chord is set, changed or taken away. */
  public static Change bow(Session s, int note, Signs.Bow bow) {
    SoundingNote n = note(s, note);
    Map<Place, Signs.Bow> all = new HashMap<>();
    s.resolved().slices().get(n.slice()).starting().stream()
        .map(i -> Place.of(note(s, i).key()))
        .forEach(p -> all.put(p, null));
    all.put(Place.of(n.key()), bow);
    return changed(
        Said.of("bow." + bow.name(), n.pitch(), n.bar()),
        s,
        s.passage().marks().with(BowLayer.BOW, all));
  }

  /**
   * Something is asked of a stretch of notes, or taken back when just that was asked of the same
   * notes.
   */
  public static Change wish(Session s, Wish.Ask ask, int fromNote, int toNote) {
    SoundingNote first = note(s, Math.min(fromNote, toNote));
    SoundingNote last = note(s, Math.max(fromNote, toNote));
    Wish wish = new Wish(first.key(), last.key(), ask);
    List<Wish.Ask> asks = asks(s, wish);
    boolean there = asks.remove(ask);
    if (!there) {
      asks.add(ask);
    }
    Said bars =
        first.bar().equals(last.bar())
            ? Said.of("bar", first.bar())
            : Said.of("bars", first.bar(), last.bar());
    Said name =
        Said.of(
            there ? "wish.withdrawn" : "wish.asked", Said.of("wish." + ask.kind().name()), bars);
    return changed(name, s, asking(s, wish, asks));
  }

  private static List<Wish.Ask> asks(Session s, Wish wish) {
    return new ArrayList<>(s.passage().marks().at(WishLayer.WISH, wish.place()).orElse(List.of()));
  }

  private static Marks asking(Session s, Wish wish, List<Wish.Ask> asks) {
    asks.sort(java.util.Comparator.comparing(Wish.Ask::kind).thenComparing(Wish.Ask::value));
    return s.passage()
        .marks()
        .with(
            WishLayer.WISH,
            wish.place(),
            asks.isEmpty() ? Optional.empty() : Optional.of(List.copyOf(asks)));
  }

  /** A wish is taken back. */
  public static Change withdraw(Session s, Wish wish) {
    List<Wish.Ask> asks = asks(s, wish);
    asks.remove(wish.ask());
    Said name = Said.of("wish.withdrawn.anywhere", Said.of("wish." + wish.kind().name()));
    return changed(name, s, asking(s, wish, asks));
  }

  /** A mark is set on a note in place of another one, or taken off where just that is there. */
  /**
   * Words or syllables over the moments of a stretch, one after the other; a full stop leaves a
   * moment free. What is left over falls away, moments behind the last word stay as they are.
   */
  public static Change words(Session s, int fromNote, int toNote, List<String> words) {
    Map<Place, Reminder> all = new HashMap<>();
    int at = s.resolved().notes().get(fromNote).slice();
    int last = s.resolved().notes().get(toNote).slice();
    for (String word : words) {
      if (at <= last && !word.equals(SKIPS)) {
        all.put(Place.of(BowDecisions.key(s, at)), Reminder.word(word));
      }
      at++;
    }
    Said name = Said.of("words.set", Said.words(String.join(" ", words)), note(s, fromNote).bar());
    return changed(name, s, s.passage().marks().with(ReminderLayer.REMINDER, all));
  }

  public static <V> Change toggle(Session s, NoteLayer<V> layer, int note, V value) {
    SoundingNote n = note(s, note);
    boolean there = s.at(layer, note).filter(value::equals).isPresent();
    Said name = Said.of(there ? "mark.off" : "mark.on", layer.told(value), n.pitch(), n.bar());
    return mark(s, layer, note, there ? Optional.empty() : Optional.of(value), name);
  }

  /** Settings become others; empty when they stay the same. */
  public static Optional<Change> settings(
      Session s, Said name, UnaryOperator<Passage.Settings> edit) {
    Passage now = s.passage().withSettings(edit.apply(s.passage().settings()));
    Change change = changed(name, s, now.marks());
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /** The page becomes another one, as the player wrote or mended it; marks go with their notes. */
  public static Moved page(Session s, Said name, Score newPage) {
    Reattachment marks = carried(s, newPage);
    return new Moved(
        Change.ofPage(name, s.page(), newPage, s.passage().marks(), marks.marks()), marks);
  }

  private static Reattachment carried(Session s, Score newPage) {
    int octaves = s.passage().settings().reading().octaves();
    return Reattachment.of(
        s.passage().marks(), s.page().movedByOctaves(octaves), newPage.movedByOctaves(octaves));
  }

  /**
   * The passage's file comes in again; marks go with their notes.
   *
   * @param source the file as it is kept now
   * @param read what it holds
   */
  public static Moved bringIn(Session s, SourceLayer.Source source, Score read) {
    Said name = Said.of("source.again", source.name());
    boolean mended = s.passage().marks().at(HeadingLayer.HEADING, Place.WHOLE).isPresent();
    Reattachment marks = carried(s, read);
    if (mended) {
      return new Moved(
          Change.ofPage(name, s.page(), read, s.passage().marks(), marks.marks()), marks);
    }
    Marks after =
        timed(s, marks.marks(), read).with(SourceLayer.SOURCE, Place.WHOLE, Optional.of(source));
    return new Moved(Change.of(name, s.passage().marks(), after), marks);
  }

  /** With the tempos of a page that comes in; those that the player set stay. */
  private static Marks timed(Session s, Marks marks, Score page) {
    Passage passage = s.passage().withMarks(marks);
    Passage.Settings settings = passage.settings();
    Score read = settings.reading().of(page);
    if (read.bars().isEmpty()) {
      return marks;
    }
    boolean mine = s.tempos().get(0).source() == TempoMark.Source.MINE;
    return passage.withSettings(TempoEdits.printed(settings, read, page, mine)).marks();
  }

  /** Whether another file, or the file in place of a mended page, counts after a step. */
  public static boolean changesPage(Step step) {
    return step.change().deltas().stream()
        .anyMatch(
            d ->
                d.layer().equals(SourceLayer.SOURCE)
                    || d.layer().equals(HeadingLayer.HEADING) && d.after().isEmpty());
  }
}
