package fret.app.view;

import fret.app.words.Sentences;
import fret.base.Said;
import java.util.List;
import java.util.Set;

/** How words stand at the start of a line. */
final class Texts {
  private Texts() {}

  /** With a capital letter. */
  static String capital(String text) {
    return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  /**
   * As few traits as tell it apart from those before it, two at least where there are as many.
   *
   * @param names of those before it, to which its own is added
   */
  static String telling(List<Said> traits, Set<String> names) {
    List<String> words = traits.stream().map(Sentences::of).toList();
    String text = "";
    for (int count = Math.min(2, words.size()); count <= words.size(); count++) {
      text = String.join(", ", words.subList(0, count));
      if (names.add(text)) {
        return text;
      }
    }
    return text;
  }
}
