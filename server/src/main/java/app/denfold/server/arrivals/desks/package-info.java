/** Desks: what each pickup folder gives its papers, and which file is open at it. */
@NamedInterface("desks")
package app.denfold.server.arrivals.desks;

import org.springframework.modulith.NamedInterface;
