/** Pictures that stand in models of letters. */
@NullMarked
package app.denfold.server.letters.images;

import org.jspecify.annotations.NullMarked;
