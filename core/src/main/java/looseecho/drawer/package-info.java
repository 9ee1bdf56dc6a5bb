/**
 * A person's own samples: found in folders, measured once and kept in a small database, and the
 * nearest of them for a heard sound. Enters: folders, heard sounds. Leaves: entries and matches.
 */
package looseecho.drawer;
