/** Taking a paper in: kept, noted in the trail, and taken further once it is read. */
@NamedInterface("receiving")
@NullMarked
package app.denfold.server.arrivals.receiving;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
