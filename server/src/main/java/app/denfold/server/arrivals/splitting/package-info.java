/** Stacks into papers and back: turned, dropped, ordered, split and joined pages. */
@NullMarked
package app.denfold.server.arrivals.splitting;

import org.jspecify.annotations.NullMarked;
