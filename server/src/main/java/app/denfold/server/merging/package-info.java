/** Files that may be of one person: found, looked at side by side, put together, and taken apart again for a day. */
@NullMarked
package app.denfold.server.merging;

import org.jspecify.annotations.NullMarked;
