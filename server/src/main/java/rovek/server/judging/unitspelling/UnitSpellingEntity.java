package rovek.server.judging.unitspelling;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "unit_spelling")
class UnitSpellingEntity {

    /** As a maker writes it. */
    @Id
    String written;

    /** Of the unit that is meant. */
    String symbol;
}
