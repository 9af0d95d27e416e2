/** What is put on the pages of papers beside their bytes: highlights, notes, stamps, pen, arrows and covers. */
@NullMarked
package app.denfold.server.marks;

import org.jspecify.annotations.NullMarked;
