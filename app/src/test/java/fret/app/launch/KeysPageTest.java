package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.command.Action;
import fret.app.command.Scope;
import fret.app.words.Sentences;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** The page of keys is made from the actions themselves. */
class KeysPageTest extends RealWindow {
  private static final Path PAGE = Path.of("../docs/keys.md");

  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private static String title(String place) {
    return Sentences.find("place." + place).orElseGet(() -> Sentences.of("area." + place));
  }

  private String page() {
    Map<String, List<Action>> places = new LinkedHashMap<>();
    main.keys().forEach(a -> places.computeIfAbsent(a.place(), p -> new ArrayList<>()).add(a));
    StringBuilder page =
        new StringBuilder(
            "# Keys\n\nMade from the actions of the program; F1 finds them by a word.\n");
    places.forEach(
        (place, all) -> {
          page.append("\n## ")
              .append(title(place))
              .append("\n\n| key | what it does | on |\n|---|---|---|\n");
          for (Action a : all) {
            String keys = a.keys().getDisplayText().replace("|", "\\|");
            String on = Scope.of(a.id()).map(s -> Sentences.of("scope." + s)).orElse("");
            page.append(String.format("| %s | %s | %s |\n", keys, a.words(), on));
          }
        });
    return page.toString();
  }

  /** What changes music says what of it. */
  @Test
  void everyScopeIsOfAnActionAndEveryDecisionHasOne() {
    Set<String> ids = main.keys().stream().map(Action::id).collect(Collectors.toSet());
    assertThat(ids).containsAll(Scope.ids());
    assertThat(ids.stream().filter(KeysPageTest::decides))
        .hasSizeGreaterThan(50)
        .allMatch(id -> Scope.of(id).isPresent());
  }

  private static boolean decides(String id) {
    return id.matches("(finger|string|ornament|wish|not|remind|bow|strands)-.*")
        && !id.matches("bow-(stop-trying|extend-.*)");
  }

  /** With {@code -Dfret.keys=FILE} it is written anew. */
  @Test
  void thePageSaysWhatTheKeysDo() throws Exception {
    String made = page();
    String wanted = System.getProperty("fret.keys");
    if (wanted != null) {
      Files.writeString(Path.of(wanted), made);
    }
    assertThat(Files.readString(PAGE)).isEqualTo(made);
  }
}
