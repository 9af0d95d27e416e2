/** Signing with a pen: printed pages that are known again when they come back, and are looked at by whoever asked. */
@NullMarked
package app.denfold.server.signing.pen;

import org.jspecify.annotations.NullMarked;
