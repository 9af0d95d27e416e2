/** The sealed copy of a signed paper. */
@NullMarked
package app.denfold.server.signing.sealing;

import org.jspecify.annotations.NullMarked;
