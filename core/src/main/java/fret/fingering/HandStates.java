package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.pitch.Pitch;
import fret.player.HandModel;
import fret.player.Placement;
import fret.player.Region;
import fret.score.Head;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Lists every way the hand can play each moment of a passage, within the player's rules. */
final class HandStates {
  /** An open string carries the hand's place over at most this many moments in a row. */
  private static final int LONGEST_CARRY = 12;

  /** How many in-tune windows wide the place is where a node still speaks (from memory). */
  private static final double HARMONIC_WINDOWS = 5;

  /** One candidate for one note. */
  private record Option(int note, int string, int semitone, boolean harmonic, boolean held) {}

  private record Carried(TimedSlice left, int base, Region region) {}

  private final ResolvedPassage passage;
  private final HandModel hand;
  private final Instrument instrument;
  private final double[] windowMm;
  private final Map<Integer, List<NoteRule>> pins;
  private final Map<Integer, List<NoteRule>> all;
  private final Map<Integer, NoteFinger> fixed;

  /** Which decisions of the player count. */
  enum Heed {
    ALL,
    PINS,
    NOTHING
  }

  HandStates(FingeringTask task) {
    this.passage = task.passage();
    this.hand = task.hand();
    this.instrument = hand.instrument();
    this.fixed = task.fixed();
    this.windowMm = new double[instrument.highestSemitone() + 2];
    for (int n = 0; n < windowMm.length; n++) {
      windowMm[n] = instrument.windowMm(n, Instrument.TOLERANCE_CENTS);
    }
    this.pins = byNote(task.wishes().rules(), List.of());
    this.all = byNote(task.wishes().rules(), task.wishes().stretches());
  }

  private static Map<Integer, List<NoteRule>> byNote(List<NoteRule> pins, List<NoteRule> others) {
    Map<Integer, List<NoteRule>> rules = new HashMap<>();
    for (NoteRule rule : pins) {
      rules.computeIfAbsent(rule.note(), n -> new ArrayList<>()).add(rule);
    }
    for (NoteRule rule : others) {
      rules.computeIfAbsent(rule.note(), n -> new ArrayList<>()).add(rule);
    }
    return rules;
  }

  /**
   * All states of a moment.
   *
   * @param before the states of the moment before, whose hands an open string carries on
   * @param heed which of the player's decisions count
   * @return empty when it cannot be played so
   */
  List<HandState> at(TimedSlice moment, List<HandState> before, Heed heed) {
    Slice slice = moment.slice();
    List<Integer> notes = new ArrayList<>(slice.held());
    notes.addAll(slice.starting());
    notes.sort((a, b) -> passage.notes().get(a).pitch().compareTo(passage.notes().get(b).pitch()));
    List<List<Option>> options = new ArrayList<>();
    for (int note : notes) {
      List<Option> of = options(note, slice.held().contains(note), heed);
      if (of.isEmpty()) {
        return List.of();
      }
      options.add(of);
    }
    List<HandState> states = new ArrayList<>();
    chooseStrings(moment, options, 0, new ArrayList<>(), before, heed, states);
    return preferTrills(states);
  }

  /** Whether notes can sound together, whatever stands around them. */
  boolean canSound(List<Integer> upward) {
    List<List<Option>> options = upward.stream().map(n -> options(n, false, Heed.NOTHING)).toList();
    Slice slice = passage.slices().get(passage.notes().get(upward.get(0)).slice());
    List<HandState> states = new ArrayList<>();
    TimedSlice moment = new TimedSlice(slice, 0, 1, TimedSlice.MEZZO_FORTE, true, false, false);
    chooseStrings(moment, options, 0, new ArrayList<>(), List.of(), Heed.NOTHING, states);
    return !states.isEmpty();
  }

  private static List<HandState> preferTrills(List<HandState> states) {
    List<HandState> good = states.stream().filter(s -> s.grip().trillWeakness() < 100).toList();
    return good.isEmpty() ? states : good;
  }

  /** Every string and place at which a note lies on the instrument. */
  private List<Option> options(int noteIndex, boolean held, Heed heed) {
    SoundingNote note = passage.notes().get(noteIndex);
    List<Option> found = new ArrayList<>();
    for (int string = 1; string <= instrument.stringCount(); string++) {
      int n = instrument.semitones(string, note.pitch());
      switch (note.harmonic()) {
        case NATURAL_SOUNDING -> {
          for (int node = 1; node <= Math.min(28, instrument.highestSemitone()); node++) {
            if (NaturalHarmonics.partialAt(node) > 0
                && NaturalHarmonics.sounding(instrument, string, node).midi()
                    == note.pitch().midi()) {
              found.add(new Option(noteIndex, string, node, true, held));
            }
          }
        }
        case NATURAL_TOUCHED -> {
          if (NaturalHarmonics.partialAt(n) > 0) {
            found.add(new Option(noteIndex, string, n, true, held));
          }
        }
        default -> {
          if (n >= 0 && n <= instrument.highestSemitone()) {
            found.add(new Option(noteIndex, string, n, false, held));
            if (note.harmonic() == Head.Harmonic.NONE && NaturalHarmonics.soundsAsStopped(n)) {
              found.add(new Option(noteIndex, string, n, true, held));
            }
          } else if (n < 0 && n >= -instrument.extension() && string == instrument.stringCount()) {
            found.add(new Option(noteIndex, string, 0, false, held)); // A gate: the hand is free.
          }
        }
      }
    }
    if (heed != Heed.NOTHING) {
      found.removeIf(o -> !anyFingerAdmitted(o, heed));
    }
    return found;
  }

  private boolean anyFingerAdmitted(Option option, Heed heed) {
    for (Finger finger : Finger.values()) {
      if (admitted(option, finger, 0, heed)) {
        return true;
      }
    }
    return false;
  }

  /**
   * @param base where the hand stands; 0 when that is not decided yet
   */
  private boolean admitted(Option option, Finger finger, int base, Heed heed) {
    NoteFinger only = fixed.get(option.note());
    if (only != null) {
      return only.string() == option.string()
          && only.finger() == finger
          && only.harmonic() == option.harmonic();
    }
    boolean free = isFree(option);
    Map<Integer, List<NoteRule>> rules = heed == Heed.PINS ? pins : all;
    for (NoteRule rule : rules.getOrDefault(option.note(), List.of())) {
      if (!rule.admits(option.string(), finger, free, base)) {
        return false;
      }
    }
    return true;
  }

  /** Whether it is a harmonic that the page does not ask for. */
  private boolean isFree(Option option) {
    return option.harmonic() && passage.notes().get(option.note()).harmonic() == Head.Harmonic.NONE;
  }

  private void chooseStrings(
      TimedSlice moment,
      List<List<Option>> options,
      int depth,
      List<Option> chosen,
      List<HandState> before,
      Heed heed,
      List<HandState> into) {
    if (depth == options.size()) {
      if (neighbouringStrings(chosen)) {
        chooseFingers(moment, chosen, before, heed, into);
      }
      return;
    }
    for (Option option : options.get(depth)) {
      // Notes run from low to high, so strings run from low (large number) to high.
      boolean free = chosen.stream().noneMatch(o -> o.string() <= option.string());
      if (free) {
        chosen.add(option);
        chooseStrings(moment, options, depth + 1, chosen, before, heed, into);
        chosen.remove(chosen.size() - 1);
      }
    }
  }

  /** The bow can only sound strings that lie side by side. */
  private static boolean neighbouringStrings(List<Option> chosen) {
    for (int i = 1; i < chosen.size(); i++) {
      if (chosen.get(i - 1).string() - chosen.get(i).string() != 1) {
        return false;
      }
    }
    return true;
  }

  private void chooseFingers(
      TimedSlice moment,
      List<Option> chosen,
      List<HandState> before,
      Heed heed,
      List<HandState> into) {
    boolean allOpen = chosen.stream().allMatch(o -> o.semitone() == 0);
    if (allOpen) {
      for (Option o : chosen) {
        if (heed != Heed.NOTHING && !admitted(o, Finger.OPEN, 0, heed)) {
          return;
        }
      }
      addOpen(moment, chosen, before, into);
      return;
    }
    Option first = chosen.stream().filter(o -> o.semitone() > 0).findFirst().orElseThrow();
    Set<Integer> seen = new LinkedHashSet<>();
    for (Placement p : hand.placements(first.semitone())) {
      int id = 2 * p.base() + (p.region() == Region.THUMB ? 1 : 0);
      if (seen.add(id)) {
        assign(moment, chosen, 0, p.base(), p.region(), new ArrayList<>(), 0, heed, into);
      }
    }
  }

  private void addOpen(
      TimedSlice moment, List<Option> chosen, List<HandState> before, List<HandState> into) {
    List<HandState.Touch> touches = new ArrayList<>();
    for (Option o : chosen) {
      touches.add(new HandState.Touch(o.note(), o.string(), Finger.OPEN, 0, false, o.held()));
    }
    Set<Carried> hands = new LinkedHashSet<>();
    for (HandState state : before) {
      hands.add(new Carried(state.left(), state.base(), state.region()));
    }
    if (before.isEmpty()) {
      hands.add(new Carried(null, HandState.FREE, Region.NECK));
    }
    int index = moment.slice().index();
    for (Carried c : hands) {
      if (c.left() == null
          || index - c.left().slice().index() <= LONGEST_CARRY
          || hands.size() == 1) {
        into.add(
            new HandState(
                moment,
                c.left(),
                touches,
                c.base(),
                c.region(),
                grip(touches, c.base(), c.region(), 0)));
      }
    }
  }

  private void assign(
      TimedSlice moment,
      List<Option> chosen,
      int depth,
      int base,
      Region region,
      List<HandState.Touch> touches,
      double strain,
      Heed heed,
      List<HandState> into) {
    if (depth == chosen.size()) {
      into.add(
          new HandState(
              moment,
              null,
              touches,
              base,
              region,
              grip(touches, base, region, strain * heldFactor(touches))));
      return;
    }
    Option option = chosen.get(depth);
    if (option.semitone() == 0) {
      if (heed == Heed.NOTHING || admitted(option, Finger.OPEN, 0, heed)) {
        touches.add(
            new HandState.Touch(
                option.note(), option.string(), Finger.OPEN, 0, false, option.held()));
        assign(moment, chosen, depth + 1, base, region, touches, strain, heed, into);
        touches.remove(touches.size() - 1);
      }
      return;
    }
    NoteFinger only = heed != Heed.NOTHING ? fixed.get(option.note()) : null;
    for (Placement p : hand.placements(option.semitone())) {
      if (p.base() != base || (p.region() == Region.THUMB) != (region == Region.THUMB)) {
        continue;
      }
      boolean admitted =
          (heed == Heed.NOTHING || admitted(option, p.finger(), base, heed))
              && (only == null || only.isOpen() || only.base() == base)
              && suitsHarmonic(option, p);
      if (!admitted) {
        continue;
      }
      HandState.Touch touch =
          new HandState.Touch(
              option.note(),
              option.string(),
              p.finger(),
              option.semitone(),
              option.harmonic(),
              option.held());
      if (canHoldAll(touches, touch, p.region())) {
        touches.add(touch);
        assign(
            moment, chosen, depth + 1, base, p.region(), touches, strain + p.strain(), heed, into);
        touches.remove(touches.size() - 1);
      }
    }
  }

  /** An artificial harmonic is stopped by the first finger or the thumb, touched a fourth above. */
  private boolean suitsHarmonic(Option option, Placement p) {
    if (isFree(option)) {
      return p.finger() != Finger.FIRST && p.strain() == 0; // The hand reaches up for it.
    }
    if (passage.notes().get(option.note()).harmonic() != Head.Harmonic.ARTIFICIAL_BASE) {
      return true;
    }
    if (p.finger() != Finger.FIRST && p.finger() != Finger.THUMB) {
      return false;
    }
    Finger top = p.finger() == Finger.THUMB ? Finger.THIRD : Finger.FOURTH;
    return hand.canFollow(p.finger(), option.semitone(), top, option.semitone() + 5, p.region());
  }

  private boolean canHoldAll(List<HandState.Touch> touches, HandState.Touch next, Region region) {
    for (HandState.Touch t : touches) {
      if (!t.isOpen()
          && !hand.canHold(
              t.finger(),
              t.semitone(),
              next.finger(),
              next.semitone(),
              region,
              t.string() - next.string())) {
        return false;
      }
    }
    return true;
  }

  /**
   * A stretch that two or more fingers hold at once weighs more than one in passing (from memory).
   */
  private static double heldFactor(List<HandState.Touch> touches) {
    return touches.stream().filter(t -> !t.isOpen()).count() > 1 ? 2.5 : 1;
  }

  private static int barres(List<HandState.Touch> touches) {
    int count = 0;
    for (int i = 1; i < touches.size(); i++) {
      if (!touches.get(i).isOpen() && touches.get(i).finger() == touches.get(i - 1).finger()) {
        count++;
      }
    }
    return count;
  }

  private int printedBroken(List<HandState.Touch> touches) {
    int broken = 0;
    for (HandState.Touch t : touches) {
      SoundingNote note = passage.notes().get(t.note());
      if (t.held()) {
        continue;
      }
      boolean finger =
          note.printedFinger().isEmpty() || note.printedFinger().equals(t.finger().digit());
      boolean string = note.printedString() == 0 || note.printedString() == t.string();
      broken += finger && string ? 0 : 1;
    }
    return broken;
  }

  private HandState.Grip grip(
      List<HandState.Touch> touches, int base, Region region, double strain) {
    double weakness = 0;
    Finger trills = Finger.OPEN;
    int harmonics = 0;
    for (HandState.Touch t : touches) {
      SoundingNote note = passage.notes().get(t.note());
      if (t.held()) {
        continue;
      }
      harmonics += t.harmonic() && note.harmonic() == Head.Harmonic.NONE ? 1 : 0;
      for (Pitch auxiliary : note.auxiliaries()) {
        Auxiliary best = auxiliary(t, instrument.semitones(t.string(), auxiliary), base, region);
        weakness += best.weakness();
        trills = auxiliary.midi() > note.pitch().midi() ? best.finger() : trills;
      }
    }
    return new HandState.Grip(
        strain,
        weakness,
        trills,
        barres(touches),
        printedBroken(touches),
        harmonics,
        narrowest(touches));
  }

  private double narrowest(List<HandState.Touch> touches) {
    double narrowest = Double.POSITIVE_INFINITY;
    for (HandState.Touch t : touches) {
      if (!t.isOpen()) {
        double factor = t.harmonic() ? HARMONIC_WINDOWS : 1;
        narrowest = Math.min(narrowest, factor * windowMm[t.semitone()]);
      }
    }
    return narrowest;
  }

  private record Auxiliary(Finger finger, double weakness) {}

  /** The finger for an ornament's neighbour: weakness 0 strong, 1 weak, 100 when none can. */
  private Auxiliary auxiliary(HandState.Touch t, int semitone, int base, Region region) {
    if (semitone == 0) {
      return new Auxiliary(Finger.OPEN, 0.3);
    }
    Auxiliary best = new Auxiliary(Finger.OPEN, 100);
    for (Placement p : hand.placements(semitone)) {
      boolean sameHand =
          p.base() == base && (p.region() == Region.THUMB) == (region == Region.THUMB)
              || base == HandState.FREE
              || t.isOpen();
      boolean order = (semitone > t.semitone()) == (p.finger().rank() > t.finger().rank());
      if (sameHand
          && p.finger() != t.finger()
          && order
          && (t.isOpen()
              || hand.canHold(t.finger(), t.semitone(), p.finger(), semitone, region, 0))) {
        double weakness = weakness(t.finger(), p.finger()) + 0.5 * p.strain();
        best = weakness < best.weakness() ? new Auxiliary(p.finger(), weakness) : best;
      }
    }
    return best;
  }

  /** Weakness of a pair of trilling fingers (common practice, no source). */
  private static double weakness(Finger a, Finger b) {
    int high = Math.max(a.rank(), b.rank());
    int low = Math.min(a.rank(), b.rank());
    if (high == 4) {
      return low == 3 ? 1 : 0.6;
    }
    return high == 3 && low == 1 ? 0.2 : 0;
  }
}
