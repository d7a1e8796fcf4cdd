package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.base.Said;
import fret.passage.Details;
import fret.proof.Finding;
import fret.proof.ProofReader;
import fret.score.Score;
import fret.session.Session;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Reads the open page for likely misreadings, and mends or accepts them. */
public final class Proofing {
  /** What proof-reading found on a page. */
  public record Proof(Score page, List<Finding> findings) {}

  private final Studio studio;
  private final ReadOnlyObjectWrapper<Proof> proof =
      new ReadOnlyObjectWrapper<>(new Proof(null, List.of()));

  Proofing(Studio studio) {
    this.studio = studio;
  }

  void read(Session made) {
    Score page = made.page();
    studio.compute(
        "proof",
        Rank.BEHIND,
        token -> new Proof(page, ProofReader.read(page, made.task().hand().instrument())),
        () -> true,
        proof::set);
  }

  /** Likely misreadings that were not accepted, with the page they were found on. */
  public ReadOnlyObjectProperty<Proof> proofProperty() {
    return proof.getReadOnlyProperty();
  }

  /** Mends the page as a finding proposes. */
  public void mend(Finding finding) {
    Proof now = proof.get();
    if (now.page().equals(studio.session().page()) && finding.mended().isPresent()) {
      studio.writePage(
          Said.of("proof.mended", finding.fix(), finding.bar()), finding.mended().get());
    }
  }

  /**
   * Whether the player said that a finding is right as it is. Libraries of before know it by the
   * sentence that was shown.
   */
  public static boolean isAccepted(Details details, Finding finding) {
    String before =
        finding.kind()
            + "|"
            + finding.bar()
            + "|"
            + finding.onset()
            + "|"
            + Sentences.of(finding.message()).hashCode();
    return details.accepted().contains(finding.id()) || details.accepted().contains(before);
  }

  /** The finding is right as it is and is not asked again. */
  public void accept(Finding finding) {
    studio.changeSettings(
        Said.of("proof.accepted", finding.bar()),
        s -> s.withDetails(s.details().accepting(finding.id())));
  }
}
