/**
 * Reads papers in processes of their own, with bounds on memory and time, so that a hostile or broken paper costs that
 * paper only.
 */
@NullMarked
package app.denfold.paper.worker;

import org.jspecify.annotations.NullMarked;
