package fret.engraving;

import fret.engraving.NoteEngraver.Note;
import fret.score.Bar;
import fret.score.Event;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/** Decides which way stems go and how far, which notes share a beam, and sets beams and flags. */
final class StemEngraver {
  private static final double STEM = NoteEngraver.STEM;
  private static final double STEM_LENGTH = 3.5;
  private static final double BEAM = 0.5;
  private static final double BEAM_STEP = 0.75;

  private final Pen pen;
  private final Map<TimeSignature, List<Fraction>> groupStarts = new HashMap<>();
  private final List<List<Note>> groups;

  /** Gives all notes their stems. */
  StemEngraver(Pen pen, List<Note> notes) {
    this.pen = pen;
    for (Note n : notes) {
      n.up =
          inVoices(n)
              ? n.placed.voiceRank() == 0
              : n.placed.event().isGrace() || n.low() + n.high() < 8;
    }
    groups = beamGroups(notes);
    groups.forEach(StemEngraver::shape);
  }

  /** Sets beams and flags. */
  void engrave() {
    groups.forEach(this::beams);
  }

  private static double y(double position) {
    return NoteEngraver.y(position);
  }

  private static boolean inVoices(Note n) {
    return n.placed.voiceCount() > 1;
  }

  /** Groups of notes under one beam; notes without a beam are groups of their own. */
  private List<List<Note>> beamGroups(List<Note> notes) {
    List<List<Note>> groups = new ArrayList<>();
    Map<String, List<Note>> open = new HashMap<>();
    Map<String, String> openKey = new HashMap<>();
    for (Note n : notes) {
      Event e = n.event();
      String voice = e.voice() + e.isGrace() + e.cue();
      String key = groupKey(n);
      List<Note> current = open.get(voice);
      Note last = current == null ? null : current.get(current.size() - 1);
      boolean joins =
          current != null
              && !key.isEmpty()
              && key.equals(openKey.get(voice))
              && (e.isGrace() || last.event().end().equals(e.onset()));
      if (joins) {
        current.add(n);
      } else {
        List<Note> fresh = new ArrayList<>(List.of(n));
        groups.add(fresh);
        open.put(voice, fresh);
        openKey.put(voice, key);
      }
    }
    return groups;
  }

  /** Notes with the same key, one after the other, share a beam: by beats of the metre. */
  private String groupKey(Note n) {
    Event e = n.event();
    Bar bar = n.placed.bar();
    if (e.value().flags() == 0) {
      return "";
    }
    if (e.isGrace()) {
      return bar.index() + "g" + e.onset();
    }
    boolean pickup = bar.start().signum() < 0;
    Fraction lead = pickup ? bar.time().barLength().subtract(bar.length()) : Fraction.ZERO;
    Fraction at = e.onset().subtract(bar.start()).add(lead);
    int group = 0;
    List<Fraction> starts = groupStarts.computeIfAbsent(bar.time(), TimeSignature::groupStarts);
    for (int i = 0; i < starts.size(); i++) {
      group = starts.get(i).compareTo(at) <= 0 ? i : group;
    }
    return bar.index() + "b" + group;
  }

  /** Decides stem direction and stem ends of a group. */
  private static void shape(List<Note> group) {
    Note first = group.get(0);
    if (group.size() > 1 && !inVoices(first) && !first.event().isGrace()) {
      int low = group.stream().mapToInt(Note::low).min().orElse(4);
      int high = group.stream().mapToInt(Note::high).max().orElse(4);
      boolean up = low + high < 8;
      group.forEach(n -> n.up = up);
    }
    for (Note n : group) {
      double length = STEM_LENGTH * n.scale;
      double from = n.up ? y(n.high()) : y(n.low());
      double end = n.up ? from - length : from + length;
      if (group.size() == 1 && !n.event().isGrace()) {
        end = n.up ? Math.min(end, 2) : Math.max(end, 2); // A stem reaches the middle line.
      }
      int extra = Math.max(0, n.event().value().flags() - 2);
      n.stemEndY = end + (n.up ? -1 : 1) * extra * 0.7;
    }
    if (group.size() > 1) {
      slant(group);
    }
  }

  /** Lays the beam along the notes, flat at most one space over its whole length. */
  private static void slant(List<Note> group) {
    Note first = group.get(0);
    Note last = group.get(group.size() - 1);
    boolean up = first.up;
    double rise =
        Math.max(
            -1,
            Math.min(
                1, 0.5 * (y(up ? last.high() : last.low()) - y(up ? first.high() : first.low()))));
    double dx = Math.max(0.1, last.stemX() - first.stemX());
    double offset = up ? Double.MAX_VALUE : -Double.MAX_VALUE;
    for (Note n : group) {
      double along = rise * (n.stemX() - first.stemX()) / dx;
      offset =
          up
              ? Math.min(offset, n.stemEndY + 0.4 - along)
              : Math.max(offset, n.stemEndY - 0.4 - along);
    }
    for (Note n : group) {
      n.stemEndY = offset + rise * (n.stemX() - first.stemX()) / dx;
    }
  }

  private void beams(List<Note> group) {
    if (group.size() == 1) {
      flag(group.get(0));
      return;
    }
    boolean up = group.get(0).up;
    double scale = group.get(0).scale;
    int most = group.stream().mapToInt(n -> n.event().value().flags()).max().orElse(1);
    for (int level = 1; level <= most; level++) {
      double inset = (level - 1) * BEAM_STEP * scale * (up ? 1 : -1);
      int from = -1;
      for (int i = 0; i <= group.size(); i++) {
        boolean in = i < group.size() && group.get(i).event().value().flags() >= level;
        if (in && from >= 0 && breaksBefore(group.get(i), level)) {
          beam(group, from, i - 1, inset + (up ? 1 : -1) * BEAM * scale / 2);
          from = i;
        } else if (in && from < 0) {
          from = i;
        } else if (!in && from >= 0) {
          beam(group, from, i - 1, inset + (up ? 1 : -1) * BEAM * scale / 2);
          from = -1;
        }
      }
    }
  }

  /**
   * Inner beams are broken so that the beats within a long group are seen: the second at quarters,
   * the third and later ones at eighths (E. Gould, "Behind Bars", 2011, chapter "Metre", from
   * memory).
   */
  private static boolean breaksBefore(Note n, int level) {
    if (level < 2 || n.event().isGrace()) {
      return false;
    }
    Bar bar = n.placed.bar();
    boolean compound = bar.time().isCompound();
    Fraction unit = level == 2 ? Fraction.of(compound ? 3 : 2, 8) : Fraction.of(1, 8);
    Fraction beats = n.event().onset().subtract(bar.start()).divide(unit);
    return beats.getDenominator() == 1;
  }

  private void beam(List<Note> group, int from, int to, double inset) {
    Note a = group.get(from);
    Note b = group.get(to);
    double x1 = a.stemX() - STEM / 2;
    double x2 = b.stemX() + STEM / 2;
    double y1 = a.stemEndY;
    double y2 = b.stemEndY;
    if (from == to) {
      // A hook points to its neighbour: back from the last note, forward from the others.
      Note other = group.get(from > 0 ? from - 1 : from + 1);
      double slope = (other.stemEndY - a.stemEndY) / (other.stemX() - a.stemX());
      boolean back = from > 0;
      x1 = back ? a.stemX() - 1.1 : a.stemX();
      x2 = back ? a.stemX() : a.stemX() + 1.1;
      y1 = a.stemEndY + slope * (x1 - a.stemX());
      y2 = a.stemEndY + slope * (x2 - a.stemX());
    }
    pen.add(
        new Primitive.Beam(
            x1, y1 + inset, x2, y2 + inset, BEAM * a.scale, Primitive.Ink.NOTE, a.placed.slice()));
  }

  private void flag(Note n) {
    int flags = n.event().value().flags();
    if (flags == 0 || !n.hasStem()) {
      return;
    }
    MusicGlyph[] upward = {
      MusicGlyph.FLAG_8_UP, MusicGlyph.FLAG_16_UP, MusicGlyph.FLAG_32_UP, MusicGlyph.FLAG_64_UP
    };
    MusicGlyph[] downward = {
      MusicGlyph.FLAG_8_DOWN,
      MusicGlyph.FLAG_16_DOWN,
      MusicGlyph.FLAG_32_DOWN,
      MusicGlyph.FLAG_64_DOWN
    };
    MusicGlyph glyph = (n.up ? upward : downward)[Math.min(flags, 4) - 1];
    pen.glyph(
        glyph, n.stemX() - STEM / 2, n.stemEndY, n.scale, Primitive.Ink.NOTE, n.placed.slice());
    if (n.event().grace() == Event.Grace.SLASHED) {
      pen.line(
          n.stemX() - 0.5,
          n.stemEndY + 1.3,
          n.stemX() + 0.8,
          n.stemEndY + 0.3,
          0.1,
          Primitive.Ink.NOTE,
          n.placed.slice());
    }
  }
}
