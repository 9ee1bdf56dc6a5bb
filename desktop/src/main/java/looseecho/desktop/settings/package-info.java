/** The page on which the person sets the program, and the measuring of how late taps come in. */
package looseecho.desktop.settings;
