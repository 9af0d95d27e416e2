/** One file’s slots with their reasons, and its lines over time. */
@NamedInterface("ledger")
package app.denfold.server.coverage.ledger;

import org.springframework.modulith.NamedInterface;
