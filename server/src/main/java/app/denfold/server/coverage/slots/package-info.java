/** Stored slots: recomputed when something changes or a day comes. */
@NullMarked
package app.denfold.server.coverage.slots;

import org.jspecify.annotations.NullMarked;
