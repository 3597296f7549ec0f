package rovek.server.plant.tree;

import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rovek.core.plant.NodeTree;
import rovek.core.technique.Sensor;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.time.HomeZone;
import rovek.server.instruments.sensor.Sensors;

/**
 * The plant as others read it. Each server keeps the plant in memory and asks the database only for what changed since
 * it last looked; several servers on one database see the same.
 */
@Service
public class Plant {

    private static final int MOST_TRIES = 5;

    private final NodeRows rows;
    private final Sensors sensors;
    private final Techniques techniques;
    private final HomeZone home;
    private final Lock making = new ReentrantLock();
    private final AtomicReference<Seen> last = new AtomicReference<>();

    private record Seen(String horizon, PlantTree tree) {}

    Plant(NodeRows rows, Sensors sensors, Techniques techniques, HomeZone home) {
        this.home = home;
        this.rows = rows;
        this.sensors = sensors;
        this.techniques = techniques;
        last.set(new Seen("0", PlantTree.of(NodeTree.EMPTY, techniques, Map.of())));
    }

    /** The whole plant as it stands now, changes of the present transaction included. */
    public PlantTree tree() {
        // What a transaction wrote itself may yet be rolled back: nobody else is to see it.
        boolean mayBeRolledBack = TransactionSynchronizationManager.isActualTransactionActive()
                && !TransactionSynchronizationManager.isCurrentTransactionReadOnly();
        return look(!mayBeRolledBack);
    }

    /** In which time zone a part of the plant lies: its site's, the company's where the site does not say. */
    public ZoneId zone(PlantTree tree, UUID node) {
        return tree.zone(node).orElse(home.id());
    }

    /** To be called when a change was committed: the next one then does not read it once more. */
    void refresh() {
        look(true);
    }

    private PlantTree look(boolean forEverybody) {
        for (int tried = 1; ; tried++) {
            Seen before = last.get();
            NodeRows.Delta delta = rows.since(before.horizon());
            Optional<Map<String, Sensor>> others =
                    delta.sensorsChanged() ? Optional.of(sensors.byTag()) : Optional.empty();
            if (!forEverybody || tried == MOST_TRIES) {
                return following(before, delta, others);
            }
            // Only calculation is done under the lock, nothing is asked: whoever waits here may hold a connection.
            making.lock();
            try {
                // Where somebody else was first, there is hardly anything left to ask for; equal plants stay one
                // object.
                if (last.get() == before) {
                    PlantTree tree = following(before, delta, others);
                    last.set(new Seen(delta.horizon(), tree));
                    return tree;
                }
            } finally {
                making.unlock();
            }
        }
    }

    private static PlantTree following(Seen before, NodeRows.Delta delta, Optional<Map<String, Sensor>> others) {
        PlantTree withStates = before.horizon().equals("0")
                ? before.tree()
                        .of(NodeTree.of(delta.states().values().stream()
                                .flatMap(Optional::stream)
                                .toList()))
                : before.tree().withStates(delta.states());
        return others.map(withStates::with).orElse(withStates);
    }

    /** @throws DomainProblem.NotFound when there is no such check */
    public CheckView check(UUID id) {
        return tree().check(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.check")));
    }
}
