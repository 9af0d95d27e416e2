/** Asking for signatures, and what whoever asked can do afterwards. */
@NullMarked
package app.denfold.server.signing.asking;

import org.jspecify.annotations.NullMarked;
