/** Words on pages: which papers wait to be read, how far each is. */
package app.denfold.server.reading;
