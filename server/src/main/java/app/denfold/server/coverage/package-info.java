/** What is asked of a file on a day: one evaluation, waivers included. */
@NullMarked
package app.denfold.server.coverage;

import org.jspecify.annotations.NullMarked;
