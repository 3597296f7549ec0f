package rovek.server.people.unit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "own_unit")
class OwnUnitEntity {

    @Id
    String symbol;

    String name;

    /** Symbol of the unit it is said in. */
    String base;

    /** How much of the base unit one of it is, as typed. */
    String factor;

    /** Where its zero lies in the base unit, as typed. */
    @Column(name = "zero_at")
    String offset;
}
