/**
 * Everything that enters: reading back, live recordings, entries by hand, tables of other instruments. Each becomes an
 * original first, then readings.
 */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"rounds", "judging", "plant", "instruments", "people", "base"})
package rovek.server.intake;

import org.springframework.modulith.ApplicationModule;
