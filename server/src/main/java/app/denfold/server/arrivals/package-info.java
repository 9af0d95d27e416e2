/** Papers that came in and wait: the arrival, its state and its pages. */
@NullMarked
package app.denfold.server.arrivals;

import org.jspecify.annotations.NullMarked;
