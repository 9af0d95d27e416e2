/** Who may use which address of the API: one table for all of them. */
@NullMarked
package app.denfold.server.access.rights;

import org.jspecify.annotations.NullMarked;
