package fret.app.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.Problem;
import fret.base.Said;
import fret.bowing.BowEffort;
import fret.instrument.InstrumentType;
import fret.lane.Lane;
import fret.lane.Lanes;
import fret.mark.Layer;
import fret.mark.Reminder;
import fret.mark.Wish;
import fret.passage.Details;
import fret.passage.Layers;
import fret.player.BodyCue;
import fret.shelf.StoreFailure;
import fret.take.Reservation;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class SentencesTest {
  private static final Pattern TOLD =
      Pattern.compile("(?:Said|Sentences)\\s*\\.of\\(\\s*\"([a-z][A-Za-z0-9.-]*)\"");

  /** Ids that are made at run time end with a dot in the source. */
  private static Set<String> toldInTheSources() throws IOException {
    Set<String> ids = new TreeSet<>();
    for (String module : List.of("core", "format", "app")) {
      Path root = Path.of("..", module, "src", "main", "java");
      try (Stream<Path> files = Files.walk(root)) {
        for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          Matcher m = TOLD.matcher(Files.readString(file));
          while (m.find()) {
            ids.add(m.group(1));
          }
        }
      }
    }
    return ids;
  }

  /** Of two sentences with one id the first would never be told. */
  @Test
  void everyIdStandsOnce() throws IOException {
    List<String> ids =
        Files.readAllLines(Path.of("src/main/resources/fret/app/words/words.properties")).stream()
            .filter(line -> line.contains(" = ") && !line.startsWith("#"))
            .map(line -> line.substring(0, line.indexOf(" = ")))
            .toList();
    assertThat(ids).hasSizeGreaterThan(2000).doesNotHaveDuplicates();
  }

  @Test
  void everythingThatIsToldHasWords() throws IOException {
    Set<String> told = toldInTheSources();
    assertThat(told).hasSizeGreaterThan(80);
    assertThat(told)
        .filteredOn(id -> !id.endsWith("."))
        .allSatisfy(id -> assertThat(Sentences.ids()).contains(id));
  }

  @Test
  void allThatKeepsATakeFromBeingJudgedHasWords() {
    for (Reservation.Kind kind : Reservation.Kind.values()) {
      assertThat(Sentences.ids()).contains("take.reserved." + kind);
    }
  }

  /** What the window says stands in the bundle: its sources hold no sentence of their own. */
  @Test
  void theWindowHoldsNoSentenceOfItsOwn() throws IOException {
    Pattern sentence = Pattern.compile("\"(?:[A-Z][a-z]+,? )?[A-Za-z]+,? [a-z]+[^\"]*\"");
    Pattern shown =
        Pattern.compile("Parts\\.(line|label|button|card|tab)\\(\\s*\"[A-Za-z]|Text\\(\"[A-Z]");
    Pattern forTheLog =
        Pattern.compile("Level\\.|\"brand\"|\\w+ of \" \\+|\"bring in \"|ofPattern");
    for (String part : List.of("view", "widget", "viewmodel", "command")) {
      try (Stream<Path> files = Files.walk(Path.of("src/main/java/fret/app", part))) {
        for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          assertThat(Files.readAllLines(file).stream().map(String::strip))
              .as(file.toString())
              .filteredOn(line -> !line.startsWith("*") && !line.startsWith("/"))
              .filteredOn(line -> sentence.matcher(line).find() || shown.matcher(line).find())
              .allSatisfy(line -> assertThat(line).containsPattern(forTheLog));
        }
      }
    }
  }

  @Test
  void everyKindOfMarkLaneAndFailureHasWords() {
    for (Layer<?, ?> layer : Layers.ALL) {
      boolean hangsOnNotes = !layer.anchorType().getSimpleName().equals("Whole");
      if (hangsOnNotes) {
        assertThat(Sentences.ids()).contains("kind." + layer.id());
      }
    }
    for (Lane lane : Lanes.ALL) {
      assertThat(Sentences.ids()).contains("lane." + lane.id());
    }
    for (StoreFailure.Cause why : StoreFailure.Cause.values()) {
      assertThat(Sentences.of("store." + why)).endsWith(".");
    }
    for (BowEffort kind : BowEffort.values()) {
      assertThat(Sentences.of("bow-effort." + kind.id())).isNotBlank();
    }
    for (Details.Topic topic : Details.Topic.values()) {
      assertThat(Sentences.of("topic." + topic)).isNotBlank();
      assertThat(Sentences.of("topic." + topic + ".hint")).isNotBlank();
    }
    for (BodyCue cue : BodyCue.values()) {
      for (InstrumentType type : InstrumentType.values()) {
        assertThat(Sentences.of(cue.usual(type))).endsWith(".");
      }
    }
    for (Wish.Kind kind : Wish.Kind.values()) {
      assertThat(Sentences.of("wish." + kind)).isNotBlank();
    }
    for (Reminder.Kind kind : Reminder.Kind.values()) {
      if (kind != Reminder.Kind.WORD) {
        assertThat(Sentences.of("reminder." + kind)).isNotBlank();
      }
    }
  }

  @Test
  void argumentsStandInTheirPlacesAndMissingWordsAreTold() {
    assertThat(Sentences.of(Said.of("pin.finger", "3", "G4", "12")))
        .isEqualTo("Pin finger 3 on G4, bar 12");
    assertThat(Sentences.of(Said.of("wish.asked", Said.of("wish.NO_OPEN"), Said.of("bar", "2"))))
        .isEqualTo("Ask for: no open strings, bar 2");
    assertThatThrownBy(() -> Sentences.of("no.such.words"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("no.such.words");
    assertThatThrownBy(() -> Sentences.of("bar")).isInstanceOf(IllegalArgumentException.class);
    assertThat(Said.read(Said.of("wish.asked", Said.of("x", 3, 2.5)).form()))
        .isEqualTo(Said.of("wish.asked", Said.of("x", 3, 2.5)));
  }

  @Test
  void aProblemIsToldInOneLine() {
    Said message = Said.of("obstacle.high", "C8");
    Problem at = Problem.atBar("7", message, Said.of("obstacle.high.do"));
    assertThat(Sentences.of(at))
        .isEqualTo(
            "bar 7: C8 lies beyond the end of the fingerboard. "
                + "Check the clef and the octave line, or play it as a harmonic.");
    assertThat(Sentences.of(Problem.of(message, Said.NOTHING)))
        .isEqualTo("C8 lies beyond the end of the fingerboard.");
    assertThat(Sentences.of(new Problem(Said.words("a.mid"), message, Said.NOTHING)))
        .startsWith("a.mid: C8");
  }

  /**
   * A reader's refusal, a chord's other ways: told by a sentence that stands in the bundle only.
   */
  @Test
  void coreAndTheReadersHoldNoSentences() throws IOException {
    Pattern sentence = Pattern.compile("\"[A-Z][a-z]+,? [a-z]+[^\"]*\"");
    Pattern inside =
        Pattern.compile("Exception\\(|requireNonNull|<text x=|Level\\.|^\\*|^//|^/\\*");
    for (String module : List.of("core", "format", "store")) {
      try (Stream<Path> files = Files.walk(Path.of("..", module, "src", "main", "java"))) {
        for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          assertThat(Files.readAllLines(file).stream().map(String::strip))
              .as(file.toString())
              .filteredOn(line -> sentence.matcher(line).find())
              .allSatisfy(line -> assertThat(line).containsPattern(inside));
        }
      }
    }
  }

  @Test
  void daysAreSaidAsPlayersSayThem() {
    LocalDate today = LocalDate.of(2026, 11, 25);
    assertThat(Days.of(today, today)).isEqualTo("today");
    assertThat(Days.of(today.plusDays(1), today)).isEqualTo("tomorrow");
    assertThat(Days.of(today.plusDays(3), today)).isEqualTo("Sat 28 Nov");
    assertThat(Days.of(LocalDate.of(2027, 1, 12), today)).isEqualTo("Tue 12 Jan 2027");
  }

  /** A machine with a dotless i and a decimal comma changes what people read, and nothing else. */
  @Test
  void theLanguageOfTheMachineChangesNumbersOnly() {
    Locale before = Locale.getDefault();
    try {
      Locale.setDefault(Locale.forLanguageTag("tr-TR"));
      assertThat(Sentences.of("weight.times", 2.5)).isEqualTo("2,5 times");
      assertThat(Sentences.of("pin.finger", "1", "Bb4", "12"))
          .isEqualTo("Pin finger 1 on Bb4, bar 12");
      Said said = Said.of("trait.open", 7);
      assertThat(Said.read(said.form())).isEqualTo(said);
      for (Layer<?, ?> layer : Layers.ALL) {
        assertThat(Layers.of(layer.id())).isPresent();
      }
    } finally {
      Locale.setDefault(before);
    }
  }
}
