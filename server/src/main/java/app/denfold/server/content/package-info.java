/** Bytes: stored once by their SHA-256, verified when read, never written again. */
@NullMarked
package app.denfold.server.content;

import org.jspecify.annotations.NullMarked;
