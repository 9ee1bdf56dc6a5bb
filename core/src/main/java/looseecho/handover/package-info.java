/** What is handed on: a sheet to read and a pack of files. */
package looseecho.handover;
