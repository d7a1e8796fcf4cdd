package fret.instrument;

/** The four instruments of the family. */
public enum InstrumentType {
  VIOLIN("violin"),
  VIOLA("viola"),
  CELLO("cello"),
  BASS("double bass");

  private final String displayName;

  InstrumentType(String displayName) {
    this.displayName = displayName;
  }

  public String displayName() {
    return displayName;
  }
}
