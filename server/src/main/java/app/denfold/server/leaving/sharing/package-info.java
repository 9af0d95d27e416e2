/** Copies that guests see in the portal. */
@NullMarked
package app.denfold.server.leaving.sharing;

import org.jspecify.annotations.NullMarked;
