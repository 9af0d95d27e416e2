/** Changing kinds and bringing people in, in Set-up. */
@NullMarked
package app.denfold.server.people.setup;

import org.jspecify.annotations.NullMarked;
