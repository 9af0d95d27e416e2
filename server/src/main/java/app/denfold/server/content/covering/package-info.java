/** Copies of stored bytes in which parts of pages are covered. */
@NamedInterface("covering")
@NullMarked
package app.denfold.server.content.covering;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
