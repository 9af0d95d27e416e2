/** Running numbers of pages over many papers: how they are written, and where they stand on a page. */
@NullMarked
package app.denfold.core.numbering;

import org.jspecify.annotations.NullMarked;
