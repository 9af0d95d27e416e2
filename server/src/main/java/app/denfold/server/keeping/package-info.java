/** For how long files are kept after people left, which are held whatever the rules say, and how they are destroyed. */
@NullMarked
package app.denfold.server.keeping;

import org.jspecify.annotations.NullMarked;
