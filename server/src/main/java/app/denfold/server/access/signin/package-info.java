/** Signing in and out, sessions, and which addresses are open to whom. */
@NullMarked
package app.denfold.server.access.signin;

import org.jspecify.annotations.NullMarked;
