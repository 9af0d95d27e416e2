/** Where on the pages of a paper fields are proposed: kept from the last time, or found on it. */
@NullMarked
package app.denfold.server.signing.placing;

import org.jspecify.annotations.NullMarked;
