/** Accounts: made, limited, closed; their passwords, one-time links and preferences. */
@NamedInterface("accounts")
@NullMarked
package app.denfold.server.access.accounts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
