/**
 * The readings at the right of each screen: what was measured, how surely, and one gesture to
 * settle it.
 */
package looseecho.desktop.ledger;
