/** Kinds, sections, types and checklists that come ready-made, and how they are read. */
@NamedInterface("sets")
@NullMarked
package app.denfold.server.catalog.sets;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
