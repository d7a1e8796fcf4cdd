package fret.session;

import fret.base.Said;
import fret.drill.Approach;
import fret.drill.ApproachLayer;
import fret.drill.Chunk;
import fret.drill.ChunkLayer;
import fret.drill.ExcerptLayer;
import fret.drill.Frame;
import fret.drill.FrameLayer;
import fret.drill.Learned;
import fret.drill.OwnChunkLayer;
import fret.drill.OwnChunkLayer.Own;
import fret.drill.Way;
import fret.mark.Anchor;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.Strand;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * How the player cuts a passage: chunks split, merged, named, ordered and layered, excerpts, frames
 * on the picture of the page. The first cut of the player's own keeps all others as they stand.
 */
public final class ChunkDecisions {
  private final Session session;
  private final List<Chunk> chunks;

  public ChunkDecisions(Session session) {
    this.session = session;
    this.chunks = Learning.chunks(session);
  }

  // ---- cutting -------------------------------------------------------------------------------

  /** The chunk of bars that a note is in. */
  public Optional<Chunk> at(int note) {
    return bars().stream().filter(c -> first(c) <= note && note <= last(c)).findFirst();
  }

  /** The chunk that a note is in ends before it; empty where that is its first note. */
  public Optional<Change> split(int note) {
    int at = firstOfSlice(note);
    Optional<Chunk> found = at(at).filter(c -> first(c) < at);
    if (found.isEmpty()) {
      return Optional.empty();
    }
    Chunk c = found.get();
    List<Piece> pieces = pieces();
    int i = indexOf(pieces, c.id());
    Piece whole = pieces.get(i);
    pieces.set(i, new Piece(id(whole.from(), at - 1, pieces), "", whole.from(), at - 1));
    pieces.add(i + 1, new Piece(id(at, whole.to(), pieces), "", at, whole.to()));
    return changed(Said.of("chunk.split", key(at).pitch(), key(at).bar()), pieces);
  }

  /** A chunk takes in the one that follows it in the music; empty for the last one. */
  public Optional<Change> merge(String id) {
    List<Piece> pieces = pieces();
    int i = indexOf(pieces, id);
    if (i < 0) {
      return Optional.empty();
    }
    Piece a = pieces.get(i);
    Optional<Piece> next = pieces.stream().filter(p -> p.from() == a.to() + 1).findFirst();
    if (next.isEmpty()) {
      return Optional.empty();
    }
    pieces.remove(next.get());
    String fresh = id(a.from(), next.get().to(), pieces);
    pieces.set(indexOf(pieces, id), new Piece(fresh, a.name(), a.from(), next.get().to()));
    return changed(Said.of("chunk.merge", bar(a.from()), bar(next.get().to())), pieces);
  }

  /** A chunk gets a name; an empty one takes it away. */
  public Optional<Change> name(String id, String name) {
    List<Piece> pieces = pieces();
    int i = indexOf(pieces, id);
    if (i < 0) {
      return Optional.empty();
    }
    Piece p = pieces.get(i);
    pieces.set(i, new Piece(p.id(), name.strip(), p.from(), p.to()));
    return changed(Said.of("chunk.name", name.strip()), pieces);
  }

  /**
   * A chunk goes up or down the list: of equal worth, the earlier comes first.
   *
   * @param by -1 up, 1 down
   */
  public Optional<Change> move(String id, int by) {
    List<Piece> pieces = pieces();
    int i = indexOf(pieces, id);
    int to = i + by;
    if (i < 0 || to < 0 || to >= pieces.size()) {
      return Optional.empty();
    }
    pieces.add(to, pieces.remove(i));
    return changed(Said.of("chunk.move"), pieces);
  }

  /** A stretch of notes becomes a chunk, whatever was cut there before. */
  public Optional<Change> cut(int fromNote, int toNote) {
    int from = firstOfSlice(Math.min(fromNote, toNote));
    int to = lastOfSlice(Math.max(fromNote, toNote));
    List<Piece> pieces = new ArrayList<>();
    int at = -1;
    List<Piece> before = pieces();
    for (Piece p : before) {
      boolean apart = p.to() < from || p.from() > to;
      if (apart) {
        pieces.add(p);
        continue;
      }
      at = at < 0 ? pieces.size() : at;
      if (p.from() < from) {
        pieces.add(at++, new Piece(id(p.from(), from - 1, pieces, before), "", p.from(), from - 1));
      }
      if (p.to() > to) {
        pieces.add(new Piece(id(to + 1, p.to(), pieces, before), "", to + 1, p.to()));
      }
    }
    pieces.add(Math.max(0, at), new Piece(id(from, to, pieces, before), "", from, to));
    return changed(Said.of("chunk.cut", bar(from), bar(to)), pieces);
  }

  /** A layer of a chunk is practised by itself, or no more. */
  public Optional<Change> layer(String id, Way way) {
    Optional<Chunk> found = bars().stream().filter(c -> c.id().equals(id)).findFirst();
    if (found.isEmpty() || way == Way.ALL) {
      return Optional.empty();
    }
    Anchor.Stretch stretch = new Anchor.Stretch(found.get().from(), found.get().to());
    Place place = Place.of(stretch).in(way.name().toLowerCase(Locale.ROOT));
    Marks marks = session.passage().marks();
    boolean there = marks.at(OwnChunkLayer.OWN, place).isPresent();
    Own own =
        new Own(id + "-" + way.name().toLowerCase(Locale.ROOT), found.get().name(), way, 1000);
    Marks after = marks.with(OwnChunkLayer.OWN, place, there ? Optional.empty() : Optional.of(own));
    Said name = Said.of(there ? "chunk.layer.off" : "chunk.layer.on", Said.of("way." + way));
    return Optional.of(Change.of(name, marks, after));
  }

  /** Whether a chunk has an upper and a lower line: in chords, voices or a broken chord. */
  public boolean hasLines(Chunk c) {
    List<Slice> inside =
        notes().slices().stream()
            .filter(s -> s.onset().compareTo(c.fromOnset()) >= 0)
            .filter(s -> s.onset().compareTo(c.toOnset()) < 0)
            .toList();
    if (inside.isEmpty()) {
      return false;
    }
    int from = inside.get(0).index();
    int to = inside.get(inside.size() - 1).index();
    return inside.stream().anyMatch(s -> s.starting().size() + s.held().size() > 1)
        || Strands.has(session, from, to, Strand.UPPER)
            && Strands.has(session, from, to, Strand.LOWER);
  }

  /** How a chunk, with all that are like it, is brought up to its tempo; empty where it is so. */
  public Optional<Change> approach(String id, Approach approach) {
    Optional<Learned> found =
        Learned.of(session.resolved(), session.task().tempo(), session.fingering(), chunks).stream()
            .filter(l -> l.ids().contains(id))
            .findFirst();
    if (found.isEmpty()) {
      return Optional.empty();
    }
    Map<Place, Approach> all = new HashMap<>();
    for (Chunk c : chunks) {
      if (found.get().ids().contains(c.id())) {
        all.put(c.place(), c.id().equals(id) && approach != Approach.AS_PLANNED ? approach : null);
      }
    }
    Marks marks = session.passage().marks();
    Change change =
        Change.of(
            Said.of("chunk.approach", Said.of("approach." + approach)),
            marks,
            marks.with(ApproachLayer.APPROACH, all));
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /** What the player said of a chunk. */
  public Approach approach(String id) {
    return chunks.stream()
        .filter(c -> c.id().equals(id))
        .flatMap(c -> session.passage().marks().at(ApproachLayer.APPROACH, c.place()).stream())
        .findFirst()
        .orElse(Approach.AS_PLANNED);
  }

  /** The chunks are those proposed again; empty where they are. */
  public Optional<Change> asProposed() {
    Marks marks = session.passage().marks();
    Map<Place, Own> none = new HashMap<>();
    marks.of(OwnChunkLayer.OWN).keySet().forEach(p -> none.put(p, null));
    Change change =
        Change.of(Said.of("chunk.proposed"), marks, marks.with(OwnChunkLayer.OWN, none));
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /** A chunk by its first and last note. */
  private record Piece(String id, String name, int from, int to) {}

  private List<Chunk> bars() {
    return chunks.stream().filter(c -> c.kind() == Chunk.Kind.BARS).toList();
  }

  private List<Piece> pieces() {
    List<Piece> all = new ArrayList<>();
    bars().forEach(c -> all.add(new Piece(c.id(), c.name(), first(c), last(c))));
    return all;
  }

  private static int indexOf(List<Piece> pieces, String id) {
    for (int i = 0; i < pieces.size(); i++) {
      if (pieces.get(i).id().equals(id)) {
        return i;
      }
    }
    return -1;
  }

  /** The id that just these notes have in the record; else one that no chunk has. */
  @SafeVarargs
  private String id(int from, int to, List<Piece>... also) {
    Map<Place, ChunkLayer.Named> known = session.passage().marks().of(ChunkLayer.CHUNK);
    Set<String> taken = new HashSet<>();
    for (List<Piece> pieces : also) {
      pieces.forEach(p -> taken.add(p.id()));
    }
    Place here = Place.of(new Anchor.Stretch(key(from).key(), key(to).key()));
    if (known.containsKey(here) && !taken.contains(known.get(here).id())) {
      return known.get(here).id();
    }
    chunks.forEach(c -> taken.add(c.id()));
    known.values().forEach(n -> taken.add(n.id()));
    int i = 1;
    while (taken.contains("own-" + i)) {
      i++;
    }
    return "own-" + i;
  }

  private Optional<Change> changed(Said name, List<Piece> pieces) {
    Marks marks = session.passage().marks();
    Map<Place, Own> all = new HashMap<>();
    marks
        .of(OwnChunkLayer.OWN)
        .forEach(
            (place, own) -> {
              if (own.way() == Way.ALL) {
                all.put(place, null);
              }
            });
    for (int i = 0; i < pieces.size(); i++) {
      Piece p = pieces.get(i);
      Anchor.Stretch stretch = new Anchor.Stretch(key(p.from()).key(), key(p.to()).key());
      all.put(Place.of(stretch), new Own(p.id(), p.name(), Way.ALL, i));
    }
    Change change = Change.of(name, marks, marks.with(OwnChunkLayer.OWN, all));
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  // ---- excerpts ------------------------------------------------------------------------------

  /**
   * Some notes are prepared as an excerpt; the same notes again change it.
   *
   * @param perMinute its target in the value that is counted where it begins; 0 for that of the
   *     passage
   * @param audition id of what it is for; 0 for what the passage is for
   */
  public Change excerpt(int fromNote, int toNote, String name, double perMinute, long audition) {
    int from = firstOfSlice(Math.min(fromNote, toNote));
    int to = lastOfSlice(Math.max(fromNote, toNote));
    Marks marks = session.passage().marks();
    Place place = Place.of(new Anchor.Stretch(key(from).key(), key(to).key()));
    Optional<ExcerptLayer.Excerpt> there = marks.at(ExcerptLayer.EXCERPT, place);
    String id = there.map(ExcerptLayer.Excerpt::id).orElseGet(this::freshExcerpt);
    double rate = perMinute * ofPassage(key(from).onset());
    ExcerptLayer.Excerpt made = new ExcerptLayer.Excerpt(id, name.strip(), rate, audition);
    return Change.of(
        Said.of("excerpt.made", bar(from), bar(to)),
        marks,
        marks.with(ExcerptLayer.EXCERPT, place, Optional.of(made)));
  }

  /** The target of an excerpt in the value that is counted where it begins; 0 for the page's. */
  public double target(ExcerptLayer.Excerpt e) {
    return session.passage().marks().of(ExcerptLayer.EXCERPT).entrySet().stream()
        .filter(x -> x.getValue().equals(e))
        .map(x -> ((Anchor.Stretch) x.getKey().anchor()).from())
        .findFirst()
        .map(from -> e.perMinute() / ofPassage(from.onset()))
        .orElse(e.perMinute());
  }

  /** What one beat a minute of a section comes to in the passage's own. */
  private double ofPassage(Fraction onset) {
    return session.passage().settings().target().perMinute()
        / session.task().tempo().at(onset).perMinute();
  }

  /** An excerpt is none any more; its chunks belong to the page. */
  public Optional<Change> withoutExcerpt(String id) {
    Marks marks = session.passage().marks();
    return marks.of(ExcerptLayer.EXCERPT).entrySet().stream()
        .filter(e -> e.getValue().id().equals(id))
        .findFirst()
        .map(
            e ->
                Change.of(
                    Said.of("excerpt.gone", e.getValue().name()),
                    marks,
                    marks.with(ExcerptLayer.EXCERPT, e.getKey(), Optional.empty())));
  }

  private String freshExcerpt() {
    for (int i = 1; ; i++) {
      String id = "excerpt-" + i;
      boolean taken =
          session.passage().marks().of(ExcerptLayer.EXCERPT).values().stream()
              .anyMatch(e -> e.id().equals(id));
      if (!taken) {
        return id;
      }
    }
  }

  // ---- frames --------------------------------------------------------------------------------

  /** The frames of a session's passage. */
  public static List<Frame> frames(Session s) {
    return s.passage().marks().at(FrameLayer.FRAMES, Place.WHOLE).orElse(List.of());
  }

  /** Frames become others; an empty list takes them away. */
  public static Optional<Change> frames(Session s, Said name, UnaryOperator<List<Frame>> edit) {
    Marks marks = s.passage().marks();
    List<Frame> after = List.copyOf(edit.apply(frames(s)));
    Change change =
        Change.of(
            name,
            marks,
            marks.with(
                FrameLayer.FRAMES,
                Place.WHOLE,
                after.isEmpty() ? Optional.empty() : Optional.of(after)));
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /** Notes belong to a frame: the record that it has moves with them. */
  public Change attach(Frame frame, int fromNote, int toNote) {
    int from = firstOfSlice(Math.min(fromNote, toNote));
    int to = lastOfSlice(Math.max(fromNote, toNote));
    Marks marks = session.passage().marks();
    Map<Place, Own> all = new HashMap<>();
    marks
        .of(OwnChunkLayer.OWN)
        .forEach(
            (place, own) -> {
              if (own.id().equals(frame.id())) {
                all.put(place, null);
              }
            });
    all.put(
        Place.of(new Anchor.Stretch(key(from).key(), key(to).key())),
        new Own(frame.id(), frame.name(), Way.ALL, all.size()));
    return Change.of(
        Said.of("frame.attached", bar(from), bar(to)), marks, marks.with(OwnChunkLayer.OWN, all));
  }

  // ---- notes ---------------------------------------------------------------------------------

  private ResolvedPassage notes() {
    return session.resolved();
  }

  private SoundingNote key(int note) {
    return notes().notes().get(note);
  }

  private String bar(int note) {
    return key(note).bar();
  }

  private int first(Chunk c) {
    return firstOfSlice(notes().indexOf(c.from()).orElseThrow());
  }

  private int last(Chunk c) {
    return lastOfSlice(notes().indexOf(c.to()).orElseThrow());
  }

  private int firstOfSlice(int note) {
    List<Integer> all = notes().slices().get(key(note).slice()).starting();
    return all.stream().mapToInt(i -> i).min().orElse(note);
  }

  private int lastOfSlice(int note) {
    List<Integer> all = notes().slices().get(key(note).slice()).starting();
    return all.stream().mapToInt(i -> i).max().orElse(note);
  }
}
