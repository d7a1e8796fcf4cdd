package fret.app.view;

import fret.app.viewmodel.Beating;
import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.Hearing;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.viewmodel.TuningModel;
import fret.app.viewmodel.WritingModel;
import fret.app.widget.Look;
import fret.base.Later;
import java.util.List;
import javafx.scene.input.KeyCode;

/**
 * The one list of areas, in the order in which players work. Side bar, keys, help and pictures come
 * from it.
 */
final class Areas {
  private Areas() {}

  /** What areas are made of. */
  record Room(
      Studio studio,
      MainView main,
      LeftHandModel leftHand,
      BowModel bow,
      TuningModel tuning,
      TakesModel takes,
      PracticeModel practice,
      WritingModel writing,
      Hearing hearing,
      Beating beating,
      Devices devices,
      Look look) {}

  /** All of them; what they show is made when it is first asked for. */
  static List<Area> in(Room r) {
    return List.of(
        new Area(
            "shelf", KeyCode.F2, Area.Needs.NOTHING, List.of(), Later.of(() -> new ShelfView(r))),
        new Area("part", KeyCode.F3, Area.Needs.OPEN, List.of(), Later.of(() -> new PartView(r))),
        new Area(
            "left-hand",
            KeyCode.F4,
            Area.Needs.OPEN,
            List.of("hand", "load"),
            Later.of(() -> new LeftHandView(r))),
        new Area(
            "bow-arm",
            KeyCode.F5,
            Area.Needs.OPEN,
            List.of("bow", "plane"),
            Later.of(() -> new BowArmView(r))),
        new Area(
            "tuning",
            KeyCode.F6,
            Area.Needs.OPEN,
            List.of("ring"),
            Later.of(() -> new TuningView(r))),
        new Area(
            "plan", KeyCode.F7, Area.Needs.PASSAGES, List.of(), Later.of(() -> new PlanView(r))),
        new Area(
            "practise",
            KeyCode.F8,
            Area.Needs.PASSAGES,
            List.of(),
            Later.of(() -> new PractiseView(r))),
        new Area(
            "takes",
            KeyCode.F9,
            Area.Needs.OPEN,
            List.of("take"),
            Later.of(() -> new TakesView(r))),
        new Area(
            "journal",
            KeyCode.F10,
            Area.Needs.NOTHING,
            List.of(),
            Later.of(() -> new JournalView(r))));
  }
}
