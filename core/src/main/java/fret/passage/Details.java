package fret.passage;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * What the player knows of a passage beyond its notes.
 *
 * @param texts by topic; topics without a text are left out
 * @param barNotes open questions, exposed spots and the like, by printed bar number
 * @param tempoMarks changes of tempo, in order of their place
 * @param performance rate of the performance in the target's beat; 0 when not set
 * @param accepted ids of proof-reading questions that were answered: it is right as it is
 * @param running notes to a beat in which the accompaniment runs, heard in the click; 0 when not
 *     set, else 1 to {@link #MOST_RUNNING}
 */
public record Details(
    Map<Topic, String> texts,
    Map<String, List<String>> barNotes,
    List<TempoMark> tempoMarks,
    double performance,
    Set<String> accepted,
    int running) {
  /** Most notes to a beat that a click gives. */
  public static final int MOST_RUNNING = 4;

  public static final Details NONE = new Details(Map.of(), Map.of(), List.of(), 0, Set.of(), 0);

  /** What there is to know. */
  public enum Topic {
    STYLE,
    CHARACTER,
    MARKS,
    ACCOMPANIMENT,
    RECORDINGS,
    MOVEMENT,
    SOURCE,
    PRINTED_TEMPO,
    DYNAMICS,
    VIBRATO
  }

  public Details {
    texts = texts.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(texts));
    barNotes = Map.copyOf(barNotes);
    tempoMarks = List.copyOf(tempoMarks);
    accepted = Set.copyOf(accepted);
    if (running < 0 || running > MOST_RUNNING) {
      throw new IllegalArgumentException(
          running + " notes a beat are outside 0 to " + MOST_RUNNING);
    }
  }

  public Details withText(Topic topic, String text) {
    Map<Topic, String> all = new EnumMap<>(Topic.class);
    all.putAll(texts);
    if (text.isBlank()) {
      all.remove(topic);
    } else {
      all.put(topic, text.trim());
    }
    return new Details(all, barNotes, tempoMarks, performance, accepted, running);
  }

  public Details withBarNote(String bar, String text) {
    Map<String, List<String>> all = new LinkedHashMap<>(barNotes);
    List<String> here = new ArrayList<>(all.getOrDefault(bar, List.of()));
    here.add(text);
    all.put(bar, List.copyOf(here));
    return new Details(texts, all, tempoMarks, performance, accepted, running);
  }

  public Details withoutBarNotes(String bar) {
    Map<String, List<String>> all = new LinkedHashMap<>(barNotes);
    all.remove(bar);
    return new Details(texts, all, tempoMarks, performance, accepted, running);
  }

  public Details withTempoMarks(List<TempoMark> other) {
    return new Details(texts, barNotes, other, performance, accepted, running);
  }

  public Details withPerformance(double other) {
    return new Details(texts, barNotes, tempoMarks, other, accepted, running);
  }

  public Details withRunning(int other) {
    return new Details(texts, barNotes, tempoMarks, performance, accepted, other);
  }

  public Details accepting(String id) {
    Set<String> all = new TreeSet<>(accepted);
    all.add(id);
    return new Details(texts, barNotes, tempoMarks, performance, all, running);
  }
}
