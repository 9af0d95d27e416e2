/** Papers sent from the browser or the portal, and links. */
@NamedInterface("upload")
@NullMarked
package app.denfold.server.arrivals.upload;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
