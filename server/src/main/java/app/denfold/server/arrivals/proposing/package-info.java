/** Whose paper it may be, of what type, with which dates; learned from what was filed. */
@NullMarked
package app.denfold.server.arrivals.proposing;

import org.jspecify.annotations.NullMarked;
