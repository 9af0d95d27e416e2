/** Signing in by the house's own directory of accounts, through OpenID Connect. */
@NullMarked
package app.denfold.server.access.house;

import org.jspecify.annotations.NullMarked;
