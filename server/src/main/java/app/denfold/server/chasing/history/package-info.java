/** Who was told what, and what people decided about what is to come. */
@NullMarked
package app.denfold.server.chasing.history;

import org.jspecify.annotations.NullMarked;
