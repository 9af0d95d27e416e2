/** Keys with which programs ask. */
@NullMarked
package app.denfold.server.access.keys;

import org.jspecify.annotations.NullMarked;
