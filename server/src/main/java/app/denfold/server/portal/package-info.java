/** Guests: what is shared with them, what is asked of them, what they send. */
@NullMarked
package app.denfold.server.portal;

import org.jspecify.annotations.NullMarked;
