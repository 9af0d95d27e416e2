/** Papers that somebody outside sends. */
@NullMarked
package app.denfold.server.portal.sending;

import org.jspecify.annotations.NullMarked;
