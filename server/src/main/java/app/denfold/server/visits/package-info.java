/** The days on which a person was here or will be, which part his papers into times. */
@NullMarked
package app.denfold.server.visits;

import org.jspecify.annotations.NullMarked;
