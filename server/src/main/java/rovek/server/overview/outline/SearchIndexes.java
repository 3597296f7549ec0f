package rovek.server.overview.outline;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import rovek.server.follow.standing.Standings;
import rovek.server.plant.tree.PlantTree;

/**
 * The index of the plant as it stands, made while nobody waits for it: when the server starts, and when a page shows
 * the plant.
 */
@Component
class SearchIndexes {

    private final Standings standings;
    private final ExecutorService background = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "search-index");
        thread.setDaemon(true);
        return thread;
    });
    private final AtomicReference<PlantTree> wanted = new AtomicReference<>();
    private SearchIndex latest;

    SearchIndexes(Standings standings) {
        this.standings = standings;
    }

    /** The index of this state of the plant; waits where it is being made, which asks the database nothing. */
    synchronized SearchIndex of(PlantTree tree) {
        if (latest == null || !latest.isOf(tree)) {
            latest = latest == null ? SearchIndex.of(tree) : latest.following(tree);
        }
        return latest;
    }

    /**
     * Makes the index of this state in the background, so that the first search finds it made. States that were
     * overtaken meanwhile are left out.
     */
    void prepare(PlantTree tree) {
        if (wanted.getAndSet(tree) == null) {
            background.execute(() -> of(wanted.getAndSet(null)));
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void prepareAtStart() {
        background.execute(() -> of(standings.now().tree()));
    }

    @PreDestroy
    void stop() {
        background.shutdownNow();
    }
}
