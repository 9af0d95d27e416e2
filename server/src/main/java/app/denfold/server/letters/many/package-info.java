/** The same letter for many: written together, corrected and filed each. */
@NullMarked
package app.denfold.server.letters.many;

import org.jspecify.annotations.NullMarked;
