package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.base.Said;
import fret.drill.Approach;
import fret.drill.DrillKind;
import fret.drill.DrillTempo;
import fret.engraving.FingerText;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.lane.LaneInput;
import fret.plan.Gate;
import fret.plan.Part;
import fret.score.Direction;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Slice;
import fret.session.BounceSwitch;
import fret.session.Decisions;
import fret.session.Session;
import fret.shelf.Planning;
import fret.sound.ClickLine;
import fret.sound.ClickStyle;
import fret.sound.ClickTrack;
import fret.sound.PassagePlayer;
import fret.sound.Performance;
import fret.sound.PlaySet;
import fret.tempo.Ladder;
import fret.tempo.Level;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.apache.commons.numbers.fraction.Fraction;

/** The music stand: what is on it, how its click goes, and what each verdict leads to. */
public final class Stand {
  private static final Set<DrillKind> RHYTHMS =
      EnumSet.of(DrillKind.RHYTHMS, DrillKind.TRIPLET_RHYTHMS);

  private static final String ALONG = "stand.along";
  private static final String BOW_BELOW = "stand.bow";
  private static final double PAUSE_S = 6;
  private static final int LONGEST_LOOP = 60;

  /** Days before a date in which the first play of a day is asked for as on the day. */
  private static final int COLD_DAYS = 21;

  private final Studio studio;
  private final StandClock clock;
  private final ReadOnlyObjectWrapper<OnStand> stand = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Gate> gate = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<ResolvedPassage> notation = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyIntegerWrapper part = new ReadOnlyIntegerWrapper(0);
  private final Deque<Judged> judged = new ArrayDeque<>();

  /** Clicks to a beat that the accompaniment runs in; 0 for none, or for those of the player. */
  private int running;

  /** Which visit of the day is on it; 0 for none of the plan. */
  private int visit;

  private final PagePlace place = new PagePlace();
  private Reading reading = Reading.NONE;
  private final ReadOnlyIntegerWrapper step = new ReadOnlyIntegerWrapper(0);

  /** Whether the verdict before was clean. */
  private boolean wasClean;

  /**
   * @param now the time, for measuring how long was played
   */
  Stand(Studio studio, Supplier<Instant> now) {
    this.studio = studio;
    this.clock = new StandClock(now);
    gate.addListener(
        (o, was, is) -> {
          boolean other = was != null && is != null && !was.level().equals(is.level());
          if (other && notation.get() != null && isTempoPrinted(notation.get().score())) {
            showPart();
          }
        });
  }

  /** What is on the stand; null for nothing. */
  public ReadOnlyObjectProperty<OnStand> onProperty() {
    return stand.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<Gate> gateProperty() {
    return gate.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<ResolvedPassage> notationProperty() {
    return notation.getReadOnlyProperty();
  }

  /** Which part of the drill is played, from 0. */
  public ReadOnlyIntegerProperty partProperty() {
    return part.getReadOnlyProperty();
  }

  /** What is on the stand; null for nothing. */
  OnStand on() {
    return stand.get();
  }

  boolean isEmpty() {
    return stand.get() == null;
  }

  /** The level of the next try; there is something on the stand. */
  Level level() {
    return gate.get().level();
  }

  /** Changed habits count at once. */
  void follow(Gate.Settings habits) {
    gate.set(gate.get().with(habits));
  }

  void place(OnStand what) {
    place(what, 0);
  }

  private void put(OnStand what) {
    wasClean = false;
    judged.clear();
    part.set(0);
    stand.set(what);
    Planning.Habits habits = studio.plans().habits();
    Gate usual = Gate.at(what.ladder(), habits.gate(), what.level());
    gate.set(isInSmallSteps(what) ? usual.inSmallSteps() : usual);
    showPart();
  }

  /** Puts a stage of a visit on it; the time of one that is going on goes on. */
  void place(OnStand what, int ofVisit) {
    place(what, ofVisit, Reading.NONE);
  }

  /** Puts a section on it that is read for the first time, and judged chunk by chunk. */
  void place(OnStand what, int ofVisit, Reading read) {
    if (ofVisit == 0 || ofVisit != visit) {
      clock.turn();
    }
    visit = ofVisit;
    reading = read;
    step.set(0);
    put(what);
  }

  /** What of a first reading is to be judged next; empty where nothing is read. */
  public Optional<String> stepTitle() {
    return isReading() && !gate.get().stopped()
        ? Optional.of(reading.steps().get(step.get()).title())
        : Optional.empty();
  }

  /** Which of the steps of a first reading is next, from 0. */
  public ReadOnlyIntegerProperty stepProperty() {
    return step.getReadOnlyProperty();
  }

  /** How many there are. */
  public int steps() {
    return reading.steps().size();
  }

  boolean isReading() {
    return stand.get() != null && gate.get() != null && !reading.steps().isEmpty();
  }

  /** Whether the verdict before was clean. */
  boolean lastWasClean() {
    return wasClean;
  }

  /** Plays that were judged since it was put on the stand. */
  int judgedPlays() {
    return judged.stream().mapToInt(Judged::plays).sum();
  }

  private boolean isInSmallSteps(OnStand what) {
    Planning p = studio.plans().plannedProperty().get();
    return p != null
        && what.climbs()
        && what.chunkIds().size() == 1
        && p.approach(what.passageId(), what.chunkIds().get(0)) == Approach.SMALL_STEPS;
  }

  private void showPart() {
    notation.set(atLevel(Resolver.resolve(stand.get().drill().parts().get(part.get()))));
  }

  /** Tempos that are printed over the notes are those of the level, not of the page. */
  private ResolvedPassage atLevel(ResolvedPassage written) {
    boolean here = gate.get() != null && stand.get().passageId() == shownId();
    if (!here || !isTempoPrinted(written.score()) || written.slices().isEmpty()) {
      return written;
    }
    double share = gate.get().perMinute() / stand.get().ladder().target();
    Tempo start = tempo(written).at(written.slices().get(0).onset());
    return Resolver.resolve(DrillTempo.at(written.score(), start, share));
  }

  private static boolean isTempoPrinted(Score score) {
    return score.bars().stream()
        .flatMap(b -> b.directions().stream())
        .anyMatch(d -> d.kind() == Direction.Kind.TEMPO);
  }

  private long shownId() {
    return studio.shown() == null ? -1 : studio.shown().passage().id();
  }

  void clear() {
    judged.clear();
    stand.set(null);
    gate.set(null);
    notation.set(null);
  }

  /** What is on the stand as it should sound, at the tempo of the gate, with its dynamics. */
  public void hear(PassagePlayer player) {
    ResolvedPassage drill = notation.get();
    Session session = studio.shown();
    if (player.isPlaying()) {
      player.stop();
      return;
    }
    if (drill == null || session == null || drill.slices().isEmpty() || gate.get() == null) {
      return;
    }
    Performance played = performance();
    ClickLine line = line().orElseThrow();
    studio.run(
        "hear",
        Rank.BESIDE,
        token -> counted(line, played.samples()),
        samples -> {
          player.play(samples, false);
          studio.tell(Sentences.of("practise.heard", player.description()));
        });
  }

  /** As it should sound, at the tempo of the gate. */
  private Performance performance() {
    ResolvedPassage drill = notation.get();
    double a4 = studio.shown().passage().settings().setup().a4Hz();
    return new Performance(drill, LoudnessLine.of(drill.score()), tempo(), a4);
  }

  /** With a bar counted in before it. */
  private static float[] counted(ClickLine line, float[] music) {
    double seconds = line.barSeconds() + music.length / (double) ClickTrack.SAMPLE_RATE;
    return new ClickTrack(line.countIn(), seconds)
        .over(music, List.of(line.barSeconds()))
        .samples();
  }

  /** Whether a set sounds as it should while it is played, to play along. */
  public boolean isAlong() {
    return studio.preferences().is(ALONG, false);
  }

  public void setAlong(boolean wanted) {
    studio.preferences().put(ALONG, String.valueOf(wanted));
  }

  /** Whether the bow is seen under the notes, from frog to tip. */
  public boolean isBowBelow() {
    return studio.preferences().is(BOW_BELOW, false);
  }

  public void setBowBelow(boolean wanted) {
    studio.preferences().put(BOW_BELOW, String.valueOf(wanted));
  }

  /** A set as it is to be started: with its music where the player plays along. */
  public void ready(PlaySet set, Consumer<PlaySet> then) {
    if (!isAlong() || notation.get().slices().isEmpty()) {
      then.accept(set);
      return;
    }
    Performance played = performance();
    studio.run("along", Rank.BESIDE, token -> set.along(played.samples()), then);
  }

  /** A word of the player's own on the try or the set that was judged last. */
  public void note(String text) {
    if (!judged.isEmpty()) {
      judged.peek().note(text.strip());
    }
  }

  /** Another tempo for the next try, whatever the ladder says. */
  public void tempo(double perMinute) {
    if (gate.get() != null) {
      gate.set(gate.get().with(Level.at(Math.max(10, Math.min(400, perMinute)))));
    }
  }

  // ---- playing -------------------------------------------------------------------------------

  public ClickStyle style() {
    ClickStyle own = studio.preferences().click();
    return running > 0 ? own.withBetween(running) : own;
  }

  /** As the player wants it from now on. */
  public void setStyle(ClickStyle other) {
    running = 0;
    studio.setClick(other);
  }

  /** What runs under the passage gives the clicks to a beat, until the player says otherwise. */
  public void accompanied(int values) {
    running = values;
  }

  /** The clicks of a set of plays of what is on the stand, at the gate's level. */
  public Optional<PlaySet> set(int plays) {
    return line().map(l -> PlaySet.of(l, stand.get().climbs() ? plays : 1, PAUSE_S));
  }

  /** The same again and again, without a pause, until it is stopped. */
  public Optional<PlaySet> loop() {
    return line().map(l -> PlaySet.loop(l, LONGEST_LOOP));
  }

  /**
   * The tempo of what is on the stand, on its own onsets: notes as they are written go through the
   * passage's sections, changes and holds; a drill made of them has the one tempo of its place.
   */
  private TempoMap tempo() {
    return tempo(notation.get());
  }

  private TempoMap tempo(ResolvedPassage drill) {
    Tempo level = stand.get().ladder().at(gate.get().level());
    List<Slice> over = over(drill);
    List<Slice> here = drill.slices();
    if (over.isEmpty() || here.isEmpty()) {
      return TempoMap.steady(level);
    }
    return PagePlace.isAsWritten(over, here)
        ? pageTempo(over.get(0)).moved(here.get(0).onset().subtract(over.get(0).onset()))
        : TempoMap.steady(level);
  }

  /** The passage's own tempos, all by the same share, so that a moment is at the gate's level. */
  private TempoMap pageTempo(Slice first) {
    TempoMap page = studio.shown().task().tempo();
    Tempo level = stand.get().ladder().at(gate.get().level());
    return isRound()
        ? page.scaled(gate.get().perMinute() / stand.get().ladder().target())
        : page.scaled(page.at(first.onset()).wholeNoteMs() / level.wholeNoteMs());
  }

  /** Whether it is the whole or a part of it, which begins anywhere. */
  private boolean isRound() {
    return Part.of(stand.get().chunkIds().get(0)).isRound();
  }

  /** The tempo with which what is on the stand begins; its section may have its own. */
  public Optional<Tempo> begins() {
    boolean there =
        stand.get() != null
            && gate.get() != null
            && notation.get() != null
            && studio.shown() != null;
    return there && !notation.get().slices().isEmpty()
        ? Optional.of(tempo().at(notation.get().slices().get(0).onset()))
        : Optional.empty();
  }

  /** Whole notes of a play that have gone by after a time. */
  public double wholesAfter(double seconds) {
    Fraction start = notation.get().score().bars().get(0).start();
    return tempo().wholesAfter(start, seconds * 1000);
  }

  /** What a play of a set goes over; empty where it is not the passage as it is written. */
  public Optional<FollowingDrone.Under> under() {
    OnStand on = stand.get();
    Session s = studio.shown();
    boolean here = on != null && s != null && gate.get() != null;
    if (!here || on.passageId() != s.passage().id() || !on.frames().isEmpty()) {
      return Optional.empty();
    }
    List<Slice> over = over(notation.get());
    boolean asWritten = !over.isEmpty() && PagePlace.isAsWritten(over, notation.get().slices());
    return asWritten
        ? Optional.of(
            new FollowingDrone.Under(
                over.get(0).index(), over.get(over.size() - 1).index(), pageTempo(over.get(0))))
        : Optional.empty();
  }

  /** The moments of the page that what is on the stand is about; none where that is not known. */
  private List<Slice> over(ResolvedPassage drill) {
    OnStand on = stand.get();
    Session s = studio.shown();
    if (on.passageId() != s.passage().id() || !on.frames().isEmpty()) {
      return List.of();
    }
    if (isRound()) {
      return place.ofRound(s.resolved(), drill, Part.of(on.chunkIds().get(0)));
    }
    return on.drill().kind().of() == DrillKind.Of.PASSAGE
        ? s.resolved().slices()
        : studio
            .plans()
            .ofOpen()
            .flatMap(e -> e.learning().chunk(on.chunkIds().get(0)))
            .map(
                c ->
                    s.resolved().slices().stream()
                        .filter(x -> x.onset().compareTo(c.fromOnset()) >= 0)
                        .filter(x -> x.onset().compareTo(c.toOnset()) < 0)
                        .toList())
            .orElse(List.of());
  }

  private Optional<ClickLine> line() {
    if (stand.get() == null || gate.get() == null || studio.shown() == null) {
      return Optional.empty();
    }
    Score score = stand.get().drill().parts().get(part.get());
    Level level = gate.get().level();
    ClickLine made = new ClickLine(score, tempo(), styleAt(level), Clicking.ranges(studio.shown()));
    boolean ends = stand.get().drill().kind() == DrillKind.END_CLICK;
    return Optional.of(ends ? made.withEnds() : made);
  }

  /** On a slow line the level says how often it clicks; elsewhere the player does. */
  private ClickStyle styleAt(Level level) {
    double each = level.clicks() / level.perMinute();
    if (stand.get().ladder().isSlow() && level.clicks() == 0) {
      return ClickStyle.PLAIN.silentFor(1, 0);
    }
    if (stand.get().ladder().isSlow()) {
      return each < 1
          ? ClickStyle.PLAIN.barsOnly(true)
          : style().withBetween((int) Math.min(ClickStyle.MOST_BETWEEN, Math.round(each)));
    }
    ClickStyle own = style();
    boolean halves = each > 1.5 && own.between() == 1;
    return halves ? own.withBetween(2) : own;
  }

  /** Whether what is on it is over because it hurt. */
  boolean isHurt() {
    return !isEmpty() && gate.get() != null && gate.get().hurt();
  }

  /** A play sounds, or is over: its time counts as played. */
  public void plays(boolean is) {
    if (is) {
      clock.begins();
    } else {
      clock.ends();
    }
  }

  /** Whether it is, in the last weeks before its date, when a cold try counts most. */
  public boolean isColdAsked() {
    Planning p = studio.plans().plannedProperty().get();
    return isCold()
        && p != null
        && p.of(stand.get().passageId())
            .filter(e -> !studio.today().isBefore(e.goal().audition().minusDays(COLD_DAYS)))
            .isPresent();
  }

  /** Whether the next play is the first one of its passage today. */
  public boolean isCold() {
    OnStand s = stand.get();
    return s != null
        && s.drill().kind() != DrillKind.WARM_UP
        && studio.journal().stream()
            .noneMatch(
                e ->
                    e.passageId() == s.passageId()
                        && e.date().equals(studio.today())
                        && e.seconds() > 0
                        && e.drill() != DrillKind.WARM_UP);
  }

  // ---- judging -------------------------------------------------------------------------------

  /** Judges one try. */
  public void judge(Verdict verdict, Breakage breakage) {
    judge(verdict, breakage, 1);
  }

  /**
   * Judges the plays of a set alike and writes them to the journal.
   *
   * @param plays 1 or more
   */
  public void judge(Verdict verdict, Breakage breakage, int plays) {
    OnStand s = stand.get();
    if (s == null || gate.get() == null || gate.get().stopped() || plays < 1) {
      return;
    }
    boolean first = isCold();
    StandClock.Spent spent = clock.judged();
    boolean reads = isReading();
    Judged mine = new Judged(studio, gate.get(), reads ? step.get() : part.get(), plays);
    judged.push(mine);
    if (reads) {
      judgeStep(s, verdict, breakage, first, spent, mine);
      return;
    }
    // All plays of a set were at one level, also those after the one that opened the next.
    Level played = gate.get().level();
    List<JournalEntry> tries = new ArrayList<>();
    for (int i = 0; i < plays; i++) {
      boolean cold = first && i == 0 && spent.played() > 0;
      write(s, played, verdict, breakage, share(spent, i, plays), cold, tries);
    }
    advance(s, verdict, plays);
    wasClean = verdict == Verdict.CLEAN;
    if (verdict == Verdict.HURTS) {
      studio.hurting().judged();
    }
    mine.write(tries);
    if (verdict != Verdict.HURTS) {
      askToKeep(s); // Nothing else is asked of somebody who hurts.
    }
  }

  /** One chunk of what was read: it, the spots in it, and the join into it where both went well. */
  private void judgeStep(
      OnStand s,
      Verdict verdict,
      Breakage broke,
      boolean first,
      StandClock.Spent spent,
      Judged mine) {
    Reading.Step now = reading.steps().get(step.get());
    List<String> ids = new ArrayList<>();
    if (step.get() == 0) {
      ids.add(s.chunkIds().get(0)); // The section itself was played, with its time.
    }
    ids.addAll(now.ids());
    now.join()
        .filter(j -> step.get() == 0 || verdict != Verdict.CLEAN || wasClean)
        .ifPresent(ids::add);
    List<JournalEntry> tries = new ArrayList<>();
    for (String id : ids) {
      Ladder ladder = now.ladders().getOrDefault(id, s.ladder());
      OnStand one =
          new OnStand(
              s.passageId(),
              List.of(id),
              s.title(),
              s.drill(),
              ladder,
              ladder.top(),
              s.why(),
              s.frames());
      StandClock.Spent its = tries.isEmpty() ? spent : new StandClock.Spent(0, 0);
      write(one, ladder.top(), verdict, broke, its, first && its.played() > 0, tries);
    }
    wasClean = verdict == Verdict.CLEAN;
    if (verdict == Verdict.HURTS) {
      gate.set(gate.get().after(verdict));
      studio.hurting().judged();
    } else if (step.get() + 1 < reading.steps().size()) {
      step.set(step.get() + 1);
    } else {
      gate.set(gate.get().over());
    }
    mine.write(tries);
  }

  /** What one play of a set has of its time; all of them together have all of it. */
  private static StandClock.Spent share(StandClock.Spent all, int play, int of) {
    return new StandClock.Spent(
        all.played() * (play + 1) / of - all.played() * play / of,
        all.atStand() * (play + 1) / of - all.atStand() * play / of);
  }

  /** What is practised should not change under the hand: asked once for each passage. */
  private void askToKeep(OnStand s) {
    Session now = studio.shown();
    boolean here = now != null && now.passage().id() == s.passageId();
    if (!here || now.isAdopted() || now.resolved().notes().isEmpty()) {
      return;
    }
    String asked = "asked.adopt." + s.passageId();
    if (studio.preferences().get(asked).isPresent()) {
      return;
    }
    studio.preferences().put(asked, studio.today().toString());
    Said title = Said.words(now.passage().settings().title());
    studio
        .asking()
        .ask(
            new Asking.Question(
                asked,
                Said.of("adopt.ask", title),
                List.of(
                    new Asking.Answer(Said.of("adopt.ask.yes"), this::keepFingering),
                    new Asking.Answer(Said.of("adopt.ask.no"), () -> {}))));
  }

  private void keepFingering() {
    if (studio.session() != null && !studio.session().isAdopted()) {
      studio.decide(x -> Decisions.adopt(x, x.fingering()));
    }
  }

  /** What broke in the try or the set that was judged last. */
  public void tell(Breakage broke) {
    if (!judged.isEmpty()) {
      judged.peek().tell(broke);
    }
  }

  private void write(
      OnStand s,
      Level level,
      Verdict verdict,
      Breakage broke,
      StandClock.Spent spent,
      boolean cold,
      List<JournalEntry> into) {
    for (int c = 0; c < s.chunkIds().size(); c++) {
      into.add(
          new JournalEntry(
                  0,
                  s.passageId(),
                  studio.today(),
                  s.chunkIds().get(c),
                  s.drill().kind(),
                  level.perMinute(),
                  Optional.of(s.ladder().counted()),
                  level.clicks(),
                  c == 0 ? spent.played() : 0,
                  verdict,
                  broke,
                  "")
              .atStand(c == 0 ? spent.atStand() : 0, cold));
    }
  }

  /** Straight tries climb the ladder; another drill goes on part by part, each clean once. */
  private void advance(OnStand s, Verdict verdict, int plays) {
    if (s.climbs()) {
      gate.set(gate.get().after(verdict, plays));
      return;
    }
    Gate g = gate.get();
    if (verdict == Verdict.HURTS) {
      gate.set(g.after(verdict));
    } else if (verdict == Verdict.CLEAN) {
      boolean last = part.get() + 1 >= s.drill().parts().size();
      if (last) {
        gate.set(g.over());
      } else {
        part.set(part.get() + 1);
        showPart();
      }
    }
  }

  /** Takes the last verdict back; what it wrote leaves the record. */
  public boolean takeBack() {
    if (judged.isEmpty() || stand.get() == null) {
      return false;
    }
    Judged last = judged.pop();
    last.takeBack();
    studio.hurting().withdrawn();
    if (isReading()) {
      step.set(last.part());
      wasClean = false;
    } else {
      part.set(last.part());
    }
    gate.set(last.before());
    showPart();
    return true;
  }

  // ---- what is told --------------------------------------------------------------------------

  /** Strokes on the stand that cannot bounce yet at its level: on the string until then. */
  public List<BounceSwitch> notYetBouncing() {
    Session session = studio.shown();
    OnStand s = stand.get();
    boolean there = session != null && s != null && gate.get() != null;
    if (!there || s.drill().kind().of() != DrillKind.Of.CHUNK) {
      return List.of();
    }
    List<BounceSwitch> all =
        studio
            .plans()
            .chunk(s.chunkIds().get(0))
            .map(c -> BounceSwitch.of(session, s.ladder(), c.fromOnset(), c.toOnset()))
            .orElse(List.of());
    return all.stream().filter(b -> b.perMinute() > gate.get().perMinute()).toList();
  }

  /** The planned bow under what is on it; empty where that is not the page as it is written. */
  public Optional<LaneInput> bow() {
    return under()
        .map(u -> studio.shown().bowUnder(notation.get(), u.from(), u.to()))
        .filter(i -> !i.bow().orElseThrow().bowing().strokes().isEmpty());
  }

  /** How long joins last in a rhythm at the gate's level, in ms, the shortest first. */
  public List<Long> joinsMs() {
    boolean rhythm =
        stand.get() != null
            && gate.get() != null
            && RHYTHMS.contains(stand.get().drill().kind())
            && studio.shown() != null;
    if (!rhythm) {
      return List.of();
    }
    List<Slice> all = notation.get().slices();
    TempoMap tempo = tempo();
    TreeMap<Long, Integer> count = new TreeMap<>();
    for (int i = 0; i + 1 < all.size(); i++) {
      double ms = tempo.durationMs(all.get(i).onset(), all.get(i + 1).onset());
      count.merge(Math.round(ms), 1, Integer::sum);
    }
    // What comes once is no join of the rhythm.
    return count.entrySet().stream().filter(e -> e.getValue() > 1).map(Map.Entry::getKey).toList();
  }

  /** The fingering printed on the drill: that of the target tempo. */
  public List<FingerText> digits() {
    List<FingerText> texts = new ArrayList<>();
    ResolvedPassage drill = notation.get();
    for (int i = 0; drill != null && i < drill.notes().size(); i++) {
      String digit = drill.notes().get(i).printedFinger();
      if (!digit.isEmpty()) {
        texts.add(new FingerText(i, digit, "", false));
      }
    }
    return texts;
  }
}
