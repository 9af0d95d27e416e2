/** The list of waiting papers: shown, worked on by several people, filed or put away. */
@NullMarked
package app.denfold.server.arrivals.waiting;

import org.jspecify.annotations.NullMarked;
