/** The work: routes with their revisions, visits with their stops and trays, corrections. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"judging", "plant", "instruments", "people", "base"})
package rovek.server.rounds;

import org.springframework.modulith.ApplicationModule;
