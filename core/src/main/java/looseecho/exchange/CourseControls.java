package looseecho.exchange;

import java.util.ArrayList;
import java.util.List;
import looseecho.echo.Course;
import looseecho.echo.Template;
import looseecho.pulse.Meter;

/** Courses as MIDI controllers, a value wherever one changes, looked at by 32nds. */
final class CourseControls {
  private static final int STEP = Meter.STEP / 2;

  private CourseControls() {}

  /** The courses of one scope through the whole template. */
  static List<MidiSong.Control> of(Template t, String scope) {
    List<MidiSong.Control> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Course c : t.sections().get(s).movement().courses()) {
        if (c.scope().equals(scope)) {
          add(t, s, c, out);
        }
      }
    }
    return out;
  }

  private static void add(Template t, int section, Course c, List<MidiSong.Control> out) {
    int last = -1;
    for (int tick = 0; tick < t.ticks(section); tick += STEP) {
      int value = c.target().midi(c.at(tick));
      if (value != last) {
        double time = Math.max(0, t.time(section, tick, 0));
        out.add(new MidiSong.Control(time, c.target().controller(), value));
        last = value;
      }
    }
  }
}
