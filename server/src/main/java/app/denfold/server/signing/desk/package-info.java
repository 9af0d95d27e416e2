/** Signing at the desk, on a tablet that belongs to the signing. */
@NullMarked
package app.denfold.server.signing.desk;

import org.jspecify.annotations.NullMarked;
