/** Progress of long work, and events that must be told again. */
@NullMarked
package app.denfold.server.jobs;

import org.jspecify.annotations.NullMarked;
