/** Mails that tell people what is missing, and all other mails on their way out. */
@NullMarked
package app.denfold.server.chasing;

import org.jspecify.annotations.NullMarked;
