/** Cover sheets: printed for a person and a type, known again when they are scanned. */
@NamedInterface("covers")
@NullMarked
package app.denfold.server.arrivals.covers;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
