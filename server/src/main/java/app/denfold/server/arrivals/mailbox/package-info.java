/** Papers from mails to the practice. */
@NullMarked
package app.denfold.server.arrivals.mailbox;

import org.jspecify.annotations.NullMarked;
