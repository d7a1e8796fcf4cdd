package fret.fingering;

import fret.fingering.NotePlaces.Option;
import fret.instrument.Finger;
import fret.player.FingerPairs;
import fret.player.HandModel;
import fret.player.Placement;
import fret.player.Region;
import fret.player.Shape;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Lists every way the hand can play each moment of a passage, within the player's rules. */
final class HandStates {
  /** An open string carries the hand's place over at most this many moments in a row. */
  private static final int LONGEST_CARRY = 12;

  private static final int OCTAVE = 12;

  private record Carried(TimedSlice left, int base, Region region, Shape shape) {}

  private final ResolvedPassage passage;
  private final HandModel hand;
  private final NotePlaces places;
  private final Grips grips;
  private final Handovers handovers;
  private final FingerPairs pairs;
  private final LetGo lettingGo;
  private final Set<Integer> supportedNotes;
  private final Extensions extensions;

  /** Which decisions of the player count. */
  enum Heed {
    ALL,
    PINS,
    NOTHING
  }

  HandStates(FingeringTask task) {
    this.passage = task.passage();
    this.hand = task.hand();
    this.places = new NotePlaces(task);
    this.pairs = new FingerPairs(hand.instrument().type());
    this.grips = new Grips(passage, hand);
    this.handovers = new Handovers(passage, places);
    this.lettingGo = LetGo.of(task);
    this.supportedNotes = task.wishes().supported();
    this.extensions = new Extensions(passage, hand.instrument());
  }

  /**
   * All states of a moment.
   *
   * @param before the states of the moment before, whose hands an open string carries on
   * @param heed which of the player's decisions count
   * @return empty when it cannot be played so
   */
  List<HandState> at(TimedSlice moment, List<HandState> before, Heed heed) {
    List<HandState> states = new ArrayList<>();
    for (List<Integer> kept : lettingGo.kept(moment.slice(), heed)) {
      List<List<Option>> options = options(moment.slice(), kept, heed);
      if (!options.isEmpty()) {
        states.addAll(new Chooser(moment, before, heed).all(options));
      }
    }
    return withPasts(handovers.with(moment, preferTrills(states), heed), before);
  }

  /** Places of each note that starts or is kept, from the lowest up; empty where one has none. */
  private List<List<Option>> options(Slice slice, List<Integer> kept, Heed heed) {
    List<Integer> notes = new ArrayList<>(kept);
    notes.addAll(slice.starting());
    notes.sort((a, b) -> passage.notes().get(a).pitch().compareTo(passage.notes().get(b).pitch()));
    List<List<Option>> options = new ArrayList<>();
    for (int note : notes) {
      List<Option> of = places.options(note, kept.contains(note), heed);
      if (of.isEmpty()) {
        return List.of();
      }
      options.add(of);
    }
    return options;
  }

  /** Whether notes can sound together, whatever stands around them. */
  boolean canSound(List<Integer> upward) {
    List<List<Option>> options =
        upward.stream().map(n -> places.options(n, false, Heed.NOTHING)).toList();
    Slice slice = passage.slices().get(passage.notes().get(upward.get(0)).slice());
    TimedSlice moment =
        new TimedSlice(
            slice,
            0,
            1,
            LoudnessLine.MEZZO_FORTE,
            true,
            Contour.NONE,
            false,
            List.of(),
            1,
            0,
            1,
            false,
            false,
            Pedal.NONE);
    return !new Chooser(moment, List.of(), Heed.NOTHING).all(options).isEmpty();
  }

  private static List<HandState> preferTrills(List<HandState> states) {
    boolean weak = false;
    for (HandState s : states) {
      weak |= s.grip().trillWeakness() >= 100;
    }
    if (!weak) {
      return states;
    }
    List<HandState> good = states.stream().filter(s -> s.grip().trillWeakness() < 100).toList();
    return good.isEmpty() ? states : good;
  }

  /** Each hand once for every past that counts and that the hands before can give it. */
  private static List<HandState> withPasts(List<HandState> states, List<HandState> before) {
    boolean counts = !states.isEmpty() && states.get(0).moment().remembers() && !before.isEmpty();
    if (!counts) {
      return states;
    }
    List<HandState> all = new ArrayList<>();
    for (HandState state : states) {
      for (HandState.Past past : pasts(before, state)) {
        all.add(past.equals(HandState.Past.NONE) ? state : state.reached(past));
      }
    }
    return all;
  }

  private static List<HandState.Past> pasts(List<HandState> before, HandState state) {
    List<HandState.Past> pasts = new ArrayList<>();
    for (HandState b : before) {
      HandState from = b.out();
      boolean known = false;
      for (int i = 0; i < pasts.size() && !known; i++) {
        known = pasts.get(i).isBetween(from, state);
      }
      if (!known) {
        pasts.add(HandState.Past.between(from, state));
        if (pasts.size() == 2 && state.moment().contour().arpeggio() == 0) {
          return pasts; // Crossed or not: there are no others.
        }
      }
    }
    return pasts;
  }

  /** The bow can only sound strings that lie side by side. */
  private static boolean neighbouringStrings(List<Option> chosen) {
    int highest = Integer.MAX_VALUE;
    int lowest = 0;
    for (Option o : chosen) {
      highest = Math.min(highest, o.string());
      lowest = Math.max(lowest, o.string());
    }
    return lowest - highest == chosen.size() - 1;
  }

  /**
   * A stretch that two or more fingers hold at once weighs more than one in passing (from memory).
   */
  private static double heldFactor(List<HandState.Touch> touches) {
    return stopped(touches) > 1 ? 2.5 : 1;
  }

  private static int stopped(List<HandState.Touch> touches) {
    int stopped = 0;
    for (HandState.Touch t : touches) {
      stopped += t.isOpen() ? 0 : 1;
    }
    return stopped;
  }

  /** Goes through all strings and fingers of one moment. */
  private final class Chooser {
    private final TimedSlice moment;
    private final List<HandState> before;
    private final Heed heed;
    private final List<HandState> found = new ArrayList<>();
    private final List<Option> chosen = new ArrayList<>();
    private final List<HandState.Touch> touches = new ArrayList<>();

    Chooser(TimedSlice moment, List<HandState> before, Heed heed) {
      this.moment = moment;
      this.before = before;
      this.heed = heed;
    }

    /**
     * All hands.
     *
     * @param options places of each note, from the lowest note up
     */
    List<HandState> all(List<List<Option>> options) {
      chooseStrings(options);
      return found;
    }

    private void chooseStrings(List<List<Option>> options) {
      if (chosen.size() == options.size()) {
        if (neighbouringStrings(chosen)) {
          chooseFingers();
        }
        return;
      }
      for (Option option : options.get(chosen.size())) {
        boolean free = chosen.stream().allMatch(c -> standsOver(option, c));
        if (free) {
          chosen.add(option);
          chooseStrings(options);
          chosen.remove(chosen.size() - 1);
        }
      }
    }

    /** The lower note lies on the lower string, but in a unison and where held voices cross. */
    private boolean standsOver(Option high, Option low) {
      boolean either =
          high.held() != low.held()
              || passage.notes().get(high.note()).pitch().midi()
                  == passage.notes().get(low.note()).pitch().midi();
      return either ? high.string() != low.string() : high.string() < low.string();
    }

    private void chooseFingers() {
      if (allOpen()) {
        if (chosen.stream().allMatch(o -> places.admits(o, Finger.OPEN, 0, heed))) {
          addOpen();
        }
        return;
      }
      Option first = firstStopped();
      BitSet seen = new BitSet();
      for (Placement p : hand.placements(first.semitone())) {
        int id = 2 * p.base() + (p.region() == Region.THUMB ? 1 : 0);
        if (!seen.get(id)) {
          seen.set(id);
          assign(p.base(), p.region(), 0);
        }
      }
      for (int fourth = first.semitone(); fourth <= first.semitone() + 1; fourth++) {
        int extreme = hand.extremeBase(fourth);
        if (extremeFinger(first, extreme).isPresent() && !seen.get(2 * extreme)) {
          seen.set(2 * extreme);
          assign(extreme, Region.NECK, 0);
        }
      }
      int reaching = hand.reachingBase(first.semitone());
      if (places.isReachedFor(first, heed) && !seen.get(2 * reaching)) {
        assign(reaching, Region.NECK, 0);
      }
    }

    /**
     * The finger for which the player asks for the extreme shape: a finger alone is no such wish,
     * one with the place of the hand is, or one with the first finger of the same chord.
     */
    private Optional<Finger> extremeFinger(Option option, int base) {
      return Stream.of(Finger.FOURTH, Finger.THIRD)
          .filter(f -> hand.isExtreme(f, option.semitone(), base))
          .filter(f -> !option.harmonic() && places.asksFor(option, f, heed))
          .filter(f -> places.asksFor(option, base, heed) || withFirst(base))
          .findFirst();
    }

    private boolean withFirst(int base) {
      return chosen.stream()
          .anyMatch(o -> o.semitone() == base && places.asksFor(o, Finger.FIRST, heed));
    }

    private Option firstStopped() {
      for (Option o : chosen) {
        if (o.semitone() > 0) {
          return o;
        }
      }
      throw new IllegalStateException("all open");
    }

    private boolean allOpen() {
      for (Option o : chosen) {
        if (o.semitone() > 0) {
          return false;
        }
      }
      return true;
    }

    private void addOpen() {
      List<HandState.Touch> open = chosen.stream().map(o -> o.under(Finger.OPEN)).toList();
      Set<Carried> hands = new LinkedHashSet<>();
      for (HandState state : before) {
        HandState last = state.out();
        hands.add(new Carried(last.left(), last.base(), last.region(), last.shape()));
      }
      if (before.isEmpty()) {
        hands.add(new Carried(null, HandState.FREE, Region.NECK, Shape.CLOSED));
      }
      int index = moment.slice().index();
      for (Carried c : hands) {
        boolean recent = c.left() == null || index - c.left().slice().index() <= LONGEST_CARRY;
        if (recent || hands.size() == 1) {
          HandState.Grip grip = grips.of(open, c.base(), c.region(), 0);
          found.add(new HandState(moment, c.left(), open, c.base(), c.region(), c.shape(), grip));
        }
      }
    }

    private void assign(int base, Region region, double strain) {
      if (touches.size() == chosen.size()) {
        if (!leavesSupport()) {
          return;
        }
        addStopped(base, region, strain);
        return;
      }
      Option option = chosen.get(touches.size());
      if (option.semitone() == 0) {
        if (places.admits(option, Finger.OPEN, 0, heed)) {
          touches.add(option.under(Finger.OPEN));
          assign(base, region, strain);
          touches.remove(touches.size() - 1);
        }
        return;
      }
      if (region == Region.NECK) {
        extremeFinger(option, base).ifPresent(f -> assignExtreme(option, f, base, strain));
      }
      if (region == Region.NECK
          && chosen.size() == 1
          && places.isReachedFor(option, heed)
          && hand.reachingBase(option.semitone()) == base) {
        assignTo(option, Finger.THIRD, base, strain + HandModel.REACHING_STRAIN);
      }
      for (Placement p : hand.placements(option.semitone())) {
        boolean here = p.base() == base && (p.region() == Region.THUMB) == (region == Region.THUMB);
        if (here
            && places.admits(option, p.finger(), base, heed)
            && places.suitsHarmonic(option, p)) {
          HandState.Touch touch = option.under(p.finger());
          if (canHoldAll(touch, p.region())) {
            touches.add(touch);
            assign(base, p.region(), strain + p.strain());
            touches.remove(touches.size() - 1);
          }
        }
      }
    }

    private void addStopped(int base, Region region, double strain) {
      List<Shape> shapes = shapes(base, region);
      // A hand with a shape of its own pays for opening and for staying open, not note by note.
      boolean byShape = hand.hasShapes(base, region) && stopped(touches) == 1;
      double own = byShape && strain < HandModel.EXTREME_STRAIN ? 0 : strain;
      double all = (own + pairs(base, region)) * heldFactor(touches);
      HandState.Grip grip = grips.of(touches, base, region, all);
      for (Shape shape : shapes) {
        found.add(new HandState(moment, null, touches, base, region, shape, grip));
      }
    }

    /** How the hand can be open under these fingers: as they need it, or as it may stay. */
    private List<Shape> shapes(int base, Region region) {
      boolean closed = true;
      boolean forward = true;
      boolean back = true;
      for (HandState.Touch t : touches) {
        if (!t.isOpen()) {
          closed &= hand.suits(Shape.CLOSED, t.finger(), t.semitone(), base, region);
          forward &= hand.suits(Shape.FORWARD, t.finger(), t.semitone(), base, region);
          back &= hand.suits(Shape.BACK, t.finger(), t.semitone(), base, region);
        }
      }
      if (!closed) {
        return List.of(back && !forward ? Shape.BACK : Shape.FORWARD);
      }
      int index = moment.slice().index();
      List<Shape> all = new ArrayList<>(List.of(Shape.CLOSED));
      if (forward && extensions.areNear(index, base + Extensions.FOURTH_FORWARD)) {
        all.add(Shape.FORWARD);
      }
      if (back && extensions.areNear(index, base - 1)) {
        all.add(Shape.BACK);
      }
      return all;
    }

    private void assignExtreme(Option option, Finger finger, int base, double strain) {
      boolean fits =
          touches.stream()
              .allMatch(
                  t ->
                      t.isOpen()
                          || t.finger() == Finger.FIRST
                              && t.semitone() == base
                              && Math.abs(t.string() - option.string()) == 1);
      if (fits) {
        assignTo(option, finger, base, strain + HandModel.EXTREME_STRAIN);
      }
    }

    private void assignTo(Option option, Finger finger, int base, double strain) {
      if (places.admits(option, finger, base, heed)) {
        touches.add(option.under(finger));
        assign(base, Region.NECK, strain);
        touches.remove(touches.size() - 1);
      }
    }

    /** The finger behind a supported one has nothing else to do. */
    private boolean leavesSupport() {
      for (HandState.Touch t : touches) {
        boolean supported = heed == Heed.ALL && supportedNotes.contains(t.note());
        int behind = t.finger().rank() - 1;
        if (supported
            && (t.finger().rank() < Finger.SECOND.rank()
                || touches.stream().anyMatch(o -> o.finger().rank() == behind))) {
          return false;
        }
      }
      return true;
    }

    private double pairs(int base, Region region) {
      double sum = 0;
      for (int i = 0; region != Region.THUMB && i < touches.size(); i++) {
        for (int j = 0; j < i; j++) {
          HandState.Touch a = touches.get(j);
          HandState.Touch b = touches.get(i);
          sum += pairs.strain(a.finger(), a.semitone(), b.finger(), b.semitone(), base);
          sum += midi(b) - midi(a) == OCTAVE ? pairs.octave(a.finger(), b.finger()) : 0;
        }
      }
      return sum;
    }

    private int midi(HandState.Touch t) {
      return passage.notes().get(t.note()).pitch().midi();
    }

    private boolean canHoldAll(HandState.Touch next, Region region) {
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
  }
}
