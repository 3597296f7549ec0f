package rovek.server.instruments.setup;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;

@Entity
@Table(name = "setup")
class SetupEntity {

    @Id
    UUID id;

    String name;
    String form;

    /** Of what it says now. */
    int revision;

    boolean removed;

    @Version
    Integer version;
}
