package fret.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is stored: forms, exact lengths and sentences that have no words yet. */
class StoredFormsTest {
  private enum Word {
    ONE,
    TWO
  }

  private static Form full() {
    return Form.version(2)
        .with("text", "Bb4")
        .with("flag", true)
        .with("whole", 7)
        .with("decimal", 2.5)
        .with("word", Word.TWO.name())
        .with("inside", Form.EMPTY.with("x", 1))
        .with("forms", List.of(Form.EMPTY.with("n", 1), Form.EMPTY.with("n", 2)))
        .with("numbers", List.of(1, 2, 3))
        .with("texts", List.of("a", "b"));
  }

  @Test
  void everyKindOfFieldComesBack() {
    Form f = full();
    assertThat(f.version()).isEqualTo(2);
    assertThat(f.text("text")).isEqualTo("Bb4");
    assertThat(f.flag("flag")).isTrue();
    assertThat(f.whole("whole")).isEqualTo(7);
    assertThat(f.longNumber("whole")).isEqualTo(7L);
    assertThat(f.decimal("decimal")).isEqualTo(2.5);
    assertThat(f.decimal("whole")).isEqualTo(7);
    assertThat(f.word("word", Word.class)).isEqualTo(Word.TWO);
    assertThat(f.form("inside").whole("x")).isEqualTo(1);
    assertThat(f.list("forms", x -> x.whole("n"))).containsExactly(1, 2);
    assertThat(f.wholes("numbers")).containsExactly(1, 2, 3);
    assertThat(f.texts("texts")).containsExactly("a", "b");
    assertThat(f).isEqualTo(full()).hasSameHashCodeAs(full());
  }

  @Test
  void whatIsNotThereHasItsUsualValue() {
    assertThat(Form.EMPTY.version()).isEqualTo(1);
    assertThat(Form.EMPTY.text("x", "usual")).isEqualTo("usual");
    assertThat(Form.EMPTY.flag("x")).isFalse();
    assertThat(Form.EMPTY.whole("x", 3)).isEqualTo(3);
    assertThat(Form.EMPTY.decimal("x", 0.5)).isEqualTo(0.5);
    assertThat(Form.EMPTY.word("x", Word.class, Word.ONE)).isEqualTo(Word.ONE);
    assertThat(Form.EMPTY.findForm("x")).isEmpty();
    assertThat(Form.EMPTY.list("x")).isEmpty();
  }

  @Test
  void whatIsMissingOrOfAnotherKindIsNamed() {
    assertThatThrownBy(() -> Form.EMPTY.text("finger"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("finger is missing");
    assertThatThrownBy(() -> full().whole("text")).hasMessageContaining("text is Bb4");
    assertThatThrownBy(() -> full().word("text", Word.class))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> full().list("numbers", x -> x))
        .hasMessageContaining("something else than forms");
  }

  @Test
  void whatHasNoStoredFormIsRefused() {
    assertThatThrownBy(() -> Form.EMPTY.with("x", Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Form.EMPTY.with("x", Word.ONE))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Form.EMPTY.with("x", List.of(new Object())))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aFormIsNeverChanged() {
    Form before = Form.version(1).with("a", 1);
    Form after = before.with("a", 2).with("b", 3);
    assertThat(before.whole("a")).isEqualTo(1);
    assertThat(before.has("b")).isFalse();
    assertThat(after.fields()).containsOnlyKeys("v", "a", "b");
    assertThatThrownBy(() -> after.fields().put("c", 1))
        .isInstanceOf(UnsupportedOperationException.class);
  }

  @ParameterizedTest
  @CsvSource({"3/8, 3, 8", "2, 2, 1", "-1/4, -1, 4", "0, 0, 1", "6/8, 3, 4"})
  void lengthsAreReadExactly(String text, int up, int down) {
    Fraction f = Fraction.of(up, down);
    assertThat(Fractions.parse(text)).isEqualTo(f);
    assertThat(Fractions.parse(Fractions.text(f))).isEqualTo(f);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "a", "1/0", "1/", "/2", "1/2/3", "0.5"})
  void whatIsNoLengthIsRefused(String text) {
    assertThatThrownBy(() -> Fractions.parse(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("not a fraction");
  }

  @Test
  void theLongerAndTheShorterOfTwo() {
    Fraction third = Fraction.of(1, 3);
    Fraction quarter = Fraction.of(1, 4);
    assertThat(Fractions.max(third, quarter)).isEqualTo(third);
    assertThat(Fractions.min(third, quarter)).isEqualTo(quarter);
  }

  @Test
  void aSentenceWithoutWordsIsStoredWithWhatStandsInIt() {
    Said said = Said.of("shift.places", 3, 2.5, Said.words("just"), "Bb4");
    assertThat(Said.read(said.form())).isEqualTo(said);
    assertThat(said.args()).containsExactly(3L, 2.5, Said.words("just"), "Bb4");
    assertThat(Said.tenths(2.449)).isEqualTo(2.4);
    assertThat(Said.NOTHING).isEqualTo(Said.words(""));
    assertThatThrownBy(() -> new Said("x", List.of(new Object())))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("x cannot tell");
  }

  @Test
  void aProblemKnowsItsBarWhereItHasOne() {
    Said what = Said.of("obstacle.divide");
    assertThat(Problem.atBar("7a", what, Said.NOTHING).bar()).isEqualTo("7a");
    assertThat(Problem.of(what, Said.NOTHING).bar()).isEmpty();
    UnusableInput bad = new UnusableInput("a.mid", what, Said.NOTHING);
    assertThat(bad.problem().where()).isEqualTo(Said.words("a.mid"));
    assertThat(bad).hasMessageContaining("a.mid").hasMessageContaining("obstacle.divide");
  }

  @Test
  void whatIsWorkedOutLaterIsWorkedOutOnce() {
    AtomicInteger times = new AtomicInteger();
    Later<Integer> later = Later.of(times::incrementAndGet);
    assertThat(times).hasValue(0);
    assertThat(later.get()).isEqualTo(1);
    assertThat(later.get()).isEqualTo(1);
    assertThat(Later.now("here").get()).isEqualTo("here");
  }
}
