package fret.score;

import fret.base.Form;
import fret.base.Fractions;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * The stored form of written bars, field by field. What is as usual is left out. Reads every form
 * that was ever written.
 */
public final class ScoreForm {
  private static final String NONE = "NONE";

  private ScoreForm() {}

  /** A bar as if it stood at the start, so that its place is not stored. */
  public static Form of(Bar placed) {
    Bar b = placed.atStart();
    Form form =
        Form.version(1)
            .with("number", b.number())
            .with("length", Fractions.text(b.length()))
            .with("time", time(b.time()))
            .with("fifths", b.key().fifths())
            .with("clef", clef(b.clef()));
    form =
        b.clefChanges().isEmpty()
            ? form
            : form.with(
                "clefChanges", b.clefChanges().stream().map(ScoreForm::clefChange).toList());
    form = form.with("events", b.events().stream().map(ScoreForm::event).toList());
    form =
        b.directions().isEmpty()
            ? form
            : form.with("directions", b.directions().stream().map(ScoreForm::direction).toList());
    form = flag(form, "repeatStart", b.repeatStart());
    form = flag(form, "repeatEnd", b.repeatEnd());
    form = b.endings().isEmpty() ? form : form.with("endings", b.endings());
    return b.line() == Bar.Line.PLAIN ? form : form.with("line", b.line().name());
  }

  /**
   * Reads a bar, placed at the start.
   *
   * @throws IllegalArgumentException if it is not understood
   */
  public static Bar bar(Form f) {
    return new Bar(
        0,
        f.text("number"),
        Fractions.parse("0"),
        Fractions.parse(f.text("length")),
        readTime(f.form("time")),
        new KeySignature(f.has("key") ? f.form("key").whole("fifths") : f.whole("fifths", 0)),
        readClef(f.form("clef")),
        f.list("clefChanges", ScoreForm::readClefChange),
        f.list("events", ScoreForm::readEvent),
        f.list("directions", ScoreForm::readDirection),
        f.flag("repeatStart"),
        f.flag("repeatEnd"),
        f.wholes("endings"),
        f.word("line", Bar.Line.class, Bar.Line.PLAIN));
  }

  private static Form flag(Form form, String name, boolean value) {
    return value ? form.with(name, true) : form;
  }

  private static Form time(TimeSignature t) {
    return Form.EMPTY
        .with("groups", t.groups())
        .with("beatType", t.beatType())
        .with("sign", t.sign().name());
  }

  private static TimeSignature readTime(Form f) {
    return new TimeSignature(
        f.wholes("groups"), f.whole("beatType"), f.word("sign", TimeSignature.Sign.class));
  }

  private static Form clef(Clef c) {
    return Form.EMPTY
        .with("sign", c.sign().name())
        .with("line", c.line())
        .with("octaveChange", c.octaveChange());
  }

  private static Clef readClef(Form f) {
    return new Clef(f.word("sign", Clef.Sign.class), f.whole("line"), f.whole("octaveChange", 0));
  }

  private static Form clefChange(Bar.ClefChange c) {
    return Form.EMPTY.with("onset", Fractions.text(c.onset())).with("clef", clef(c.clef()));
  }

  private static Bar.ClefChange readClefChange(Form f) {
    return new Bar.ClefChange(Fractions.parse(f.text("onset")), readClef(f.form("clef")));
  }

  private static Form direction(Direction d) {
    return Form.EMPTY
        .with("onset", Fractions.text(d.onset()))
        .with("kind", d.kind().name())
        .with("text", d.text())
        .with("number", d.number());
  }

  private static Direction readDirection(Form f) {
    return new Direction(
        Fractions.parse(f.text("onset")),
        f.word("kind", Direction.Kind.class),
        f.text("text", ""),
        f.decimal("number", 0));
  }

  private static Form event(Event e) {
    Form form =
        Form.EMPTY
            .with("voice", e.voice())
            .with("onset", Fractions.text(e.onset()))
            .with("duration", Fractions.text(e.duration()))
            .with("value", e.value().denominator());
    form = e.value().dots() == 0 ? form : form.with("dots", e.value().dots());
    form = e.isRest() ? form : form.with("heads", e.heads().stream().map(ScoreForm::head).toList());
    form = e.isGrace() ? form.with("grace", e.grace().name()) : form;
    form = flag(form, "cue", e.cue());
    Form signs = signs(e.signs());
    return signs.fields().isEmpty() ? form : form.with("signs", signs);
  }

  private static Event readEvent(Form f) {
    boolean nested = f.fields().get("value") instanceof Form;
    NoteValue value =
        nested
            ? new NoteValue(f.form("value").whole("denominator"), f.form("value").whole("dots"))
            : new NoteValue(f.whole("value"), f.whole("dots", 0));
    return new Event(
        f.text("voice"),
        Fractions.parse(f.text("onset")),
        Fractions.parse(f.text("duration")),
        value,
        f.list("heads", ScoreForm::readHead),
        f.word("grace", Event.Grace.class, Event.Grace.NONE),
        f.flag("cue"),
        f.findForm("signs").map(ScoreForm::readSigns).orElse(Signs.PLAIN));
  }

  private static Form head(Head h) {
    Form form = Form.EMPTY.with("pitch", h.pitch().toString());
    form = word(form, "accidental", h.accidental().name());
    form = flag(form, "tieStart", h.tieStart());
    form = flag(form, "tieStop", h.tieStop());
    form = word(form, "harmonic", h.harmonic().name());
    form = h.printedFinger().isEmpty() ? form : form.with("printedFinger", h.printedFinger());
    return h.printedString() == 0 ? form : form.with("printedString", h.printedString());
  }

  private static Form word(Form form, String name, String word) {
    return word.equals(NONE) ? form : form.with(name, word);
  }

  private static Head readHead(Form f) {
    return new Head(
        Pitch.parse(f.text("pitch")),
        f.word("accidental", Head.Accidental.class, Head.Accidental.NONE),
        f.flag("tieStart"),
        f.flag("tieStop"),
        f.word("harmonic", Head.Harmonic.class, Head.Harmonic.NONE),
        f.text("printedFinger", ""),
        f.whole("printedString", 0));
  }

  private static Form signs(Signs s) {
    Form form = Form.EMPTY;
    form = s.slurStarts().isEmpty() ? form : form.with("slurStarts", s.slurStarts());
    form = s.slurStops().isEmpty() ? form : form.with("slurStops", s.slurStops());
    form =
        s.articulations().isEmpty()
            ? form
            : form.with("articulations", s.articulations().stream().map(Enum::name).toList());
    form = word(form, "ornament", s.ornament().name());
    form =
        s.ornamentAlter() == Signs.NO_ALTER ? form : form.with("ornamentAlter", s.ornamentAlter());
    form = word(form, "bow", s.bow().name());
    form = flag(form, "fermata", s.fermata());
    form = s.tremolo() == 0 ? form : form.with("tremolo", s.tremolo());
    form = s.tuplet().equals(Signs.Tuplet.NONE) ? form : form.with("tuplet", tuplet(s.tuplet()));
    return s.beams().isEmpty()
        ? form
        : form.with("beams", s.beams().stream().map(Enum::name).toList());
  }

  private static Signs readSigns(Form f) {
    Set<Signs.Articulation> articulations =
        f.texts("articulations").stream()
            .map(Signs.Articulation::valueOf)
            .collect(Collectors.toCollection(TreeSet::new));
    List<Signs.Beam> beams = f.texts("beams").stream().map(Signs.Beam::valueOf).toList();
    return new Signs(
        f.wholes("slurStarts"),
        f.wholes("slurStops"),
        articulations,
        f.word("ornament", Signs.Ornament.class, Signs.Ornament.NONE),
        f.whole("ornamentAlter", Signs.NO_ALTER),
        f.word("bow", Signs.Bow.class, Signs.Bow.NONE),
        f.flag("fermata"),
        f.whole("tremolo", 0),
        f.findForm("tuplet").map(ScoreForm::readTuplet).orElse(Signs.Tuplet.NONE),
        beams);
  }

  private static Form tuplet(Signs.Tuplet t) {
    Form form = Form.EMPTY.with("actual", t.actual()).with("normal", t.normal());
    return flag(flag(form, "starts", t.starts()), "stops", t.stops());
  }

  private static Signs.Tuplet readTuplet(Form f) {
    return new Signs.Tuplet(
        f.whole("actual"), f.whole("normal"), f.flag("starts"), f.flag("stops"));
  }

  /** What stands over the bars: title, composer, part and transposition. */
  public static Form heading(Score s) {
    return Form.version(1)
        .with("title", s.title())
        .with("composer", s.composer())
        .with("partName", s.partName())
        .with(
            "transposition",
            Form.EMPTY
                .with("steps", s.transposition().steps())
                .with("semitones", s.transposition().semitones()));
  }

  /** A page without bars, from what {@link #heading} wrote. */
  public static Score readHeading(Form f) {
    Form by = f.form("transposition");
    return new Score(
        f.text("title"),
        f.text("composer", ""),
        f.text("partName", ""),
        new Interval(by.whole("steps"), by.whole("semitones")),
        List.of());
  }
}
