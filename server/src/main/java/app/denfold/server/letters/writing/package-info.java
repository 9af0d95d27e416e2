/** Letters while they are written: filled, looked at, corrected, filed. */
@NullMarked
package app.denfold.server.letters.writing;

import org.jspecify.annotations.NullMarked;
