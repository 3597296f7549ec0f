/** What is measured with: instruments and their links, sensors, set-ups, firmware, calibrations. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"people", "base"})
package rovek.server.instruments;

import org.springframework.modulith.ApplicationModule;
