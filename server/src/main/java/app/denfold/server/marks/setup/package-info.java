/** The practice’s stamps, and the reasons for covering. */
@NullMarked
package app.denfold.server.marks.setup;

import org.jspecify.annotations.NullMarked;
