/** How a paper is filed: the name it gets. Pure functions. */
@NullMarked
package app.denfold.core.filing;

import org.jspecify.annotations.NullMarked;
