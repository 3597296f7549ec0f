/** Who works here: accounts, sessions, company policies. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"base"})
package rovek.server.people;

import org.springframework.modulith.ApplicationModule;
