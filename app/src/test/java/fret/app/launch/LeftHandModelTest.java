package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.LeftHandModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.drill.ShiftDrill;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.FingerLayer;
import fret.mark.GuideLayer;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.plan.PracticePlan;
import fret.player.BodyCue;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.Preset;
import fret.score.Reduction;
import fret.search.Token;
import fret.search.WeightRange;
import fret.session.Chords;
import fret.shelf.Planning;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The left hand's view-model over the demo library, without a window. */
class LeftHandModelTest extends OnDemoLibrary {
  private LeftHandModel model;

  @BeforeEach
  void openFirst() throws Exception {
    model = new LeftHandModel(studio);
    does(() -> model.setComparing(true));
    openDemo(0);
  }

  private Fingering standing() {
    return studio.shown().fingering();
  }

  private NoteFinger at(int note) {
    return standing().notes().get(note).orElseThrow();
  }

  @Test
  void fingeringsStandSideBySideAndDiffer() throws Exception {
    until(() -> model.optionsProperty().get().isPresent());
    List<LeftHandModel.Option> all = model.optionsProperty().get().orElseThrow();
    assertThat(all).hasSize(4);
    assertThat(all.get(0).fingering()).isEqualTo(standing());
    assertThat(all.subList(1, 4)).allMatch(o -> o.unlike() >= 8);
    does(() -> model.tryOut(all.get(1).fingering()));
    assertThat(model.shown()).isEqualTo(all.get(1).fingering());
    assertThat(studio.shown().isAdopted()).as("only tried").isFalse();
    does(model::stopTrying);
    assertThat(model.shown()).isEqualTo(standing());
  }

  @Test
  void aTriedFingeringIsKeptByNameAdoptedAndTakenBack() throws Exception {
    until(() -> model.optionsProperty().get().isPresent());
    Fingering other = model.optionsProperty().get().orElseThrow().get(2).fingering();
    does(() -> model.tryOut(other));
    does(() -> model.keep("for the hall"));
    assertThat(studio.shown().kept("for the hall", Token.NEVER).notesUnlike(other)).isZero();
    does(() -> model.tryOut(other));
    does(model::adopt);
    assertThat(standing().notesUnlike(other)).isZero();
    does(() -> model.usePreset(Preset.SINGING));
    assertThat(standing().notesUnlike(other)).as("no weight changes what is adopted").isZero();
    does(model::release);
    assertThat(studio.shown().isAdopted()).isFalse();
    does(() -> model.forget("for the hall"));
    assertThat(studio.shown().passage().marks().versions(FingerLayer.ADOPTED)).isEmpty();
    does(studio::undo);
    assertThat(studio.shown().passage().marks().versions(FingerLayer.ADOPTED))
        .contains("for the hall");
  }

  @Test
  void onlyTheSelectedNotesAreComparedWhenSomeAreSelected() throws Exception {
    does(() -> studio.select(8));
    does(() -> model.extend(7));
    assertThat(model.firstSelected()).isEqualTo(8);
    assertThat(model.lastSelected()).isEqualTo(15);
    until(() -> model.optionsProperty().get().isPresent());
    for (LeftHandModel.Option o : model.optionsProperty().get().orElseThrow()) {
      for (int i = 0; i < standing().notes().size(); i++) {
        if (i < 8 || i > 15) {
          assertThat(o.fingering().notes().get(i))
              .as("note " + i)
              .isEqualTo(standing().notes().get(i));
        }
      }
    }
    does(() -> studio.select(3));
    assertThat(model.hasRange()).isFalse();
  }

  @Test
  void whatIsAskedOfAStretchHoldsThroughEveryRun() throws Exception {
    does(() -> studio.select(4));
    does(() -> model.extend(3));
    int string = at(7).string();
    does(() -> model.wish(Wish.Kind.ON_STRING));
    for (int i = 4; i <= 7; i++) {
      assertThat(at(i).string()).isEqualTo(string);
    }
    does(() -> model.usePreset(Preset.QUICK));
    for (int i = 4; i <= 7; i++) {
      assertThat(at(i).string()).isEqualTo(string);
    }
    Wish wish = Wish.all(studio.shown().passage().marks()).get(0);
    assertThat(studio.shown().resolved().indexOf(wish.from())).contains(4);
    assertThat(studio.shown().resolved().indexOf(wish.to())).contains(7);
    does(() -> model.withdraw(wish));
    assertThat(Wish.all(studio.shown().passage().marks())).isEmpty();
  }

  /** The last chord of the page, whole, then its top note: everything follows, and comes back. */
  @Test
  void aChordIsReducedByOneKeyAtAPrice() throws Exception {
    int notes = studio.shown().resolved().notes().size();
    does(() -> studio.select(notes - 1));
    until(() -> !model.chords().versionsProperty().get().isEmpty());
    List<Chords.Version> ways = model.chords().versionsProperty().get();
    assertThat(ways)
        .extracting(Chords.Version::kept)
        .containsExactly(
            Optional.empty(), Optional.of(Reduction.TOP), Optional.of(Reduction.BOTTOM));
    double before = standing().effort();
    does(() -> model.chords().next());
    assertThat(model.chords().kept()).contains(Reduction.TOP);
    assertThat(studio.shown().resolved().notes()).hasSize(notes - 1);
    assertThat(standing().effort() - before).isEqualTo(ways.get(1).extraEffort());
    assertThat(studio.selectedPlace()).as("what is left of it stays selected").isPresent();
    does(studio::undo);
    assertThat(studio.shown().resolved().notes()).hasSize(notes);
    does(() -> studio.select(0));
    does(() -> model.chords().next());
    assertThat(studio.shown().resolved().notes()).as("no chord").hasSize(notes);
    does(() -> studio.decisions().nextGuide());
    assertThat(studio.shown().passage().marks().any(GuideLayer.GUIDE)).isFalse();
  }

  /** Heard, hidden, as it comes; before a jury nothing is heard, and it comes back. */
  @Test
  void aSlideIsHeardOrHiddenByOneKey() throws Exception {
    openDemo(1);
    int note = studio.shown().fingering().shifts().get(0).toNote();
    does(() -> studio.select(note));
    does(() -> studio.decisions().nextSlide());
    assertThat(studio.session().at(SlideLayer.SLIDE, note)).contains(SlideWish.HEARD);
    assertThat(studio.shown().fingering().shifts()).anyMatch(Shift::heard);
    does(() -> studio.decisions().hideSlides());
    assertThat(studio.shown().fingering().shifts()).noneMatch(Shift::heard);
    does(() -> studio.decisions().hideSlides());
    assertThat(studio.shown().fingering().shifts()).anyMatch(Shift::heard);
    does(() -> studio.decisions().nextSlide());
    assertThat(studio.session().at(SlideLayer.SLIDE, note)).contains(SlideWish.HIDDEN);
    does(() -> studio.decisions().nextSlide());
    assertThat(studio.session().at(SlideLayer.SLIDE, note)).isEmpty();
  }

  @Test
  void aChoiceIsPinnedAndVibratoIsMarked() throws Exception {
    does(() -> studio.select(5));
    until(() -> model.choicesProperty().get().size() > 1);
    LeftHandModel.Choice second =
        model.choicesProperty().get().stream()
            .filter(c -> !c.place().samePlace(at(5)) && !c.place().isOpen())
            .findFirst()
            .orElseThrow();
    assertThat(second.extraEffort()).isGreaterThanOrEqualTo(-1e-9);
    does(() -> model.take(second));
    assertThat(at(5).samePlace(second.place())).isTrue();
    does(() -> studio.decisions().toggle(VibratoLayer.VIBRATO, VibratoWish.USUAL));
    assertThat(studio.shown().passage().marks().of(VibratoLayer.VIBRATO)).hasSize(1);
    does(() -> studio.decisions().toggle(VibratoLayer.VIBRATO, VibratoWish.USUAL));
    assertThat(studio.shown().passage().marks().of(VibratoLayer.VIBRATO)).isEmpty();
  }

  @Test
  void anotherFingerTakesALongNoteOverUntilItIsLetGo() throws Exception {
    openDemo(1);
    int note = 0;
    while (at(note).isOpen()
        || studio.shown().resolved().notes().get(note).duration().doubleValue() < 0.3) {
      note++;
    }
    int longNote = note;
    does(() -> studio.select(longNote));
    until(
        () ->
            model.choicesProperty().get().stream().anyMatch(c -> c.place().replaced().isPresent()));
    String plain = at(longNote).fingers();
    does(model::exchange);
    assertThat(at(longNote).replaced()).isPresent();
    String first = at(longNote).fingers();
    assertThat(studio.shown().passage().marks().of(FingerLayer.PINNED).values())
        .anyMatch(m -> m.replacedBy().isPresent());
    assertThat(standing().shifts()).anyMatch(s -> s.isOnHeldNote() && s.toNote() == longNote);
    until(() -> model.choicesProperty().get().size() > 1);
    does(model::exchange);
    assertThat(at(longNote).fingers()).as("the next way").isNotEqualTo(first);
    for (int i = 0; i < 8 && at(longNote).replaced().isPresent(); i++) {
      until(() -> model.choicesProperty().get().size() > 1);
      does(model::exchange);
    }
    assertThat(at(longNote).replaced()).as("after the last way none").isEmpty();
    does(studio::undo);
    assertThat(at(longNote).replaced()).isPresent();
    while (studio.shown().passage().marks().of(FingerLayer.PINNED).values().stream()
        .anyMatch(m -> m.replacedBy().isPresent())) {
      does(studio::undo);
    }
    assertThat(at(longNote).fingers()).isEqualTo(plain);
  }

  @Test
  void aFingerOrAStringIsForbiddenOnOneNote() throws Exception {
    does(() -> studio.select(5));
    NoteFinger was = at(5);
    does(() -> model.wish(Wish.Kind.NOT_FINGER));
    assertThat(at(5).finger()).isNotEqualTo(was.finger());
    Wish ban = Wish.all(studio.shown().passage().marks()).get(0);
    assertThat(Words.wish(studio.shown().task().hand().instrument(), ban))
        .isEqualTo("no finger " + was.finger().digit());
    does(() -> model.withdraw(ban));
    assertThat(at(5)).isEqualTo(was);
    does(() -> model.wish(Wish.Kind.NOT_STRING));
    assertThat(at(5).string()).isNotEqualTo(was.string());
    does(() -> model.usePreset(Preset.SINGING));
    assertThat(at(5).string()).as("the ban holds").isNotEqualTo(was.string());
  }

  @Test
  void everyWeightCanBeMovedAndTellsHowFarItMay() throws Exception {
    does(() -> model.weigh(EffortKind.FOURTH, 4));
    assertThat(studio.shown().task().preset().weight(EffortKind.FOURTH)).isEqualTo(4);
    assertThat(standing().notes()).noneMatch(n -> n.isPresent() && n.get().digit().equals("4"));
    does(model::findRanges);
    until(() -> !model.rangesProperty().get().isEmpty());
    WeightRange range = model.rangesProperty().get().get(EffortKind.FOURTH);
    assertThat(range.least()).isLessThanOrEqualTo(4);
    assertThat(range.most()).isGreaterThanOrEqualTo(4);
    does(() -> model.changeHand(Said.of("set.hand-size"), h -> Hand.MEDIUM.withSpanMm(70)));
    assertThat(library.passages().get(0).settings().setup().hand().spanMm()).isEqualTo(70);
    assertThat(library.passages().get(0).settings().setup().weights())
        .containsEntry(EffortKind.FOURTH, 4.0);
  }

  @Test
  void habitsInShiftingAndWordsForTheArmAreRemembered() throws Exception {
    assertThat(model.habits().manner()).isEqualTo(ShiftDrill.Manner.USUAL);
    ShiftDrill.Manner mine = new ShiftDrill.Manner(false, true, 3);
    does(() -> model.habits().setManner(mine));
    assertThat(new LeftHandModel(studio).habits().manner()).isEqualTo(mine);
    String usual = Sentences.of(BodyCue.NECK_UP.usual(InstrumentType.VIOLIN));
    assertThat(model.habits().cue(BodyCue.NECK_UP)).isEqualTo(usual);
    does(() -> model.habits().setCue(BodyCue.NECK_UP, "  Elbow first. "));
    assertThat(model.habits().cue(BodyCue.NECK_UP)).isEqualTo("Elbow first.");
    does(() -> model.habits().setCue(BodyCue.NECK_UP, ""));
    assertThat(model.habits().cue(BodyCue.NECK_UP)).isEqualTo(usual);
  }

  @Test
  void shiftsAreToldInPlayersWords() {
    Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
    var shift = standing().shifts().get(0);
    NoteFinger reached = at(shift.toNote());
    assertThat(Words.shiftPath(studio.shown(), shift))
        .contains(" with " + shift.fromFinger().digit())
        .contains(" to " + reached.sounding());
    assertThat(Words.time(shift, 80)).contains(Math.round(shift.timeMs()) + " ms");
    assertThat(Words.guide(shift.newFinger(), false)).startsWith("New finger: slide");
    assertThat(Words.guide(Optional.empty(), true)).isEqualTo("Old finger: would overshoot");
    assertThat(Words.place(violin, reached)).contains("position", "mm from the nut");
    assertThat(Words.count(1, "shift")).isEqualTo("1 shift");
    assertThat(Words.count(3, "shift")).isEqualTo("3 shifts");
  }

  @Test
  void theShelfKnowsWhatIsDueToday() throws Exception {
    does(studio.plans()::ensure);
    until(
        () ->
            studio.plans().plannedProperty().get() != null
                && studio.plans().plannedProperty().get().entries().size() == 7);
    Planning planned = studio.plans().plannedProperty().get();
    PracticePlan.Day today = planned.plan().on(studio.today()).orElseThrow();
    assertThat(today.minutes()).isPositive().isLessThanOrEqualTo(today.budget());
    assertThat(today.items()).extracting(PracticePlan.Item::passageId).doesNotContain(99L);
    assertThat(planned.held()).isZero();
  }
}
