package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.Studio;
import fret.app.widget.ClimbLine;
import fret.app.widget.WeeksView;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Problem;
import fret.base.Said;
import fret.passage.Passage;
import fret.plan.Budget;
import fret.plan.Fit;
import fret.plan.Forecast;
import fret.plan.Goal;
import fret.plan.PlanRequest;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.LongRests;
import fret.session.Decisions;
import fret.session.Learning;
import fret.session.Lowered;
import fret.shelf.PlanChange;
import fret.shelf.Planning;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.Level;
import java.time.DayOfWeek;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Plan: the weeks of all passages, the climb of each, a day's items; minutes, dates, ladder. */
final class PlanView extends VBox implements AreaView {

  private final Studio studio;
  private final Areas.Room room;
  private final Label pain = PainPane.line("plan-pain");
  private final Label advice = Parts.label("", "lead");
  private final Label changed = Parts.label("", "quiet");
  private final VBox climbs = new VBox(10);
  private final HBox ladder = new HBox(6);
  private final PlanDay day;
  private final WeeksView weeks;
  private final Map<DayOfWeek, TextField> minutes = new EnumMap<>(DayOfWeek.class);
  private final DateFields dates;
  private final ComboBox<LadderKind> ladderKind = new ComboBox<>();
  private final Spinner<Integer> ladderStart = Parts.number(0, 400, 0, 5);

  /** Straight plays of a chunk in a visit; 0 for as many as are expected. */
  private static final List<Integer> TRIES = List.of(0, 3, 5, 8);

  /** The minutes of the week stand in one row where there is so much room. */
  private static final double MINUTES_ROW = 760;

  private final ComboBox<PlanRequest.Climb> climb = new ComboBox<>();
  private final ComboBox<Integer> tries = new ComboBox<>();
  private final CheckBox warmUp = new CheckBox(Sentences.of("plan.kind.WARM_UP"));
  private boolean showing;
  private boolean seen;

  PlanView(Areas.Room room) {
    this.room = room;
    this.studio = room.studio();
    weeks = new WeeksView(room.look());
    day = new PlanDay(room);
    weeks.setOnPick(this::showDay);
    weeks.setId("weeks");
    weeks.setPrefHeight(230);
    VBox.setVgrow(weeks, Priority.ALWAYS);
    advice.setId("advice");
    advice.setMinHeight(Region.USE_PREF_SIZE);
    changed.setId("plan-changed");
    dates = new DateFields(studio);
    ladderKind.getItems().setAll(LadderKind.values());
    ladderKind.setConverter(Parts.named(k -> Sentences.of("ladder." + k)));
    ladderKind.setId("ladder-kind");
    ladderKind.setAccessibleText(Sentences.of("plan.how-the"));
    ladderKind.setOnAction(e -> saveLadder());
    ladderStart.setId("ladder-start");
    ladderStart.setPrefWidth(80);
    ladderStart.setAccessibleText(Sentences.of("plan.first-level"));
    ladderStart.valueProperty().addListener(o -> saveLadder());
    climb.getItems().setAll(PlanRequest.Climb.values());
    climb.setConverter(Parts.named(c -> Sentences.of("climb." + c)));
    climb.setId("climb");
    climb.setOnAction(e -> saveLadder());
    tries.getItems().setAll(TRIES);
    tries.setConverter(
        Parts.named(n -> n == 0 ? Sentences.of("tries.expected") : Sentences.of("tries.most", n)));
    tries.setId("tries");
    tries.setAccessibleText(Sentences.of("tries"));
    tries.setOnAction(e -> saveLadder());
    warmUp.setId("warm-up");
    warmUp.setOnAction(e -> saveLadder());
    VBox left = day.node();
    left.setPrefWidth(460);
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right = Parts.card(Sentences.of("plan.climbs"), Parts.scroll(climbs));
    right.setPrefWidth(420);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox cards = new HBox(16, left, right);
    cards.setPrefHeight(300);
    cards.setMinHeight(210);
    VBox.setVgrow(cards, Priority.ALWAYS);
    VBox page =
        Parts.page(
            pain,
            advice,
            changed,
            datesAndMinutes(),
            weeks,
            cards,
            ladder,
            new FlowPane(
                12,
                6,
                Parts.line(Sentences.of("plan.ladder"), "quiet"),
                ladderKind,
                Parts.line(Sentences.of("plan.from"), "quiet"),
                ladderStart,
                Parts.line(Sentences.of("plan.0-is"), "quiet"),
                climb,
                tries,
                Parts.button(
                    Sentences.of("plan.calendar"), "plan-calendar", () -> save(true), "small"),
                Parts.button(Sentences.of("plan.csv"), "plan-csv", () -> save(false), "small")));
    ScrollPane all = Parts.scroll(page);
    all.setFitToHeight(true); // It scrolls only where large letters leave it no room.
    getChildren().add(all);
    studio.plans().plannedProperty().addListener(o -> change());
    studio.plans().outlookProperty().addListener(o -> change());
    studio.shownProperty().addListener(o -> change());
  }

  private void save(boolean calendar) {
    studio
        .paper()
        .planFile(
            calendar,
            bytes -> room.main().files().save(calendar ? "practice.ics" : "practice.csv", bytes));
  }

  private FlowPane datesAndMinutes() {
    FlowPane row = Parts.flow(12);
    row.getChildren().addAll(dates.groups());
    row.getChildren().add(minutesRow());
    return row;
  }

  /** Minutes of each day of the week. */
  private FlowPane minutesRow() {
    FlowPane row = Parts.flow(5, Parts.line(Sentences.of("plan.minutes-a"), "quiet"));
    row.setPrefWrapLength(MINUTES_ROW);
    for (DayOfWeek d : DayOfWeek.values()) {
      TextField f = new TextField();
      f.setPrefColumnCount(2);
      f.setId("minutes-" + d.name().toLowerCase(Locale.ROOT));
      f.setAccessibleText(d.getDisplayName(TextStyle.FULL, Locale.UK));
      Parts.onCommit(f, () -> saveMinutes(d, f));
      minutes.put(d, f);
      row.getChildren()
          .add(Parts.row(5, Parts.line(d.getDisplayName(TextStyle.SHORT, Locale.UK), "quiet"), f));
    }
    row.getChildren().addAll(WeeksView.mark(room.look(), WeeksView.WARM_UP), warmUp);
    return row;
  }

  private void saveMinutes(DayOfWeek d, TextField f) {
    Budget b = studio.plans().budget();
    try {
      int asked = Integer.parseInt(f.getText().strip());
      if (asked != b.usual().get(d)) {
        studio
            .plans()
            .saveBudget(
                Said.of("deed.weekday", d.getDisplayName(TextStyle.FULL, Locale.UK), asked),
                b.with(d, asked));
      }
    } catch (IllegalArgumentException e) {
      studio.tell(Sentences.of("plan.minutes-wrong", Budget.MOST));
      f.setText(String.valueOf(b.usual().get(d)));
    }
  }

  private void saveLadder() {
    if (!showing && ladderKind.getValue() != null && climb.getValue() != null) {
      studio
          .plans()
          .saveHabits(
              studio
                  .plans()
                  .habits()
                  .with(ladderKind.getValue(), ladderStart.getValue())
                  .with(climb.getValue())
                  .withMostPlays(tries.getValue() == null ? 0 : tries.getValue())
                  .withWarmUp(warmUp.isSelected()));
    }
  }

  private void show() {
    Planning p = studio.plans().plannedProperty().get();
    if (p == null) {
      advice.setText(Sentences.of("practise.is-planned"));
      return;
    }
    showing = true;
    dates.show();
    minutes.forEach(
        (d, f) -> {
          if (!f.isFocused()) {
            f.setText(String.valueOf(p.budget().usual().get(d)));
          }
        });
    ladderKind.setValue(p.habits().ladder());
    ladderStart.getValueFactory().setValue(p.habits().ladderStart());
    climb.setValue(p.habits().climb());
    tries.setValue(TRIES.contains(p.habits().mostPlays()) ? p.habits().mostPlays() : 0);
    warmUp.setSelected(p.habits().warmUp());
    showing = false;
    showChanged();
    String told =
        p.answer(studio.plans().outlookProperty().get()).stream()
            .map(Sentences::of)
            .collect(Collectors.joining(" "));
    String all = p.plan().feasible() ? told : Sentences.of("plan.honestly", told);
    String beyond = beyond();
    advice.setText(beyond.isEmpty() ? all : beyond); // Nothing is promised of what no hand plays.
    PainPane.show(pain, studio);
    showLadder();
    showClimbs(p);
    List<WeeksView.Day> drawn = new ArrayList<>();
    List<Long> order = p.passages();
    for (PracticePlan.Day d : p.plan().days()) {
      drawn.add(new WeeksView.Day(d.date(), d.budget(), pieces(order, d)));
    }
    weeks.show(drawn, studio.today());
    showDay(Math.min(day.picked(), Math.max(0, drawn.size() - 1)));
  }

  /** What no hand or bow plays at its target, the first bar told whole; empty where all is. */
  private String beyond() {
    List<Problem> all = studio.shown() == null ? List.of() : studio.shown().beyond();
    if (all.isEmpty()) {
      return "";
    }
    Problem first = all.get(0);
    String more = all.size() == 1 ? "" : Sentences.of("beyond.more", all.size() - 1);
    return String.join(
            " ",
            Sentences.of("plan.beyond", first.bar(), Sentences.of(first.message())),
            more,
            Sentences.of(first.nextStep()))
        .replaceAll(" +", " ");
  }

  /** What each passage has of a day, the warm-up below and the breaks on top. */
  private static List<WeeksView.Piece> pieces(List<Long> order, PracticePlan.Day d) {
    Map<Integer, Double> minutes = new TreeMap<>();
    d.items().forEach(i -> minutes.merge(look(order, i), i.minutes(), Double::sum));
    List<WeeksView.Piece> pieces = new ArrayList<>();
    minutes.forEach((look, m) -> pieces.add(new WeeksView.Piece(m, look)));
    pieces.sort(java.util.Comparator.comparingInt(p -> p.pattern() == WeeksView.BLANK ? 1 : 0));
    return pieces;
  }

  /** Each passage has a pattern of its own, in the order of the shelf; breaks are left blank. */
  private static int look(List<Long> order, Item item) {
    return item.kind() == Kind.BREAK
        ? WeeksView.BLANK
        : item.kind() == Kind.WARM_UP ? WeeksView.WARM_UP : order.indexOf(item.passageId());
  }

  private void showLadder() {
    ladder.getChildren().clear();
    Optional<Planning.Entry> e = studio.plans().ofOpen();
    if (e.isEmpty() || studio.shown() == null) {
      return;
    }
    Set<Ladder> all = new LinkedHashSet<>();
    e.get().goal().units().forEach(u -> all.add(e.get().goal().ladder(u)));
    String told = told(all.isEmpty() ? Set.of(e.get().ladder()) : all);
    Label label = Parts.label(told, "quiet");
    label.setId("ladder");
    label.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(label, Priority.ALWAYS);
    ladder.getChildren().add(label);
    Lowered.of(studio.shown(), e.get().learning()).ifPresent(this::showLowered);
  }

  /** Which bar asks for a start under half the target; the player may have half all the same. */
  private void showLowered(Lowered low) {
    Label why =
        Parts.label(
            Sentences.of(
                "plan.lowered",
                low.bar(),
                Level.text(low.starts()),
                Sentences.of("limit." + low.limit().id()),
                Level.text(low.gives())),
            "quiet");
    why.setId("lowered");
    why.setMinHeight(Region.USE_PREF_SIZE);
    ladder
        .getChildren()
        .addAll(
            why,
            Parts.button(Sentences.of("plan.keep-half"), "keep-half", this::keepHalf, "small"));
  }

  private void keepHalf() {
    studio
        .open()
        .decide(
            s -> {
              double half = Math.round(s.passage().settings().target().perMinute() / 2);
              return Optional.of(
                  Decisions.practice(s, Learning.setup(s.passage()).withStart(half)));
            });
  }

  /** The levels of the one ladder; of several from where to where; how the click thins. */
  private static String told(Set<Ladder> all) {
    List<Ladder> climbing = all.stream().filter(l -> !l.isSlow()).toList();
    List<Ladder> slow = all.stream().filter(Ladder::isSlow).toList();
    List<String> told = new ArrayList<>();
    if (climbing.size() == 1) {
      told.add(
          Sentences.of(
              "plan.levels",
              Sentences.of("beat." + climbing.get(0).counted().displayName()),
              climbing.get(0).levels().stream().map(Level::text).collect(Collectors.joining(" "))));
    } else if (!climbing.isEmpty()) {
      told.add(
          climbing.stream()
              .map(
                  l ->
                      Sentences.of(
                          "plan.levels.to",
                          Words.level(l, l.levels().get(0)),
                          Level.text(l.target())))
              .collect(Collectors.joining(", ")));
    }
    if (!slow.isEmpty()) {
      Ladder first = slow.get(0);
      told.add(
          Sentences.of(
              slow.size() == 1 ? "plan.thins" : "plan.thins.all",
              first.levels().stream().map(x -> rung(first, x)).collect(Collectors.joining(", ")),
              Words.tempo(first.at(first.top()))));
    }
    return String.join(". ", told);
  }

  private static String rung(Ladder l, Level level) {
    if (level.clicks() == 0 || level.check()) {
      return Sentences.of(level.check() ? "plan.rung.on" : "plan.rung.off");
    }
    double each = level.clicks() / level.perMinute();
    if (each < 1) {
      return Sentences.of("plan.rung.bars");
    }
    Beat value =
        new Beat(
            l.counted()
                .length()
                .divide(org.apache.commons.numbers.fraction.Fraction.of((int) Math.round(each))));
    return Sentences.of("plan.rung.each", Sentences.of("beat." + value.displayName()));
  }

  // ---- climbs --------------------------------------------------------------------------------

  private void showClimbs(Planning p) {
    climbs.getChildren().clear();
    List<Long> order = p.passages();
    for (Passage passage : studio.passages()) {
      p.all(passage.id()).forEach(e -> climbs.getChildren().add(climb(p, e, passage, order)));
    }
  }

  private VBox climb(Planning p, Planning.Entry e, Passage passage, List<Long> order) {
    ClimbLine line = new ClimbLine(room.look(), false);
    line.setPrefHeight(58);
    line.show(Climbs.of(studio, p, e, forecast(e)));
    Label mark = WeeksView.mark(room.look(), order.indexOf(passage.id()));
    String excerpt = e.section().name();
    String title = passage.settings().title();
    Label name =
        Parts.line(
            excerpt.isEmpty() ? title : Sentences.of("excerpt.of", title, excerpt), "strong");
    boolean open = studio.shown() != null && studio.shown().passage().id() == passage.id();
    Node choices =
        open && excerpt.isEmpty()
            ? Parts.flow(
                6,
                rests(e),
                Parts.button(
                    Sentences.of(e.learning().setup().under() ? "plan.under.on" : "plan.under.off"),
                    "under",
                    studio.plans()::toggleUnder,
                    "small"),
                Parts.button(
                    weight(e.learning().setup().weight()), "weight", this::nextWeight, "small"))
            : new Region();
    return new VBox(
        2,
        Parts.row(8, mark, name),
        choices,
        Parts.label(
            Sentences.of("ready.and", Climbs.readiness(e), Climbs.told(forecast(e), e)), "quiet"),
        help(e),
        line);
  }

  /** How much of the day a passage gets against the others. */
  private static String weight(double weight) {
    return weight == 1
        ? Sentences.of("plan.weight.usual")
        : Sentences.of("plan.weight", Words.one(weight));
  }

  /** Whether long rests are cut, where there are any. */
  private Node rests(Planning.Entry e) {
    boolean cut = e.learning().setup().restsCut();
    var rests =
        Parts.button(
            Sentences.of(cut ? "plan.rests.on" : "plan.rests.off"),
            "rests-cut",
            () -> studio.plans().cutRests(!cut),
            "small");
    PractiseView.shown(rests, LongRests.areIn(studio.shown().score()));
    return rests;
  }

  /** What would make the forecast fit; nothing where it does. */
  private Label help(Planning.Entry e) {
    Optional<Fit> fit =
        Optional.ofNullable(studio.plans().outlookProperty().get().fits().get(e.goal().id()));
    Label help = Parts.label(fit.map(f -> Sentences.of(Climbs.help(f))).orElse(""), "quiet");
    help.setManaged(fit.isPresent());
    return help;
  }

  private Optional<Forecast> forecast(Planning.Entry e) {
    return Optional.ofNullable(
        studio.plans().outlookProperty().get().forecasts().get(e.goal().id()));
  }

  /** The open passage counts for more, or less. */
  private void nextWeight() {
    studio.plans().nextWeight();
  }

  private void showDay(int index) {
    day.show(index);
    weeks.setAccessibleText(day.title());
  }

  // ---- what changed --------------------------------------------------------------------------

  /** What the last change of minutes, days or habits came to. */
  private void showChanged() {
    List<PlanChange> all = studio.plans().changesProperty().get();
    changed.setText(
        all.stream()
            .map(c -> Sentences.of("plan.change.of", title(c.goal()), told(c)))
            .collect(Collectors.joining(" ")));
    changed.setVisible(!all.isEmpty());
    changed.setManaged(!all.isEmpty());
  }

  private String title(Goal.Id goal) {
    Planning.Entry e = studio.plans().plannedProperty().get().entries().get(goal);
    String title = studio.title(goal.passage());
    return e == null || e.section().name().isEmpty()
        ? title
        : Sentences.of("excerpt.of", title, e.section().name());
  }

  private static Said told(PlanChange c) {
    Said moved = Said.of(c.moved() == 1 ? "plan.change.moved.one" : "plan.change.moved", c.moved());
    if (c.before().equals(c.after())) {
      return moved;
    }
    return c.after().isEmpty()
        ? Said.of("plan.change.late", moved)
        : Said.of("plan.change.ready", Said.of("day", c.after().get()), moved);
  }

  @Override
  public Node node() {
    return this;
  }

  @Override
  public void shown() {
    seen = true;
    studio.plans().ensure();
    studio.plans().watch(this);
    show();
  }

  @Override
  public void left() {
    seen = false;
    studio.plans().unwatch(this);
  }

  /** Made anew when it is looked at, not behind another area. */
  private void change() {
    if (seen) {
      show();
    }
  }

  @Override
  public List<Action> actions() {
    return List.of(
        Action.of("plan-little", "plan", Action.key(KeyCode.L), day::little),
        Action.of("plan-off", "plan", Action.key(KeyCode.O), day::off),
        Action.of("plan-ill", "plan", Action.key(KeyCode.I), day::ill),
        Action.of("plan-usual", "plan", Action.key(KeyCode.U), day::usual),
        Action.of("plan-under", "plan", Action.key(KeyCode.N), studio.plans()::toggleUnder),
        Action.of("plan-weight", "plan", Action.key(KeyCode.W), this::nextWeight));
  }
}
