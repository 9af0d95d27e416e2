/** When papers run out and are due, for calendar programs (RFC 5545). */
@NullMarked
package app.denfold.server.calendars;

import org.jspecify.annotations.NullMarked;
