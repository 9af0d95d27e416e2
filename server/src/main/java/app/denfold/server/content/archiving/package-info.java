/** Copies for the archive, made of stored bytes. */
@NamedInterface("archiving")
@NullMarked
package app.denfold.server.content.archiving;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
