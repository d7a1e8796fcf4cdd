package fret.take;

/**
 * Something that a take shows.
 *
 * @param fault what, where and how much
 * @param confidence 0 to 1
 */
public record Finding(Fault fault, double confidence) {
  public Fault.Kind kind() {
    return fault.kind();
  }

  public int moment() {
    return fault.moment();
  }

  public double amount() {
    return fault.amount();
  }
}
