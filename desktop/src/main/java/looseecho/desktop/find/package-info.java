/** Finds what can be done anywhere in the window by words, and does it. */
package looseecho.desktop.find;
