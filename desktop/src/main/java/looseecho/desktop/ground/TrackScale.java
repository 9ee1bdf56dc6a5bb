package looseecho.desktop.ground;

import java.util.List;
import looseecho.analysis.Analysis;
import looseecho.form.Section;

/** Where the seconds of the music lie across the charts of this bench, which share one scale. */
record TrackScale(double start, double end, double width) {
  /** Left margin, for the numbers of the scale. */
  static final double MARGIN = 44;

  static TrackScale of(Analysis a, double width) {
    List<Section> s = a.form().sections();
    return s.isEmpty()
        ? new TrackScale(0, a.duration(), width)
        : new TrackScale(s.get(0).start(), s.get(s.size() - 1).end(), width);
  }

  double x(double time) {
    return MARGIN + (time - start) / (end - start) * (width - MARGIN - 1);
  }

  double time(double x) {
    return start + (x - MARGIN) / (width - MARGIN - 1) * (end - start);
  }
}
