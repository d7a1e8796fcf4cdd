package fret.app.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is typed for a date. */
class TypedDateTest {
  private static final LocalDate BEFORE = LocalDate.of(2026, 12, 31);

  private final List<String> refused = new ArrayList<>();
  private final TypedDate typed = new TypedDate(() -> BEFORE, refused::add);

  @ParameterizedTest
  @ValueSource(
      strings = {
        "25 Jan 2027",
        "25 january 2027",
        "2027-01-25",
        "2027-1-25",
        "25.1.2027",
        " 25/01/2027 "
      })
  void aDateIsReadAsItIsWritten(String text) {
    assertThat(typed.fromString(text)).isEqualTo(LocalDate.of(2027, 1, 25));
    assertThat(refused).isEmpty();
  }

  /** Once such letters were an error that nobody was told of. */
  @ParameterizedTest
  @ValueSource(strings = {"texk71", "1q2zqpd31 Dec 2026ezv", "32 Jan 2027", "25"})
  void whatIsNoDateLeavesTheFieldAsItWasAndIsTold(String text) {
    assertThat(typed.fromString(text)).isEqualTo(BEFORE);
    assertThat(refused).containsExactly(text);
  }

  @Test
  void anEmptyFieldIsAsItWas() {
    assertThat(typed.fromString("")).isEqualTo(BEFORE);
    assertThat(refused).isEmpty();
    assertThat(typed.toString(BEFORE)).isEqualTo("31 Dec 2026");
  }
}
