/**
 * From a template to sound, block by block, so that no length needs more memory. Enters: {@link
 * looseecho.echo.Template} and {@link looseecho.mix.Sounds}. Leaves: stems and the mix. Read {@link
 * looseecho.mix.EchoRenderer} first.
 */
package looseecho.mix;
