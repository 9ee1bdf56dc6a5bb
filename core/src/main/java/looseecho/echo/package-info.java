/**
 * The template: what the person writes. Enters: an analysis. Leaves: {@link
 * looseecho.echo.Template}, changed only through {@link looseecho.echo.Edits} and kept with undo in
 * {@link looseecho.echo.History}.
 */
package looseecho.echo;
