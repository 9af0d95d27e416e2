/** Accounts: made, limited, closed; their passwords, one-time links and preferences. */
@NamedInterface("accounts")
package app.denfold.server.access.accounts;

import org.springframework.modulith.NamedInterface;
