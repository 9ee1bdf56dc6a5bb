/** What is kept between sessions: so far the person's corrections, per reference. */
package looseecho.project;
