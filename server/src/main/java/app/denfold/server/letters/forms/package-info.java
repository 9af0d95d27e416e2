/** PDF forms of others that models fill in. */
@NullMarked
package app.denfold.server.letters.forms;

import org.jspecify.annotations.NullMarked;
