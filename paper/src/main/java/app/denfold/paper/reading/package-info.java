/** A paper as words: its format, text layers, recognised pages, form values and where each word stands. */
@NullMarked
package app.denfold.paper.reading;

import org.jspecify.annotations.NullMarked;
