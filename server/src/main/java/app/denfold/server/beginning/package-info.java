/** From an empty installation to a practice with its first administrator. */
@NullMarked
package app.denfold.server.beginning;

import org.jspecify.annotations.NullMarked;
