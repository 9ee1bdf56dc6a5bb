/** Looks: fonts, the one stylesheet, names of style classes. */
package looseecho.desktop.theme;
