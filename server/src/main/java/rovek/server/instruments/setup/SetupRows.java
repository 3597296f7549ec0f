package rovek.server.instruments.setup;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Repository;
import rovek.core.setup.SetupContent;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.setup.SetupView.SetupHeld;
import rovek.server.instruments.setup.SetupView.SetupRevision;
import tools.jackson.databind.json.JsonMapper;

/** Set-ups in the database. */
@Repository
class SetupRows {

    private final SetupRepository setups;
    private final SetupRevisionRepository revisions;
    private final SetupLoadRepository loads;
    private final JsonMapper json;

    SetupRows(SetupRepository setups, SetupRevisionRepository revisions, SetupLoadRepository loads, JsonMapper json) {
        this.setups = setups;
        this.revisions = revisions;
        this.loads = loads;
        this.json = json;
    }

    /** A set-up in its latest revision. */
    record Row(UUID id, String name, String form, int revision, boolean removed, int version, SetupContent content) {}

    List<Row> list(boolean removed) {
        return setups.list(removed).stream().map(this::row).toList();
    }

    Optional<Row> find(UUID id) {
        return setups.find(id).map(this::row);
    }

    private Row row(SetupRepository.Kept kept) {
        return new Row(
                kept.id(),
                kept.name(),
                kept.form(),
                kept.revision(),
                kept.removed(),
                kept.version(),
                json.readValue(kept.content(), SetupContent.class));
    }

    void add(Row first, Instant at, String actor) {
        SetupEntity setup = new SetupEntity();
        setup.id = first.id();
        setup.name = first.name();
        setup.form = first.form();
        setup.revision = first.revision();
        setups.add(setup);
        addRevision(first, at, actor);
    }

    void addRevision(Row row, Instant at, String actor) {
        SetupRevisionEntity revision = new SetupRevisionEntity();
        revision.setupId = row.id();
        revision.revision = row.revision();
        revision.content = json.writeValueAsString(row.content());
        revision.at = at;
        revision.actor = actor;
        revisions.add(revision);
    }

    /** @throws DomainProblem.Stale where it no longer is of the version before */
    void change(Row row) {
        SetupEntity setup = setups.findById(row.id()).orElseThrow();
        if (setup.version != row.version() - 1) {
            throw new DomainProblem.Stale(Sentence.of("thing.setup"));
        }
        setup.name = row.name();
        setup.revision = row.revision();
        setup.removed = row.removed();
        setups.saveAndFlush(setup);
    }

    List<SetupRevision> revisions(UUID id) {
        return revisions.findBySetupIdOrderByRevisionDesc(id).stream()
                .map(kept -> {
                    SetupContent content = json.readValue(kept.content, SetupContent.class);
                    return new SetupRevision(
                            kept.revision, kept.at.toString(), kept.actor, content.values(), content.rows());
                })
                .toList();
    }

    void noteLoaded(UUID id, int revision, UUID instrument, Instant at, String actor) {
        SetupLoadEntity load = new SetupLoadEntity();
        load.id = UUID.randomUUID();
        load.setupId = id;
        load.revision = revision;
        load.instrumentId = instrument;
        load.at = at;
        load.actor = actor;
        loads.add(load);
    }

    /** The instruments that hold a set-up: it is the last that was loaded onto them. */
    List<SetupHeld> holding(UUID id) {
        return loads.holding(id).stream()
                .map(load -> new SetupHeld(load.instrumentId, load.revision, load.at.toString(), load.actor))
                .toList();
    }
}
