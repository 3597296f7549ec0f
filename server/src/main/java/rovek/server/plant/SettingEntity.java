package rovek.server.plant;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;

@Entity
@Table(name = "node_setting")
@IdClass(SettingEntity.Key.class)
class SettingEntity {

    /** One node, one technique, one setting. */
    record Key(UUID nodeId, String technique, String key) implements Serializable {}

    @Id
    UUID nodeId;

    @Id
    String technique;

    @Id
    String key;

    String value;
}
