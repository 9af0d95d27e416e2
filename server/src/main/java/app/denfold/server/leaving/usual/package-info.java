/** What a reader of each kind usually gets: our marks or not, a line at the foot or not. */
@NullMarked
package app.denfold.server.leaving.usual;

import org.jspecify.annotations.NullMarked;
