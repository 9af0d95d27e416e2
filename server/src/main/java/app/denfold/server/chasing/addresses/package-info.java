/** Addresses at which nobody is chased. */
@NamedInterface("addresses")
@NullMarked
package app.denfold.server.chasing.addresses;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
