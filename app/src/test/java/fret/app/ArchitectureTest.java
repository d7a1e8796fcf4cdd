package fret.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Which package may use which: a white list, so that a new dependency is a decision. */
class ArchitectureTest {
  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("fret");

  private static final Map<String, List<String>> MAY_USE = new LinkedHashMap<>();

  private static void row(String name, String... uses) {
    List<String> all = new ArrayList<>();
    for (String use : uses) {
      all.add(use);
      all.addAll(MAY_USE.getOrDefault(use, List.of()));
    }
    MAY_USE.put(name, all.stream().distinct().toList());
  }

  static {
    row("base");
    row("pitch", "base");
    row("tempo", "base");
    row("search", "base");
    row("instrument", "base", "pitch", "tempo");
    row("score", "instrument");
    row("player", "instrument");
    row("mark", "score");
    row("engraving", "score", "mark");
    row("fingering", "score", "mark", "player", "search");
    row("bowing", "score", "mark", "player", "search");
    row("joint", "fingering", "bowing");
    row("harmony", "score", "mark");
    row("intonation", "score", "mark", "player", "harmony", "fingering");
    row("load", "fingering", "bowing");
    row("drill", "joint");
    row("sound", "score", "mark");
    row("journal", "drill");
    row("take", "pitch", "search");
    row("lane", "engraving", "joint", "load", "intonation", "take");
    row("plan", "journal", "drill");
    row("writing", "score");
    row("proof", "score");
    row("passage", "plan", "lane", "engraving", "sound", "writing", "proof", "intonation");
    row("care", "journal");
    row("session", "passage", "care");
    row("shelf", "session");
    row("format.json", "base");
    row("format.musicxml", "shelf", "format.json");
    row("format.midi", "shelf");
    row("format.abc", "shelf");
    row("format.calendar", "shelf");
    row("format.table", "shelf");
    row("format.page", "shelf", "format.midi", "format.calendar", "format.table");
    row("format.part", "format.musicxml", "format.midi", "format.abc");
    row("format.sound", "shelf");
    row("store", "shelf", "format.json");
    row("app.words", "shelf");
    row("app.work", "shelf");
    row("app.widget", "app.words");
    row("app.command", "app.words");
    row("app.viewmodel", "app.command", "app.work");
    row("app.view", "app.viewmodel", "app.widget", "app.command");
    row("app.device", "shelf");
    row(
        "app.batch",
        "app.words",
        "app.work",
        "format.part",
        "format.page",
        "format.sound",
        "store");
    row(
        "app.launch",
        "format.midi",
        "format.abc",
        "format.page",
        "app.view",
        "app.device",
        "app.batch",
        "store");
  }

  @Test
  void packagesUseOnlyWhatTheyMay() {
    MAY_USE.forEach(
        (name, uses) ->
            classes()
                .that(in(name))
                .should()
                .onlyDependOnClassesThat(
                    DescribedPredicate.describe(
                        "be " + name + " or one of " + uses,
                        c ->
                            !c.getPackageName().startsWith("fret")
                                || at(c, name)
                                || uses.stream().anyMatch(u -> at(c, u))))
                .check(CLASSES));
  }

  private static boolean at(JavaClass c, String name) {
    return c.getPackageName().equals("fret." + name);
  }

  private static DescribedPredicate<JavaClass> in(String name) {
    return DescribedPredicate.describe("in " + name, c -> at(c, name));
  }

  @Test
  void everyClassHasARow() {
    assertThat(CLASSES).allMatch(c -> MAY_USE.keySet().stream().anyMatch(n -> at(c, n)));
  }

  @Test
  void thereAreNoCycles() {
    slices().matching("fret.(**)").should().beFreeOfCycles().check(CLASSES);
  }

  @Test
  void coreKeepsToComputing() {
    noClasses()
        .that(
            DescribedPredicate.describe(
                "in core", c -> !c.getPackageName().matches("fret\\.(app|format|store).*")))
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.io..", "java.nio.file..", "java.sql..", "javafx..", "javax..")
        .check(
            CLASSES.that(
                DescribedPredicate.describe(
                    "not serialisable", c -> !c.getSimpleName().equals("UnusableInput"))));
  }

  @Test
  void viewModelsKnowOnlyBeans() {
    noClasses()
        .that()
        .resideInAPackage("fret.app.viewmodel")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx.scene..", "javafx.stage..")
        .check(CLASSES);
  }
}
