/** Papers that lie elsewhere on the web, and whether they still do. */
@NamedInterface("links")
@NullMarked
package app.denfold.server.content.links;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
