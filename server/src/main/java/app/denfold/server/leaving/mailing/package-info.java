/** Copies that are sent by mail: attached, or behind a link that needs a code and ends. */
@NamedInterface("mailing")
@NullMarked
package app.denfold.server.leaving.mailing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
