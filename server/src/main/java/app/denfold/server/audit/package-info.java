/** The trail: every act a row, chained and checked. */
@NullMarked
package app.denfold.server.audit;

import org.jspecify.annotations.NullMarked;
