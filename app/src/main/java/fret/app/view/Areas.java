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
import java.util.function.Supplier;
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
        area("shelf", KeyCode.F2, Area.Needs.NOTHING, () -> new ShelfView(r)),
        area("part", KeyCode.F3, Area.Needs.OPEN, () -> new PartView(r)),
        area("left-hand", KeyCode.F4, Area.Needs.OPEN, () -> new LeftHandView(r), "hand", "load"),
        area("bow-arm", KeyCode.F5, Area.Needs.OPEN, () -> new BowArmView(r), "bow", "plane"),
        area("tuning", KeyCode.F6, Area.Needs.OPEN, () -> new TuningView(r), "ring"),
        area("plan", KeyCode.F7, Area.Needs.PASSAGES, () -> new PlanView(r)),
        area("practise", KeyCode.F8, Area.Needs.PASSAGES, () -> new PractiseView(r)),
        area("takes", KeyCode.F9, Area.Needs.OPEN, () -> new TakesView(r), "take"),
        area("journal", KeyCode.F10, Area.Needs.NOTHING, () -> new JournalView(r)));
  }

  private static Area area(
      String id, KeyCode key, Area.Needs needs, Supplier<AreaView> view, String... lanes) {
    return new Area(id, key, needs, List.of(lanes), Later.of(view));
  }
}
