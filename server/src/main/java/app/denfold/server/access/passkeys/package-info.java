/** Passkeys (Web Authentication), which stand for password and second factor in one. */
@NullMarked
package app.denfold.server.access.passkeys;

import org.jspecify.annotations.NullMarked;
