/**
 * The rules of a file: what must be in it, what counts, and how it stands on any day as known on any day. Plain values
 * and pure functions; today is always an argument.
 */
@NullMarked
package app.denfold.core.rules;

import org.jspecify.annotations.NullMarked;
