/** Papers of the demo practice that somebody must have, and those that somebody has. */
@NullMarked
package app.denfold.server.demo.standing;

import org.jspecify.annotations.NullMarked;
