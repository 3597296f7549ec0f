package rovek.server.plant;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SettingRepository extends Repository<SettingEntity, SettingEntity.Key> {

    SettingEntity save(SettingEntity setting);

    void delete(SettingEntity setting);

    List<SettingEntity> findAll();

    List<SettingEntity> findByNodeIdAndTechnique(UUID nodeId, String technique);
}
