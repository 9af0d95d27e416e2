/** Papers of a file that are given together, in an order of their own. */
@NullMarked
package app.denfold.server.leaving.bundles;

import org.jspecify.annotations.NullMarked;
