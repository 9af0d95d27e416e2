/** Refusals and how they are answered. Used by every module. */
@ApplicationModule(type = ApplicationModule.Type.OPEN)
@NullMarked
package app.denfold.server.problems;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
