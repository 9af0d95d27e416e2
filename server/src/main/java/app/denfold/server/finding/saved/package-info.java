/** Searches that are kept under a name, by their maker or for all. */
@NullMarked
package app.denfold.server.finding.saved;

import org.jspecify.annotations.NullMarked;
