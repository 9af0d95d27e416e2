/** New papers made from pages of others: excerpts, unlocked copies, copies for the archive. */
@NullMarked
package app.denfold.paper.copies;

import org.jspecify.annotations.NullMarked;
