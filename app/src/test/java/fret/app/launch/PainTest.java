package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.care.Ache;
import fret.care.BodyPart;
import fret.care.HowMuch;
import fret.care.Told;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.format.part.PartFiles;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Reading;
import fret.plan.Budget;
import fret.plan.Goal;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.Score;
import fret.search.Token;
import fret.session.Learning;
import fret.session.NewPassage;
import fret.session.Session;
import fret.shelf.Audition;
import fret.shelf.Planning;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Something hurts in a part of fifty-eight bars, of which there is a copy, beside another part. */
class PainTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);
  private static final int MINUTES = 60;
  private static List<Learning> shelf;

  @BeforeAll
  static void read() throws Exception {
    shelf =
        List.of(
            learning("/the-weir.musicxml", 1),
            learning("/the-weir.musicxml", 2),
            learning("/violin.musicxml", 3));
  }

  private static Learning learning(String part, long id) throws Exception {
    try (InputStream in = PainTest.class.getResourceAsStream(part)) {
      Score score = new PartFiles().read(part, in.readAllBytes(), "").value();
      Session s = Session.of(NewPassage.of(part, "", score, Reading.PLAIN).withId(id), score);
      return Learning.of(s, Planning.Habits.USUAL.ladder(), 0);
    }
  }

  private static Planning plan(List<JournalEntry> journal, Told told, LocalDate today) {
    Map<Goal.Id, Audition> dates = new java.util.HashMap<>();
    for (Learning l : shelf) {
      l.sections().forEach(x -> dates.put(x.id(), new Audition(1, "", TODAY.plusDays(12), TODAY)));
    }
    return Planning.of(
        shelf,
        dates,
        Budget.of(MINUTES),
        journal,
        List.of(),
        today,
        Planning.Habits.USUAL.with(told),
        Token.NEVER);
  }

  private static JournalEntry hurt(long passage, String chunk) {
    return new JournalEntry(
        5, passage, TODAY, chunk, DrillKind.STRAIGHT, 60, 60, 30, Verdict.HURTS, Breakage.NONE, "");
  }

  private static Told told(BodyPart part) {
    return Told.NOTHING.with(5, new Ache(part, HowMuch.CLEARLY));
  }

  private static List<Item> runs(Planning p, long passage) {
    return p.plan().days().stream()
        .flatMap(d -> d.items().stream())
        .filter(i -> i.kind() == Kind.RUN_THROUGH || i.kind() == Kind.MOCK)
        .filter(i -> i.passageId() == passage)
        .toList();
  }

  /** Before, the copy had all its items and a mock audition of the held bars came the same day. */
  @Test
  void itStopsTheDayAndTheSameMusicWaitsInTheCopyToo() {
    Planning free = plan(List.of(), Told.NOTHING, TODAY);
    assertThat(free.plan().days().get(0).items()).isNotEmpty();
    assertThat(runs(free, 2)).isNotEmpty();
    for (BodyPart part : BodyPart.values()) {
      for (Chunk chunk : every(shelf.get(0).chunks(), 9)) {
        Planning p = plan(List.of(hurt(1, chunk.id())), told(part), TODAY);
        assertThat(p.plan().days().get(0).items()).as("%s at %s", part, chunk.id()).isEmpty();
        assertThat(p.of(1).orElseThrow().held()).contains(chunk.id());
        assertThat(p.of(2).orElseThrow().held())
            .as("the copy waits for %s as the passage does", part)
            .isEqualTo(p.of(1).orElseThrow().held());
        waits(p);
      }
    }
  }

  private static List<Chunk> every(List<Chunk> all, int step) {
    List<Chunk> some = new ArrayList<>();
    for (int i = 0; i < all.size(); i += step) {
      some.add(all.get(i));
    }
    return some;
  }

  /** What waits is on no day before its own, nor is a run-through of its bars. */
  private static void waits(Planning p) {
    for (Planning.Entry e : p.entries().values()) {
      for (Day d : p.plan().days()) {
        Set<String> waiting = new TreeSet<>();
        e.goal().units().stream()
            .filter(u -> u.waitsOn(d.date()))
            .forEach(u -> waiting.addAll(u.ids()));
        for (Item i : d.items()) {
          if (i.passageId() == e.passageId()) {
            assertThat(waiting).doesNotContain(i.unit());
            boolean run = i.kind() == Kind.RUN_THROUGH || i.kind() == Kind.MOCK;
            assertThat(run && !waiting.isEmpty()).as("run-through on %s", d.date()).isFalse();
          }
        }
      }
    }
  }

  @Test
  void lightWorkIsAThirdAndLoadsNothingThatHurts() {
    Planning rest = plan(List.of(hurt(1, "bars-1-1")), told(BodyPart.FOURTH_FINGER), TODAY);
    assertThat(rest.plan().days().get(0).minutes()).isZero();
    Told light = told(BodyPart.FOURTH_FINGER).light(TODAY);
    Planning p = plan(List.of(hurt(1, "bars-1-1")), light, TODAY);
    Day today = p.plan().days().get(0);
    assertThat(today.minutes()).isPositive().isLessThanOrEqualTo(MINUTES / 3.0);
    for (Item i : today.items()) {
      if (!i.unit().isEmpty() && i.kind() != Kind.BREAK) {
        Learning l = shelf.get((int) i.passageId() - 1);
        assertThat(l.strains().get(i.unit()).on(BodyPart.FOURTH_FINGER)).isZero();
      }
    }
  }

  /** The hand and the bow do not load the same bars: each waits for its own. */
  @Test
  void whatWaitsIsWhatLoadsIt() {
    Planning hand = plan(List.of(hurt(3, "none")), told(BodyPart.FOURTH_FINGER), TODAY);
    Planning bow = plan(List.of(hurt(3, "none")), told(BodyPart.BOW_ARM), TODAY);
    Set<String> ofHand = hand.of(1).orElseThrow().held();
    Set<String> ofBow = bow.of(1).orElseThrow().held();
    assertThat(ofHand).isNotEmpty().isNotEqualTo(ofBow);
    assertThat(ofBow).isNotEmpty();
    assertThat(shelf.get(0).chunks().size()).isGreaterThan(ofHand.size());
  }

  @Test
  void itComesBackByStepsAndIsWholeAtTheEnd() {
    List<JournalEntry> journal = List.of(hurt(1, "bars-1-1"));
    Told said = told(BodyPart.LEFT_HAND);
    List<Double> minutes = new ArrayList<>();
    for (int day = 1; day <= 5; day++) {
      said = said.answered(TODAY.plusDays(day), true);
      Planning p = plan(journal, said, TODAY.plusDays(day));
      minutes.add(p.plan().days().get(0).budget());
      waits(p);
    }
    // The last of the days is one of the two before an audition or not: whole all the same.
    assertThat(minutes).containsExactly(20.0, 20.0, 40.0, 40.0, 60.0);
  }
}
