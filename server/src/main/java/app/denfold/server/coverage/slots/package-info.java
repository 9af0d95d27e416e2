/** Stored slots: recomputed when something changes or a day comes. */
@NamedInterface("slots")
@NullMarked
package app.denfold.server.coverage.slots;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
