package rovek.server.plant;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.Techniques;
import rovek.server.problem.DomainProblem;

/** The plant as others read it. */
@Service
public class Plant {

    private final NodeRepository nodes;
    private final SettingRepository settings;
    private final Techniques techniques;

    Plant(NodeRepository nodes, SettingRepository settings, Techniques techniques) {
        this.nodes = nodes;
        this.settings = settings;
        this.techniques = techniques;
    }

    /** The whole plant as it stands now. */
    @Transactional(readOnly = true)
    public PlantTree tree() {
        Map<UUID, Map<String, Map<String, String>>> values = new HashMap<>();
        for (SettingEntity setting : settings.findAll()) {
            values.computeIfAbsent(setting.nodeId, none -> new HashMap<>())
                    .computeIfAbsent(setting.technique, none -> new HashMap<>())
                    .put(setting.key, setting.value);
        }
        List<PlantNode> inOrder =
                nodes.findByRemovalIsNullOrderByPlace().stream().map(NodeEntity::view).toList();
        return new PlantTree(inOrder, values, techniques);
    }

    /** @throws DomainProblem.NotFound when there is no such check */
    @Transactional(readOnly = true)
    public CheckView check(UUID id) {
        return tree().check(id).orElseThrow(() -> new DomainProblem.NotFound("The check"));
    }
}
