package looseecho.form;

import java.util.ArrayList;
import java.util.List;
import looseecho.pulse.Pulse;

/** Changes to the sections by hand. Each gives a whole new list of marks. */
public final class SectionEdits {
  private SectionEdits() {}

  /** The sections as marks. */
  public static List<SectionMark> marks(Form form) {
    List<SectionMark> out = new ArrayList<>();
    for (Section s : form.sections()) {
      out.add(new SectionMark(s.start(), s.label(), s.role()));
    }
    return out;
  }

  /** Moves the start of a section to the nearest beat, at least a beat away from its neighbours. */
  public static List<SectionMark> move(Form form, Pulse pulse, int section, double time) {
    List<SectionMark> out = marks(form);
    Section s = form.sections().get(section);
    double beat = Math.rint(pulse.beatsAt(time));
    double low =
        section == 0 ? 0 : Math.rint(pulse.beatsAt(form.sections().get(section - 1).start())) + 1;
    double high = Math.rint(pulse.beatsAt(s.end())) - 1;
    double at = pulse.timeAt(Math.max(low, Math.min(high, beat)));
    out.set(section, new SectionMark(at, s.label(), s.role()));
    return out;
  }

  /**
   * Splits the section at the beat nearest to a time; both parts keep the name. Unchanged when the
   * beat is an edge already.
   */
  public static List<SectionMark> split(Form form, Pulse pulse, double time) {
    List<SectionMark> out = marks(form);
    double beat = pulse.timeAt(Math.rint(pulse.beatsAt(time)));
    for (int i = form.sections().size() - 1; i >= 0; i--) {
      Section s = form.sections().get(i);
      if (beat > s.start() + 0.01 && beat < s.end() - 0.01) {
        out.add(i + 1, new SectionMark(beat, s.label(), s.role()));
        return out;
      }
    }
    return out;
  }

  /** Joins a section to the one before it, which keeps its name; the first joins its follower. */
  public static List<SectionMark> join(Form form, int section) {
    List<SectionMark> out = marks(form);
    if (out.size() > 1) {
      out.remove(Math.max(1, section));
    }
    return out;
  }

  /** Names a section. */
  public static List<SectionMark> rename(Form form, int section, String label, String role) {
    List<SectionMark> out = marks(form);
    out.set(section, new SectionMark(out.get(section).start(), label, role));
    return out;
  }
}
