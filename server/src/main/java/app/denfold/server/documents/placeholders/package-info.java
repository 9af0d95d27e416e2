/** Papers that are awaited, or whose original lies on paper. */
@NamedInterface("placeholders")
package app.denfold.server.documents.placeholders;

import org.springframework.modulith.NamedInterface;
