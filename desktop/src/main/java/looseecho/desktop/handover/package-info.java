/** The Hand over bench: the pack, the logbook and what is still open. */
package looseecho.desktop.handover;
