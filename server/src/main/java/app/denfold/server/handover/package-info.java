/** Papers passed to a colleague with a note and a day, and the way they took. */
package app.denfold.server.handover;
