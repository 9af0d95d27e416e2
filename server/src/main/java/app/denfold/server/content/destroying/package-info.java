/** Bytes that leave for good once nothing needs them. */
@NamedInterface("destroying")
@NullMarked
package app.denfold.server.content.destroying;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
