/** What happens at the end of every transaction, and in which order. Used by every module. */
@ApplicationModule(type = ApplicationModule.Type.OPEN)
@NullMarked
package app.denfold.server.commits;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
