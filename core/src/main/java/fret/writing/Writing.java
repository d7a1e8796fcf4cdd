package fret.writing;

import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LoudnessLine;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/** Signs, dynamics and words on the current note of a draft. */
public final class Writing {
  private static final Pattern METRE = Pattern.compile("(\\d{1,2}(?:\\+\\d{1,2})*)/(\\d{1,2})");

  private Writing() {}

  /** Puts an articulation on, or takes it off. */
  public static Draft articulation(Draft draft, Signs.Articulation which) {
    return draft.change(
        e -> {
          Set<Signs.Articulation> all = EnumSet.noneOf(Signs.Articulation.class);
          all.addAll(e.signs().articulations());
          if (!all.remove(which)) {
            all.add(which);
          }
          return e.withSigns(e.signs().withArticulations(all));
        });
  }

  public static Draft bow(Draft draft, Signs.Bow bow) {
    return draft.change(
        e -> e.withSigns(e.signs().withBow(e.signs().bow() == bow ? Signs.Bow.NONE : bow)));
  }

  /** The next ornament on the current note: trill, trill with termination, turn, mordent, none. */
  public static Draft ornament(Draft draft) {
    List<Signs.Ornament> cycle =
        List.of(
            Signs.Ornament.NONE,
            Signs.Ornament.TRILL,
            Signs.Ornament.TRILL_WITH_TERMINATION,
            Signs.Ornament.TURN,
            Signs.Ornament.MORDENT,
            Signs.Ornament.INVERTED_MORDENT);
    return draft.change(
        e -> {
          int next = (cycle.indexOf(e.signs().ornament()) + 1) % cycle.size();
          return e.withSigns(e.signs().withOrnament(cycle.get(next)));
        });
  }

  public static Draft fermata(Draft draft) {
    return draft.change(e -> e.withSigns(e.signs().withFermata(!e.signs().fermata())));
  }

  /** One stroke more through the stem, up to three. */
  public static Draft tremolo(Draft draft) {
    return draft.change(e -> e.withSigns(e.signs().withTremolo((e.signs().tremolo() + 1) % 4)));
  }

  /** A printed finger on the top note; an empty digit takes it off. */
  public static Draft finger(Draft draft, String digit) {
    return draft.change(
        e -> {
          if (e.isRest()) {
            return e;
          }
          List<Head> heads = new ArrayList<>(e.heads());
          int top = heads.size() - 1;
          heads.set(top, heads.get(top).withPrintedFinger(digit));
          return e.withHeads(heads);
        });
  }

  /**
   * A slur over the selection; without one, from the current note to the next, or off where it
   * stands.
   */
  public static Draft slur(Draft draft) {
    List<Draft.Place> places = draft.selection();
    if (places.isEmpty() || draft.current().isEmpty()) {
      return draft;
    }
    if (places.size() == 1) {
      boolean starts = !draft.current().get().signs().slurStarts().isEmpty();
      return starts ? withoutSlurFrom(draft) : overTwo(draft);
    }
    return span(draft, places.get(0), places.get(places.size() - 1));
  }

  private static Draft overTwo(Draft draft) {
    Draft back = draft.left();
    boolean hasBefore = back.current().isPresent() && !back.at().equals(draft.at());
    return hasBefore ? span(draft, back.at(), draft.at()) : draft;
  }

  private static Draft withoutSlurFrom(Draft draft) {
    Draft cleared =
        draft.change(e -> e.withSigns(e.signs().withSlurs(List.of(), e.signs().slurStops())));
    Draft walk = cleared;
    for (Draft next = walk.right(); !next.at().equals(walk.at()); next = walk.right()) {
      walk = next;
      boolean stops = walk.current().map(e -> !e.signs().slurStops().isEmpty()).orElse(false);
      if (stops) {
        Draft off =
            walk.change(e -> e.withSigns(e.signs().withSlurs(e.signs().slurStarts(), List.of())));
        return new Draft(off.page(), draft.at(), draft.pen(), Optional.empty());
      }
    }
    return cleared;
  }

  private static Draft span(Draft draft, Draft.Place from, Draft.Place to) {
    Draft first =
        new Draft(draft.page(), from, draft.pen(), Optional.empty())
            .change(e -> e.withSigns(e.signs().withSlurs(List.of(1), e.signs().slurStops())));
    Draft inside = first;
    while (inside.right().at().compareTo(to) < 0) {
      inside = inside.right().change(e -> e.withSigns(e.signs().withSlurs(List.of(), List.of())));
    }
    Draft last =
        new Draft(inside.page(), to, draft.pen(), Optional.empty())
            .change(e -> e.withSigns(e.signs().withSlurs(e.signs().slurStarts(), List.of(1))));
    return new Draft(last.page(), draft.at(), draft.pen(), Optional.empty());
  }

  /** A dynamic one step louder (1) or softer (-1) than what stands here or before. */
  public static Draft dynamic(Draft draft, int by) {
    Fraction onset = onset(draft);
    Optional<String> here = dynamicAt(draft, onset);
    int now =
        here.map(LoudnessLine.WORDS::indexOf).orElse(LoudnessLine.MEZZO_FORTE - (by > 0 ? 1 : -1));
    String next =
        LoudnessLine.WORDS.get(Math.max(0, Math.min(LoudnessLine.WORDS.size() - 1, now + by)));
    return direction(
        without(draft, onset, Direction.Kind.DYNAMIC),
        new Direction(onset, Direction.Kind.DYNAMIC, next, 0));
  }

  private static Optional<String> dynamicAt(Draft draft, Fraction onset) {
    return draft.bar().directions().stream()
        .filter(d -> d.kind() == Direction.Kind.DYNAMIC && d.onset().equals(onset))
        .map(Direction::text)
        .filter(LoudnessLine.WORDS::contains)
        .findFirst();
  }

  /** Starts a hairpin at the current note; when one is open before it, ends it there. */
  public static Draft hairpin(Draft draft, Direction.Kind kind) {
    boolean open = false;
    for (Bar bar : draft.page().bars().subList(0, draft.at().bar() + 1)) {
      for (Direction d : bar.directions()) {
        boolean starts =
            d.kind() == Direction.Kind.CRESCENDO || d.kind() == Direction.Kind.DIMINUENDO;
        open = d.kind() != Direction.Kind.HAIRPIN_END && (starts || open);
      }
    }
    return open
        ? direction(draft, new Direction(draft.caret(), Direction.Kind.HAIRPIN_END, "", 0))
        : direction(draft, new Direction(onset(draft), kind, "", 0));
  }

  /**
   * Words, a rehearsal letter or a tempo word over the current note; an empty text takes them off.
   */
  public static Draft words(Draft draft, Direction.Kind kind, String text) {
    Fraction onset = onset(draft);
    Draft cleared = without(draft, onset, kind);
    return text.isBlank()
        ? cleared
        : direction(cleared, new Direction(onset, kind, text.trim(), 0));
  }

  /** Takes every dynamic, word and hairpin at the current note away. */
  public static Draft clearDirections(Draft draft) {
    Fraction onset = onset(draft);
    return draft.bar(
        b ->
            b.withDirections(
                b.directions().stream().filter(d -> !d.onset().equals(onset)).toList()));
  }

  private static Fraction onset(Draft draft) {
    return draft.current().map(Event::onset).orElse(draft.bar().start());
  }

  private static Draft without(Draft draft, Fraction onset, Direction.Kind kind) {
    return draft.bar(
        b ->
            b.withDirections(
                b.directions().stream()
                    .filter(d -> d.kind() != kind || !d.onset().equals(onset))
                    .toList()));
  }

  private static Draft direction(Draft draft, Direction direction) {
    return draft.bar(
        b -> {
          List<Direction> all = new ArrayList<>(b.directions());
          all.add(direction);
          all.sort(java.util.Comparator.comparing(Direction::onset));
          return b.withDirections(all);
        });
  }

  /** Reads {@code 3/4}, {@code 2+3/8}, {@code C} or {@code cut}; empty for any other text. */
  public static Optional<TimeSignature> metre(String text) {
    String plain = text.trim();
    if (plain.equalsIgnoreCase("c")) {
      return Optional.of(new TimeSignature(List.of(4), 4, TimeSignature.Sign.COMMON));
    }
    if (plain.equalsIgnoreCase("cut")) {
      return Optional.of(new TimeSignature(List.of(2), 2, TimeSignature.Sign.CUT));
    }
    Matcher m = METRE.matcher(plain);
    if (!m.matches()) {
      return Optional.empty();
    }
    List<Integer> groups = new ArrayList<>();
    for (String group : m.group(1).split("\\+")) {
      groups.add(Integer.parseInt(group));
    }
    int type = Integer.parseInt(m.group(2));
    boolean fits =
        groups.stream().allMatch(g -> g >= 1 && g <= 64)
            && type >= 1
            && type <= 64
            && Integer.bitCount(type) == 1;
    return fits
        ? Optional.of(new TimeSignature(groups, type, TimeSignature.Sign.NUMBERS))
        : Optional.empty();
  }

  /** The clef that a new page of an instrument starts with. */
  public static Clef usualClef(fret.instrument.InstrumentType type) {
    return switch (type) {
      case VIOLIN -> Clef.TREBLE;
      case VIOLA -> Clef.ALTO;
      case CELLO, BASS -> Clef.BASS;
    };
  }
}
