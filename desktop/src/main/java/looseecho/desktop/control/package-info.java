/** Drawing ground and glyphs that several screens share. */
package looseecho.desktop.control;
