package rovek.server.plant;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rovek.core.plant.NodeTree;
import rovek.core.technique.Sensor;
import rovek.core.technique.Techniques;
import rovek.server.problem.DomainProblem;
import rovek.server.sensor.Sensors;

/**
 * The plant as others read it. Each server keeps the plant in memory and asks the database only for what changed since it last
 * looked; several servers on one database see the same.
 */
@Service
public class Plant {

    private final NodeRows rows;
    private final Sensors sensors;
    private final Techniques techniques;
    private final AtomicReference<Seen> last = new AtomicReference<>();

    private record Seen(String horizon, PlantTree tree) {}

    Plant(NodeRows rows, Sensors sensors, Techniques techniques) {
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

    /** To be called when a change was committed: the next one then does not read it once more. */
    void refresh() {
        look(true);
    }

    private PlantTree look(boolean forEverybody) {
        Seen before = last.get();
        NodeRows.Delta delta = rows.since(before.horizon());
        Optional<Map<String, Sensor>> others = sensors.changedSince(before.horizon());
        if (others.isEmpty() && delta.states().isEmpty() && delta.horizon().equals(before.horizon())) {
            return before.tree();
        }
        PlantTree withStates = before.horizon().equals("0")
                ? before.tree().of(NodeTree.of(delta.states().values().stream().flatMap(Optional::stream).toList()))
                : before.tree().withStates(delta.states());
        PlantTree tree = others.map(withStates::with).orElse(withStates);
        if (forEverybody) {
            last.compareAndSet(before, new Seen(delta.horizon(), tree));
        }
        return tree;
    }

    /** @throws DomainProblem.NotFound when there is no such check */
    public CheckView check(UUID id) {
        return tree().check(id).orElseThrow(() -> new DomainProblem.NotFound("The check"));
    }
}
