/** Links and codes by which somebody without an account comes to his turn. */
@NullMarked
package app.denfold.server.signing.links;

import org.jspecify.annotations.NullMarked;
