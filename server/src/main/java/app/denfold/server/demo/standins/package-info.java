/** Stand-ins of what surrounds a practice: its mail, its directory, a virus scanner. */
@NullMarked
package app.denfold.server.demo.standins;

import org.jspecify.annotations.NullMarked;
