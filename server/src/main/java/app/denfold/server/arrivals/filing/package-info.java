/** From an arrival to a document in a file, by hand or behind a cover sheet. */
@NamedInterface("filing")
package app.denfold.server.arrivals.filing;

import org.springframework.modulith.NamedInterface;
