/** Signing at the desk, and the sealed copy. */
@NullMarked
package app.denfold.server.signing;

import org.jspecify.annotations.NullMarked;
