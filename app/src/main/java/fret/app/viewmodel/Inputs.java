package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.sound.Microphone;
import fret.sound.PlayedInput;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.SimulatedPlayer;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Function;

/** What is recorded from: the microphone of this computer, or the simulated player. */
public final class Inputs implements Microphone {
  private static final String KEPT = "input";

  /** What can be recorded from. */
  public enum Source {
    MICROPHONE,
    SIMULATED
  }

  private final Studio studio;
  private final Microphone real;
  private final Microphone simulated;
  private Function<Expected, List<Fault>> faults = e -> List.of();
  private Microphone listening;
  private long seed = 1;

  /**
   * @param expected what the open passage should sound like
   */
  Inputs(Studio studio, Microphone real, Callable<Expected> expected) {
    this.studio = studio;
    this.real = real;
    this.listening = real;
    this.simulated =
        new PlayedInput(
            () -> {
              Expected e = expected.call();
              SimulatedPlayer.Style style = SimulatedPlayer.Style.USUAL.withSeed(seed++);
              return SimulatedPlayer.play(e, faults.apply(e), style).samples();
            },
            Sentences.of("take.simulated"));
  }

  /** What is recorded from. */
  public Source source() {
    return studio
        .preferences()
        .get(KEPT)
        .filter(Source.SIMULATED.name()::equals)
        .map(x -> Source.SIMULATED)
        .orElse(Source.MICROPHONE);
  }

  public void use(Source source) {
    studio.preferences().put(KEPT, source.name());
  }

  /** What the simulated player does wrong of what is expected. */
  public void setFaults(Function<Expected, List<Fault>> wanted) {
    faults = wanted;
  }

  @Override
  public boolean start(Consumer<float[]> block, Runnable ended) {
    listening = source() == Source.SIMULATED ? simulated : real;
    return listening.start(block, ended);
  }

  @Override
  public void stop() {
    listening.stop();
  }

  @Override
  public String description() {
    return (source() == Source.SIMULATED ? simulated : real).description();
  }
}
