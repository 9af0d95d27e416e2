/** Cover sheets: printed for a person and a type, known again when they are scanned. */
@NamedInterface("covers")
package app.denfold.server.arrivals.covers;

import org.springframework.modulith.NamedInterface;
