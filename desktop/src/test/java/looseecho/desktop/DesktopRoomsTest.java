package looseecho.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;

/** The rules of the window's rooms. */
class DesktopRoomsTest {
  private static final List<String> BENCHES =
      List.of("ground", "hits", "notes", "river", "transport");
  private static final String HERE = "looseecho.desktop.";

  private static final JavaClasses DESKTOP =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("looseecho.desktop");

  @Test
  void theSessionKnowsNoNodes() {
    Assertions.assertTrue(DESKTOP.size() > 40, "saw " + DESKTOP.size());
    noClasses()
        .that()
        .resideInAPackage(HERE + "session")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx.scene..", "javafx.stage..")
        .orShould()
        .dependOnClassesThat()
        .resideInAnyPackage(
            HERE + "ground", HERE + "hits", HERE + "notes", HERE + "echo", HERE + "ledger")
        .check(DESKTOP);
  }

  /** A view is given what it needs, not the whole window's workings. */
  @Test
  void viewsDoNotReachThroughTheSession() {
    noClasses()
        .that()
        .resideInAnyPackage(HERE + "*..")
        .and()
        .resideOutsideOfPackage(HERE + "session")
        .should()
        .dependOnClassesThat()
        .haveSimpleName("Session")
        .check(DESKTOP);
  }

  /** The echo bench draws on the step chart of the hits; apart from that, benches stand alone. */
  @Test
  void benchesDoNotKnowEachOther() {
    for (String one : BENCHES) {
      String[] others =
          BENCHES.stream().filter(b -> !b.equals(one)).map(b -> HERE + b).toArray(String[]::new);
      noClasses()
          .that()
          .resideInAPackage(HERE + one)
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(others)
          .orShould()
          .dependOnClassesThat()
          .resideInAPackage(HERE + "echo")
          .check(DESKTOP);
    }
  }

  /** But for what is asked for on the command line. */
  @Test
  void nothingPrints() {
    noClasses()
        .that()
        .doNotHaveSimpleName("Launcher")
        .and()
        .doNotHaveSimpleName("FrameMeter")
        .should()
        .accessField(System.class, "out")
        .orShould()
        .accessField(System.class, "err")
        .check(DESKTOP);
  }
}
