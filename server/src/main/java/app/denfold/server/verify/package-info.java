/** Reads everything that is kept through and tells what is wrong, beside a server that serves or without one. */
@NullMarked
package app.denfold.server.verify;

import org.jspecify.annotations.NullMarked;
