/** Papers passed to a colleague with a note and a day, and the way they took. */
@NullMarked
package app.denfold.server.handover;

import org.jspecify.annotations.NullMarked;
