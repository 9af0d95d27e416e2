/** Kinds of files and the facts each of them asks for. */
@NamedInterface("kinds")
@NullMarked
package app.denfold.server.people.kinds;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
