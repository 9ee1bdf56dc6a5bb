package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;

/** Brings older project files to the current version, one version at a time. */
final class Migration {
  private Migration() {}

  /** The tree in the current version; version 1 is the first, so there is nothing to do yet. */
  static JsonNode toCurrent(JsonNode root, int version) {
    if (version == ProjectFile.VERSION) {
      return root;
    }
    throw new IllegalArgumentException("no way from version " + version);
  }
}
