/** Refusals and how they are answered. Used by every module. */
@ApplicationModule(type = ApplicationModule.Type.OPEN)
package app.denfold.server.problems;

import org.springframework.modulith.ApplicationModule;
