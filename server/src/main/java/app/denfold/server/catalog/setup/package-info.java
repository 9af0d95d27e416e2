/** Changing the rules: checked as a whole, saved as a version, brought in and out as JSON. */
@NamedInterface("setup")
@NullMarked
package app.denfold.server.catalog.setup;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
