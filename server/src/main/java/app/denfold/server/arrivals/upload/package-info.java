/** Papers sent from the browser, whole or in resumable pieces, and links. */
package app.denfold.server.arrivals.upload;
