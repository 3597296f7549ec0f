/**
 * Tells the demonstration's story: a plant, two years of rounds, one signed certificate, all by the services that
 * people use.
 */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"intake", "reports", "rounds", "judging", "plant", "instruments", "people", "base"})
package rovek.server.demo;

import org.springframework.modulith.ApplicationModule;
