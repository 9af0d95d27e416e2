/** PDFs of chosen pages of stored papers. */
@NamedInterface("copying")
@NullMarked
package app.denfold.server.content.copying;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
