/** Covers placed by words: names, numbers, birth dates. */
@NullMarked
package app.denfold.server.marks.words;

import org.jspecify.annotations.NullMarked;
