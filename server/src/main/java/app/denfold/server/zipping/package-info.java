/** Chosen papers as one ZIP, made in the background. */
@NullMarked
package app.denfold.server.zipping;

import org.jspecify.annotations.NullMarked;
