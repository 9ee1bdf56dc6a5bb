/**
 * Files that are written whole, never over what is not ours, and with sentences when it fails.
 * Everything that writes goes through {@link looseecho.disk.WholeFile}.
 */
package looseecho.disk;
