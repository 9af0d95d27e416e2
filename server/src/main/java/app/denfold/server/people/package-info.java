/** Files of people: who they are, what is true of them and since when. */
@NullMarked
package app.denfold.server.people;

import org.jspecify.annotations.NullMarked;
