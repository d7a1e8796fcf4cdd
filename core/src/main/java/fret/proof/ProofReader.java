package fret.proof;

import fret.base.Fractions;
import fret.instrument.Instrument;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.tempo.Beat;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Looks through a page for what is easily misread when it is typed or scanned. A finding is a
 * question, never a correction: nothing changes until the player says so. What counts as likely is
 * common practice, from memory.
 */
public final class ProofReader {
  /** An octave and a half. */
  private static final int WIDE_LEAP = 18;

  private static final int MANY_LEDGER_LINES = 5;
  private static final int FAR_ON_LINE_OF_FIFTHS = 7;
  private static final int FEWEST_FOR_KEY = 4;
  private static final double MOST_OF_THEM = 0.8;

  private final Score page;
  private final Instrument instrument;
  private final List<Event> notes;
  private final List<Finding> found = new ArrayList<>();

  private ProofReader(Score page, Instrument instrument) {
    this.page = page;
    this.instrument = instrument;
    this.notes =
        page.events().stream().filter(e -> !e.isRest() && !e.cue() && !e.isGrace()).toList();
  }

  /** All findings, in order of their place. */
  public static List<Finding> read(Score page, Instrument instrument) {
    ProofReader reader = new ProofReader(page, instrument);
    reader.barLengths();
    reader.range();
    reader.leaps();
    reader.ledgerLines();
    reader.ties();
    reader.slursOverOnePitch();
    reader.carriedAccidentals();
    reader.keySignature();
    reader.farFromKey();
    reader.figures();
    reader.found.sort(Comparator.comparing(Finding::onset).thenComparing(Finding::kind));
    return List.copyOf(reader.found);
  }

  private void add(Finding.Kind kind, Event at, String message, String fix, Score mended) {
    found.add(
        new Finding(kind, bar(at.onset()), at.onset(), message, fix, Optional.ofNullable(mended)));
  }

  private String bar(Fraction onset) {
    return page.barAt(onset).number();
  }

  // ---- bars ------------------------------------------------------------------------------------

  private void barLengths() {
    for (int i = 0; i < page.bars().size(); i++) {
      Bar bar = page.bars().get(i);
      Fraction full = bar.time().barLength();
      Fraction declared = Fractions.min(bar.length(), full);
      Fraction content = Fraction.ZERO;
      for (Event e : bar.events()) {
        content = Fractions.max(content, e.end().subtract(bar.start()));
      }
      int compared = content.compareTo(declared);
      if (compared > 0) {
        Fraction over = content.subtract(declared);
        found.add(
            new Finding(
                Finding.Kind.BAR_LENGTH,
                bar.number(),
                bar.start(),
                "The bar is too long by " + length(over) + ".",
                "",
                Optional.empty()));
      } else if (compared < 0 && (!bar.events().isEmpty() || i + 1 < page.bars().size())) {
        tooShort(bar, content, declared);
      }
    }
  }

  private void tooShort(Bar bar, Fraction content, Fraction declared) {
    Fraction missing = declared.subtract(content);
    String voice = bar.events().stream().map(Event::voice).findFirst().orElse("1");
    List<Event> filled = new ArrayList<>(bar.events());
    boolean whole = addRests(filled, voice, bar.start().add(content), missing);
    Score mended = null;
    if (whole) {
      List<Bar> bars = new ArrayList<>(page.bars());
      bars.set(bars.indexOf(bar), bar.withEvents(filled));
      mended = page.withBars(bars);
    }
    found.add(
        new Finding(
            Finding.Kind.BAR_LENGTH,
            bar.number(),
            bar.start(),
            content.signum() == 0
                ? "The bar is empty."
                : "The bar is too short by " + length(missing) + ".",
            mended == null ? "" : "Fill it with rests",
            Optional.ofNullable(mended)));
  }

  /** Adds rests, the short ones first; false when plain values do not fill it. */
  private static boolean addRests(List<Event> into, String voice, Fraction from, Fraction length) {
    List<NoteValue> values = new ArrayList<>();
    Fraction left = length;
    for (int denominator = 1; denominator <= 64; denominator *= 2) {
      NoteValue value = new NoteValue(denominator, 0);
      while (value.length().compareTo(left) <= 0) {
        values.add(0, value);
        left = left.subtract(value.length());
      }
    }
    Fraction at = from;
    for (NoteValue value : values) {
      into.add(
          new Event(
              voice, at, value.length(), value, List.of(), Event.Grace.NONE, false, Signs.PLAIN));
      at = at.add(value.length());
    }
    return left.signum() == 0;
  }

  private static String length(Fraction length) {
    return new Beat(length).displayName().equals("bar")
        ? Fractions.text(length) + " of a whole note"
        : "a " + new Beat(length).displayName().replace('-', ' ');
  }

  // ---- pitches ---------------------------------------------------------------------------------

  private void range() {
    int lowest = instrument.open(instrument.stringCount()).midi() - instrument.extension();
    int highest = instrument.open(1).midi() + instrument.highestSemitone();
    for (Event e : notes) {
      for (Head h : e.heads()) {
        int midi = h.pitch().plus(page.transposition()).midi();
        boolean plain = h.harmonic() == Head.Harmonic.NONE;
        if (plain && (midi < lowest || midi > highest)) {
          int by = midi < lowest ? 1 : -1;
          String name = instrument.type().displayName();
          add(
              Finding.Kind.OUT_OF_RANGE,
              e,
              h.pitch() + " lies " + (by > 0 ? "below" : "above") + " the " + name + ".",
              by > 0 ? "Move it an octave up" : "Move it an octave down",
              Edits.event(page, e, x -> Edits.pitches(x, p -> Edits.octaves(p, by))));
        }
      }
    }
  }

  /** A leap of more than an octave and a half may be a clef that was passed over. */
  private void leaps() {
    for (int i = 1; i < notes.size(); i++) {
      Event a = notes.get(i - 1);
      Event b = notes.get(i);
      int leap = top(b).midi() - top(a).midi();
      boolean single = a.heads().size() == 1 && b.heads().size() == 1;
      if (single && a.voice().equals(b.voice()) && Math.abs(leap) > WIDE_LEAP) {
        int until = leapBack(i, leap);
        Fraction end = until < notes.size() ? notes.get(until).onset() : page.end();
        int by = leap > 0 ? -1 : 1;
        add(
            Finding.Kind.CLEF_MISSED,
            b,
            "A leap from " + top(a) + " to " + top(b) + ": was a change of clef missed?",
            "Move what follows an octave " + (by > 0 ? "up" : "down") + ", to bar " + bar(end),
            Edits.events(
                page,
                (bar, e) ->
                    e.onset().compareTo(b.onset()) >= 0
                        && e.onset().compareTo(end) < 0
                        && e.voice().equals(b.voice()),
                x -> Edits.pitches(x, p -> Edits.octaves(p, by))));
      }
    }
  }

  private int leapBack(int from, int leap) {
    int i = from + 1;
    while (i < notes.size()) {
      int back = top(notes.get(i)).midi() - top(notes.get(i - 1)).midi();
      if (Math.abs(back) > WIDE_LEAP && Integer.signum(back) != Integer.signum(leap)) {
        return i;
      }
      i++;
    }
    return i;
  }

  private static Pitch top(Event e) {
    return e.heads().get(e.heads().size() - 1).pitch();
  }

  /** Notes very far above the stave are usually printed under an 8va line. */
  private void ledgerLines() {
    int octaves = 0;
    boolean told = false;
    for (Bar bar : page.bars()) {
      for (Event e : bar.events()) {
        octaves = octavesAt(bar, e.onset(), octaves);
        if (e.isRest() || e.cue()) {
          continue;
        }
        int position = bar.clefAt(e.onset()).staffPosition(top(e)) - 7 * octaves;
        boolean far = position >= 8 + 2 * MANY_LEDGER_LINES;
        if (far && !told) {
          add(
              Finding.Kind.OCTAVE_LINE,
              e,
              top(e) + " needs " + (position - 8) / 2 + " ledger lines: is it under an 8va line?",
              "",
              null);
        }
        told = far;
      }
      octaves = octavesAt(bar, bar.end(), octaves);
    }
  }

  private static int octavesAt(Bar bar, Fraction onset, int before) {
    int octaves = before;
    for (Direction d : bar.directions()) {
      if (d.onset().compareTo(onset) <= 0) {
        octaves =
            d.kind() == Direction.Kind.OCTAVE_LINE
                ? (int) d.number()
                : d.kind() == Direction.Kind.OCTAVE_LINE_END ? 0 : octaves;
      }
    }
    return octaves;
  }

  // ---- ties and slurs --------------------------------------------------------------------------

  private Optional<Event> next(Event e) {
    return notes.stream()
        .filter(n -> n.onset().equals(e.end()) && n.voice().equals(e.voice()))
        .findFirst();
  }

  private void ties() {
    for (Event e : notes) {
      for (Head h : e.heads()) {
        if (!h.tieStart()) {
          continue;
        }
        Optional<Event> after = next(e);
        boolean meets =
            after
                .map(a -> a.heads().stream().anyMatch(x -> x.pitch().equals(h.pitch())))
                .orElse(false);
        if (!meets) {
          add(
              Finding.Kind.TIE_OR_SLUR,
              e,
              "The tie from " + h.pitch() + " meets no " + h.pitch() + ".",
              after.isPresent() ? "Make it a slur" : "Take the tie away",
              slurInstead(e, after));
        }
      }
    }
  }

  private Score slurInstead(Event e, Optional<Event> after) {
    Score untied =
        Edits.event(
            page,
            e,
            x -> {
              Event free =
                  x.withHeads(x.heads().stream().map(h -> h.withTies(false, h.tieStop())).toList());
              return after.isPresent()
                  ? free.withSigns(free.signs().withSlurs(List.of(1), free.signs().slurStops()))
                  : free;
            });
    return after
        .map(
            a ->
                Edits.event(
                    untied,
                    a,
                    x -> {
                      List<Head> heads =
                          x.heads().stream().map(h -> h.withTies(h.tieStart(), false)).toList();
                      return x.withHeads(heads)
                          .withSigns(x.signs().withSlurs(x.signs().slurStarts(), List.of(1)));
                    }))
        .orElse(untied);
  }

  /** A slur over two notes of one pitch, and nothing else, is usually a tie. */
  private void slursOverOnePitch() {
    for (Event e : notes) {
      Optional<Event> after = next(e);
      boolean slur =
          e.heads().size() == 1
              && e.signs().slurStarts().size() == 1
              && after.isPresent()
              && after.get().heads().size() == 1
              && after.get().signs().slurStops().equals(e.signs().slurStarts());
      boolean plain =
          slur
              && e.signs().articulations().isEmpty()
              && after.get().signs().articulations().isEmpty();
      if (plain && top(e).equals(top(after.get()))) {
        Event second = after.get();
        Score first =
            Edits.event(
                page,
                e,
                x ->
                    tied(x, true).withSigns(x.signs().withSlurs(List.of(), x.signs().slurStops())));
        add(
            Finding.Kind.TIE_OR_SLUR,
            e,
            "A slur over " + top(e) + " twice: is it a tie?",
            "Make it a tie",
            Edits.event(
                first,
                second,
                x ->
                    tied(x, false)
                        .withSigns(x.signs().withSlurs(x.signs().slurStarts(), List.of()))));
      }
    }
  }

  private static Event tied(Event e, boolean start) {
    return e.withHeads(
        e.heads().stream()
            .map(h -> h.withTies(start || h.tieStart(), !start || h.tieStop()))
            .toList());
  }

  // ---- accidentals and key ---------------------------------------------------------------------

  /** A sign holds for its own octave only; the same letter in another octave is easily missed. */
  private void carriedAccidentals() {
    for (Bar bar : page.bars()) {
      Map<Step, Pitch> altered = new EnumMap<>(Step.class);
      for (Event e : bar.events()) {
        for (Head h : e.heads()) {
          Pitch p = h.pitch();
          Pitch before = altered.get(p.step());
          boolean inKey = p.alter() == bar.key().alterOf(p.step());
          if (before != null && inKey && before.octave() != p.octave()) {
            add(
                Finding.Kind.CARRIED_ACCIDENTAL,
                e,
                p + " after " + before + " in the same bar: does the sign hold here too?",
                "Make it " + new Pitch(p.step(), before.alter(), p.octave()),
                Edits.event(
                    page,
                    e,
                    x ->
                        Edits.pitches(
                            x,
                            q ->
                                q.equals(p)
                                    ? new Pitch(q.step(), before.alter(), q.octave())
                                    : q)));
          } else if (!inKey) {
            altered.put(p.step(), p);
          }
        }
      }
    }
  }

  /** Where nearly every note of a letter carries the next sign of the key, it may be forgotten. */
  private void keySignature() {
    Bar first = page.bars().get(0);
    KeySignature key = first.key();
    boolean oneKey = page.bars().stream().allMatch(b -> b.key().equals(key));
    for (int sign = -1; oneKey && sign <= 1; sign += 2) {
      int fifths = key.fifths();
      while (Math.abs(fifths + sign) <= 7 && nearlyAll(new KeySignature(fifths + sign), sign)) {
        fifths += sign;
      }
      if (fifths != key.fifths() && fifths * sign > 0) {
        KeySignature meant = new KeySignature(fifths);
        Step last = meant.alteredSteps().get(meant.alteredSteps().size() - 1);
        List<Bar> bars = page.bars().stream().map(b -> inKey(b, meant)).toList();
        found.add(
            new Finding(
                Finding.Kind.KEY_SIGNATURE,
                first.number(),
                first.start(),
                "Nearly every "
                    + last
                    + (sign > 0 ? " is sharp" : " is flat")
                    + ": was the key signature forgotten?",
                "Write " + Math.abs(fifths) + (sign > 0 ? " sharps" : " flats"),
                Optional.of(page.withBars(bars))));
      }
    }
  }

  private boolean nearlyAll(KeySignature key, int sign) {
    if (key.fifths() * sign <= 0) {
      return false;
    }
    Step added = key.alteredSteps().get(key.alteredSteps().size() - 1);
    long all = heads().filter(h -> h.pitch().step() == added).count();
    long altered =
        heads().filter(h -> h.pitch().step() == added && h.pitch().alter() == sign).count();
    return all >= FEWEST_FOR_KEY && altered >= MOST_OF_THEM * all;
  }

  private java.util.stream.Stream<Head> heads() {
    return notes.stream().flatMap(e -> e.heads().stream());
  }

  private static Bar inKey(Bar b, KeySignature key) {
    return new Bar(
        b.index(),
        b.number(),
        b.start(),
        b.length(),
        b.time(),
        key,
        b.clef(),
        b.clefChanges(),
        b.events(),
        b.directions(),
        b.repeatStart(),
        b.repeatEnd(),
        b.endings(),
        b.line());
  }

  private void farFromKey() {
    for (Event e : notes) {
      KeySignature key = page.barAt(e.onset()).key();
      for (Head h : e.heads()) {
        Pitch p = h.pitch();
        Pitch other = Pitch.ofMidi(p.midi(), key);
        boolean far = Math.abs(distance(p, key)) > FAR_ON_LINE_OF_FIFTHS;
        if (far
            && !other.equals(p)
            && Math.abs(distance(other, key)) < Math.abs(distance(p, key))) {
          add(
              Finding.Kind.FAR_FROM_KEY,
              e,
              p + " lies far from the key.",
              "Write " + other,
              Edits.event(page, e, x -> Edits.pitches(x, q -> q.equals(p) ? other : q)));
        }
      }
    }
  }

  /** Fifths from the middle of the key's seven notes. */
  private static double distance(Pitch p, KeySignature key) {
    int natural =
        switch (p.step()) {
          case F -> -1;
          case C -> 0;
          case G -> 1;
          case D -> 2;
          case A -> 3;
          case E -> 4;
          case B -> 5;
        };
    return natural + 7 * p.alter() - key.fifths() - 2.0;
  }

  // ---- figures ---------------------------------------------------------------------------------

  /** A beat that repeats the one before but for one note may be a slip. */
  private void figures() {
    Map<Fraction, List<Event>> beats = new HashMap<>();
    List<Fraction> order = new ArrayList<>();
    for (Event e : notes) {
      Bar bar = page.barAt(e.onset());
      Fraction group = bar.start();
      for (Fraction start : bar.time().groupStarts()) {
        Fraction at = bar.start().add(start);
        group = at.compareTo(e.onset()) <= 0 ? at : group;
      }
      if (!beats.containsKey(group)) {
        order.add(group);
      }
      beats.computeIfAbsent(group, g -> new ArrayList<>()).add(e);
    }
    for (int i = 1; i + 1 < order.size(); i++) {
      List<Event> before = beats.get(order.get(i - 1));
      List<Event> here = beats.get(order.get(i));
      List<Event> after = beats.get(order.get(i + 1));
      oddOneOut(before, here)
          .filter(n -> oddOneOut(before, after).isEmpty() && same(before, after))
          .ifPresent(n -> differs(here.get(n), before.get(n)));
    }
  }

  private void differs(Event odd, Event model) {
    add(
        Finding.Kind.FIGURE_DIFFERS,
        odd,
        top(odd) + " where the same figure around it has " + top(model) + ".",
        "Make it " + top(model),
        Edits.event(page, odd, x -> x.withHeads(model.heads())));
  }

  private static boolean same(List<Event> a, List<Event> b) {
    return a.size() == b.size() && unlike(a, b).isEmpty();
  }

  private static Optional<Integer> oddOneOut(List<Event> a, List<Event> b) {
    if (a.size() != b.size() || a.size() < 3) {
      return Optional.empty();
    }
    List<Integer> unlike = unlike(a, b);
    return unlike.size() == 1 ? Optional.of(unlike.get(0)) : Optional.empty();
  }

  private static List<Integer> unlike(List<Event> a, List<Event> b) {
    List<Integer> unlike = new ArrayList<>();
    for (int i = 0; i < a.size(); i++) {
      boolean rhythm = a.get(i).value().equals(b.get(i).value());
      boolean pitch =
          a.get(i).heads().stream()
              .map(Head::pitch)
              .toList()
              .equals(b.get(i).heads().stream().map(Head::pitch).toList());
      if (!rhythm || !pitch) {
        unlike.add(i);
      }
    }
    return unlike;
  }
}
