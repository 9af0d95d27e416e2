/** The processes in which received bytes are parsed. */
@NullMarked
package app.denfold.server.content.workers;

import org.jspecify.annotations.NullMarked;
