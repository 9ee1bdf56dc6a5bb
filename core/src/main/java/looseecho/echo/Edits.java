package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import looseecho.activity.Lane;
import looseecho.notes.Line;

/** Changes to a template. Each gives a new template and leaves the old one as it was. */
public final class Edits {
  private static final double FIRST_CUT = 4;

  /**
   * A new template and what was done, in words.
   *
   * @param gesture names moves that undo takes back together, see {@link History}; empty for none
   */
  public record Edited(Template template, String words, String gesture) {
    public Edited(Template template, String words) {
      this(template, words, "");
    }

    /** The same as a move of a gesture. */
    public Edited move(String of) {
      return new Edited(template, words, of);
    }
  }

  private Edits() {}

  /**
   * Puts a hit on a step, or takes it away when one is there.
   *
   * @param everyBar true to do the same in every bar of the section
   * @param step sixteenths from the section's start, from 0
   */
  public static Edited toggle(
      Template t, int section, Lane lane, int step, int velocity, boolean everyBar) {
    TemplateSection s = t.sections().get(section);
    boolean there = s.hits(lane).stream().anyMatch(h -> h.step() == step);
    List<StepHit> hits = new ArrayList<>(s.hits(lane));
    int bar = t.stepsPerBar();
    for (int at = everyBar ? step % bar : step; at < s.beats() * bar / t.beatsPerBar(); at += bar) {
      int here = at;
      hits.removeIf(h -> h.step() == here);
      if (!there) {
        hits.add(new StepHit(at, offsetOf(s.hits(lane), at, bar), velocity));
      }
      if (!everyBar) {
        break;
      }
    }
    String place =
        "step " + (step % bar + 1) + (everyBar ? " of every bar" : " of bar " + (step / bar + 1));
    return new Edited(
        replace(t, section, s.with(lane, sorted(hits))),
        (there ? "Took " : "Put ") + lane.words() + (there ? " off " : " on ") + place);
  }

  /** Sets loudness and offset of the hits on one step. */
  public static Edited shape(
      Template t, int section, Lane lane, int step, int velocity, double offsetMs) {
    TemplateSection s = t.sections().get(section);
    List<StepHit> hits = new ArrayList<>();
    for (StepHit h : s.hits(lane)) {
      hits.add(h.step() == step ? h.at(step, offsetMs).loud(velocity) : h);
    }
    String words =
        lane.words()
            + " on step "
            + (step % t.stepsPerBar() + 1)
            + ": loudness "
            + velocity
            + ", "
            + Words.offset(offsetMs);
    String gesture = "shape " + lane + " " + section + " " + step;
    return new Edited(replace(t, section, s.with(lane, sorted(hits))), words, gesture);
  }

  /** Puts the next ornament on the hits of one step. */
  public static Edited ornament(Template t, int section, Lane lane, int step) {
    List<StepHit> hits = new ArrayList<>();
    String words = "There is no " + lane.words() + " on step " + (step % t.stepsPerBar() + 1);
    for (StepHit h : t.sections().get(section).hits(lane)) {
      if (h.step() == step) {
        Ornament next = h.ornament().next();
        hits.add(h.with(next));
        words = lane.words() + " on step " + (step % t.stepsPerBar() + 1) + ": " + next.words();
      } else {
        hits.add(h);
      }
    }
    return part(t, section, lane, hits, words);
  }

  /**
   * Cuts the hits of one step off sooner or later.
   *
   * @param longer half sixteenths by which they last longer; a hit that rings is first cut after
   *     {@value #FIRST_CUT} sixteenths, and one that lasts longer than that rings again
   */
  public static Edited length(Template t, int section, Lane lane, int step, int longer) {
    List<StepHit> hits = new ArrayList<>();
    String on = lane.words() + " on step " + (step % t.stepsPerBar() + 1);
    String words = "There is no " + on;
    for (StepHit h : t.sections().get(section).hits(lane)) {
      if (h.step() != step) {
        hits.add(h);
        continue;
      }
      double now = h.lengthSteps() == 0 ? FIRST_CUT + 0.5 : h.lengthSteps();
      double next = Math.max(0.5, now + longer / 2.0);
      boolean rings = next > FIRST_CUT;
      hits.add(h.lasting(rings ? 0 : next));
      words =
          on + (rings ? " rings out" : String.format(Locale.ROOT, " lasts %.1f sixteenths", next));
    }
    return part(t, section, lane, hits, words).move("length " + lane + " " + section + " " + step);
  }

  /** Gives a lane of a section other hits. */
  public static Edited part(Template t, int section, Lane lane, List<StepHit> hits, String words) {
    TemplateSection s = t.sections().get(section);
    return new Edited(replace(t, section, s.with(lane, sorted(new ArrayList<>(hits)))), words);
  }

  /** Gives a line of a section other notes. */
  public static Edited line(
      Template t, int section, Line line, List<StepNote> notes, String words) {
    List<StepNote> sorted = new ArrayList<>(notes);
    sorted.sort(
        Comparator.comparingDouble((StepNote n) -> n.step() + n.offsetMs() / 1e5)
            .thenComparingInt(StepNote::pitch));
    TemplateSection s = t.sections().get(section);
    return new Edited(replace(t, section, s.with(line, sorted)), words);
  }

  /**
   * Pulls the hits of a lane to their steps.
   *
   * @param strength 0 leaves them, 1 puts them on the grid
   */
  public static Edited quantise(Template t, int section, Lane lane, double strength) {
    List<StepHit> hits =
        t.sections().get(section).hits(lane).stream()
            .map(h -> h.at(h.step(), h.offsetMs() * (1 - strength)))
            .toList();
    String words = "Quantised " + lane.words() + " by " + Math.round(100 * strength) + " %";
    return part(t, section, lane, hits, words);
  }

  /** Pulls all drums of a section to their steps. */
  public static Edited quantise(Template t, int section, double strength) {
    Template out = t;
    for (Lane lane : t.sections().get(section).drums().keySet()) {
      out = quantise(out, section, lane, strength).template();
    }
    return new Edited(out, "Quantised the whole kit by " + Math.round(100 * strength) + " %");
  }

  /**
   * A new hit takes the offset that its lane has on the same step of other bars: the groove is
   * kept.
   */
  private static double offsetOf(List<StepHit> hits, int step, int bar) {
    return hits.stream()
        .filter(h -> h.step() % bar == step % bar)
        .mapToDouble(StepHit::offsetMs)
        .average()
        .orElse(0);
  }

  private static List<StepHit> sorted(List<StepHit> hits) {
    hits.sort(Comparator.comparingDouble(h -> h.step() + h.offsetMs() / 1e5));
    return hits;
  }

  private static Template replace(Template t, int section, TemplateSection with) {
    return t.with(section, with);
  }
}
