/** Applicants of the demo practice, and for how long their files are kept. */
@NullMarked
package app.denfold.server.demo.keeping;

import org.jspecify.annotations.NullMarked;
