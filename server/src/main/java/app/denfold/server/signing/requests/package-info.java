/** Requests for signatures as they are kept: their papers, turns, fields and questions. */
@NullMarked
package app.denfold.server.signing.requests;

import org.jspecify.annotations.NullMarked;
