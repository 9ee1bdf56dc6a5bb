/**
 * Looseness: named, seeded, explained operations that turn an exact echo into a new beat in its
 * style. Enters and leaves: {@link looseecho.echo.Template}. Read {@link looseecho.loose.Loosener}
 * first.
 */
package looseecho.loose;
