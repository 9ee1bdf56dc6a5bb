package looseecho.desktop.session;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

/** The clock is the test's own. */
class RestTimeTest {
  private final RestTime rest = new RestTime();

  @Test
  void whatIsLeftFollowsFromWhatIsDone() {
    assertEquals("", rest.words("cutting", 0, 100));
    assertEquals("", rest.words("cutting", 0.3, 101), "too soon to tell");
    assertEquals("6 s", rest.words("cutting", 0.4, 104));
    assertEquals("1 s", rest.words("cutting", 0.9, 108.5));
    assertEquals("", rest.words("cutting", 1, 110), "done");
  }

  @Test
  void longTimesAreToldRoughly() {
    rest.words("hearing", 0, 0);
    assertEquals("1 min 40 s", rest.words("hearing", 0.05, 5.1));
    assertEquals("2 min", rest.words("hearing", 0.2, 29.5));
    assertEquals("", rest.words("hearing", 0.01, 40), "it began once more");
    assertEquals("", rest.words("parting", -1, 50), "how much is done is not known");
    assertEquals("", rest.words("parting", -1, 60));
  }

  /** Two steps side by side report in turn. */
  @Test
  void stepsThatTakeTurnsAreReckonedApart() {
    rest.words("drums", 0, 0);
    rest.words("bass", 0, 2);
    assertEquals("4 s", rest.words("drums", 0.5, 4));
    assertEquals("12 s", rest.words("bass", 0.2, 5));
    assertEquals("2 s", rest.words("drums", 0.75, 6));
  }
}
