/** What every wing stands on: errors, jobs, audit trail, secrets, tables, the web layer. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {})
package rovek.server.base;

import org.springframework.modulith.ApplicationModule;
