/** The teams of the practice, and in which department and area they lie. */
@NamedInterface("teams")
@NullMarked
package app.denfold.server.access.teams;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
