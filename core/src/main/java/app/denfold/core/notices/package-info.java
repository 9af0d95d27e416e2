/**
 * Who is told what on which day about papers that are missing or run out: a pure function of plans, slots, what was told
 * before, and the day. It sends nothing and knows no clock.
 */
@NullMarked
package app.denfold.core.notices;

import org.jspecify.annotations.NullMarked;
