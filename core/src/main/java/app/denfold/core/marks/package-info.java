/** Rules of what is put on the pages of papers, and of what is covered in copies of them. */
@NullMarked
package app.denfold.core.marks;

import org.jspecify.annotations.NullMarked;
