/** Who asks: the account behind a request, its role, and what it may know of. */
@NullMarked
package app.denfold.server.access;

import org.jspecify.annotations.NullMarked;
