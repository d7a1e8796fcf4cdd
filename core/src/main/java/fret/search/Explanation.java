package fret.search;

import java.util.ArrayList;
import java.util.List;

/**
 * What a path's effort is made of. Computed with the terms that priced it, so its shares sum to the
 * path's effort.
 *
 * @param shares one per term, in the terms' order
 */
public record Explanation(double effort, List<Share> shares) {
  /**
   * One term's share.
   *
   * @param quantity sum of the amounts, in {@code unit}
   * @param effort weight times quantity
   * @param causes where it came from, in order
   */
  public record Share(String id, String unit, double quantity, double effort, List<Cause> causes) {
    public Share {
      causes = List.copyOf(causes);
    }
  }

  /** One amount above 0 and the layer at which it arose. */
  public record Cause(int layer, double quantity, double effort) {}

  /** What a term gains (negative) or loses (positive) in effort against another explanation. */
  public record Difference(String id, String unit, double quantity, double effort) {}

  public Explanation {
    shares = List.copyOf(shares);
  }

  /** Explains a sequence of choices. */
  public static <S> Explanation of(List<Weighted<S>> terms, List<S> states) {
    List<Share> shares = new ArrayList<>();
    double total = 0;
    for (Weighted<S> w : terms) {
      List<Cause> causes = new ArrayList<>();
      double quantity = 0;
      for (int i = 0; i < states.size(); i++) {
        double amount = w.term().amount(i == 0 ? null : states.get(i - 1), states.get(i));
        if (amount != 0) {
          causes.add(new Cause(i, amount, amount * w.weight()));
          quantity += amount;
        }
      }
      total += quantity * w.weight();
      shares.add(
          new Share(w.term().id(), w.term().unit(), quantity, quantity * w.weight(), causes));
    }
    return new Explanation(total, shares);
  }

  /** The same with another share of one of its terms. */
  public Explanation with(Share other) {
    List<Share> all = new ArrayList<>();
    double total = effort;
    for (Share s : shares) {
      boolean replaced = s.id().equals(other.id());
      total += replaced ? other.effort() - s.effort() : 0;
      all.add(replaced ? other : s);
    }
    return new Explanation(total, all);
  }

  /** The effort of one term; 0 for a term that is not in it. */
  public double effortOf(String id) {
    return shares.stream().filter(s -> s.id().equals(id)).mapToDouble(Share::effort).sum();
  }

  /** The shares that arose at one layer, those with effort only. */
  public List<Share> at(int layer) {
    List<Share> here = new ArrayList<>();
    for (Share s : shares) {
      List<Cause> causes = s.causes().stream().filter(c -> c.layer() == layer).toList();
      double quantity = causes.stream().mapToDouble(Cause::quantity).sum();
      double effort = causes.stream().mapToDouble(Cause::effort).sum();
      if (effort > 0) {
        here.add(new Share(s.id(), s.unit(), quantity, effort, causes));
      }
    }
    return here;
  }

  /** Term by term, this minus the other; terms that do not differ are left out. */
  public List<Difference> minus(Explanation other) {
    List<Difference> differences = new ArrayList<>();
    for (int i = 0; i < shares.size(); i++) {
      Share mine = shares.get(i);
      Share theirs = other.shares.get(i);
      if (!mine.id().equals(theirs.id())) {
        throw new IllegalArgumentException("explanations of different terms");
      }
      if (Math.abs(mine.effort() - theirs.effort()) > 1e-9) {
        differences.add(
            new Difference(
                mine.id(),
                mine.unit(),
                mine.quantity() - theirs.quantity(),
                mine.effort() - theirs.effort()));
      }
    }
    return differences;
  }
}
