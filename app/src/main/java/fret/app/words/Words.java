package fret.app.words;

import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.drill.Remedy;
import fret.fingering.ArrivalCheck;
import fret.fingering.ChordStep;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.fingering.UnderHand;
import fret.fingering.Unkept;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.PositionNames;
import fret.mark.Wish;
import fret.passage.Passage;
import fret.passage.TempoMark;
import fret.plan.Part;
import fret.player.Region;
import fret.score.SoundingNote;
import fret.session.Learning;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Sentences about fingers and shifts, in players' words. */
public final class Words {
  private Words() {}

  /** What was asked of a note and is not played so. */
  public static String unkept(Session s, Unkept u) {
    String what =
        u.wish().isPresent()
            ? wish(s.task().hand().instrument(), u.wish().get())
            : !u.asked().isEmpty() && u.string() > 0
                ? Sentences.of(
                    "unkept.place", u.asked(), s.task().hand().instrument().stringName(u.string()))
                : u.asked().isEmpty()
                    ? Sentences.of(
                        "unkept.string", s.task().hand().instrument().stringName(u.string()))
                    : Sentences.of("unkept.finger", u.asked());
    return Sentences.of("unkept." + u.by(), what);
  }

  /** A number with its noun: "1 shift", "2 shifts". */
  public static String count(int n, String what) {
    return n + " " + what + (n == 1 ? "" : n > 1 && what.endsWith("x") ? "es" : "s");
  }

  /** The name of something that is learned: a chunk, a frame, a run-through. */
  public static String unit(Learning learning, String id) {
    Part part = Part.of(id);
    Optional<String> run =
        learning.sections().stream()
            .filter(x -> x.id().run().equals(part.unit()))
            .map(x -> x.name().isEmpty() ? Sentences.of("practise.the-whole") : x.name())
            .findFirst();
    Optional<String> reading =
        learning.sections().stream()
            .filter(x -> x.id().reading().equals(part.unit()))
            .findFirst()
            .map(x -> Sentences.of("drill." + DrillKind.FIRST_READING.id()));
    String name =
        run.or(() -> reading)
            .or(() -> learning.chunk(part.unit()).map(Words::chunk))
            .or(() -> learning.frame(part.unit()).map(Words::frame))
            .orElse("");
    return part.isWhole() || name.isEmpty()
        ? name
        : Sentences.of("chunk.part", name, part.part(), part.of());
  }

  /** Name of a visit of some units: from the first bar to the last one. */
  public static String visit(Learning learning, List<String> units) {
    List<String> all = units.stream().distinct().toList();
    List<Chunk> chunks =
        all.stream()
            .flatMap(u -> learning.chunk(Part.of(u).unit()).stream())
            .sorted(Comparator.comparing(Chunk::fromOnset))
            .toList();
    if (all.size() == 1 || chunks.size() < all.size()) {
      return unit(learning, all.get(0));
    }
    // A join and a spot lie within the chunks beside them, where those are there.
    List<Chunk> bars = chunks.stream().filter(c -> c.kind() == Chunk.Kind.BARS).toList();
    List<Chunk> named = bars.isEmpty() ? chunks : bars;
    Chunk last = named.stream().max(Comparator.comparing(Chunk::toOnset)).orElse(named.get(0));
    return named.size() == 1 ? chunk(named.get(0)) : bars(named.get(0).fromBar(), last.toBar());
  }

  /** The name of a frame as the player knows it. */
  public static String frame(Frame f) {
    return f.name().isEmpty() ? bars(f.fromBar() + "", f.toBar() + "") : f.name();
  }

  private static String bars(String from, String to) {
    return from.equals(to) ? Sentences.of("chunk.bar", from) : Sentences.of("chunk.bars", from, to);
  }

  /** Name of a drill. */
  public static String drill(Remedy r) {
    return r.bow()
        .map(b -> Sentences.of("bow.drill." + b))
        .orElseGet(() -> Sentences.of("drill." + r.kind().id()));
  }

  /** The name of a chunk as the player knows it. */
  public static String chunk(Chunk c) {
    String bars = c.name().isEmpty() ? bars(c.fromBar(), c.toBar()) : c.name();
    return switch (c.kind()) {
      case BARS -> bars;
      case SPOT -> Sentences.of("chunk.spot", bars);
      case JOIN ->
          c.why().id().equals("chunk.entry")
              ? Sentences.of("chunk.entering", c.fromBar())
              : Sentences.of("chunk.joining", c.fromBar(), c.toBar());
      case LAYER -> Sentences.of("chunk.layer", bars, Sentences.of("way." + c.way()));
    };
  }

  /** With one decimal, in the reader's own form. */
  public static String one(double value) {
    return shown("%.1f", value);
  }

  /** A number in the reader's own form, as {@link String#format} lays it out. */
  public static String shown(String format, Object... values) {
    return String.format(Locale.getDefault(Locale.Category.FORMAT), format, values);
  }

  /** Where a note is played: finger, string, position and distance from the nut. */
  public static String place(Instrument instrument, NoteFinger p) {
    if (p.isOpen()) {
      return "Open " + instrument.stringName(p.string()) + " string";
    }
    return (p.harmonic() ? "Harmonic with finger " : "Finger ")
        + p.finger().digit()
        + p.replaced().map(r -> ", replaced by " + r.by().digit() + " while it sounds,").orElse("")
        + " on the "
        + instrument.stringName(p.string())
        + " string, "
        + PositionNames.of(instrument, p.string(), p.base(), p.region() == Region.THUMB)
        + (p.shape().isExtended() ? ", " + Sentences.of("shape." + p.shape().name()) : "")
        + ", "
        + Math.round(p.mmFromNut())
        + " mm from the nut";
  }

  /** The same in a few letters, for buttons: "3 on A, third". */
  public static String shortPlace(Instrument instrument, NoteFinger p) {
    if (p.isOpen()) {
      return "open " + instrument.stringName(p.string());
    }
    return p.digits()
        + " on "
        + instrument.stringName(p.string())
        + ", "
        + position(instrument, p)
        + p.replaced().map(r -> " to " + position(instrument, p.last())).orElse("");
  }

  private static String position(Instrument instrument, NoteFinger p) {
    return PositionNames.of(instrument.type(), p.base(), p.region() == Region.THUMB);
  }

  /** From where to where a shift goes. */
  public static String shiftPath(Session session, Shift s) {
    SoundingNote from = session.resolved().notes().get(s.fromNote());
    SoundingNote to = session.resolved().notes().get(s.toNote());
    Instrument on = session.task().hand().instrument();
    boolean same = s.departureString() == s.arrivalString();
    return from.pitch()
        + " with "
        + s.fromFinger().digit()
        + (same ? "" : " on " + on.stringName(s.departureString()))
        + " to "
        + to.pitch()
        + " with "
        + s.toFinger().digit()
        + " on "
        + on.stringName(s.arrivalString());
  }

  /**
   * Whether a shift is aimed or thrown, and from which tempo on it is a throw.
   *
   * @param perMinute the tempo at hand
   */
  public static String time(Shift s, double perMinute) {
    double ceiling = perMinute * s.timeMs() / s.neededMs();
    return shown(
        s.timeMs() >= s.neededMs()
            ? "%.0f ms: time to aim and correct, up to %.0f"
            : "%.0f ms: one throw, learned whole; to be aimed only below %.0f",
        s.timeMs(),
        ceiling);
  }

  /** A tempo as it is said: "dotted quarter = 60". */
  public static String tempo(Tempo t) {
    return Sentences.of("tempo", Sentences.of("beat." + t.beat().displayName()), rate(t));
  }

  /** A level as short as can be: quarters are not named, other values are. */
  public static String level(Ladder ladder, Level level) {
    return ladder.counted().equals(Beat.QUARTER)
        ? level.text()
        : Sentences.of(
            "tempo.short", Sentences.of("beat." + ladder.counted().displayName()), level.text());
  }

  private static String rate(Tempo t) {
    return Level.text(t.perMinute());
  }

  /** The first tempo of a passage, and how many others there are. */
  public static String tempos(Passage.Settings s) {
    long others =
        s.details().tempoMarks().stream().filter(m -> m.kind() != TempoMark.Kind.HOLD).count();
    return others == 0
        ? tempo(s.target())
        : Sentences.of("tempo.and-others", tempo(s.target()), others);
  }

  /** How long something lasts: in ms below a second, else in seconds. */
  public static String lasting(double ms) {
    return ms < 1000
        ? Sentences.of("lasting.ms", Math.round(ms))
        : Sentences.of("lasting.s", one(ms / 1000));
  }

  /** The tempo of the section that a moment lies in. */
  public static String tempoAt(Session s, Fraction onset) {
    return s.tempos().stream()
        .filter(x -> x.bar().start().compareTo(onset) <= 0)
        .reduce((a, b) -> b)
        .map(x -> tempo(x.start()))
        .orElse(tempo(s.passage().settings().target()));
  }

  /** The guide note of a school, with the way that its finger slides. */
  public static String guide(Optional<Shift.Guide> guide, boolean old) {
    String name = old ? "Old finger: " : "New finger: ";
    return name
        + guide
            .map(
                g ->
                    shown(
                        "slide %s %s %s, %.0f mm",
                        g.finger().digit(), old ? "to" : "from", g.pitch(), g.slideMm()))
            .orElse(old ? "would overshoot" : "none");
  }

  /** What fingers do from one chord to the next: "1 stays, 3 slides 28 mm". */
  public static String moves(Instrument instrument, List<ChordStep.Move> moves) {
    List<String> all = new ArrayList<>();
    for (ChordStep.Move m : moves) {
      all.add(
          Sentences.of(
              "chord.move." + m.kind(),
              m.finger().digit(),
              Math.round(m.mm()),
              instrument.stringName(m.string()),
              m.from().digit()));
    }
    return String.join(", ", all);
  }

  /** The notes under the hand on one string: "A: D with 1, E with 3". */
  public static String under(Instrument instrument, UnderHand u) {
    List<String> all = new ArrayList<>();
    u.notes().forEach(r -> all.add(Sentences.of("under.note", r.pitch(), r.finger().digit())));
    return Sentences.of("under.string", instrument.stringName(u.string()), String.join(", ", all));
  }

  /** What proves the note reached. */
  public static String checks(Instrument instrument, NoteFinger reached) {
    List<ArrivalCheck> checks = ArrivalCheck.of(instrument, reached);
    if (checks.isEmpty()) {
      return "no open string agrees with it; its octave or a drone does.";
    }
    ArrivalCheck c = checks.get(0);
    return c.kind().words() + " " + instrument.stringName(c.string()) + " (" + c.against() + ").";
  }

  private static String not(Finger finger) {
    return finger == Finger.OPEN
        ? "not open"
        : finger == Finger.THUMB ? "no thumb" : "no finger " + finger.digit();
  }

  /** What a wish asks for, as it stands on the strip. */
  public static String wish(Instrument instrument, Wish wish) {
    return switch (wish.kind()) {
      case ON_STRING -> "on the " + instrument.stringName(wish.value()) + " string";
      case POSITION -> PositionNames.of(instrument.type(), wish.value(), false) + " position";
      case NOT_FINGER -> not(Finger.values()[wish.value() - 1]);
      case NOT_STRING -> "not on the " + instrument.stringName(wish.value()) + " string";
      default -> Sentences.of("wish." + wish.kind().name());
    };
  }
}
