/** What happens at the end of every transaction, and in which order. Used by every module. */
@ApplicationModule(type = ApplicationModule.Type.OPEN)
package app.denfold.server.commits;

import org.springframework.modulith.ApplicationModule;
