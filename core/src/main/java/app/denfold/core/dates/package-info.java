/** Days that stand on a page: in which notation, what each of them is, and whether that is sure. */
@NullMarked
package app.denfold.core.dates;

import org.jspecify.annotations.NullMarked;
