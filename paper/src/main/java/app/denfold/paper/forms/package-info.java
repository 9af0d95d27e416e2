/** PDF forms of others (ISO 32000-2, 12.7): which fields they have, and the same forms filled in. */
@NullMarked
package app.denfold.paper.forms;

import org.jspecify.annotations.NullMarked;
