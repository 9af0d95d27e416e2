/** What letters of the demo practice are written by. */
@NullMarked
package app.denfold.server.demo.letters;

import org.jspecify.annotations.NullMarked;
