/** What somebody outside sees of files: shown singly or by right, what of it is new, its words, and all of it in one file. */
@NullMarked
package app.denfold.server.portal.seeing;

import org.jspecify.annotations.NullMarked;
