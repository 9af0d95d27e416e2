/** Secrets that are told once: links for passwords, keys of programs. */
@NamedInterface("secrets")
@NullMarked
package app.denfold.server.access.secrets;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
