/** The Layers bench: what plays when, in which band and where. */
package looseecho.desktop.layers;
