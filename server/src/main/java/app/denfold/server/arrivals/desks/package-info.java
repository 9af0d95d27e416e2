/** Desks: what each pickup folder gives its papers, and which file is open at it. */
@NamedInterface("desks")
@NullMarked
package app.denfold.server.arrivals.desks;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
