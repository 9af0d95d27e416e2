/** What somebody outside sees of files: shown singly or by right, what of it is new, its words, and all of it in one file. */
@NamedInterface("seeing")
@NullMarked
package app.denfold.server.portal.seeing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
