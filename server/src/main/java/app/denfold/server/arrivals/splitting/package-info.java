/** Stacks into papers and back: turned, dropped, ordered, split and joined pages. */
package app.denfold.server.arrivals.splitting;
