/** All guests and what each may see, as the practice looks after them. */
@NullMarked
package app.denfold.server.portal.guests;

import org.jspecify.annotations.NullMarked;
