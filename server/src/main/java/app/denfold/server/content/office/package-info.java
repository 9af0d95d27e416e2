/** Office files laid out as pages. */
@NamedInterface("office")
@NullMarked
package app.denfold.server.content.office;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
