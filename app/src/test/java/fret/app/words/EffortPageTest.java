package fret.app.words;

import static org.assertj.core.api.Assertions.assertThat;

import fret.player.EffortKind;
import fret.player.Preset;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The page that explains the weights tells those that are used. */
class EffortPageTest {
  private static List<String> page() throws IOException {
    return Files.readAllLines(Path.of("..", "docs", "effort.md"));
  }

  @ParameterizedTest
  @EnumSource(EffortKind.class)
  void everyWeightStandsInTheTable(EffortKind kind) throws IOException {
    List<String> rows = page().stream().filter(l -> l.contains("| `" + kind.id() + "` |")).toList();
    assertThat(rows).hasSize(1);
    String[] cells = rows.get(0).split("\\|");
    assertThat(cells[1].strip()).isEqualTo(Sentences.of("effort." + kind.id()));
    assertThat(Double.parseDouble(cells[4].strip())).isEqualTo(Preset.SURE.weight(kind));
  }

  @Test
  void everyOtherPresetIsExplained() throws IOException {
    String all = String.join("\n", page());
    for (Preset preset : Preset.all().subList(1, Preset.all().size())) {
      String id = "preset." + preset.id();
      assertThat(all).contains("**" + Sentences.of(id) + "**: " + Sentences.of(id + ".about"));
    }
  }
}
