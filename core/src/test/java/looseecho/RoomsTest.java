package looseecho;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;

/** The rules of the rooms: no interface code in core, and packages depend leftwards only. */
class RoomsTest {
  private static final List<String> ROOMS =
      List.of(
          "reading",
          "disk",
          "audio",
          "dsp",
          "synth",
          "network",
          "activity",
          "pulse",
          "hits",
          "separate",
          "notes",
          "form",
          "analysis",
          "echo",
          "layers",
          "doubt",
          "mix",
          "palette",
          "drawer",
          "isolate",
          "play",
          "loose",
          "compare",
          "exchange",
          "project",
          "handover",
          "demo");

  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("looseecho");

  @Test
  void coreHasNoInterfaceCodeAndDoesNotPrint() {
    Assertions.assertTrue(
        CORE.size() > 60, "the rules must see core's classes (saw " + CORE.size() + ")");
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..")
        .check(CORE);
    noClasses()
        .should()
        .accessField(System.class, "out")
        .orShould()
        .accessField(System.class, "err")
        .check(CORE);
  }

  @Test
  void everyRoomDependsLeftwardsOnly() {
    Assertions.assertTrue(
        CORE.stream()
            .allMatch(c -> ROOMS.contains(c.getPackageName().replaceFirst("looseecho\\.", ""))),
        "a new room has no place in the order yet");
    for (int i = 0; i < ROOMS.size(); i++) {
      String[] right =
          ROOMS.subList(i + 1, ROOMS.size()).stream()
              .map(r -> "looseecho." + r)
              .toArray(String[]::new);
      if (right.length > 0) {
        noClasses()
            .that()
            .resideInAPackage("looseecho." + ROOMS.get(i))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(right)
            .check(CORE);
      }
    }
  }
}
