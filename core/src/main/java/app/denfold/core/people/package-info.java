/** Persons compared with each other. */
@NullMarked
package app.denfold.core.people;

import org.jspecify.annotations.NullMarked;
