package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.app.work.Computing.Rank;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.drill.Remedy;
import fret.journal.Breakage;
import fret.journal.Cure;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.session.Covered;
import fret.session.NoteRange;
import fret.session.Runs;
import fret.session.Session;
import fret.shelf.Asked;
import fret.shelf.Planning;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import java.util.function.Supplier;

/**
 * What the player puts on the stand without the plan: any notes, a chunk, a frame of the picture, a
 * drill of the book, the cure of what broke. What was on the stand waits behind it.
 */
public final class OwnPractice {
  private final Studio studio;
  private final Stand stand;
  private final Supplier<List<Item>> today;
  private final LongConsumer expected;
  private final Consumer<OnStand> onto;

  /**
   * @param today the items of today's plan: what a chunk is due at
   * @param expected told the passage as soon as it is chosen, before its drill is made
   * @param onto puts the drill on the stand, before what is there
   */
  OwnPractice(
      Studio studio,
      Stand stand,
      Supplier<List<Item>> today,
      LongConsumer expected,
      Consumer<OnStand> onto) {
    this.studio = studio;
    this.stand = stand;
    this.today = today;
    this.expected = expected;
    this.onto = onto;
  }

  /**
   * Puts a drill on the stand that the player chose; what is due stays behind it.
   *
   * @param slice moment that it is about
   */
  public void putOnStand(int slice, String title, Score drill) {
    Drill one = new Drill(DrillKind.SHIFT, List.of(drill));
    studio
        .plans()
        .ofOpen()
        .ifPresent(
            e -> {
              Ladder ladder = e.ladderAt(studio.shown().resolved().slices().get(slice).onset());
              put("shift-" + slice, title, one, ladder, ladder.levels().get(0));
            });
  }

  /** The drill of an ornament, part by part. */
  public void putOnStand(int note, String title, List<Score> parts) {
    Drill all = new Drill(DrillKind.ORNAMENTS, parts);
    studio
        .plans()
        .ofOpen()
        .ifPresent(
            e -> {
              Ladder ladder = e.ladderAt(studio.shown().resolved().notes().get(note).onset());
              put("ornament-" + note, title, all, ladder, ladder.top());
            });
  }

  private void put(String id, String title, Drill drill, Ladder ladder, Level level) {
    onto.accept(
        new OnStand(
            studio.shown().passage().id(),
            List.of(id),
            title,
            drill,
            ladder,
            level,
            Sentences.of("practise.put-on"),
            List.of()));
  }

  /** Any notes with any drill; they count for the planned chunks that they cover. */
  public void practise(int fromNote, int toNote, DrillKind kind) {
    practise(fromNote, toNote, Remedy.of(kind));
  }

  /** Any notes with any drill, down to the one of the bow. */
  public void practise(int fromNote, int toNote, Remedy remedy) {
    Session s = studio.shown();
    Planning.Entry e = studio.plans().ofOpen().orElse(null);
    if (s == null || e == null || s.resolved().notes().isEmpty()) {
      return;
    }
    int from = s.resolved().notes().get(Math.min(fromNote, toNote)).slice();
    int to = s.resolved().notes().get(Math.max(fromNote, toNote)).slice();
    Chunk free = Covered.stretch(s.resolved(), from, to);
    List<String> ids =
        new ArrayList<>(
            Covered.by(s.resolved(), e.chunks(), from, to).stream().map(Chunk::id).toList());
    if (ids.isEmpty()) {
      ids.add(free.id());
    }
    expected.accept(s.passage().id());
    Ladder ladder = e.ladderAt(free.from().onset());
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(s, free, remedy),
        drill ->
            onto.accept(
                new OnStand(
                    s.passage().id(),
                    ids,
                    Words.chunk(free),
                    drill,
                    ladder,
                    due(e, ids, ladder),
                    Sentences.of("practise.put-on"),
                    List.of())));
  }

  /**
   * Any notes are run through at any tempo.
   *
   * @param repeats whether what is repeated is played as often as the signs ask
   * @param perMinute in the value that is counted where they begin
   */
  public void run(NoteRange notes, boolean repeats, double perMinute) {
    Session s = studio.shown();
    Planning.Entry e = studio.plans().ofOpen().orElse(null);
    if (s == null || e == null) {
      return;
    }
    List<SoundingNote> all = s.resolved().notes();
    boolean whole =
        all.get(notes.from()).slice() == 0
            && all.get(notes.to()).slice() + 1 == s.resolved().slices().size();
    String id = whole ? PracticePlan.WHOLE : Runs.id(s.resolved(), notes);
    String title =
        whole
            ? Sentences.of("practise.the-whole")
            : Sentences.of(
                "practise.run.bars", all.get(notes.from()).bar(), all.get(notes.to()).bar());
    expected.accept(s.passage().id());
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Runs.of(s, notes, repeats),
        drill ->
            onto.accept(
                new OnStand(
                    s.passage().id(),
                    List.of(id),
                    title,
                    drill,
                    whole ? e.ladder() : e.ladderAt(all.get(notes.from()).onset()),
                    Level.at(perMinute),
                    Sentences.of("practise.put-on"),
                    List.of())));
  }

  /** A chunk of the player's choice. */
  public void practise(Chunk chunk, DrillKind kind) {
    Session s = studio.shown();
    Planning.Entry e = entry(chunk.id()).orElse(null);
    if (s == null || e == null) {
      return;
    }
    expected.accept(s.passage().id());
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(s, Optional.of(chunk), kind),
        drill -> onto.accept(free(e, chunk.id(), Words.chunk(chunk), drill, List.of())));
  }

  /** A frame of the picture, played from paper; where its notes are written, those. */
  public void practise(Frame frame) {
    studio.plans().ensure();
    Planning.Entry e = entry(frame.id()).orElse(null);
    if (e == null || studio.shown() == null) {
      return;
    }
    Optional<Chunk> written = e.learning().chunk(frame.id());
    if (written.isPresent()) {
      practise(written.get(), DrillKind.STRAIGHT);
      return;
    }
    Drill drill = new Drill(DrillKind.STRAIGHT, List.of(frame.silent()));
    onto.accept(free(e, frame.id(), Words.frame(frame), drill, List.of(frame)));
  }

  private OnStand free(Planning.Entry e, String id, String title, Drill drill, List<Frame> frames) {
    return new OnStand(
        e.passageId(),
        List.of(id),
        title,
        drill,
        e.ladder(id),
        due(e, List.of(id), e.ladder(id)),
        Sentences.of("practise.put-on"),
        frames);
  }

  /** What a chunk of the open passage belongs to. */
  private Optional<Planning.Entry> entry(String unit) {
    Planning p = studio.plans().plannedProperty().get();
    Session s = studio.shown();
    return p == null || s == null
        ? Optional.empty()
        : p.all(s.passage().id()).stream()
            .filter(x -> x.has(unit))
            .findFirst()
            .or(studio.plans()::ofOpen);
  }

  /** The level that the first covered chunk is due at; the lowest where none is planned. */
  private Level due(Planning.Entry e, List<String> ids, Ladder ladder) {
    return today.get().stream()
        .filter(i -> i.passageId() == e.learning().passageId() && ids.contains(i.unit()))
        .map(Item::level)
        .findFirst()
        .orElse(ladder.levels().get(0));
  }

  /** The drill against what broke goes on the stand; what was there waits. */
  public void cure(Breakage broke) {
    OnStand s = stand.on();
    Session session = studio.shown();
    Optional<Planning.Entry> e = studio.plans().ofOpen();
    Optional<DrillKind> kind = Cure.of(broke);
    if (s == null || session == null || e.isEmpty() || kind.isEmpty()) {
      return;
    }
    Optional<Chunk> chunk = e.get().learning().chunk(s.chunkIds().get(0));
    Level level = stand.level();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(session, chunk, kind.get()),
        drill ->
            onto.accept(
                s.at(level)
                    .with(drill, Sentences.of("practise.cure", Sentences.of("broke." + broke)))));
  }

  /** Another drill of what is on the stand; what was there waits. */
  public void drill(DrillKind kind) {
    OnStand s = stand.on();
    Session session = studio.shown();
    Optional<Planning.Entry> e = s == null ? Optional.empty() : entry(s.chunkIds().get(0));
    if (session == null || e.isEmpty() || !s.frames().isEmpty()) {
      return;
    }
    Optional<Chunk> chunk =
        kind.of() == DrillKind.Of.PASSAGE
            ? Optional.empty()
            : e.get().learning().chunk(s.chunkIds().get(0));
    Level level = stand.level();
    studio.run(
        "stand",
        Rank.BESIDE,
        token -> Asked.drill(session, chunk, kind),
        drill -> {
          if (drill.kind() != kind) {
            String name = Sentences.of("drill." + kind.id());
            studio.tell(Sentences.of("practise.no-drill", name, s.title()));
          } else {
            String why = Sentences.of("practise.put-on");
            onto.accept(kind.isRun() ? run(s, drill, why) : s.at(level).with(drill, why));
          }
        });
  }

  /** The whole passage, at its target. */
  private static OnStand run(OnStand before, Drill drill, String why) {
    return new OnStand(
        before.passageId(),
        List.of(PracticePlan.WHOLE),
        Sentences.of("practise.the-whole"),
        drill,
        before.ladder(),
        before.ladder().top(),
        why,
        List.of());
  }

  /** What is on the stand once more, judged by one thing alone; what was there waits. */
  public void focus(DrillKind kind) {
    OnStand s = stand.on();
    Session session = studio.shown();
    if (s == null || session == null || !s.frames().isEmpty()) {
      return;
    }
    Drill same = new Drill(kind, s.drill().parts());
    onto.accept(s.at(stand.level()).with(same, Sentences.of("practise.focus.why")));
  }
}
