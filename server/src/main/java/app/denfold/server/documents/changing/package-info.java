/** Correcting, moving, copying, replacing, confirming and discarding papers. */
@NullMarked
package app.denfold.server.documents.changing;

import org.jspecify.annotations.NullMarked;
