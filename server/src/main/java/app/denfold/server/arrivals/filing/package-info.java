/** From an arrival to a document in a file, by hand or behind a cover sheet. */
@NamedInterface("filing")
@NullMarked
package app.denfold.server.arrivals.filing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
