/** Taking one's turn: looking through, signing, declining, asking back. */
@NamedInterface("taking")
@NullMarked
package app.denfold.server.signing.taking;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
