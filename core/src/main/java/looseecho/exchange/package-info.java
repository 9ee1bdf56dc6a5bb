/**
 * Open formats out: JAMS 0.3 and Standard MIDI Files. Each is read back by an independent reader in
 * the tests.
 */
package looseecho.exchange;
