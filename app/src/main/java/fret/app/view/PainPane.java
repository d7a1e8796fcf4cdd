package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.Hurting;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.care.BodyPart;
import fret.care.HowMuch;
import fret.care.Told;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What hurts, in full sight: where and how much is asked at once, then how practice goes on. */
final class PainPane extends VBox {
  /** What is asked. */
  private enum Asks {
    NOTHING,
    WHERE,
    HOW_MUCH
  }

  private final Studio studio;
  private final Hurting hurting;
  private final Label told = Parts.label("", "warning");
  private final FlowPane answers = new FlowPane(8, 6);
  private Asks asks = Asks.NOTHING;
  private BodyPart part = BodyPart.ELSEWHERE;

  PainPane(Studio studio) {
    super(6);
    this.studio = studio;
    this.hurting = studio.hurting();
    setId("pain");
    told.setId("pain-told");
    told.setMinHeight(Region.USE_PREF_SIZE); // It is read whole.
    answers.setMinHeight(Region.USE_PREF_SIZE);
    setMinHeight(Region.USE_PREF_SIZE);
    setPrefWidth(200); // As wide as what it stands in, and no reason for more.
    getChildren().addAll(told, answers);
    show();
  }

  /** It hurt just now: where? */
  void ask() {
    asks = Asks.WHERE;
    show();
  }

  /** What was asked of a try that was taken back is asked no more. */
  void forget() {
    asks = Asks.NOTHING;
    show();
  }

  void show() {
    List<String> sentences = hurting.sentences();
    answers.getChildren().clear();
    switch (asks) {
      case WHERE -> {
        told.setText(Sentences.of("hurts.where"));
        for (BodyPart p : BodyPart.values()) {
          answer("hurts.part." + p, p.ordinal() + 1, "pain-" + id(p), () -> where(p));
        }
      }
      case HOW_MUCH -> {
        told.setText(Sentences.of("hurts.how-much", Sentences.of("hurts.part." + part)));
        for (HowMuch m : HowMuch.values()) {
          answer("hurts.much." + m, m.ordinal() + 1, "pain-" + id(m), () -> howMuch(m));
        }
      }
      default -> {
        told.setText(String.join(" ", sentences));
        if (!sentences.isEmpty()) {
          choices();
        }
      }
    }
    PractiseView.shown(this, asks != Asks.NOTHING || !sentences.isEmpty());
  }

  private static String id(Enum<?> of) {
    return of.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private void answer(String words, int digit, String id, Runnable then) {
    String text = Texts.capital(Sentences.of(words)) + "  (" + digit + ")";
    answers.getChildren().add(Parts.button(text, id, then, "small"));
  }

  /** What the player may want: nothing of it is done by itself. */
  private void choices() {
    Told said = studio.plans().habits().told();
    if (hurting.care().asks(said)) {
      choice("hurts.ask.better", "pain-better", () -> hurting.answer(true));
      choice("hurts.ask.still", "pain-still", () -> hurting.answer(false));
    }
    if (hurting.isToSay()) {
      choice("hurts.say-where", "pain-where", this::ask);
    }
    if (hurting.offersLight()) {
      int minutes = (int) Math.round(studio.plans().budget().on(studio.today()) / 3.0);
      answers
          .getChildren()
          .add(
              Parts.button(
                  Sentences.of("hurts.offer-light", minutes),
                  "pain-light",
                  hurting::light,
                  "small"));
    }
    choice("hurts.all-back", "lift-pain", hurting::allBack);
  }

  private void choice(String words, String id, Runnable then) {
    answers.getChildren().add(Parts.button(Sentences.of(words), id, then, "small"));
  }

  private void where(BodyPart which) {
    part = which;
    asks = Asks.HOW_MUCH;
    show();
  }

  private void howMuch(HowMuch much) {
    asks = Asks.NOTHING;
    hurting.say(part, much);
    show();
  }

  private void digit(int which) {
    if (asks == Asks.WHERE) {
      where(BodyPart.values()[which - 1]);
    } else {
      howMuch(HowMuch.values()[which - 1]);
    }
  }

  private boolean isAnswer(int which) {
    return switch (asks) {
      case NOTHING -> false;
      case WHERE -> which <= BodyPart.values().length;
      case HOW_MUCH -> which <= HowMuch.values().length;
    };
  }

  /** Digits answer what is asked. */
  List<Action> actions() {
    List<Action> all = new ArrayList<>();
    for (int i = 1; i <= BodyPart.values().length; i++) {
      int which = i;
      all.add(
          new Action(
              "pain-answer-" + i,
              "practise",
              Sentences.of("key.pain-answer", i),
              Action.key(KeyCode.valueOf("DIGIT" + i)),
              () -> isAnswer(which),
              () -> digit(which)));
    }
    return all;
  }

  /** What hurts for other areas: read whole, and not there where nothing does. */
  static Label line(String id) {
    Label line = Parts.label("", "warning");
    line.setId(id);
    line.setMinHeight(Region.USE_PREF_SIZE);
    PractiseView.shown(line, false);
    return line;
  }

  /** Brings such a line up to date. */
  static void show(Label line, Studio studio) {
    line.setText(String.join(" ", studio.hurting().sentences()));
    PractiseView.shown(line, !line.getText().isEmpty());
  }
}
