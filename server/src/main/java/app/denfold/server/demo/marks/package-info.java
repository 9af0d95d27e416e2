/** Marks on papers of the demo practice. */
@NullMarked
package app.denfold.server.demo.marks;

import org.jspecify.annotations.NullMarked;
