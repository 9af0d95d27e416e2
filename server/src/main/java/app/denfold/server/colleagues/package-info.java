/** People who work here: invited, limited, paused and ended by an administrator; who may see which file. */
@NullMarked
package app.denfold.server.colleagues;

import org.jspecify.annotations.NullMarked;
