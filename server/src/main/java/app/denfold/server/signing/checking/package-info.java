/** Whether a copy that somebody holds is what was sealed here. */
@NullMarked
package app.denfold.server.signing.checking;

import org.jspecify.annotations.NullMarked;
