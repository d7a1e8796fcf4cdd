package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.app.batch.BatchCommands;
import fret.passage.Passage;
import fret.session.ChunkDecisions;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The plan of a whole library by command is the one that the window makes. */
class LibraryPlanTest extends OnDemoLibrary {
  @Test
  void excerptsHaveTheirOwnLineAndWhatIsPutAwayIsLeftOut() throws Exception {
    openDemo(0);
    Passage first = studio.passages().get(0);
    Passage away = studio.passages().get(1);
    does(() -> studio.plans().ensure());
    does(() -> studio.decide(s -> new ChunkDecisions(s).excerpt(0, 7, "opening", 60, 0)));
    does(() -> studio.putAway(away, true));
    until(() -> studio.plans().plannedProperty().get() != null && !studio.isBehind());
    var planned = studio.plans().plannedProperty().get();
    assertThat(planned.all(first.id())).hasSize(2);
    library.close();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PrintStream to = new PrintStream(out, true, StandardCharsets.UTF_8);
    String[] args = {"plan", "--library", dir.toString(), "--from", TODAY.toString(), "--json"};
    int code = BatchCommands.run(args, to, to);
    assertThat(code).as(out.toString(StandardCharsets.UTF_8)).isZero();
    JsonNode root = new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8));
    List<String> titles = root.path("passages").findValuesAsText("file");
    assertThat(titles).filteredOn(first.settings().title()::equals).hasSize(2);
    assertThat(titles).doesNotContain(away.settings().title());
    JsonNode excerpt = root.path("passages").path(1);
    assertThat(excerpt.path("excerpt").asText()).isEqualTo("opening");
    assertThat(excerpt.path("levels")).last().extracting(JsonNode::asInt).isEqualTo(60);
    assertThat(excerpt.path("chunks").size())
        .isPositive()
        .isLessThan(root.path("passages").path(0).path("chunks").size());
    for (int d = 0; d < planned.plan().days().size(); d++) {
      assertThat(root.path("days").path(d).path("minutes").asDouble())
          .isEqualTo(planned.plan().days().get(d).minutes());
    }
  }
}
