/** What the window shows, without any of the window: properties, commands and background work. */
package looseecho.desktop.session;
