package fret.app.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Every word of the window is a player's plain word, or is explained. */
class TermsTest {
  private static final Path PLAIN = Path.of("src/test/resources/fret/app/words/plain.txt");
  private static final Path PAGE = Path.of("../docs/words.md");
  private static final Pattern WORD = Pattern.compile("[A-Za-z][a-z]+(?:-[a-z]+)*");

  /** Words of the program's own making that were replaced. */
  private static final List<String> REPLACED =
      List.of("rung", "rungs", "notch", "ladder", "plane", "haste", "aim in bits", "1 days");

  private static Set<String> shownWords() {
    Set<String> words = new TreeSet<>();
    for (String id : Sentences.ids()) {
      String text = Sentences.find(id).orElseThrow().replaceAll("\\{[0-9]+}", " ");
      WORD.matcher(text).results().forEach(m -> words.add(m.group().toLowerCase(Locale.ROOT)));
    }
    return words;
  }

  private static Set<String> explained() {
    return Terms.all().keySet().stream()
        .flatMap(t -> Arrays.stream(t.split("[ -]")))
        .flatMap(w -> java.util.stream.Stream.of(w, w + "s", w + "es"))
        .collect(Collectors.toSet());
  }

  @Test
  void theWordsOfATextAreFoundInTheirForms() {
    assertThat(Terms.in("Double stops and a guide note"))
        .containsExactly("double stop", "guide note");
    assertThat(Terms.in("The shifts, retaken")).containsExactly("shift");
    assertThat(Terms.in("Undo")).isEmpty();
  }

  @Test
  void everyWordIsPlainOrExplained() throws IOException {
    Set<String> known = new TreeSet<>(Files.readAllLines(PLAIN));
    known.addAll(explained());
    Set<String> unknown = shownWords();
    unknown.removeAll(known);
    assertThat(unknown)
        .as("explain these in terms.properties, or add plain ones to the list")
        .isEmpty();
  }

  @Test
  void whatWasReplacedStandsNowhere() {
    for (String id : Sentences.ids()) {
      String text = " " + Sentences.find(id).orElseThrow().toLowerCase(Locale.ROOT) + " ";
      for (String word : REPLACED) {
        assertThat(text).as(id).doesNotContainPattern("\\b" + word + "\\b");
      }
    }
  }

  @Test
  void eachMeaningIsASentenceAndFoundByItsWord() {
    assertThat(Terms.all()).hasSizeGreaterThan(40);
    Terms.all()
        .forEach(
            (term, meaning) -> {
              assertThat(meaning).as(term).endsWith(".").hasSizeLessThan(160);
              assertThat(Terms.matching(term)).containsKey(term);
            });
    assertThat(Terms.matching(" ")).isEmpty();
    assertThat(Terms.matching("bow")).containsKey("change of bow");
  }

  @Test
  void thePageOfWordsSaysTheSame() throws IOException {
    String page = Files.readString(PAGE);
    Terms.all()
        .forEach(
            (term, meaning) -> assertThat(page).contains("| " + term + " | " + meaning + " |"));
    assertThat(page.lines().filter(l -> l.startsWith("| ")).count())
        .isEqualTo(Terms.all().size() + 1L);
  }
}
