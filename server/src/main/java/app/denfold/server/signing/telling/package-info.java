/** Mails about signatures. */
@NullMarked
package app.denfold.server.signing.telling;

import org.jspecify.annotations.NullMarked;
