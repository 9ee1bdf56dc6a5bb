/** The echo bench: the template, step by step. */
package looseecho.desktop.echo;
