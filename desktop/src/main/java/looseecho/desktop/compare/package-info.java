/** The Compare bench: how near the echo is, and what to change next. */
package looseecho.desktop.compare;
