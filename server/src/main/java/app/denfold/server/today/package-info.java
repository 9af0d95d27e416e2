/** What waits for one person, gathered from the modules that know it. */
@NullMarked
package app.denfold.server.today;

import org.jspecify.annotations.NullMarked;
