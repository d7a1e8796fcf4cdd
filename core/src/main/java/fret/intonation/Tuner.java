package fret.intonation;

import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.harmony.Chord;
import fret.harmony.Harmony;
import fret.harmony.Key;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import fret.player.HandModel;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Stream;

/** Puts every note of a passage in its place and finds what it can be checked against. */
public final class Tuner {
  /** Two sounds ring together when they are no further apart, in cents. */
  public static final double RINGS = 5;

  /** Checks that are further apart cannot both be right, in cents: half of the comma. */
  private static final double APART = 10;

  /** Intervals that a player hears as still, in semitones within the octave. */
  private static final Set<Integer> STILL = Set.of(0, 3, 4, 5, 7, 8, 9);

  private static final Set<Integer> PERFECT = Set.of(5, 7);

  /**
   * Further apart nobody hears whether a third or sixth (10:3), a fourth or fifth (8:3) is pure.
   */
  private static final int WIDEST = 21;

  private static final int WIDEST_PERFECT = 24;

  /** Places of a string where a light touch speaks, with the partial that sounds there. */
  private static final Map<Integer, Integer> NODES = Map.of(5, 4, 7, 3, 12, 2, 19, 3, 24, 4);

  private final ResolvedPassage passage;
  private final Fingering fingering;
  private final HandModel hand;
  private final Instrument instrument;
  private final OpenStrings strings;
  private final Harmony harmony;
  private final IntFunction<Temperament> temperaments;
  private final boolean septimal;
  private final Map<Key, PurePlaces> places = new HashMap<>();

  private Tuner(
      ResolvedPassage passage,
      Fingering fingering,
      HandModel hand,
      OpenStrings strings,
      Harmony harmony,
      IntFunction<Temperament> temperaments,
      boolean septimal) {
    this.passage = passage;
    this.fingering = fingering;
    this.hand = hand;
    this.instrument = hand.instrument();
    this.strings = strings;
    this.harmony = harmony;
    this.temperaments = temperaments;
    this.septimal = septimal;
  }

  /**
   * Tunes a passage.
   *
   * @param temperaments which tuning counts for a note, by its index
   * @param septimal whether tritones are 7:5 rather than 45:32
   */
  public static Tuned of(
      ResolvedPassage passage,
      Fingering fingering,
      HandModel hand,
      OpenStrings strings,
      Harmony harmony,
      IntFunction<Temperament> temperaments,
      boolean septimal) {
    return new Tuner(passage, fingering, hand, strings, harmony, temperaments, septimal).tuned();
  }

  private Tuned tuned() {
    List<Tuned.Pair> pairs = pairs();
    Map<Integer, List<Integer>> partners = new HashMap<>();
    for (Tuned.Pair p : pairs) {
      partners.computeIfAbsent(p.first(), k -> new ArrayList<>()).add(p.second());
      partners.computeIfAbsent(p.second(), k -> new ArrayList<>()).add(p.first());
    }
    List<Optional<Tuned.Place>> notes = new ArrayList<>();
    for (int i = 0; i < passage.notes().size(); i++) {
      int note = i;
      notes.add(
          fingering
              .notes()
              .get(i)
              .map(f -> place(note, f, partners.getOrDefault(note, List.of()))));
    }
    Map<Integer, Tuned.Order> orders = new HashMap<>();
    for (Slice s : passage.slices()) {
      if (s.starting().size() > 1) {
        orders.put(s.index(), order(s));
      }
    }
    return new Tuned(strings, harmony, notes, pairs, orders);
  }

  // ---- places ----------------------------------------------------------------------------------

  private Tuned.Place place(int note, NoteFinger f, List<Integer> partners) {
    Temperament temperament = temperaments.apply(note);
    double cents = cents(note, f, temperament);
    List<Check> checks = checks(note, f, partners);
    return new Tuned.Place(
        note,
        temperament,
        cents,
        isFree(f) ? 0 : strings.mm(f.semitone(), cents - strings.of(f.string())),
        ring(f, cents),
        checks,
        conflict(checks));
  }

  /** Whether no finger decides its pitch. */
  private static boolean isFree(NoteFinger f) {
    return f.isOpen() || f.harmonic();
  }

  private double cents(int note, NoteFinger f, Temperament temperament) {
    if (f.isOpen()) {
      return strings.of(f.string());
    }
    Pitch pitch = f.sounding();
    if (f.harmonic()) {
      int above = pitch.midi() - instrument.open(f.string()).midi();
      int partial = (int) Math.round(Math.pow(2, above / 12.0));
      return strings.of(f.string()) + 1200 * Math.log(partial) / Math.log(2) - 100 * above;
    }
    return switch (temperament) {
      case EQUAL -> 0;
      case PYTHAGOREAN -> OpenStrings.inChain(pitch);
      case JUST -> just(passage.notes().get(note), pitch);
    };
  }

  /** Pure with what sounds at the same time, else with open strings and the key. */
  private double just(SoundingNote note, Pitch pitch) {
    Optional<Key> key = harmony.keyAt(note.key().barIndex());
    if (key.isEmpty()) {
      return OpenStrings.inChain(pitch);
    }
    PurePlaces places = places(key.get());
    Slice slice = passage.slices().get(note.slice());
    List<Pitch> all = new ArrayList<>(List.of(pitch));
    Stream.concat(slice.starting().stream(), slice.held().stream())
        .filter(other -> !passage.notes().get(other).equals(note))
        .forEach(other -> sounds(other).ifPresent(all::add));
    // In one order for all of them, so that they agree.
    List<Pitch> sorted = all.stream().sorted(Comparator.comparingInt(Pitch::midi)).toList();
    return sorted.size() == 1
        ? places.cents(pitch)
        : places.together(sorted).get(sorted.indexOf(pitch));
  }

  private Optional<Pitch> sounds(int note) {
    return fingering.notes().get(note).map(NoteFinger::sounding);
  }

  private PurePlaces places(Key key) {
    return places.computeIfAbsent(key, k -> new PurePlaces(strings, Optional.of(k), septimal));
  }

  private static Pitch spelled(int pitchClass, Key key) {
    return Pitch.parse(key.nameOf(pitchClass) + "0");
  }

  // ---- ring ------------------------------------------------------------------------------------

  private List<Tuned.Ring> ring(NoteFinger f, double cents) {
    List<Tuned.Ring> ring = new ArrayList<>();
    for (int string = 1; string <= instrument.stringCount(); string++) {
      if (string == f.string()) {
        continue;
      }
      int above = f.sounding().midi() - instrument.open(string).midi();
      // A string an octave above sounds with the second partial of the note.
      boolean full = above >= -12 && above % 12 == 0 || above == 19;
      boolean faint = above == 7;
      double pure = above % 12 == 0 ? 0 : OpenStrings.FIFTH;
      boolean near = Math.abs(cents - strings.of(string) - pure) <= RINGS;
      if ((full || faint) && near) {
        ring.add(new Tuned.Ring(string, faint));
      }
    }
    return ring;
  }

  // ---- checks ----------------------------------------------------------------------------------

  private List<Check> checks(int note, NoteFinger f, List<Integer> partners) {
    List<Check> all = new ArrayList<>();
    if (isFree(f)) {
      return all;
    }
    for (int string = 1; string <= instrument.stringCount(); string++) {
      if (string != f.string()) {
        open(note, f, string, all);
      }
    }
    harmonics(note, f, all);
    SoundingNote n = passage.notes().get(note);
    for (int other : passage.slices().get(n.slice()).starting()) {
      if (other != note) {
        stopped(note, f, other, Check.Kind.DOUBLE_STOP).ifPresent(all::add);
      }
    }
    pedal(note).flatMap(p -> stopped(note, f, p, Check.Kind.PEDAL)).ifPresent(all::add);
    for (int other : partners) {
      stopped(note, f, other, Check.Kind.NEIGHBOUR).filter(Tuner::isStill).ifPresent(all::add);
    }
    drone(note, f).ifPresent(all::add);
    inTime(note, f).ifPresent(all::add);
    all.sort(Comparator.comparingInt(Tuner::rank));
    return all;
  }

  private static boolean isStill(Check c) {
    return STILL.contains(Math.floorMod(c.interval().semitones(), 12));
  }

  private static int rank(Check c) {
    int within = Math.floorMod(c.interval().semitones(), 12);
    return switch (c.kind()) {
      case OPEN -> {
        int own = within == 0 ? 0 : within == 7 || within == 5 ? 2 : 5;
        yield within == 0 || c.beside() ? own : own + 6;
      }
      case HARMONIC -> c.ratio().high() == 1 ? 1 : 3;
      case DOUBLE_STOP -> 4;
      case PEDAL -> 6;
      case NEIGHBOUR -> 7;
      case DRONE -> 8;
      case IN_TIME -> 9;
    };
  }

  /** Cents from equal at which a pitch is pure with a reference. */
  private Optional<Double> pure(Pitch pitch, Pitch reference, double referenceCents) {
    boolean higher = pitch.midi() >= reference.midi();
    Interval interval =
        higher ? Interval.between(reference, pitch) : Interval.between(pitch, reference);
    return Ratio.of(interval, septimal)
        .map(r -> r.cents() - 100 * interval.semitones())
        .map(wider -> referenceCents + (higher ? wider : -wider));
  }

  private static Interval between(Pitch a, Pitch b) {
    return a.midi() <= b.midi() ? Interval.between(a, b) : Interval.between(b, a);
  }

  /** Empty where the spelling leaves no pure interval, such as a diminished second. */
  private Optional<Check> check(
      int note, NoteFinger f, Check.Kind kind, Pitch against, int string, double cents) {
    Interval interval = between(f.sounding(), against);
    double from = cents - strings.of(f.string());
    Optional<Ratio> ratio = Ratio.of(interval, septimal);
    return ratio.map(
        r ->
            new Check(
                note,
                kind,
                against,
                string,
                interval,
                r,
                cents,
                strings.mm(f.semitone(), from),
                Math.abs(string - f.string()) == 1,
                OptionalDouble.empty(),
                OptionalDouble.empty()));
  }

  /** Every string in every still interval; those that cannot sound with it are compared after. */
  private void open(int note, NoteFinger f, int string, List<Check> into) {
    Pitch open = instrument.open(string);
    int within = Math.floorMod(f.sounding().midi() - open.midi(), 12);
    int apart = Math.abs(f.sounding().midi() - open.midi());
    boolean near = apart <= (PERFECT.contains(within) ? WIDEST_PERFECT : WIDEST);
    if (STILL.contains(within) && (within == 0 || near)) {
      pure(f.sounding(), open, strings.of(string))
          .flatMap(c -> check(note, f, Check.Kind.OPEN, open, string, c))
          .ifPresent(into::add);
    }
  }

  /** The natural harmonic at the same place, and the halfway one of a string beside. */
  private void harmonics(int note, NoteFinger f, List<Check> into) {
    Integer partial = NODES.get(f.semitone());
    if (partial != null) {
      double place = partialCents(f.semitone(), partial);
      double cents = strings.of(f.string()) + place - 100 * f.semitone();
      int sounds = (int) Math.round(12 * Math.log(partial) / Math.log(2));
      int up = sounds - f.semitone();
      Pitch harmonic = raised(f.sounding(), up);
      Interval interval = between(f.sounding(), harmonic);
      into.add(
          new Check(
              note,
              Check.Kind.HARMONIC,
              harmonic,
              f.string(),
              interval,
              Ratio.of(interval, septimal).orElseThrow(),
              cents,
              strings.mm(f.semitone(), cents - strings.of(f.string())),
              false,
              OptionalDouble.empty(),
              OptionalDouble.empty()));
    }
    for (int string = 1; string <= instrument.stringCount(); string++) {
      Pitch halfway = raised(instrument.open(string), 12);
      boolean beside = Math.abs(string - f.string()) == 1;
      if (beside && halfway.midi() == f.sounding().midi()) {
        check(note, f, Check.Kind.HARMONIC, halfway, string, strings.of(string))
            .ifPresent(into::add);
      }
    }
  }

  private static double partialCents(int semitone, int partial) {
    // Touched at 5 and 7 a finger stands at a quarter and a third of the string.
    double share = semitone == 19 ? 1.0 / 3 : semitone == 24 ? 1.0 / 4 : 1 - 1.0 / partial;
    return -1200 * Math.log(share) / Math.log(2);
  }

  /** Octaves, and a twelfth, above. */
  private static Pitch raised(Pitch p, int semitones) {
    int steps = semitones / 12 * 7 + (semitones % 12 == 7 ? 4 : 0);
    return p.plus(new Interval(steps, semitones));
  }

  /** Against another fingered note, whose finger stays in its equal place. */
  private Optional<Check> stopped(int note, NoteFinger f, int other, Check.Kind kind) {
    Optional<NoteFinger> there = fingering.notes().get(other);
    if (there.isEmpty()) {
      return Optional.empty();
    }
    NoteFinger g = there.get();
    Pitch against = g.sounding();
    double reference = strings.of(g.string());
    if (g.harmonic()) {
      reference = cents(other, g, Temperament.EQUAL);
    }
    Optional<Double> cents = pure(f.sounding(), against, reference);
    if (cents.isEmpty()) {
      return Optional.empty();
    }
    Interval interval = between(f.sounding(), against);
    double from = cents.get() - strings.of(f.string());
    boolean both = !isFree(g) && g.string() != f.string();
    double here = strings.placeMm(100 * f.semitone() + from);
    double equal = strings.placeMm(100 * f.semitone());
    double his = strings.placeMm(100 * g.semitone());
    return Optional.of(
        new Check(
            note,
            kind,
            against,
            0,
            interval,
            Ratio.of(interval, septimal).orElseThrow(),
            cents.get(),
            strings.mm(f.semitone(), from),
            both,
            both ? OptionalDouble.of(Math.abs(here - his)) : OptionalDouble.empty(),
            both ? OptionalDouble.of(Math.abs(equal - his)) : OptionalDouble.empty()));
  }

  /** The note that every second note comes back to; empty without one. */
  private Optional<Integer> pedal(int note) {
    int at = passage.notes().get(note).slice();
    int before = single(at - 1);
    int after = single(at + 1);
    int further = single(at + 3);
    int back = single(at - 3);
    boolean swings = before >= 0 && after >= 0 && midi(before) == midi(after);
    boolean holds =
        further >= 0 && swings && midi(further) == midi(after)
            || back >= 0 && swings && midi(back) == midi(before);
    return holds && midi(note) != midi(after) ? Optional.of(before) : Optional.empty();
  }

  private int single(int slice) {
    boolean there = slice >= 0 && slice < passage.slices().size();
    List<Integer> starting = there ? passage.slices().get(slice).starting() : List.of();
    return starting.size() == 1 ? starting.get(0) : -1;
  }

  private int midi(int note) {
    return passage.notes().get(note).pitch().midi();
  }

  /** The root of the bar's chord, else its fifth, else the tonic, in the octave below the note. */
  private Optional<Check> drone(int note, NoteFinger f) {
    SoundingNote n = passage.notes().get(note);
    Optional<Key> key = harmony.keyAt(n.key().barIndex());
    if (key.isEmpty()) {
      return Optional.empty();
    }
    int root =
        harmony
            .at(n.onset())
            .flatMap(Harmony.ChordSpan::chord)
            .map(Chord::root)
            .orElse(key.get().tonic());
    int fifth = Math.floorMod(root + 7, 12);
    for (int pitchClass : new int[] {root, fifth, key.get().tonic()}) {
      Pitch name = spelled(pitchClass, key.get());
      Pitch below = name;
      while (below.midi() + 12 <= f.sounding().midi()) {
        below = below.plus(new Interval(7, 12));
      }
      Interval interval = between(f.sounding(), below);
      double reference = places(key.get()).cents(name);
      Pitch against = below;
      if (STILL.contains(Math.floorMod(interval.semitones(), 12))) {
        Optional<Check> found =
            pure(f.sounding(), against, reference)
                .flatMap(c -> check(note, f, Check.Kind.DRONE, against, 0, c));
        if (found.isPresent()) {
          return found;
        }
      }
    }
    return Optional.empty();
  }

  /** The note before, when the two make a third to a sixth. */
  private Optional<Check> inTime(int note, NoteFinger f) {
    int before = single(passage.notes().get(note).slice() - 1);
    if (before < 0) {
      return Optional.empty();
    }
    int apart = Math.abs(midi(before) - midi(note));
    return apart >= 3 && apart <= 9
        ? stopped(note, f, before, Check.Kind.IN_TIME).filter(Tuner::isStill)
        : Optional.empty();
  }

  private static Optional<Tuned.Conflict> conflict(List<Check> checks) {
    List<Check> open =
        checks.stream()
            .filter(c -> c.kind() == Check.Kind.OPEN && c.beside())
            .sorted(Comparator.comparingDouble(Check::centsFromEqual))
            .toList();
    if (open.size() < 2) {
      return Optional.empty();
    }
    Tuned.Conflict widest = new Tuned.Conflict(open.get(0), open.get(open.size() - 1));
    return widest.apartCents() > APART ? Optional.of(widest) : Optional.empty();
  }

  // ---- neighbours, chords ----------------------------------------------------------------------

  /** Neighbours in time that lie on neighbouring strings under one hand. */
  private List<Tuned.Pair> pairs() {
    List<Tuned.Pair> pairs = new ArrayList<>();
    for (int slice = 1; slice < passage.slices().size(); slice++) {
      int a = single(slice - 1);
      int b = single(slice);
      boolean joined =
          a >= 0 && b >= 0 && passage.slices().get(slice - 1).restAfter().signum() == 0;
      if (joined
          && fingering.notes().get(a).isPresent()
          && fingering.notes().get(b).isPresent()
          && canHold(fingering.notes().get(a).get().last(), fingering.notes().get(b).get())) {
        pairs.add(new Tuned.Pair(a, b));
      }
    }
    return pairs;
  }

  private boolean canHold(NoteFinger a, NoteFinger b) {
    if (Math.abs(a.string() - b.string()) != 1 || a.harmonic() || b.harmonic()) {
      return false;
    }
    if (a.isOpen() || b.isOpen()) {
      return true;
    }
    return a.base() == b.base()
        && hand.canHold(a.finger(), a.semitone(), b.finger(), b.semitone(), b.region(), 1);
  }

  private Tuned.Order order(Slice slice) {
    List<Integer> upward = slice.starting();
    List<Integer> down = new ArrayList<>(upward);
    java.util.Collections.reverse(down);
    boolean barre = false;
    for (int i = 1; i < upward.size(); i++) {
      Optional<NoteFinger> a = fingering.notes().get(upward.get(i - 1));
      Optional<NoteFinger> b = fingering.notes().get(upward.get(i));
      barre |=
          a.isPresent()
              && b.isPresent()
              && a.get().finger() == b.get().finger()
              && a.get().finger() != Finger.OPEN;
    }
    return new Tuned.Order(down, fifthFirst(upward, down), barre);
  }

  private List<Integer> fifthFirst(List<Integer> upward, List<Integer> down) {
    for (int wanted : new int[] {7, 0}) {
      for (int i = 0; i < upward.size(); i++) {
        for (int k = i + 1; k < upward.size(); k++) {
          if (Math.floorMod(midi(upward.get(k)) - midi(upward.get(i)), 12) == wanted) {
            List<Integer> all = new ArrayList<>(List.of(upward.get(i), upward.get(k)));
            upward.stream().filter(n -> !all.contains(n)).forEach(all::add);
            return all;
          }
        }
      }
    }
    return down;
  }
}
