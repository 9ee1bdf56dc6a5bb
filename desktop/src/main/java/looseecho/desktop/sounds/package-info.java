/** The bench of sounds: what each part is stacked from, and how a layer is made. */
package looseecho.desktop.sounds;
