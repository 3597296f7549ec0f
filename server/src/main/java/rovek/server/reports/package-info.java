/** What is issued: certificates with their numbers, previews, signatures and files. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"rounds", "judging", "plant", "instruments", "people", "base"})
package rovek.server.reports;

import org.springframework.modulith.ApplicationModule;
