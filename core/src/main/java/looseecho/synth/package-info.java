/**
 * The sources of sound: recipes for drums and tones and what renders them, and one-shots of the
 * person's own. Enters: a recipe. Leaves: mono samples. Stands left of the listening stages, since
 * recipes are fitted to what is heard.
 */
package looseecho.synth;
