/**
 * Sections and events. Enters: mel spectra, chroma, activity and pulse. Leaves: {@link
 * looseecho.form.Form}. Bars are described by {@link looseecho.form.BarFeatures}, cut and labelled
 * by {@link looseecho.form.SectionFinder}.
 */
package looseecho.form;
