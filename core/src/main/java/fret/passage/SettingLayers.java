package fret.passage;

import fret.base.Form;
import fret.base.Fractions;
import fret.base.Leanings;
import fret.bowing.ArmPath;
import fret.bowing.BowEffort;
import fret.bowing.BowHabit;
import fret.bowing.BowHabits;
import fret.bowing.BowLeaning;
import fret.bowing.BowRules;
import fret.bowing.BowSetup;
import fret.bowing.PhraseShape;
import fret.bowing.ShortPlaces;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.mark.Layer.Concern;
import fret.mark.Marks;
import fret.mark.Place;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandHabit;
import fret.player.HandSize;
import fret.player.School;
import fret.score.Divided;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The settings of a passage, each a layer of its own, and their stored forms. */
public final class SettingLayers {
  public static final SettingLayer<String> TITLE =
      new SettingLayer<>(
          "title",
          Concern.NOTHING,
          t -> Form.version(1).with("title", t),
          f -> f.text("title"),
          Passage.Settings::title,
          Passage.Settings::withTitle);

  public static final SettingLayer<Tempo> TARGET =
      new SettingLayer<>(
          "target",
          Concern.PAGE,
          SettingLayers::tempo,
          SettingLayers::readTempo,
          Passage.Settings::target,
          Passage.Settings::withTarget);

  public static final SettingLayer<Setup> SETUP =
      new SettingLayer<>(
          "setup",
          Concern.PAGE,
          SettingLayers::setup,
          SettingLayers::readSetup,
          Passage.Settings::setup,
          Passage.Settings::withSetup);

  public static final SettingLayer<Reading> READING =
      new SettingLayer<>(
          "reading",
          Concern.PAGE,
          SettingLayers::reading,
          SettingLayers::readReading,
          Passage.Settings::reading,
          Passage.Settings::withReading);

  public static final SettingLayer<Boolean> FULL_DIGITS =
      new SettingLayer<>(
          "full-digits",
          Concern.NOTHING,
          b -> Form.version(1).with("on", b),
          f -> f.flag("on"),
          Passage.Settings::fullDigits,
          Passage.Settings::withFullDigits);

  public static final SettingLayer<Details> DETAILS =
      new SettingLayer<>(
          "details",
          Concern.PAGE,
          DetailsForm::of,
          DetailsForm::read,
          Passage.Settings::details,
          Passage.Settings::withDetails);

  public static final SettingLayer<BowSetup> BOW =
      new SettingLayer<>(
          "bow",
          Concern.BOW,
          SettingLayers::bow,
          SettingLayers::readBow,
          Passage.Settings::bow,
          Passage.Settings::withBow);

  /** All of them, in order. */
  public static final List<SettingLayer<?>> ALL =
      List.of(TITLE, TARGET, SETUP, READING, FULL_DIGITS, DETAILS, BOW);

  private SettingLayers() {}

  /** Marks that say these settings. */
  static Marks put(Marks marks, Passage.Settings settings) {
    Marks all = marks;
    for (SettingLayer<?> layer : ALL) {
      all = put(all, layer, settings);
    }
    return all;
  }

  private static <V> Marks put(Marks marks, SettingLayer<V> layer, Passage.Settings settings) {
    V value = layer.of(settings);
    return marks.at(layer, Place.WHOLE).equals(Optional.of(value))
        ? marks
        : marks.with(layer, Place.WHOLE, Optional.of(value));
  }

  /** The settings that marks say; what is missing is as usual. */
  static Passage.Settings of(Marks marks) {
    Passage.Settings settings = Passage.Settings.USUAL;
    for (SettingLayer<?> layer : ALL) {
      settings = set(settings, layer, marks);
    }
    return settings;
  }

  private static <V> Passage.Settings set(
      Passage.Settings settings, SettingLayer<V> layer, Marks marks) {
    return marks.at(layer, Place.WHOLE).map(v -> layer.in(settings, v)).orElse(settings);
  }

  private static Form tempo(Tempo t) {
    return Form.version(1)
        .with("beat", Fractions.text(t.beat().length()))
        .with("perMinute", t.perMinute());
  }

  private static Tempo readTempo(Form f) {
    return new Tempo(new Beat(Fractions.parse(f.text("beat"))), f.decimal("perMinute"));
  }

  private static Form setup(Setup s) {
    Tuning tuning = s.tuning();
    Hand hand = s.hand();
    Form weights = Form.EMPTY;
    for (Map.Entry<EffortKind, Double> w : new TreeMap<>(s.weights()).entrySet()) {
      weights = weights.with(w.getKey().id(), w.getValue());
    }
    return Form.version(1)
        .with("instrument", s.instrument().name())
        .with(
            "tuning",
            Form.EMPTY
                .with("name", tuning.name())
                .with("strings", tuning.text())
                .with("extension", tuning.extension())
                .with("partFollows", tuning.partFollows()))
        .with("stringLengthMm", s.stringLengthMm())
        .with("a4Hz", s.a4Hz())
        .with("preset", s.presetId())
        .with("weights", weights)
        .with("school", s.school().name())
        .with("hand", hand.size().name())
        .with("spanMm", hand.spanMm())
        .with("fourthCaution", hand.fourthCaution())
        .with("thumbFrom", hand.thumbFrom())
        .with("creeps", hand.creeps())
        .with("across", hand.across())
        .with("habits", leanings(s.habits()));
  }

  private static Setup readSetup(Form f) {
    InstrumentType type = f.word("instrument", InstrumentType.class);
    Form weights = f.findForm("weights").orElse(Form.EMPTY);
    Map<EffortKind, Double> own = new EnumMap<>(EffortKind.class);
    for (EffortKind kind : EffortKind.values()) {
      if (weights.has(kind.id())) {
        own.put(kind, weights.decimal(kind.id()));
      }
    }
    return new Setup(
        type,
        f.findForm("tuning").map(SettingLayers::readTuning).orElseGet(() -> Tuning.usual(type)),
        f.decimal("stringLengthMm", 0),
        f.decimal("a4Hz", 440),
        f.text("preset"),
        own,
        f.word("school", School.class),
        new Hand(
            f.word("hand", HandSize.class),
            f.decimal("spanMm", 0),
            f.flag("fourthCaution"),
            f.whole("thumbFrom", 0),
            f.has("creeps") && f.flag("creeps"),
            f.has("across") && f.flag("across")),
        readLeanings(f, "habits", HandHabit.class));
  }

  private static Tuning readTuning(Form f) {
    return new Tuning(
        f.text("name"),
        Tuning.parse(f.text("strings"), false).strings(),
        f.whole("extension", 0),
        f.flag("partFollows"));
  }

  private static Form leanings(Leanings<?> leanings) {
    Form form = Form.EMPTY;
    for (Map.Entry<? extends Enum<?>, Integer> l : leanings.steps().entrySet()) {
      form = form.with(l.getKey().name(), l.getValue());
    }
    return form;
  }

  /** What is not known leans nowhere. */
  private static <H extends Enum<H>> Leanings<H> readLeanings(Form f, String name, Class<H> of) {
    Form form = f.findForm(name).orElse(Form.EMPTY);
    Leanings<H> all = Leanings.none();
    for (H habit : of.getEnumConstants()) {
      all = all.with(habit, form.whole(habit.name(), 0));
    }
    return all;
  }

  private static Form bow(BowSetup b) {
    Form weights = Form.EMPTY;
    for (Map.Entry<BowEffort, Double> w : b.weights().entrySet()) {
      weights = weights.with(w.getKey().id(), w.getValue());
    }
    return Form.version(1)
        .with("slurs", b.slurs().name())
        .with("hairCm", b.hairCm())
        .with("preset", b.presetId())
        .with("weights", weights)
        .with("meaning", b.meaning())
        .with("arm", b.arm().name())
        .with("habits", b.habits().ways().values().stream().map(Enum::name).sorted().toList())
        .with("strings", b.habits().strings())
        .with("places", places(b.habits().places()))
        .with("shape", b.shape().name())
        .with("leanings", leanings(b.leanings()));
  }

  private static BowSetup readBow(Form f) {
    Form weights = f.findForm("weights").orElse(Form.EMPTY);
    Map<BowEffort, Double> own = new EnumMap<>(BowEffort.class);
    for (BowEffort kind : BowEffort.values()) {
      if (weights.has(kind.id())) {
        own.put(kind, weights.decimal(kind.id()));
      }
    }
    return new BowSetup(
        f.word("slurs", BowRules.Slurs.class),
        f.decimal("hairCm", 0),
        f.text("preset"),
        own,
        f.decimal("meaning", 1),
        f.word("arm", ArmPath.Manner.class),
        readHabits(f),
        f.word("shape", PhraseShape.class, PhraseShape.PRINTED),
        readLeanings(f, "leanings", BowLeaning.class));
  }

  /** Nothing where they are the usual ones. */
  private static List<Double> places(ShortPlaces p) {
    return p.equals(ShortPlaces.USUAL) ? List.of() : List.of(p.soft(), p.loud(), p.quick());
  }

  private static double share(Object number) {
    return ((Number) number).doubleValue();
  }

  private static BowHabits readHabits(Form f) {
    BowHabits habits = BowHabits.USUAL;
    List<String> named = f.has("habits") ? f.texts("habits") : List.of();
    for (BowHabit habit : BowHabit.values()) {
      for (BowHabit.Way way : habit.ways()) {
        habits = named.contains(way.name()) ? habits.with(habit, way) : habits;
      }
    }
    List<?> shares = f.has("strings") ? f.list("strings") : List.of();
    for (int i = 0; i < shares.size(); i++) {
      habits = habits.withString(i + 1, ((Number) shares.get(i)).doubleValue());
    }
    List<?> places = f.has("places") ? f.list("places") : List.of();
    return places.size() < 3
        ? habits
        : habits.withPlaces(
            new ShortPlaces(share(places.get(0)), share(places.get(1)), share(places.get(2))));
  }

  private static Form reading(Reading r) {
    return Form.version(1)
        .with("soundsOctaveLow", r.soundsOctaveLow())
        .with("divided", r.divided().name())
        .with("fromBar", r.fromBar())
        .with("toBar", r.toBar())
        .with("octaves", r.octaves());
  }

  private static Reading readReading(Form f) {
    return new Reading(
        f.flag("soundsOctaveLow"),
        f.word("divided", Divided.class, Divided.UNDECIDED),
        f.text("fromBar", ""),
        f.text("toBar", ""),
        f.whole("octaves", 0));
  }

  /**
   * Marks that say the settings of a library's first forms, in which all of them stood in one.
   *
   * @throws IllegalArgumentException if they are not understood
   */
  public static Marks readFirst(Form all, Form details) {
    Passage.Settings settings =
        new Passage.Settings(
            all.text("title", ""),
            new Tempo(new Beat(Fractions.parse(all.text("beat"))), all.decimal("perMinute")),
            readSetup(all),
            readReading(all),
            all.flag("fullDigits"),
            DetailsForm.read(details),
            BowSetup.USUAL);
    return put(Marks.NONE, settings);
  }
}
