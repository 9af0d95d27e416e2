/** Signatures drawn into a copy, and the seal that shows it unchanged. */
@NullMarked
package app.denfold.paper.sealing;

import org.jspecify.annotations.NullMarked;
