package fret.lane;

import static org.assertj.core.api.Assertions.assertThat;

import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.PlainMetrics;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.StripEngraver;
import fret.search.Token;
import fret.session.Lines;
import fret.session.Session;
import fret.session.Strands;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The ring of a cadence in broken chords, a bar each, and of a pedal. */
class RingLaneTest {
  private static final double HEIGHT = 12;

  private static LaneDrawing drawn(Session s) {
    Axis axis = Axis.of(StripEngraver.engrave(s.resolved(), List.of(), PlainMetrics.BOXES));
    return Lanes.of("ring").orElseThrow().draw(s.laneInput(), axis, PlainMetrics.BOXES, HEIGHT);
  }

  private static String texts(LaneDrawing d, Ink ink) {
    return d.primitives().stream()
        .filter(Primitive.Text.class::isInstance)
        .map(Primitive.Text.class::cast)
        .filter(t -> t.ink() == ink)
        .map(Primitive.Text::text)
        .collect(Collectors.joining(" "));
  }

  @Test
  void chordsAndWhereADroneChangesStandOverIt() {
    LaneDrawing d =
        drawn(
            Lines.session(
                "C4 E4 G4 C5 E5 C5 G4 E4 F4 A4 C5 F5 A5 F5 C5 A4 "
                    + "G4 B4 D5 G5 B5 G5 D5 B4 C5 G4 E4 G4 C5 G4 E4 C4"));
    assertThat(texts(d, Ink.TIME)).isEqualTo("I IV V I");
    assertThat(texts(d, Ink.FAINT)).isEqualTo("C F G C");
  }

  @Test
  void aMarkedLineIsJoinedFromNoteToNote() {
    Session s = Lines.session("F#5 D4 G5 D4 A5 D4 G5 D4");
    LaneDrawing plain = drawn(s);
    Session marked = s.after(s.step(Strands.propose(s))).computed(Token.NEVER);
    LaneDrawing joined = drawn(marked);
    List<Primitive> before = plain.primitives();
    assertThat(joined.primitives()).hasSize(before.size() + 3); // four notes over the pedal
    assertThat(joined.spoken()).isEqualTo(plain.spoken());
  }
}
