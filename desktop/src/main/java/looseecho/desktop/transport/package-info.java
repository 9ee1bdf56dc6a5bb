/** Play, position, and the balance between heard and echo. */
package looseecho.desktop.transport;
