/** Links for people without an account, which open only together with a code that was sent to the same address. */
@NamedInterface("links")
@NullMarked
package app.denfold.server.access.links;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
