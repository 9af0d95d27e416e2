/** What somebody outside may do in a file. */
@NullMarked
package app.denfold.core.sharing;

import org.jspecify.annotations.NullMarked;
