/** What was measured and what it means: readings with their captures, limits over time, verdicts. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"plant", "people", "base"})
package rovek.server.judging;

import org.springframework.modulith.ApplicationModule;
