/** What is worth a person's look, most important first. */
package looseecho.doubt;
