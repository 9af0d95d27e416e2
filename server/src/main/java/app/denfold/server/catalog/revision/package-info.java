/** How often the rules changed, so that what was computed by older ones is computed anew. */
@NullMarked
package app.denfold.server.catalog.revision;

import org.jspecify.annotations.NullMarked;
