/** Bar codes and matrix codes on pages, and the cover sheets that carry them. */
@NullMarked
package app.denfold.paper.codes;

import org.jspecify.annotations.NullMarked;
