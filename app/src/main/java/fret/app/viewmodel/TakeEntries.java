package fret.app.viewmodel;

import fret.app.viewmodel.TakesModel.Checked;
import fret.app.words.Sentences;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan;
import fret.session.ChunkDecisions;
import fret.session.Covered;
import fret.session.Session;
import fret.session.TakeFindings;
import fret.shelf.Take;
import fret.shelf.Take.Whose;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/** What a take leads to elsewhere, each at one press and never without it. */
public final class TakeEntries {
  private static final int FEW = 2;
  private static final int AROUND = 3;

  private final Studio studio;
  private final Supplier<Optional<Checked>> checked;

  /**
   * @param checked the take that is looked at
   */
  TakeEntries(Studio studio, Supplier<Optional<Checked>> checked) {
    this.studio = studio;
    this.checked = checked;
  }

  /** A finding becomes an entry of the journal. */
  public void toJournal(TakeFindings f) {
    Session s = studio.shown();
    if (s == null || checked.get().isEmpty()) {
      return;
    }
    Take take = checked.get().get().take();
    if (take.whose() != Whose.OWN) {
      studio.tell(Sentences.of("take.not-own"));
      return;
    }
    List<Chunk> chunks = studio.plans().ofOpen().map(e -> e.chunks()).orElse(List.of());
    String chunk =
        Covered.around(s.resolved(), chunks, f.slice())
            .map(Chunk::id)
            .orElse(Covered.stretch(s.resolved(), f.slice(), f.slice()).id());
    studio
        .tries()
        .add(
            new JournalEntry(
                0,
                s.passage().id(),
                take.made().toLocalDate(),
                chunk,
                f.remedy().kind(),
                take.perMinute(),
                Optional.of(s.passage().settings().target().beat()),
                JournalEntry.NOT_KEPT,
                0,
                Verdict.MISSED,
                f.breakage(),
                Sentences.of(f.words())));
    studio.tell(Sentences.of("take.in-journal", f.bar()));
  }

  /**
   * The whole take becomes a run-through of the journal: clean with nothing found, nearly with two
   * things at most; so it counts for what is ready.
   *
   * @param kind a run-through or a mock audition
   */
  public void runToJournal(DrillKind kind) {
    Session s = studio.shown();
    Optional<Checked> now = checked.get();
    if (s == null || now.isEmpty()) {
      return;
    }
    Take take = now.get().take();
    if (take.whose() != Whose.OWN) {
      studio.tell(Sentences.of("take.not-own"));
      return;
    }
    List<TakeFindings> worst = TakeFindings.worst(now.get().findings());
    int count = now.get().findings().size();
    Verdict verdict = count == 0 ? Verdict.CLEAN : count <= FEW ? Verdict.NEARLY : Verdict.MISSED;
    double target = s.passage().settings().target().perMinute();
    studio
        .tries()
        .add(
            new JournalEntry(
                0,
                s.passage().id(),
                take.made().toLocalDate(),
                PracticePlan.WHOLE,
                kind,
                Math.round(target * now.get().report().tempo().times() * 10) / 10.0,
                Optional.of(s.passage().settings().target().beat()),
                0,
                (int) Math.round(take.seconds()),
                verdict,
                worst.isEmpty() ? Breakage.NONE : worst.get(0).breakage(),
                take.name()));
    studio.tell(Sentences.of("take.run-in-journal", Sentences.of("verdict." + verdict)));
  }

  /** The notes around a finding become a chunk that carries the reason as its name. */
  public void chunkOf(TakeFindings f) {
    Session s = studio.shown();
    int last = s.resolved().slices().size() - 1;
    int from = note(s, Math.max(0, f.slice() - AROUND));
    int to = note(s, Math.min(last, f.slice() + AROUND));
    String why = Sentences.of(f.words());
    studio.open().decide(now -> new ChunkDecisions(now).cut(from, to));
    studio
        .open()
        .decide(
            now -> {
              ChunkDecisions chunks = new ChunkDecisions(now);
              return chunks.at(note(now, f.slice())).flatMap(c -> chunks.name(c.id(), why));
            });
    studio.tell(Sentences.of("take.chunk-made", why));
  }

  private static int note(Session s, int slice) {
    return s.resolved().slices().get(slice).starting().get(0);
  }
}
