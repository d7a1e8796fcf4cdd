package fret.fingering;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import fret.score.ResolvedPassage;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;

/** The rows of the textbook resource and how the program answers each. */
final class Textbook {
  /** A fingering as it is taught, see the head of the resource for the form of its answers. */
  record Row(
      String family,
      boolean used,
      InstrumentType type,
      double tempo,
      String string,
      String notes,
      List<String> answers,
      String source) {
    FingeringTask task(Preset preset) {
      ResolvedPassage passage = Exercises.line(notes, Fraction.of(1, 4));
      Instrument instrument = Instrument.standard(type);
      FingeringTask task =
          new FingeringTask(
              passage,
              TempoMap.steady(new Tempo(Beat.QUARTER, tempo)),
              new HandModel(instrument, School.USUAL, Hand.MEDIUM),
              preset);
      if (string.isEmpty()) {
        return task;
      }
      List<NoteRule> rules = new ArrayList<>();
      for (int i = 0; i < passage.notes().size(); i++) {
        rules.add(NoteRule.onString(i, instrument.stringNamed(string)));
      }
      return task.withRules(rules);
    }

    /** Whether a fingering is one of the answers. */
    boolean accepts(Fingering fingering) {
      List<String> found = List.of(words(fingering).split(" "));
      return answers.stream().anyMatch(a -> fits(List.of(a.split(" ")), found));
    }

    private static boolean fits(List<String> answer, List<String> found) {
      if (answer.size() != found.size()) {
        throw new IllegalStateException(answer + " has another length than " + found);
      }
      for (int i = 0; i < answer.size(); i++) {
        String word = answer.get(i);
        if (!word.equals(".") && !List.of(word.split("/")).contains(found.get(i))) {
          return false;
        }
      }
      return true;
    }

    /** A fingering in the form of the answers. */
    String words(Fingering fingering) {
      List<String> words = new ArrayList<>();
      int note = 0;
      for (String word : notes.split(" ")) {
        int size = word.split("\\+").length;
        words.add(
            fingering.notes().subList(note, note + size).stream()
                .map(Row::digit)
                .collect(Collectors.joining("+")));
        note += size;
      }
      return String.join(" ", words);
    }

    private static String digit(Optional<NoteFinger> place) {
      return place.map(NoteFinger::digit).orElse("?");
    }
  }

  /**
   * How a row is answered.
   *
   * @param rank 1 when the first choice is as taught, up to 5; 0 when none of the first five is
   * @param first what the program proposes
   * @param playable whether every note can be played
   */
  record Answer(Row row, int rank, String first, boolean playable) {}

  private Textbook() {}

  static List<Row> rows() {
    try (BufferedReader in =
        new BufferedReader(
            new InputStreamReader(
                Textbook.class.getResourceAsStream("textbook.csv"), StandardCharsets.UTF_8))) {
      return in.lines()
          .filter(l -> !l.startsWith("#") && !l.startsWith("family,"))
          .map(Textbook::row)
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Row row(String line) {
    String[] f = line.split(",", 8);
    return new Row(
        f[0],
        f[1].equals("used"),
        InstrumentType.valueOf(f[2]),
        Double.parseDouble(f[3]),
        f[4],
        f[5],
        Stream.of(f[6].split("\\|")).map(String::strip).toList(),
        f[7].replace("\"", ""));
  }

  static Answer answer(Row row, Preset preset) {
    FingeringSolver solver = new FingeringSolver(row.task(preset));
    Fingering best = solver.best();
    boolean playable = best.notes().stream().allMatch(Optional::isPresent);
    int rank = row.accepts(best) ? 1 : 0;
    if (rank == 0 && playable) {
      List<Fingering> five = solver.nearest(5);
      for (int i = five.size(); i > 0; i--) {
        rank = row.accepts(five.get(i - 1)) ? i : rank;
      }
    }
    return new Answer(row, rank, row.words(best), playable);
  }
}
