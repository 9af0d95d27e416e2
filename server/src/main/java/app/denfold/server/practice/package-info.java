/** The practice itself: name, calendar, clock, and what all modules need of the web. */
@NullMarked
package app.denfold.server.practice;

import org.jspecify.annotations.NullMarked;
