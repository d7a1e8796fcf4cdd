package fret.app.view;

/** How words stand at the start of a line. */
final class Texts {
  private Texts() {}

  /** With a capital letter. */
  static String capital(String text) {
    return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }
}
