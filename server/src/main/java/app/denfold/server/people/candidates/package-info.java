/** The few persons of whom a text may speak, found among all. */
@NullMarked
package app.denfold.server.people.candidates;

import org.jspecify.annotations.NullMarked;
