/** Text picked from papers and kept with where it stands, for later letters. */
@NullMarked
package app.denfold.server.excerpts;

import org.jspecify.annotations.NullMarked;
