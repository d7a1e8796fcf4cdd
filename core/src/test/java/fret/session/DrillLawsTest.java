package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.BowDrillKind;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Laws of drills over generated parts with several metres, tempos and rests. */
class DrillLawsTest {
  /** Kinds that are the page itself: they end where the chunk ends. */
  private static final Set<DrillKind> AS_WRITTEN =
      EnumSet.of(
          DrillKind.STRAIGHT,
          DrillKind.FIRST_READING,
          DrillKind.SILENT,
          DrillKind.SYLLABLES,
          DrillKind.NO_VIBRATO,
          DrillKind.STEADY_NOTES,
          DrillKind.ACCENTS,
          DrillKind.ACCENTS_DISPLACED,
          DrillKind.BACKWARDS,
          DrillKind.ADD_A_NOTE,
          DrillKind.ADD_FROM_END,
          DrillKind.CHAIN_BACK,
          DrillKind.BURSTS,
          DrillKind.FOCUS_TUNE,
          DrillKind.FOCUS_SHIFT,
          DrillKind.FOCUS_BOW,
          DrillKind.FOCUS_RELEASE);

  /** Exercises of the key: they are of no bar. */
  private static final Set<DrillKind> SCALES =
      EnumSet.of(
          DrillKind.DYNAMICS_SCALE,
          DrillKind.SCALE_ON_DRONE,
          DrillKind.INTERVALS,
          DrillKind.TENTHS);

  @ParameterizedTest
  @ValueSource(ints = {3, 14, 15, 92, 65, 35})
  void barsAreFullAndNothingOverlaps(int seed) {
    Score page = SectionsOfPartTest.part(new Random(seed), 18);
    Session s = SectionsOfPartTest.session(page);
    DrillBook book = new DrillBook(s);
    for (Chunk c : Learning.chunks(s)) {
      for (DrillKind kind : DrillKind.values()) {
        Optional<Drill> drill =
            kind.of() == DrillKind.Of.CHUNK ? book.of(c, kind) : Optional.empty();
        drill.ifPresent(
            d -> d.parts().forEach(p -> full(p, kind, c.id() + " " + kind + " seed " + seed)));
      }
    }
  }

  /** Each kind keeps what it declares: places in the bar, the order of notes, their pitches. */
  @ParameterizedTest
  @ValueSource(ints = {5, 50, 500})
  void kindsKeepWhatTheySay(int seed) {
    Score page = SectionsOfPartTest.part(new Random(seed), 18);
    Session s = SectionsOfPartTest.session(page);
    DrillBook book = new DrillBook(s);
    for (Chunk c : Learning.chunks(s)) {
      List<String> places = new ArrayList<>();
      List<String> pitches = new ArrayList<>();
      for (Bar b : page.bars()) {
        for (Event e : b.events()) {
          boolean in =
              e.onset().compareTo(c.fromOnset()) >= 0 && e.onset().compareTo(c.toOnset()) < 0;
          if (in && !e.isRest()) {
            places.add(b.number() + " " + e.onset().subtract(b.end()) + " " + pitch(e));
            pitches.add(pitch(e));
          }
        }
      }
      for (DrillKind kind : DrillKind.values()) {
        Optional<Drill> drill = kind.keeps().isEmpty() ? Optional.empty() : book.of(c, kind);
        for (Score part : drill.map(Drill::parts).orElse(List.of())) {
          kept(kind, part, page, places, pitches, kind + " of " + c.id() + ", seed " + seed);
        }
      }
    }
  }

  private static String pitch(Event e) {
    return e.heads().stream().map(h -> h.pitch().toString()).collect(Collectors.joining("+"));
  }

  private static void kept(
      DrillKind kind,
      Score part,
      Score page,
      List<String> places,
      List<String> pitches,
      String where) {
    int at = 0;
    for (Bar b : part.bars()) {
      for (Event e : b.events()) {
        boolean tied = !e.isRest() && e.heads().stream().allMatch(h -> h.tieStop());
        if (e.isRest() || tied) {
          continue;
        }
        if (kind.keeps().contains(DrillKind.Keeps.PITCHES)) {
          assertThat(pitches).as(where).contains(pitch(e));
        }
        if (kind.keeps().contains(DrillKind.Keeps.ONSETS)) {
          Bar whole = page.barNumbered(b.number()).orElseThrow();
          Fraction inBar = e.onset().subtract(b.start());
          Fraction lead = b.equals(part.bars().get(0)) ? lead(b, whole) : Fraction.ZERO;
          Fraction fromEnd = inBar.add(lead).subtract(whole.length());
          assertThat(places).as(where).contains(b.number() + " " + fromEnd + " " + pitch(e));
        }
        if (kind.keeps().contains(DrillKind.Keeps.ORDER)) {
          int here = at;
          boolean again = here > 0 && pitches.get(here - 1).equals(pitch(e));
          int next = pitches.subList(here, pitches.size()).indexOf(pitch(e));
          assertThat(again || next >= 0).as(where).isTrue();
          at = again ? here : here + next + 1;
        }
      }
    }
  }

  /** What a cut first bar lacks at its beginning. */
  private static Fraction lead(Bar cut, Bar whole) {
    return cut.start().compareTo(whole.start()) > 0
        ? cut.start().subtract(whole.start())
        : Fraction.ZERO;
  }

  /** The bars of a drill have the numbers of the bars that its notes are from. */
  @ParameterizedTest
  @ValueSource(ints = {7, 21, 28})
  void barsKeepTheirNumbers(int seed) {
    Score page = SectionsOfPartTest.part(new Random(seed), 18);
    Session s = SectionsOfPartTest.session(page);
    DrillBook book = new DrillBook(s);
    for (Chunk c : Learning.chunks(s)) {
      Set<String> numbers =
          page.bars().stream()
              .filter(b -> b.end().compareTo(c.fromOnset()) > 0)
              .filter(b -> b.start().compareTo(c.toOnset()) < 0)
              .map(Bar::number)
              .collect(Collectors.toSet());
      for (DrillKind kind : DrillKind.values()) {
        if (kind.of() == DrillKind.Of.PASSAGE || SCALES.contains(kind)) {
          continue;
        }
        book.of(c, kind)
            .ifPresent(d -> assertThat(numbers(d)).as("%s %s", kind, c.id()).isSubsetOf(numbers));
      }
      for (BowDrillKind kind : BowDrillKind.values()) {
        BowSpots.made(s, c, kind)
            .map(score -> new Drill(DrillKind.BOW, List.of(score)))
            .ifPresent(d -> assertThat(numbers(d)).as("%s %s", kind, c.id()).isSubsetOf(numbers));
      }
    }
  }

  private static List<String> numbers(Drill drill) {
    return drill.whole().bars().stream().map(Bar::number).distinct().toList();
  }

  private static void full(Score part, DrillKind kind, String where) {
    for (Bar b : part.bars()) {
      boolean first = b.equals(part.bars().get(0));
      boolean last = b.equals(part.bars().get(part.bars().size() - 1));
      if (!first && !(last && AS_WRITTEN.contains(kind))) {
        assertThat(b.length()).as("a full bar of %s", where).isEqualTo(b.time().barLength());
      }
      Fraction at = b.start();
      for (Event e : b.events()) {
        if (e.isGrace()) {
          continue;
        }
        assertThat(e.onset()).as("no gap in bar %s of %s", b.number(), where).isEqualTo(at);
        at = at.add(e.duration());
        assertThat(e.value().dots()).as("dots in %s", where).isLessThan(2);
      }
      assertThat(at).as("the end of bar %s of %s", b.number(), where).isEqualTo(b.end());
    }
  }

  /** What is slow is practised with the bow of the target, from the first note on. */
  @ParameterizedTest
  @ValueSource(ints = {11, 12})
  void aChunkBeginsWithThePlannedBow(int seed) {
    Session s = SectionsOfPartTest.session(SectionsOfPartTest.part(new Random(seed), 18));
    DrillBook book = new DrillBook(s);
    for (Chunk c : Learning.chunks(s)) {
      Event first =
          book.of(c, DrillKind.STRAIGHT).orElseThrow().parts().get(0).events().stream()
              .filter(e -> !e.isRest())
              .findFirst()
              .orElseThrow();
      int slice = s.resolved().notes().get(s.resolved().indexOf(c.from()).orElseThrow()).slice();
      boolean down = s.bowing().strokeAt(slice).orElseThrow().down();
      assertThat(first.signs().bow()).as(c.id()).isEqualTo(down ? Signs.Bow.DOWN : Signs.Bow.UP);
    }
  }

  /** What is built up keeps its slurs, and ends them where it ends. */
  @ParameterizedTest
  @ValueSource(strings = {"(B4 C5 D5 E5 F5) G5 (A5 G5 F5) E5"})
  void slursAreNeverHalf(String notes) {
    Session s = Lines.session(notes);
    DrillBook book = new DrillBook(s);
    Chunk c = Learning.chunks(s).get(0);
    for (DrillKind kind :
        List.of(
            DrillKind.ADD_A_NOTE, DrillKind.ADD_FROM_END, DrillKind.DOUBLED, DrillKind.BURSTS)) {
      for (Score part : book.of(c, kind).orElseThrow().parts()) {
        List<Integer> open = new ArrayList<>();
        int slurred = 0;
        for (Event e : part.events()) {
          for (int n : e.signs().slurStops()) {
            assertThat(open.remove((Integer) n)).as("%s", kind).isTrue();
          }
          open.addAll(e.signs().slurStarts());
          slurred += e.signs().slurStarts().size();
        }
        assertThat(open).as("%s", kind).isEmpty();
        boolean fromTheStart = kind == DrillKind.ADD_A_NOTE || kind == DrillKind.DOUBLED;
        assertThat(slurred > 0 || !fromTheStart).as("a slur in each step of %s", kind).isTrue();
      }
    }
  }
}
