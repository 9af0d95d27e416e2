/** People from CSV, and from the directory of the house. */
@NullMarked
package app.denfold.server.people.importing;

import org.jspecify.annotations.NullMarked;
