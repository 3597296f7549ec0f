package rovek.server.intake.tableimport;

import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.audit.AuditTrail;
import tools.jackson.databind.json.JsonMapper;

/** Mappings by the headings they were made for. */
@Repository
class ForeignMappings {

    private final ForeignMappingRepository mappings;
    private final JsonMapper json;
    private final Clock clock;

    ForeignMappings(ForeignMappingRepository mappings, JsonMapper json, Clock clock) {
        this.mappings = mappings;
        this.json = json;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Optional<ForeignDraft> of(String signature) {
        return mappings.of(signature).map(known -> json.readValue(known, ForeignDraft.class));
    }

    @Transactional
    void remember(String signature, ForeignDraft draft) {
        mappings.remember(signature, json.writeValueAsString(draft), clock.instant(), AuditTrail.actor());
    }
}
