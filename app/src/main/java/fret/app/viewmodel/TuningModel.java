package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.harmony.Chord;
import fret.harmony.Harmony;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.intonation.TuningSetup;
import fret.mark.Strand;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.session.Ear;
import fret.session.Session;
import fret.session.Strands;
import fret.sound.PassagePlayer;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.apache.commons.numbers.fraction.Fraction;

/** What the ear is helped with: the tuned passage, its harmony from all parts, and their sounds. */
public final class TuningModel {

  private final Studio studio;
  private final LeftHandModel selection;
  private final TuningSounds sounds;
  private final ReadOnlyObjectWrapper<Optional<Tuned>> tuned =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private Optional<ResolvedPassage> of = Optional.empty();
  private boolean looks;

  /**
   * @param player for sounds that end
   * @param drone for one that goes on
   */
  public TuningModel(
      Studio studio, LeftHandModel selection, PassagePlayer player, PassagePlayer drone) {
    this.studio = studio;
    this.selection = selection;
    this.sounds = new TuningSounds(studio, selection, this, player, drone);
    studio.shownProperty().addListener(o -> find());
  }

  /** The passage in its tuning; empty while it is being found. */
  public ReadOnlyObjectProperty<Optional<Tuned>> tunedProperty() {
    return tuned.getReadOnlyProperty();
  }

  /** It is tuned only while it is looked at. */
  public void setLooking(boolean wanted) {
    looks = wanted;
    find();
  }

  private void find() {
    Session now = studio.shown();
    if (now == null || !of.equals(Optional.of(now.resolved()))) {
      // What was found is of other notes than those that are shown.
      of = Optional.empty();
      tuned.set(Optional.empty());
    }
    if (now == null || !looks) {
      return;
    }
    studio.compute(
        "tuned",
        Rank.BESIDE,
        token -> {
          Harmony harmony = Ear.harmony(now, studio.open().otherParts(now.passage()));
          token.check();
          return Ear.tuned(now, harmony);
        },
        () -> looks,
        found -> {
          of = Optional.of(now.resolved());
          tuned.set(Optional.of(found));
        });
  }

  /** What can be heard of it. */
  public TuningSounds sounds() {
    return sounds;
  }

  public TuningSetup setup() {
    return studio.shown() == null ? TuningSetup.USUAL : Ear.setup(studio.shown());
  }

  /** The place of the selected note; empty while it is not known. */
  public Optional<Tuned.Place> selected() {
    int note = studio.selectedProperty().get();
    return tuned
        .get()
        .filter(t -> note >= 0 && note < t.notes().size())
        .flatMap(t -> t.notes().get(note));
  }

  // ---- deciding --------------------------------------------------------------------------------

  public void use(TuningSetup setup) {
    if (studio.shown() != null && !setup.equals(setup())) {
      studio.decide(s -> Ear.tune(s, setup));
    }
  }

  /** The next tuning for the selected notes. */
  public void nextForNotes() {
    selected()
        .ifPresent(
            p -> {
              Temperament[] all = Temperament.values();
              Temperament next = all[(p.temperament().ordinal() + 1) % all.length];
              int from = selection.firstSelected();
              int to = selection.lastSelected();
              studio.decide(s -> Ear.tune(s, from, to, next));
            });
  }

  /** Names the chord at the selected note; an empty text takes the name back. */
  public void chord(String text) {
    Optional<Fraction> onset = selectedChord().map(Harmony.ChordSpan::onset).or(this::barStart);
    if (onset.isEmpty()) {
      return;
    }
    Optional<Chord> chord = Optional.empty();
    if (!text.isBlank()) {
      try {
        chord = Optional.of(Chord.parse(text));
      } catch (IllegalArgumentException e) {
        studio.tell(Sentences.of("tuning.no-chord", text.strip()));
        return;
      }
    }
    Optional<Chord> asked = chord;
    studio.decide(s -> Ear.chord(s, onset.get(), asked));
  }

  /** The chord at the selected note, where one is told within its bar. */
  public Optional<Harmony.ChordSpan> selectedChord() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    if (s == null || note < 0 || note >= s.resolved().notes().size()) {
      return Optional.empty();
    }
    SoundingNote n = s.resolved().notes().get(note);
    Optional<Harmony.ChordSpan> at = tuned.get().flatMap(t -> t.harmony().at(n.onset()));
    return at.filter(c -> c.bar() == n.key().barIndex());
  }

  private Optional<Fraction> barStart() {
    return selectedBar().map(b -> studio.shown().score().bar(b).start());
  }

  /** The bar of the selected note, by its index; empty without one. */
  public Optional<Integer> selectedBar() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    boolean any = s != null && note >= 0 && note < s.resolved().notes().size();
    return any ? Optional.of(s.resolved().notes().get(note).key().barIndex()) : Optional.empty();
  }

  // ---- lines within broken chords --------------------------------------------------------------

  /** The selected notes become part of a line, or of none. */
  public void mark(Optional<Strand> strand) {
    int from = selection.firstSelected();
    int to = selection.lastSelected();
    if (from >= 0) {
      studio.decide(s -> Strands.mark(s, from, to, strand));
    }
  }

  /** Lines as register and string tell them; what the player marked stays. */
  public void proposeLines() {
    Session s = studio.shown();
    if (s != null && Strands.proposed(s).isEmpty()) {
      studio.tell(Sentences.of("strands.no-proposal"));
    } else {
      studio.decide(Strands::propose);
    }
  }

  public void level(Strand strand, double level) {
    studio.decide(s -> Strands.level(s, strand, level));
  }
}
