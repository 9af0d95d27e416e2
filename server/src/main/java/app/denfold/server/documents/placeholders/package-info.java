/** Papers that are awaited, or whose original lies on paper. */
@NamedInterface("placeholders")
@NullMarked
package app.denfold.server.documents.placeholders;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
