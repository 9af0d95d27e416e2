/** Papers of the demo practice that wait for signatures. */
@NullMarked
package app.denfold.server.demo.signing;

import org.jspecify.annotations.NullMarked;
