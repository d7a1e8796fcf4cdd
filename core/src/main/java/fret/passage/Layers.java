package fret.passage;

import fret.bowing.BowLayers;
import fret.drill.ApproachLayer;
import fret.drill.ChunkLayer;
import fret.drill.ExcerptLayer;
import fret.drill.FrameLayer;
import fret.drill.OwnChunkLayer;
import fret.harmony.ChordLayer;
import fret.intonation.TemperamentLayer;
import fret.intonation.TuningLayer;
import fret.load.LimitsLayer;
import fret.mark.BowLayer;
import fret.mark.DampLayer;
import fret.mark.FingerLayer;
import fret.mark.FlagLayer;
import fret.mark.GuideLayer;
import fret.mark.Layer;
import fret.mark.LengthLayer;
import fret.mark.OrnamentLayer;
import fret.mark.ReductionLayer;
import fret.mark.ReminderLayer;
import fret.mark.ReturnsLayer;
import fret.mark.SlideLayer;
import fret.mark.StrandLayer;
import fret.mark.StrandLevelsLayer;
import fret.mark.SupportLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoRuleLayer;
import fret.mark.WishLayer;
import fret.sound.ClickRangeLayer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The one list of kinds of marks. */
public final class Layers {
  /** Every kind, settings included. */
  public static final List<Layer<?, ?>> ALL = all();

  private Layers() {}

  private static List<Layer<?, ?>> all() {
    List<Layer<?, ?>> all =
        new ArrayList<>(
            List.of(
                FingerLayer.PINNED,
                FingerLayer.ADOPTED,
                BowLayer.BOW,
                WishLayer.WISH,
                VibratoLayer.VIBRATO,
                LengthLayer.LENGTH,
                SupportLayer.SUPPORT,
                DampLayer.DAMP,
                ReminderLayer.REMINDER,
                ChunkLayer.CHUNK,
                OwnChunkLayer.OWN,
                ApproachLayer.APPROACH,
                ExcerptLayer.EXCERPT,
                FrameLayer.FRAMES,
                ClickRangeLayer.CLICKS,
                SourceLayer.SOURCE,
                HeadingLayer.HEADING,
                PracticeLayer.PRACTICE,
                TuningLayer.TUNING,
                TemperamentLayer.TEMPERAMENT,
                StrandLayer.STRAND,
                StrandLevelsLayer.LEVELS,
                ChordLayer.CHORD,
                LimitsLayer.LIMITS,
                SlideLayer.SLIDE,
                GuideLayer.GUIDE,
                OrnamentLayer.ORNAMENT,
                ReductionLayer.REDUCTION,
                FlagLayer.SLIDES_HIDDEN,
                FlagLayer.POSITIONS,
                FlagLayer.HAIRPINS_GO_ON,
                ReturnsLayer.RETURNS,
                VibratoRuleLayer.RULE));
    BowLayers.ALL.stream().filter(l -> l != BowLayer.BOW).forEach(all::add);
    all.addAll(SettingLayers.ALL);
    return List.copyOf(all);
  }

  /** The kind with an id; empty where this version of the program does not know it. */
  public static Optional<Layer<?, ?>> of(String id) {
    return ALL.stream().filter(l -> l.id().equals(id)).findFirst();
  }
}
