/** The plant: its tree, settings and nameplates, templates, pictures, events, files in and out. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"instruments", "people", "base"})
package rovek.server.plant;

import org.springframework.modulith.ApplicationModule;
