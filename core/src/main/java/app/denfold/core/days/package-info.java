/** Civil days: windows and the algebra of day sets. Nothing here knows instants or time zones. */
@NullMarked
package app.denfold.core.days;

import org.jspecify.annotations.NullMarked;
