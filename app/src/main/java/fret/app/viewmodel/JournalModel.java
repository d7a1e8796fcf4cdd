package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Outcome;
import fret.base.Said;
import fret.drill.Chunk;
import fret.drill.ChunkLayer;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.JournalTable;
import fret.journal.Verdict;
import fret.mark.Anchor;
import fret.plan.PracticePlan;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.session.Covered;
import fret.session.Session;
import fret.shelf.Planning;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongFunction;

/** The record: found, counted, mended. */
public final class JournalModel {
  /** How often something broke. */
  public record Broken(Breakage what, int times) {}

  /**
   * Where something breaks.
   *
   * @param from first moment, {@code to} the last one
   */
  public record Weak(int from, int to, String label) {}

  /**
   * Which tries are looked at; what is empty is not asked.
   *
   * @param days of the last so many days; 0 for all
   */
  public record Filter(
      Optional<Long> passage,
      Optional<String> chunk,
      Optional<Verdict> verdict,
      Optional<Breakage> broke,
      int days) {
    boolean takes(JournalEntry e, LocalDate today) {
      return passage.map(p -> p == e.passageId()).orElse(true)
          && chunk.map(c -> c.equals(e.chunkId())).orElse(true)
          && verdict.map(v -> v == e.verdict()).orElse(true)
          && broke.map(b -> b == e.breakage()).orElse(true)
          && (days == 0 || e.date().isAfter(today.minusDays(days)));
    }
  }

  private final Studio studio;

  public JournalModel(Studio studio) {
    this.studio = studio;
  }

  /** A chunk's name; its id where it is not there any more. */
  public String chunkName(JournalEntry e) {
    Planning p = studio.plans().plannedProperty().get();
    String name =
        Optional.ofNullable(p)
            .flatMap(x -> x.of(e.passageId()))
            .map(x -> Words.unit(x.learning(), e.chunkId()))
            .orElse("");
    if (!name.isEmpty()) {
      return name;
    }
    if (PracticePlan.isRun(e.chunkId())) {
      return Sentences.of("practise.the-whole");
    }
    if (e.chunkId().startsWith("run-")) {
      String[] bars = e.chunkId().substring("run-".length()).split("-", 2);
      return Sentences.of("practise.run.bars", bars[0], bars[bars.length - 1]);
    }
    return named(e)
        .map(s -> Sentences.of("journal.gone", bars(e.passageId(), s)))
        .orElse(e.chunkId().replace('-', ' '));
  }

  /** The notes that were practised under an id, though no chunk is cut so any more. */
  private Optional<Anchor.Stretch> named(JournalEntry e) {
    return studio.passage(e.passageId()).stream()
        .flatMap(p -> p.marks().of(ChunkLayer.CHUNK).entrySet().stream())
        .filter(m -> m.getValue().id().equals(e.chunkId()))
        .map(m -> (Anchor.Stretch) m.getKey().anchor())
        .findFirst();
  }

  private String bars(long passage, Anchor.Stretch s) {
    String from = bar(passage, s.from().barIndex());
    String to = bar(passage, s.to().barIndex());
    return from.equals(to) ? Sentences.of("chunk.bar", from) : Sentences.of("chunk.bars", from, to);
  }

  /** The printed number where the page is open, else the place of the bar. */
  private String bar(long passage, int index) {
    Session open = studio.session();
    return Optional.ofNullable(open)
        .filter(s -> s.passage().id() == passage)
        .flatMap(s -> s.page().bars().stream().filter(b -> b.index() == index).findFirst())
        .map(b -> b.number())
        .orElse(String.valueOf(index + 1));
  }

  /** Tries in which every word of a search is found, oldest first. */
  public List<JournalEntry> found(String search, Filter filter, LongFunction<String> title) {
    String[] words = search.strip().toLowerCase(Locale.ROOT).split("\\s+");
    List<JournalEntry> all = new ArrayList<>();
    for (JournalEntry e : studio.journal()) {
      String text = text(e, title.apply(e.passageId()));
      boolean hit = true;
      for (String w : words) {
        hit &= text.contains(w);
      }
      if (hit && filter.takes(e, studio.today())) {
        all.add(e);
      }
    }
    return all;
  }

  private String text(JournalEntry e, String title) {
    return String.join(
            " ",
            e.date().toString(),
            title,
            chunkName(e),
            Sentences.of("drill." + e.drill().id()),
            Sentences.of("verdict." + e.verdict()),
            e.breakage() == Breakage.NONE ? "" : Sentences.of("broke." + e.breakage()),
            e.note())
        .toLowerCase(Locale.ROOT);
  }

  // ---- mending -------------------------------------------------------------------------------

  public void correct(JournalEntry before, JournalEntry after) {
    studio.tries().correct(before, after);
  }

  public void remove(JournalEntry e) {
    studio.tries().remove(List.of(e));
  }

  /**
   * A run-through of the open passage that was played without the program, to be mended as it was.
   *
   * @return false where no passage is open
   */
  public boolean addByHand() {
    Session s = studio.shown();
    if (s == null) {
      return false;
    }
    studio
        .tries()
        .add(
            new JournalEntry(
                0,
                s.passage().id(),
                studio.today(),
                PracticePlan.WHOLE,
                DrillKind.RUN_THROUGH,
                s.passage().settings().target().perMinute(),
                Optional.of(s.passage().settings().target().beat()),
                JournalEntry.NOT_KEPT,
                60,
                Verdict.NEARLY,
                Breakage.NONE,
                ""));
    return true;
  }

  // ---- what it says --------------------------------------------------------------------------

  private List<JournalEntry> ofOpen() {
    Session s = studio.shown();
    return s == null
        ? List.of()
        : studio.journal().stream().filter(e -> e.passageId() == s.passage().id()).toList();
  }

  /** What broke in the open passage, the most frequent first. */
  public List<Broken> mostBroken() {
    Map<Breakage, Integer> count = new EnumMap<>(Breakage.class);
    ofOpen().stream()
        .filter(e -> e.breakage() != Breakage.NONE)
        .forEach(e -> count.merge(e.breakage(), 1, Integer::sum));
    return count.entrySet().stream()
        .map(e -> new Broken(e.getKey(), e.getValue()))
        .sorted(Comparator.comparingInt(Broken::times).reversed())
        .toList();
  }

  /** The chunks of the open passage in which something breaks, with what breaks there most. */
  public List<Weak> weakBars() {
    Session s = studio.shown();
    Optional<Planning.Entry> entry = studio.plans().ofOpen();
    List<Weak> all = new ArrayList<>();
    if (s == null || entry.isEmpty()) {
      return all;
    }
    Map<String, Map<Breakage, Integer>> broken = new HashMap<>();
    for (JournalEntry e : ofOpen()) {
      if (e.breakage() != Breakage.NONE) {
        broken
            .computeIfAbsent(e.chunkId(), c -> new EnumMap<>(Breakage.class))
            .merge(e.breakage(), 1, Integer::sum);
      }
    }
    // The plan may be of the page as it was before the change that is shown.
    List<Chunk> there =
        entry.get().chunks().stream().filter(c -> Covered.isIn(s.resolved(), c)).toList();
    List<Chunk> breaking = there.stream().filter(c -> broken.containsKey(c.id())).toList();
    for (Chunk c : there) {
      if (c.kind() == Chunk.Kind.BARS) {
        weak(s.resolved(), c, breaking, broken).ifPresent(all::add);
      }
    }
    return all;
  }

  /** What breaks most in a chunk and in what is cut within it. */
  private static Optional<Weak> weak(
      ResolvedPassage passage,
      Chunk c,
      List<Chunk> breaking,
      Map<String, Map<Breakage, Integer>> broken) {
    Map<Breakage, Integer> count = new EnumMap<>(Breakage.class);
    int to = slice(passage, c.to());
    for (Chunk part : breaking) {
      // What is cut around a shift or a join belongs to the bars in which it begins.
      if (part.fromOnset().compareTo(c.fromOnset()) >= 0 && slice(passage, part.from()) <= to) {
        broken.get(part.id()).forEach((what, times) -> count.merge(what, times, Integer::sum));
      }
    }
    return count.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(
            b ->
                new Weak(
                    slice(passage, c.from()),
                    to,
                    Sentences.of(
                        "journal.here", Sentences.of("broke." + b.getKey()), b.getValue())));
  }

  private static int slice(ResolvedPassage passage, NoteKey key) {
    return passage.notes().get(passage.indexOf(key).orElseThrow()).slice();
  }

  /** The whole record as a table, newest last; the first row is the heading. */
  public List<List<String>> table(LongFunction<String> title) {
    return JournalTable.rows(studio.journal(), title);
  }

  /** Tries of a table are added to the record; it can be taken back as one. */
  public void bringIn(String name, byte[] bytes) {
    Map<String, Long> passages = new HashMap<>();
    studio.passages().forEach(p -> passages.putIfAbsent(p.settings().title(), p.id()));
    List<JournalEntry> known = List.copyOf(studio.journal());
    studio
        .paper()
        .table(
            name,
            bytes,
            rows -> {
              Outcome<List<JournalEntry>> read = JournalTable.read(rows, passages, known);
              studio
                  .tries()
                  .add(
                      Said.of("deed.tries.brought", read.value().size(), name),
                      read.value(),
                      stored -> {});
              studio.tell(
                  Sentences.of("journal.brought-in", read.value().size(), read.problems().size()));
              read.problems().stream().findFirst().ifPresent(studio::report);
            });
  }
}
