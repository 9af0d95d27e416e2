/** Copies that leave the house: for whom, with what covered, and who has which. */
@NullMarked
package app.denfold.server.leaving;

import org.jspecify.annotations.NullMarked;
