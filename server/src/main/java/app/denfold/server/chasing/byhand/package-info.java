/** Telling people by hand what is missing. */
@NullMarked
package app.denfold.server.chasing.byhand;

import org.jspecify.annotations.NullMarked;
