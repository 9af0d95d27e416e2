/** Plans of the demo practice, and what went out by them. */
@NullMarked
package app.denfold.server.demo.chasing;

import org.jspecify.annotations.NullMarked;
