/** How an asset goes on: trends, and the standing of every check and of all above it. */
@ApplicationModule(
        type = ApplicationModule.Type.OPEN,
        allowedDependencies = {"judging", "plant", "people", "base"})
package rovek.server.follow;

import org.springframework.modulith.ApplicationModule;
