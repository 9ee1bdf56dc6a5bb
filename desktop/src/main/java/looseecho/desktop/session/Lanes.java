package looseecho.desktop.session;

import java.util.List;

/**
 * Lanes of long work that show themselves. None knows of the others.
 *
 * @param opening opens tracks and projects; the newest counts
 * @param sounding reads the sound of a track that is on the desk; the newest counts
 * @param hearing hears corrections; the newest counts
 * @param parting parts the track into its layers; the newest counts
 * @param matching brings the echo's sounds near the track's, one wish after the other
 * @param comparing compares the echo's sounds with the track's; the newest counts
 * @param measuring measures how near the echo is; the newest counts
 * @param indexing measures samples
 * @param looking looks through the samples; the newest counts
 * @param pairing looks for kicks and snares that go together; the newest counts
 * @param auditioning makes a sample ready to be heard; the newest counts
 * @param plugging opens another sound card; the newest counts
 * @param batch hears several tracks, one after the other
 * @param reading reads what the person lays on a template, such as a groove, one after the other
 * @param recording records from the input
 */
public record Lanes(
    Work opening,
    Work sounding,
    Work hearing,
    Work parting,
    Work matching,
    Work comparing,
    Work measuring,
    Work indexing,
    Work looking,
    Work pairing,
    Work auditioning,
    Work plugging,
    Work batch,
    Work reading,
    Work recording,
    Work saving,
    Work exporting)
    implements AutoCloseable {
  Lanes() {
    this(
        Work.newest("opening"),
        Work.newest("reading the sound"),
        Work.newest("hearing"),
        Work.newest("parting the layers"),
        Work.inOrder("matching sounds"),
        Work.newest("comparing sounds"),
        Work.newest("measuring how near it is"),
        Work.inOrder("measuring samples"),
        Work.newest("looking through samples"),
        Work.newest("pairing kicks and snares"),
        Work.newest("making a sample ready"),
        Work.newest("opening the sound card"),
        Work.inOrder("hearing tracks"),
        Work.inOrder("reading"),
        Work.newest("recording"),
        Work.inOrder("saving"),
        Work.inOrder("exporting"));
  }

  public List<Work> all() {
    return List.of(
        opening,
        sounding,
        hearing,
        parting,
        matching,
        comparing,
        measuring,
        indexing,
        looking,
        pairing,
        auditioning,
        plugging,
        batch,
        reading,
        recording,
        saving,
        exporting);
  }

  /** True when nothing is at work. */
  public boolean resting() {
    return all().stream().noneMatch(w -> w.runningProperty().get());
  }

  @Override
  public void close() {
    all().forEach(Work::close);
  }
}
