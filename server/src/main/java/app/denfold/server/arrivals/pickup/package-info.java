/** Papers that scanners and print drivers save into folders. */
@NullMarked
package app.denfold.server.arrivals.pickup;

import org.jspecify.annotations.NullMarked;
