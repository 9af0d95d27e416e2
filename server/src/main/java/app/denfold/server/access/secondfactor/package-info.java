/** Codes that change every half minute (RFC 6238), and recovery codes for who lost the device that shows them. */
@NamedInterface("secondfactor")
@NullMarked
package app.denfold.server.access.secondfactor;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
