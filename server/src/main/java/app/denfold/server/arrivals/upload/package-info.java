/** Papers sent from the browser, whole or in resumable pieces, and links. */
@NullMarked
package app.denfold.server.arrivals.upload;

import org.jspecify.annotations.NullMarked;
