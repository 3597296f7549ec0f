package rovek.server.people.policy;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "policy")
class PolicyEntity {

    @Id
    @Column(name = "key")
    String name;

    @Column(name = "value")
    String text;
}
