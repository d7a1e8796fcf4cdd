package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.base.Fractions;
import fret.passage.TempoPlan;
import fret.session.Learning;
import fret.session.Session;
import fret.tempo.Tempo;
import java.util.Locale;

/** The tempos of a part as JSON. */
final class SectionsJson {
  private SectionsJson() {}

  /** Adds the target, every section, and how long the bars last as played once through. */
  static void put(ObjectNode into, Session session) {
    Tempo target = session.passage().settings().target();
    into.putObject("tempo")
        .put("beat", target.beat().displayName())
        .put("bpm", Json.round(target.perMinute(), 3));
    sections(into, session);
  }

  /** The same without the target. */
  static void sections(ObjectNode into, Session session) {
    ArrayNode array = into.putArray("sections");
    double all = 0;
    for (TempoPlan.Section s : session.tempos()) {
      double seconds = session.task().tempo().durationMs(s.onset(), s.end()) / 1000;
      all += seconds;
      ObjectNode node =
          array
              .addObject()
              .put("fromBar", s.bar().number())
              .put("fromOnset", Fractions.text(s.onset()))
              .put("toBar", session.lastBarOf(s).number())
              .put("beat", s.start().beat().displayName())
              .put("perMinute", Json.round(s.start().perMinute(), 3))
              .put("endPerMinute", Json.round(s.finish().perMinute(), 3))
              .put("seconds", Json.round(seconds, 3))
              .put("source", s.source().name().toLowerCase(Locale.ROOT));
      boolean first = s.mark().isEmpty();
      double upper = first ? Learning.setup(session.passage()).upper() : s.upper();
      if (upper > 0) {
        node.put("upperPerMinute", Json.round(upper, 3));
      }
    }
    into.put("partSeconds", Json.round(all, 3));
  }
}
