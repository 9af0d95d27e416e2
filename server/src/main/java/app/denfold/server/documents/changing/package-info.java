/** Correcting, moving, copying, replacing, confirming and discarding papers. */
@NamedInterface("changing")
@NullMarked
package app.denfold.server.documents.changing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
