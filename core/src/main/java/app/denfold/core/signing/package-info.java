/** Rules of signing. */
@NullMarked
package app.denfold.core.signing;

import org.jspecify.annotations.NullMarked;
