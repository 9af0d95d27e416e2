/** Finding papers by anything that is known or written of them, and words on their pages. */
@NullMarked
package app.denfold.server.finding;

import org.jspecify.annotations.NullMarked;
