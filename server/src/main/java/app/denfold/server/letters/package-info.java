/** Letters: what they are written by, and what a file knows for them. */
@NullMarked
package app.denfold.server.letters;

import org.jspecify.annotations.NullMarked;
