/** Papers in files: their versions, states and values. */
@NullMarked
package app.denfold.server.documents;

import org.jspecify.annotations.NullMarked;
