package fret.bench;

import fret.app.widget.MusicFont;
import fret.base.UnusableInput;
import fret.bowing.BowRules;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.fingering.Decided;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteFinger;
import fret.fingering.NoteRule;
import fret.fingering.Standing;
import fret.fingering.Wishes;
import fret.format.musicxml.MusicXmlFile;
import fret.format.musicxml.MusicXmlReader;
import fret.format.musicxml.MusicXmlWriter;
import fret.harmony.HarmonyFinder;
import fret.harmony.HarmonyNote;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.intonation.OpenStrings;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.intonation.Tuner;
import fret.joint.Hands;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.apache.commons.numbers.fraction.Fraction;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long the heavy work takes; figures stand in docs/performance.md. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class FretBenchmarks {
  /** A random walk of sixteenths, without rests, on one instrument. */
  @State(Scope.Benchmark)
  public static class Line {
    @Param({"1000", "10000"})
    int notes;

    @Param({"VIOLIN", "CELLO"})
    InstrumentType type;

    FingeringTask task;
    Standing standing;
    Decided pinned;

    @Setup
    public void build() {
      Instrument instrument = Instrument.standard(type);
      HandModel hand = new HandModel(instrument, School.USUAL, Hand.MEDIUM);
      ResolvedPassage passage =
          Resolver.resolve(walk(notes, instrument.open(instrument.stringCount()).midi()));
      task =
          new FingeringTask(
              passage, TempoMap.steady(new Tempo(Beat.QUARTER, 96)), hand, Preset.SURE);
      standing = Standing.of(task, Decided.NOTHING, Token.NEVER);
      NoteFinger stands = standing.fingering().notes().get(notes / 2).orElseThrow();
      NoteFinger other =
          new FingeringSolver(task)
              .choicesAt(notes / 2).stream()
                  .map(c -> c.notes().get(notes / 2).orElseThrow())
                  .filter(n -> !n.samePlace(stands))
                  .findFirst()
                  .orElseThrow();
      pinned =
          new Decided(
              List.of(NoteRule.pin(notes / 2, other.finger(), other.string())),
              List.of(),
              Wishes.NONE);
    }
  }

  /** The same walk for the bow, on the strings of a fingering that is found beforehand. */
  @State(Scope.Benchmark)
  public static class BowLine {
    @Param({"1000", "3000"})
    int notes;

    @Param({"BOWING", "OPEN"})
    BowRules.Slurs slurs;

    BowTask task;
    BowTask turned;

    @Setup
    public void build() {
      Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
      ResolvedPassage passage = Resolver.resolve(walk(notes, violin.open(4).midi()));
      TempoMap tempo = TempoMap.steady(new Tempo(Beat.QUARTER, 96));
      HandModel hand = new HandModel(violin, School.USUAL, Hand.MEDIUM);
      Fingering fingering =
          new FingeringSolver(new FingeringTask(passage, tempo, hand, Preset.SURE)).best();
      BowTask plain = BowTask.of(passage, tempo, violin, Hands.of(passage, fingering));
      task = plain.withRules(BowRules.NONE.withSlurs(slurs));
      turned = task.withRules(task.rules().withBows(Map.of(notes / 2, Signs.Bow.DOWN)));
    }
  }

  @Benchmark
  public Bowing bowingFromNothing(BowLine line) {
    return new BowSolver(line.task).best();
  }

  @Benchmark
  public Bowing bowingAfterATurn(BowLine line) {
    return new BowSolver(line.turned).best();
  }

  /** A part of 200 bars, as a score and as a file. */
  @State(Scope.Benchmark)
  public static class Part {
    ResolvedPassage passage;
    byte[] file;
    MusicFont font;

    @Setup
    public void build() {
      Score score = walk(3200, 55);
      passage = Resolver.resolve(score);
      file = MusicXmlWriter.write(score);
      font = MusicFont.load();
    }
  }

  /** The graph of choices of 1,000 notes in an independent library. */
  @State(Scope.Benchmark)
  public static class OtherGraph {
    final SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge> graph =
        new SimpleDirectedWeightedGraph<>(DefaultWeightedEdge.class);
    FingeringTask task;

    @Setup
    public void build() {
      Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
      task =
          new FingeringTask(
              Resolver.resolve(walk(1000, 55)),
              TempoMap.steady(new Tempo(Beat.QUARTER, 96)),
              new HandModel(violin, School.USUAL, Hand.MEDIUM),
              Preset.SURE);
      double[][][] weights = new FingeringSolver(task).weights();
      graph.addVertex(-1000);
      graph.addVertex(-1);
      for (int i = 0; i < weights.length; i++) {
        for (int p = 0; p < weights[i].length; p++) {
          for (int s = 0; s < weights[i][p].length; s++) {
            graph.addVertex(i * 1000 + s);
            if (weights[i][p][s] < Double.POSITIVE_INFINITY) {
              graph.setEdgeWeight(
                  graph.addEdge(i == 0 ? -1000 : (i - 1) * 1000 + p, i * 1000 + s),
                  weights[i][p][s]);
            }
            if (i == weights.length - 1 && p == 0) {
              graph.setEdgeWeight(graph.addEdge(i * 1000 + s, -1), 0);
            }
          }
        }
      }
    }
  }

  @Benchmark
  public double otherLibrary1000Notes(OtherGraph other) {
    return new DijkstraShortestPath<>(other.graph).getPathWeight(-1000, -1);
  }

  static Score walk(int notes, int lowest) {
    Random random = new Random(42);
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    int at = lowest + 14;
    for (int i = 0; i < notes; i++) {
      at = Math.max(lowest, Math.min(lowest + 34, at + random.nextInt(9) - 4));
      line.add(Fraction.of(1, 16), Pitch.ofMidi(at, KeySignature.NONE));
    }
    return line.build("walk", Interval.UNISON);
  }

  /** Harmony and every check of a line. */
  @Benchmark
  public Tuned tune(Line line) {
    List<HarmonyNote> notes = new ArrayList<>();
    for (SoundingNote n : line.task.passage().notes()) {
      notes.add(new HarmonyNote(n.onset(), n.duration(), n.pitch()));
    }
    Score score = line.task.passage().score();
    return Tuner.of(
        line.task.passage(),
        line.standing.fingering(),
        line.task.hand(),
        OpenStrings.pure(line.task.hand().instrument(), 440),
        HarmonyFinder.of(score, notes, Map.of()),
        n -> Temperament.JUST,
        false);
  }

  @Benchmark
  public Fingering finger(Line line) {
    return new FingeringSolver(line.task).best();
  }

  @Benchmark
  public Standing fingerAgainAfterAPin(Line line) {
    return line.standing.with(line.pinned, Token.NEVER);
  }

  /** Notes that are compared by whole fingerings. */
  @State(Scope.Benchmark)
  public static class Compared {
    @Param({"400", "1000", "3000"})
    int notes;

    FingeringTask task;

    @Setup
    public void build() {
      Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
      task =
          new FingeringTask(
              Resolver.resolve(walk(notes, 55)),
              TempoMap.steady(new Tempo(Beat.QUARTER, 96)),
              new HandModel(violin, School.USUAL, Hand.MEDIUM),
              Preset.SURE);
    }
  }

  @Benchmark
  public List<Fingering> threeOthers(Compared compared) {
    return new FingeringSolver(compared.task).alternatives(4);
  }

  @Benchmark
  public Score readMusicXml200Bars(Part part) throws UnusableInput {
    return MusicXmlReader.read("bench", MusicXmlFile.open("bench", part.file), "").value();
  }

  @Benchmark
  public Strip layOut200Bars(Part part) {
    return StripEngraver.engrave(part.passage, List.of(), part.font);
  }
}
