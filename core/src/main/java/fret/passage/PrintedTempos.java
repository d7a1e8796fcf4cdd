package fret.passage;

import fret.passage.TempoMark.Kind;
import fret.passage.TempoMark.Source;
import fret.passage.TempoMark.Spot;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Metronome;
import fret.score.Score;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoWord;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The tempos of a page as sections: metronome marks, tempos that are only to be heard where no mark
 * stands, words, equations of two note values.
 *
 * <p>A gradual change lasts to the next mark, or to a double bar, behind which the tempo before it
 * comes back. Where it leads to a tempo that lies in its direction it ends there, else at a usual
 * figure. Tempos that are only to be heard and change oftener than every second bar are one gradual
 * change if they go one way, else one tempo.
 */
public final class PrintedTempos {
  /** Quarters a minute where nothing is printed (common practice, no source). */
  private static final double USUAL_QUARTERS = 80;

  /** As many tempos so close are a played tempo, not marks. */
  private static final int CLOSE = 3;

  private final Score page;
  private final List<TempoMark> marks = new ArrayList<>();
  private Tempo first;
  private Tempo now;

  /** The tempo of the section, whatever has changed little by little since. */
  private Tempo steady;

  /** The tempo to come back to where nothing has. */
  private Tempo before;

  private boolean changing;
  private boolean isSmoothed;

  private PrintedTempos(Score page) {
    this.page = page;
  }

  /**
   * What a page says.
   *
   * @param marks in order, the first at the first bar's start and a section
   * @param smoothed whether tempos that changed all the time were made one
   */
  public record Found(List<TempoMark> marks, boolean smoothed) {
    public Found {
      marks = List.copyOf(marks);
    }

    /** The tempo at the start of the page. */
    public Tempo first() {
      return own(marks.get(0));
    }

    /** What is said of the tempo at the first bar of what is read. */
    public TempoPlan.Section at(Score read, Score page) {
      return TempoPlan.at(TempoPlan.sections(page, first(), marks), read.bars().get(0).start());
    }

    /**
     * Settings with these tempos: the target is that of the first bar of what is read, all others
     * are marks.
     *
     * @param read of {@code page} what the settings read
     */
    public Passage.Settings in(Passage.Settings settings, Score read, Score page) {
      Fraction start = read.bars().get(0).start();
      Tempo target = TempoPlan.of(page, first(), marks).at(start);
      List<TempoMark> others = new ArrayList<>(marks);
      others.removeIf(
          m ->
              m.kind() == Kind.SECTION
                  && m.spot().in(page).filter(b -> b.start().equals(start)).isPresent()
                  && m.spot().offset().signum() == 0);
      return settings.withTarget(target).withDetails(settings.details().withTempoMarks(others));
    }
  }

  /**
   * The tempos of a page.
   *
   * @throws IllegalArgumentException if it has no bar
   */
  public static Found of(Score page) {
    if (page.bars().isEmpty()) {
      throw new IllegalArgumentException("a page without bars has no tempo");
    }
    return new PrintedTempos(page).find();
  }

  /** What stands at one moment. */
  private record Group(
      Bar bar, Fraction onset, Optional<Metronome> mark, double heard, List<String> words) {
    boolean onlyHeard() {
      return mark.isEmpty() && heard > 0 && words.isEmpty();
    }

    String text() {
      return String.join(" ", words);
    }
  }

  private Found find() {
    List<Group> groups = groups();
    for (int i = 0; i < groups.size(); i++) {
      int run = heardRun(groups, i);
      if (run >= CLOSE) {
        smooth(groups.subList(i, i + run), i + run < groups.size() ? groups.get(i + run) : null);
        i += run - 1;
      } else {
        take(groups.get(i));
      }
    }
    start();
    return new Found(ended(), isSmoothed);
  }

  private List<Group> groups() {
    List<Group> all = new ArrayList<>();
    for (Bar bar : page.bars()) {
      Map<Fraction, List<Direction>> at = new TreeMap<>();
      for (Direction d : bar.directions()) {
        if (d.kind() == Direction.Kind.TEMPO || d.kind() == Direction.Kind.WORDS) {
          at.computeIfAbsent(d.onset(), o -> new ArrayList<>()).add(d);
        }
      }
      at.forEach((onset, here) -> group(bar, onset, here).ifPresent(all::add));
    }
    return all;
  }

  private static Optional<Group> group(Bar bar, Fraction onset, List<Direction> here) {
    Optional<Metronome> mark = Optional.empty();
    double heard = 0;
    List<String> words = new ArrayList<>();
    for (Direction d : here) {
      Optional<Metronome> m =
          d.kind() == Direction.Kind.TEMPO ? Metronome.of(d.text()) : Optional.empty();
      m = m.isPresent() ? m : Metronome.within(d.text());
      mark = m.isPresent() ? m : mark;
      boolean word = d.kind() == Direction.Kind.WORDS || !d.text().contains("=");
      if (d.kind() == Direction.Kind.TEMPO && d.number() > 0 && m.isEmpty()) {
        heard = d.number();
      }
      if (word && TempoWord.of(d.text()).isPresent()) {
        words.add(d.text());
      }
    }
    boolean says = mark.isPresent() || heard > 0 || !words.isEmpty();
    return says ? Optional.of(new Group(bar, onset, mark, heard, words)) : Optional.empty();
  }

  /** How many tempos from here on are only heard and follow each other within two bars. */
  private static int heardRun(List<Group> groups, int from) {
    int n = from;
    while (n < groups.size()
        && groups.get(n).onlyHeard()
        && (n == from || groups.get(n).bar().index() - groups.get(n - 1).bar().index() < 2)) {
      n++;
    }
    return n - from;
  }

  private void smooth(List<Group> run, Group next) {
    Group head = run.get(0);
    Beat beat = beat(head.bar());
    boolean rises = true;
    boolean falls = true;
    for (int i = 1; i < run.size(); i++) {
      rises &= run.get(i).heard() > run.get(i - 1).heard();
      falls &= run.get(i).heard() < run.get(i - 1).heard();
    }
    Fraction end = next == null ? page.end() : next.onset();
    double last = run.get(run.size() - 1).heard();
    boolean within = run.get(run.size() - 1).bar().index() - head.bar().index() <= 8;
    if ((rises || falls) && now != null && within) {
      gradual(head, new Tempo(Beat.QUARTER, last).in(beat), Source.FILE, "");
      if (run.get(run.size() - 1).onset().compareTo(head.onset()) > 0) {
        section(run.get(run.size() - 1), new Tempo(Beat.QUARTER, last).in(beat), 0, Source.FILE);
      }
      return;
    }
    double minutes = 0;
    for (int i = 0; i < run.size(); i++) {
      Fraction to = i + 1 < run.size() ? run.get(i + 1).onset() : end;
      minutes += 4 * to.subtract(run.get(i).onset()).doubleValue() / run.get(i).heard();
    }
    double length = 4 * end.subtract(head.onset()).doubleValue();
    double quarters = minutes > 0 && length > 0 ? length / minutes : head.heard();
    isSmoothed = true;
    section(head, tidy(new Tempo(Beat.QUARTER, quarters).in(beat)), 0, Source.PROPOSED);
  }

  private void take(Group g) {
    Optional<TempoWord> word =
        g.words().stream().flatMap(w -> TempoWord.of(w).stream()).findFirst();
    if (g.mark().isPresent() && g.mark().get().tempo().isPresent()) {
      section(g, g.mark().get().tempo().get(), g.mark().get().high(), Source.FILE);
      return;
    }
    start();
    if (g.mark().isPresent() && g.mark().get().as().isPresent()) {
      // The value before the sign is that of the music before it (common practice, no source).
      Metronome m = g.mark().get();
      double rate = now.perMinuteOf(m.counted());
      section(g, new Tempo(m.as().get(), rate), 0, Source.FILE);
      return;
    }
    boolean gradual = word.filter(w -> w.kind() == TempoWord.Kind.GRADUAL).isPresent();
    if (g.heard() > 0 && !gradual) {
      section(g, new Tempo(Beat.QUARTER, g.heard()).in(beat(g.bar())), 0, Source.FILE);
      return;
    }
    word.ifPresent(w -> word(g, w));
  }

  private void word(Group g, TempoWord w) {
    switch (w.kind()) {
      case GRADUAL -> {
        Beat beat = now.beat();
        double heard = g.heard() > 0 ? new Tempo(Beat.QUARTER, g.heard()).perMinuteOf(beat) : 0;
        boolean that = heard > 0 && (heard < now.perMinute()) == (w.factor() < 1);
        Tempo end = that ? new Tempo(beat, heard) : tidy(now.at(now.perMinute() * w.factor()));
        gradual(g, end, that ? Source.FILE : Source.PROPOSED, g.text());
      }
      case BACK -> section(g, changing ? steady : before, 0, Source.FILE);
      case FIRST -> section(g, first, 0, Source.FILE);
      case SAME_BEAT -> section(g, new Tempo(beat(g.bar()), now.perMinute()), 0, Source.FILE);
      case DOUBLED -> section(g, now.at(now.perMinute() * 2), 0, Source.FILE);
      case RELATIVE -> {
        Tempo was = before;
        section(g, tidy(steady.at(steady.perMinute() * w.factor())), 0, Source.PROPOSED);
        before = was;
      }
      case HEAD -> {
        boolean head = g.onset().equals(g.bar().start()) && isHead(g.text());
        if (head) {
          Beat beat = beat(g.bar());
          section(g, new Tempo(beat, w.perMinuteOf(beat)), 0, Source.PROPOSED);
        }
      }
    }
  }

  /** The name of a tempo is written large; a word such as "vivo" in small says how to play. */
  private static boolean isHead(String text) {
    return !text.isEmpty() && Character.isUpperCase(text.strip().charAt(0));
  }

  private void section(Group g, Tempo tempo, double upper, Source source) {
    if (first == null && g.onset().compareTo(page.bars().get(0).start()) > 0) {
      boolean atOnce = onlyAPickUpBefore(g.onset());
      if (!atOnce) {
        start();
      }
    }
    Fraction head = page.bars().get(0).start();
    boolean opens = first == null || g.onset().compareTo(head) <= 0;
    Tempo sound = sound(tempo);
    put(
        new TempoMark(
            opens
                ? Spot.of(page.bars().get(0), page.bars().get(0).start())
                : Spot.of(g.bar(), g.onset()),
            Kind.SECTION,
            Optional.of(sound.beat()),
            sound.perMinute(),
            upper,
            source,
            g.text()));
    first = opens ? sound : first;
    now = sound;
    steady = sound;
    before = sound;
    changing = false;
  }

  private boolean onlyAPickUpBefore(Fraction onset) {
    return page.bars().stream()
        .takeWhile(b -> b.start().compareTo(onset) < 0)
        .filter(b -> b.start().signum() >= 0)
        .flatMap(b -> b.events().stream())
        .noneMatch(e -> !e.heads().isEmpty() && e.onset().compareTo(onset) < 0);
  }

  private void gradual(Group g, Tempo end, Source source, String words) {
    Tempo sound = sound(end);
    put(
        new TempoMark(
            Spot.of(g.bar(), g.onset()),
            Kind.GRADUAL,
            Optional.of(sound.beat()),
            sound.perMinute(),
            0,
            source,
            words));
    now = sound;
    changing = true;
  }

  /** Of two marks at one moment the later holds, but a change may begin where a section does. */
  private void put(TempoMark mark) {
    marks.removeIf(m -> m.spot().equals(mark.spot()) && m.kind() == mark.kind());
    marks.add(mark);
  }

  /** A tempo for the beginning where none was said before it is needed. */
  private void start() {
    if (first == null) {
      Bar head = page.bars().get(0);
      Beat beat = beat(head);
      first = tidy(new Tempo(Beat.QUARTER, USUAL_QUARTERS).in(beat));
      now = first;
      steady = first;
      before = first;
      marks.add(
          0,
          new TempoMark(
              Spot.of(head, head.start()),
              Kind.SECTION,
              Optional.of(beat),
              first.perMinute(),
              0,
              Source.PROPOSED,
              ""));
    }
  }

  // ---- where gradual changes end
  // -----------------------------------------------------------------

  private List<TempoMark> ended() {
    List<TempoMark> all = new ArrayList<>();
    for (int i = 0; i < marks.size(); i++) {
      TempoMark m = marks.get(i);
      TempoMark next = i + 1 < marks.size() ? marks.get(i + 1) : null;
      if (m.kind() != Kind.GRADUAL) {
        all.add(m);
        continue;
      }
      Optional<Bar> behind = behindDoubleBar(m, next);
      all.add(behind.isEmpty() && next != null ? towards(m, next, all) : m);
      behind.ifPresent(b -> all.add(backAt(b, all)));
    }
    return all;
  }

  /** A change that leads to a tempo in its direction ends there. */
  private static TempoMark towards(TempoMark m, TempoMark next, List<TempoMark> before) {
    Tempo from = own(before.get(before.size() - 1));
    Tempo to = own(next);
    Tempo end = own(m);
    boolean rises = end.perMinuteOf(from.beat()) > from.perMinute();
    boolean reached =
        next.kind() == Kind.SECTION
            && m.source() == Source.PROPOSED
            && (to.perMinuteOf(from.beat()) > from.perMinute()) == rises
            && to.perMinuteOf(from.beat()) != from.perMinute();
    return reached
        ? new TempoMark(
            m.spot(),
            m.kind(),
            Optional.of(from.beat()),
            to.perMinuteOf(from.beat()),
            0,
            m.source(),
            m.words())
        : m;
  }

  private Optional<Bar> behindDoubleBar(TempoMark m, TempoMark next) {
    int last = next == null ? Integer.MAX_VALUE : next.spot().index();
    return page.bars().stream()
        .filter(b -> b.index() >= m.spot().index() && b.line() == Bar.Line.DOUBLE)
        .flatMap(b -> page.after(b).stream())
        .findFirst()
        .filter(b -> b.index() < last);
  }

  private static TempoMark backAt(Bar bar, List<TempoMark> sofar) {
    TempoMark steady = sofar.get(0);
    for (TempoMark m : sofar) {
      steady = m.kind() == Kind.SECTION ? m : steady;
    }
    return new TempoMark(
        Spot.of(bar, bar.start()),
        Kind.SECTION,
        steady.counted(),
        steady.value(),
        steady.upper(),
        Source.PROPOSED,
        "");
  }

  private static Tempo own(TempoMark m) {
    return new Tempo(m.counted().orElseThrow(), m.value());
  }

  // ---- values ----------------------------------------------------------------------------------

  private static Beat beat(Bar bar) {
    return new Beat(bar.time().beatLength());
  }

  private static Tempo tidy(Tempo t) {
    return t.at(Math.max(1, Math.round(t.perMinute())));
  }

  private static Tempo sound(Tempo t) {
    return t.at(Math.max(1, Math.min(1000, t.perMinute())));
  }
}
