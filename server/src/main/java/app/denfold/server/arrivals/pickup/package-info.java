/** Papers that scanners and print drivers save into folders. */
package app.denfold.server.arrivals.pickup;
