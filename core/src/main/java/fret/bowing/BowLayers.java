package fret.bowing;

import fret.base.Form;
import fret.base.Said;
import fret.mark.BowLayer;
import fret.mark.NoteLayer;
import fret.mark.Reminder;
import fret.score.LoudnessLine;
import fret.score.Signs;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * What a player decides of the bow at a note, a kind of mark each. Together with {@link BowLayer}
 * they are a bowing version.
 */
public final class BowLayers {
  /** What the bowing that the player adopted holds; every other mark stands over it. */
  public static final NoteLayer<Adopted> ADOPTED =
      new Kind<>(
          "bow-adopted", BowLayers::adopted, BowLayers::readAdopted, v -> Said.of("mark.adopted"));

  /** What happens between a note and the one before it. */
  public static final NoteLayer<BowRules.Joint> JOINT =
      new Kind<>(
          "joint",
          j -> Form.version(1).with("joint", j.name()),
          f -> f.word("joint", BowRules.Joint.class),
          j -> Said.of("mark.joint." + j.name()));

  /** The kind of the stroke that begins there. */
  public static final NoteLayer<StrokeKind> STROKE =
      new Kind<>(
          "stroke",
          k -> Form.version(1).with("stroke", k.name()),
          f -> f.word("stroke", StrokeKind.class),
          k -> Said.of("stroke." + k.id()));

  /** Share of its written length that a note sounds. */
  public static final NoteLayer<Double> SOUNDS =
      number("sounds", v -> Said.of("mark.sounds", Math.round(100 * v)));

  /** Where the stroke begins, 0 the frog to 1 the tip. */
  public static final NoteLayer<Double> PLACE =
      number("bow-place", v -> Said.of("mark.bow-place", Math.round(100 * v)));

  /** Where a stroke stays among others of a stretch: the middle of its way, 0 to 1. */
  public static final NoteLayer<Double> SPOT =
      number("bow-spot", v -> Said.of("mark.bow-spot", Math.round(100 * v)));

  /** Factor of a note's bow: saved or spent. */
  public static final NoteLayer<Double> AMOUNT =
      number("bow-amount", v -> Said.of(v < 1 ? "mark.bow-saved" : "mark.bow-spent"));

  /** The player's own loudness from a note on, a level of {@link LoudnessLine}. */
  public static final NoteLayer<Double> LEVEL =
      number("loudness", v -> Said.of("mark.loudness", LoudnessLine.word(v)));

  /** Tops and ends of phrases. */
  public static final NoteLayer<PhraseMark> PHRASE =
      new Kind<>(
          "phrase",
          p -> Form.version(1).with("mark", p.name()),
          f -> f.word("mark", PhraseMark.class),
          p -> Said.of("mark.phrase." + p),
          p -> Reminder.of(p == PhraseMark.TOP ? Reminder.Kind.TOP : Reminder.Kind.END));

  /** The player's own hairpins, a note of them each. */
  public static final NoteLayer<Swell> SWELL = word("swell", Swell.class);

  /** Where the bow is between bridge and fingerboard. */
  public static final NoteLayer<ContactWish> CONTACT = word("contact", ContactWish.class);

  /** How the hair lies. */
  public static final NoteLayer<HairWish> HAIR = word("hair", HairWish.class);

  /** Who moves the bow. */
  public static final NoteLayer<StrokeKind.Mover> MOVER = word("mover", StrokeKind.Mover.class);

  /** What the sound is made of. */
  public static final NoteLayer<SoundWish> SOUND = word("sound-of", SoundWish.class);

  /** Everything that a version of a bowing is made of. */
  public static final List<NoteLayer<?>> ALL =
      List.of(
          BowLayer.BOW,
          ADOPTED,
          JOINT,
          STROKE,
          SOUNDS,
          PLACE,
          SPOT,
          AMOUNT,
          LEVEL,
          PHRASE,
          SWELL,
          CONTACT,
          HAIR,
          MOVER,
          SOUND);

  private BowLayers() {}

  private static Form adopted(Adopted a) {
    return Form.version(1)
        .with("bow", a.bow().name())
        .with("joint", a.joint().map(BowRules.Joint::name).orElse(""));
  }

  private static Adopted readAdopted(Form f) {
    boolean joined = !f.text("joint").isEmpty();
    return new Adopted(
        f.word("bow", Signs.Bow.class),
        joined ? Optional.of(f.word("joint", BowRules.Joint.class)) : Optional.empty());
  }

  private static NoteLayer<Double> number(String id, Function<Double, Said> told) {
    return new Kind<>(id, v -> Form.version(1).with("value", v), f -> f.decimal("value"), told);
  }

  private static <E extends Enum<E>> NoteLayer<E> word(String id, Class<E> words) {
    return new Kind<>(
        id,
        v -> Form.version(1).with("wish", v.name()),
        f -> f.word("wish", words),
        v -> Said.of("mark." + id + "." + v));
  }

  private record Kind<V>(
      String id,
      Function<V, Form> writer,
      Function<Form, V> reader,
      Function<V, Said> teller,
      Function<V, Reminder> pencil)
      implements NoteLayer<V> {
    Kind(String id, Function<V, Form> writer, Function<Form, V> reader, Function<V, Said> teller) {
      this(id, writer, reader, teller, v -> null);
    }

    @Override
    public Optional<Reminder> pencilled(V value) {
      return Optional.ofNullable(pencil.apply(value));
    }

    @Override
    public Concern concern() {
      return Concern.BOW;
    }

    @Override
    public Form write(V value) {
      return writer.apply(value);
    }

    @Override
    public V read(Form form) {
      return reader.apply(form);
    }

    @Override
    public Said told(V value) {
      return teller.apply(value);
    }
  }
}
