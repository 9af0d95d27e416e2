/** One file’s slots with their reasons, and its lines over time. */
@NamedInterface("ledger")
@NullMarked
package app.denfold.server.coverage.ledger;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
