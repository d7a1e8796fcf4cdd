package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.PracticeModel;
import fret.app.words.Sentences;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.Cure;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/**
 * What broke is asked over the lower edge of the music, so that nothing moves; then the drill
 * against it is offered there, and the way back.
 */
final class WhatBroke extends StackPane {
  /** One key for each thing that breaks, in the order in which they are shown. */
  private static final List<KeyCode> KEYS =
      List.of(
          KeyCode.I, KeyCode.S, KeyCode.X, KeyCode.R, KeyCode.U, KeyCode.D, KeyCode.W, KeyCode.O,
          KeyCode.B, KeyCode.T, KeyCode.L, KeyCode.Y, KeyCode.F, KeyCode.P);

  private final PracticeModel practice;
  private final Runnable stop;
  private final Consumer<String> tell;
  private final FlowPane answers = new FlowPane(6, 6);
  private final Button cure = Parts.button("", "cure", this::toCure, "small");
  private Breakage last = Breakage.NONE;
  private boolean asks;

  /**
   * @param music what it lies over
   * @param stop ends a set
   */
  WhatBroke(PracticeModel practice, Node music, Runnable stop, Consumer<String> tell) {
    this.practice = practice;
    this.stop = stop;
    this.tell = tell;
    answers.setId("broke");
    answers.getStyleClass().add("asked");
    answers.setMaxHeight(Region.USE_PREF_SIZE);
    for (int i = 1; i < Breakage.values().length; i++) {
      Breakage b = Breakage.values()[i];
      answers
          .getChildren()
          .add(
              Parts.button(
                  Sentences.of("broke." + b) + "  (" + KEYS.get(i - 1).getName() + ")",
                  "broke-" + b.name().toLowerCase(Locale.ROOT),
                  () -> answer(b),
                  "small"));
    }
    setMinHeight(0);
    getChildren().addAll(music, answers, cure);
    setAlignment(answers, Pos.BOTTOM_CENTER);
    setAlignment(cure, Pos.BOTTOM_RIGHT);
    setMargin(cure, new Insets(0, 4, 4, 0));
    forget();
  }

  /** Asks, or asks no more. */
  void ask(boolean what) {
    asks = what;
    PractiseView.shown(answers, what);
    if (what) {
      PractiseView.shown(cure, false);
    }
  }

  /** Another try was judged. */
  void judged() {
    last = Breakage.NONE;
  }

  /** Something else is on the stand. */
  void forget() {
    judged();
    ask(false);
    offer(Breakage.NONE);
  }

  /** It is written to the try that was judged last. */
  private void answer(Breakage what) {
    practice.stand().tell(what);
    last = what;
    tell.accept(Sentences.of("practise.broke", Sentences.of("broke." + what + ".cure")));
    ask(false);
    offer(what);
  }

  private void offer(Breakage against) {
    Optional<DrillKind> kind = Cure.of(against);
    PractiseView.shown(cure, kind.isPresent() || practice.isAside());
    cure.setText(
        practice.isAside()
            ? Sentences.of("practise.back")
            : kind.map(k -> Sentences.of("practise.to-cure", Sentences.of("drill." + k.id())))
                .orElse(""));
  }

  /** The drill against it on the stand; from there back to where it was. */
  void toCure() {
    stop.run();
    if (practice.isAside()) {
      practice.next();
    } else {
      practice.own().cure(last);
    }
    judged();
    ask(false);
  }

  List<Action> actions() {
    List<Action> all = new ArrayList<>();
    for (int i = 0; i < KEYS.size(); i++) {
      Breakage b = Breakage.values()[i + 1];
      all.add(
          new Action(
              "broke-" + b,
              "practise",
              Sentences.of("key.broke", Sentences.of("broke." + b)),
              Action.key(KEYS.get(i)),
              () -> asks,
              () -> answer(b)));
    }
    all.add(Action.of("cure", "practise", Action.key(KeyCode.K), this::toCure));
    return all;
  }
}
