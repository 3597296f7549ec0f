/**
 * What people look at first: what needs attention today, the due dates, and the plant with its standings, filtered and
 * searched.
 */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"reports", "rounds", "follow", "plant", "instruments", "people", "base"})
package rovek.server.overview;

import org.springframework.modulith.ApplicationModule;
