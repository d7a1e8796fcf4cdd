package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * Scales in all keys, up and down, by the rule of their instrument: on violin and viola a shift
 * goes up to the first finger from the second or third, and comes down from the first; on cello and
 * bass it goes up from the fourth, and from the second or third where the fourth no longer plays
 * (common practice, from memory; written before the weights). Started with {@code
 * -Dfret.scales=FILE} it writes the table.
 */
class ScalesTest {
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};
  private static final int[] MINOR = {0, 2, 3, 5, 7, 8, 10};
  private static final String[] TONICS = {
    "C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"
  };
  private static final String[] MINOR_TONICS = {
    "C", "C#", "D", "Eb", "E", "F", "F#", "G", "G#", "A", "Bb", "B"
  };
  private static final String LETTERS = "CDEFGAB";
  private static final int[] NATURALS = {0, 2, 4, 5, 7, 9, 11};

  private record Family(InstrumentType type, int lowest, int octaves) {
    boolean isUpper() {
      return type == InstrumentType.VIOLIN || type == InstrumentType.VIOLA;
    }
  }

  private static final List<Family> FAMILIES =
      List.of(
          new Family(InstrumentType.VIOLIN, 55, 2),
          new Family(InstrumentType.VIOLIN, 55, 3),
          new Family(InstrumentType.VIOLA, 48, 2),
          new Family(InstrumentType.VIOLA, 48, 3),
          new Family(InstrumentType.CELLO, 36, 2),
          new Family(InstrumentType.CELLO, 36, 3),
          new Family(InstrumentType.BASS, 28, 1),
          new Family(InstrumentType.BASS, 28, 2));

  private record Answer(Family family, String key, boolean up, Fingering fingering) {
    /** Shifts along one string; one to another string is judged by what it reaches. */
    List<Shift> shifts() {
      return fingering.shifts().stream()
          .filter(s -> s.departureString() == s.arrivalString())
          .toList();
    }

    boolean isByTheRule(Shift s) {
      Finger outer = up ? s.fromFinger() : s.toFinger();
      Finger inner = up ? s.toFinger() : s.fromFinger();
      return family.isUpper()
          ? inner == Finger.FIRST && (outer == Finger.SECOND || outer == Finger.THIRD)
          : outer.rank() > inner.rank() || inner == Finger.THUMB;
    }

    long kept() {
      return shifts().stream().filter(this::isByTheRule).count();
    }
  }

  private static final List<Answer> ANSWERS = new ArrayList<>();

  @BeforeAll
  static void answerAll() throws IOException {
    for (Family family : FAMILIES) {
      for (int step = 0; step < 12; step++) {
        answer(family, step, true);
        answer(family, step, false);
      }
    }
    String report = System.getProperty("fret.scales", "");
    if (!report.isEmpty()) {
      Files.writeString(Path.of(report), report());
    }
  }

  private static void answer(Family family, int step, boolean major) {
    int root = family.lowest() + step;
    String tonic = (major ? TONICS : MINOR_TONICS)[root % 12];
    List<String> up = new ArrayList<>();
    for (int i = 0; i <= 7 * family.octaves(); i++) {
      int midi = root + 12 * (i / 7) + (major ? MAJOR : MINOR)[i % 7];
      up.add(spelled(midi, LETTERS.charAt((LETTERS.indexOf(tonic.charAt(0)) + i) % 7)));
    }
    List<String> down = new ArrayList<>(up);
    Collections.reverse(down);
    String key = tonic + (major ? " major" : " minor");
    ANSWERS.add(new Answer(family, key, true, best(family, up)));
    ANSWERS.add(new Answer(family, key, false, best(family, down)));
  }

  private static String spelled(int midi, char letter) {
    int natural = NATURALS[LETTERS.indexOf(letter)];
    int sharps = Math.floorMod(midi - natural + 6, 12) - 6;
    int octave = Math.floorDiv(midi - sharps, 12) - 1;
    return letter + (sharps < 0 ? "b".repeat(-sharps) : "#".repeat(sharps)) + octave;
  }

  private static Fingering best(Family family, List<String> notes) {
    return new FingeringSolver(
            Exercises.task(
                family.type(), Exercises.line(String.join(" ", notes), Fraction.of(1, 8)), 80))
        .best();
  }

  private static double kept(boolean upper) {
    List<Answer> some = ANSWERS.stream().filter(a -> a.family().isUpper() == upper).toList();
    return (double) some.stream().mapToLong(Answer::kept).sum()
        / some.stream().mapToInt(a -> a.shifts().size()).sum();
  }

  @Test
  void violinAndViolaShiftToTheFirstFingerFromTheSecondOrThird() {
    assertThat(kept(true)).as(broken(true)).isGreaterThanOrEqualTo(0.98);
  }

  @Test
  void noShiftOfTheirsIsFromTheFourthToTheFirst() {
    assertThat(ANSWERS)
        .filteredOn(a -> a.family().isUpper())
        .flatExtracting(Answer::shifts)
        .noneMatch(s -> s.fromFinger().rank() + s.toFinger().rank() == 5 && s.travelMm() > 60);
  }

  @Test
  void celloAndBassShiftFromTheFingerThatLiesFarthest() {
    assertThat(kept(false)).as(broken(false)).isGreaterThanOrEqualTo(0.8);
  }

  private static String broken(boolean upper) {
    StringBuilder text = new StringBuilder();
    ANSWERS.stream()
        .filter(a -> a.family().isUpper() == upper && a.kept() < a.shifts().size())
        .forEach(a -> text.append(a.family()).append(a.key()).append(digits(a)).append('\n'));
    return text.toString();
  }

  /** Digits by strings, a stroke before each note that the hand shifts to. */
  private static String digits(Answer a) {
    List<Integer> reached = a.fingering().shifts().stream().map(Shift::toNote).toList();
    StringBuilder text = new StringBuilder();
    int string = 0;
    for (int i = 0; i < a.fingering().notes().size(); i++) {
      NoteFinger n = a.fingering().notes().get(i).orElseThrow();
      text.append(n.string() == string || string == 0 ? "" : " ");
      text.append(reached.contains(i) ? "-" : "").append(n.digit());
      string = n.string();
    }
    return text.toString();
  }

  private static String report() {
    StringBuilder text = new StringBuilder("# Scales in all keys\n\n");
    text.append(
        """
        Made by `scripts/quality.sh`: first choices in eighths at 80 quarters a minute, preset "Sure and simple", medium
        hand. A space is the next string, a stroke a shift. The rule (common practice, from memory, written before the
        weights): on violin and viola a shift along a string goes up to the first finger from the second or third,
        1 2 1 2 3 and 1 2 3 1 2 3 4, and comes down the same way; on cello and bass a higher finger goes up to a lower one,
        the fourth first of all, or to the thumb. Before shifts between far fingers
        were priced, 35 of 111 of the violin's shifts over three octaves kept the rule.

        """);
    text.append(
        String.format(
            Locale.ROOT,
            "Violin and viola keep it in %.1f %% of their shifts, cello and bass in %.1f %%.%n%n",
            100 * kept(true),
            100 * kept(false)));
    for (Family f : FAMILIES) {
      String name = f.type().displayName();
      text.append("## ").append(Character.toUpperCase(name.charAt(0))).append(name.substring(1));
      text.append(f.octaves() == 1 ? ", one octave" : f.octaves() == 2 ? ", two octaves" : "");
      text.append(f.octaves() == 3 ? ", three octaves\n\n" : "\n\n");
      text.append("| key | up | down | shifts by the rule |\n|---|---|---|---|\n");
      List<Answer> some = ANSWERS.stream().filter(a -> a.family().equals(f)).toList();
      for (int i = 0; i < some.size(); i += 2) {
        Answer up = some.get(i);
        Answer down = some.get(i + 1);
        long kept = up.kept() + down.kept();
        int all = up.shifts().size() + down.shifts().size();
        text.append(
            String.format(
                "| %s | %s | %s | %d of %d |%n", up.key(), digits(up), digits(down), kept, all));
      }
      text.append('\n');
    }
    return text.toString();
  }
}
