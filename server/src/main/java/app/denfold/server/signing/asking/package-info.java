/** Asking for signatures, and what whoever asked can do afterwards. */
@NamedInterface("asking")
@NullMarked
package app.denfold.server.signing.asking;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
