/** What plans tell on which day, and the morning on which they do. */
@NamedInterface("planned")
@NullMarked
package app.denfold.server.chasing.planned;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
