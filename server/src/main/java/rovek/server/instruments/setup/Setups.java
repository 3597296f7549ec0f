package rovek.server.instruments.setup;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.route.InstrumentProfile;
import rovek.core.setup.SetupContent;
import rovek.core.setup.SetupForm;
import rovek.core.setup.SetupForms;
import rovek.core.setup.SetupNeeds;
import rovek.core.wording.Sentence;
import rovek.link.packet.SetupPackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Names;
import rovek.server.instruments.setup.SetupRows.Row;
import rovek.server.instruments.setup.SetupView.SetupRevision;

/** Set-ups: what an instrument is told that walks no route. */
@Service
public class Setups {

    private static final int LONGEST_NAME = 200;

    private final SetupRows rows;
    private final AuditTrail audit;
    private final Clock clock;

    Setups(SetupRows rows, AuditTrail audit, Clock clock) {
        this.rows = rows;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * A set-up as somebody wants it.
     *
     * @param version the one it was edited from; ignored for a new set-up
     */
    public record SetupDraft(
            String name, String form, Map<String, String> values, List<Map<String, String>> rows, int version) {}

    public List<SetupFormView> forms() {
        return SetupForms.list().stream().map(SetupFormView::of).toList();
    }

    @Transactional(readOnly = true)
    public List<SetupView> list() {
        return rows.list(false).stream().map(this::view).toList();
    }

    /** A set-up that is off the list. */
    public record RemovedSetup(UUID id, String name) {}

    @Transactional(readOnly = true)
    public List<RemovedSetup> removed() {
        return rows.list(true).stream()
                .map(row -> new RemovedSetup(row.id(), row.name()))
                .toList();
    }

    @Transactional(readOnly = true)
    public SetupView get(UUID id) {
        return view(require(id));
    }

    @Transactional(readOnly = true)
    public List<SetupRevision> revisions(UUID id) {
        return rows.revisions(require(id).id());
    }

    private SetupView view(Row row) {
        return new SetupView(
                row.id(),
                row.name(),
                row.form(),
                row.revision(),
                row.content().values(),
                row.content().rows(),
                form(row.form()).needs(row.content()).sentence(),
                form(row.form()).isLoaded(),
                rows.holding(row.id()),
                row.version());
    }

    /** Makes a set-up with an id of the caller's choice, or changes it; what it says has another revision then. */
    @Transactional
    public SetupView put(UUID id, SetupDraft draft) {
        Optional<Row> before = rows.find(id);
        if (before.isPresent()
                && (before.get().version() != draft.version() || before.get().removed())) {
            throw new DomainProblem.Stale(Sentence.of("thing.setup"));
        }
        SetupForm form = form(before.map(Row::form).orElse(draft.form()));
        SetupContent content = requireSound(form, draft);
        String name = draft.name().strip();
        if (before.isEmpty()) {
            Row first = new Row(id, name, form.id(), 1, false, 0, content);
            rows.add(first, clock.instant(), AuditTrail.actor());
            audit.note("add", "set-up", id, null, first);
            return get(id);
        }
        boolean saysOtherwise = !before.get().content().equals(content);
        Row after = new Row(
                id,
                name,
                form.id(),
                before.get().revision() + (saysOtherwise ? 1 : 0),
                false,
                before.get().version() + 1,
                content);
        if (saysOtherwise) {
            rows.addRevision(after, clock.instant(), AuditTrail.actor());
        }
        change(after);
        audit.note("change", "set-up", id, before.get(), after);
        return get(id);
    }

    private void change(Row after) {
        rows.change(after);
    }

    private static SetupContent requireSound(SetupForm form, SetupDraft draft) {
        List<DomainProblem.Fault> faults = new ArrayList<>();
        String name = draft.name() == null ? "" : draft.name().strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            faults.add(new DomainProblem.Fault("name", Sentence.of("instruments.setupName", "most", LONGEST_NAME)));
        }
        SetupContent given = new SetupContent(draft.values(), draft.rows());
        form.faults(given).forEach(fault -> faults.add(new DomainProblem.Fault(fault.field(), fault.reason())));
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
        return form.completed(given);
    }

    /** Takes a set-up off the list; {@link #bringBack} brings it back. */
    @Transactional
    public void remove(UUID id) {
        turn(id, true, "remove");
    }

    @Transactional
    public void bringBack(UUID id) {
        turn(id, false, "bring back");
    }

    private void turn(UUID id, boolean removed, String action) {
        Row row = require(id);
        if (row.removed() != removed) {
            change(new Row(id, row.name(), row.form(), row.revision(), removed, row.version() + 1, row.content()));
            audit.note(action, "set-up", id, null, row);
        }
    }

    /** Why an instrument cannot take a set-up, each a sentence; empty where it can. */
    @Transactional(readOnly = true)
    public List<Sentence> obstacles(UUID id, InstrumentProfile instrument) {
        Row row = require(id);
        SetupNeeds needs = form(row.form()).needs(row.content());
        List<Sentence> obstacles = new ArrayList<>();
        if (!instrument.techniques().contains(needs.technique())) {
            obstacles.add(Sentence.of("instruments.otherKind", "kind", Names.setup(form(row.form()))));
        }
        needs.memoryBytes().ifPresent(bytes -> {
            if (bytes > instrument.freeBytes()) {
                obstacles.add(Sentence.of(
                        "instruments.runTooLarge", "free", instrument.freeBytes() / 1e6, "needed", bytes / 1e6));
            }
        });
        return obstacles;
    }

    /** The set-up as it is loaded. */
    @Transactional(readOnly = true)
    public SetupPackage pack(UUID id) {
        Row row = require(id);
        return new SetupPackage(id, row.revision(), row.name(), row.form(), clock.instant(), row.content());
    }

    /** Remembers that an instrument holds a set-up as it was packed. Within the transaction of whoever loaded it. */
    @Transactional
    public void noteLoaded(SetupPackage setup, UUID instrumentId) {
        rows.noteLoaded(setup.id(), setup.revision(), instrumentId, clock.instant(), AuditTrail.actor());
    }

    private Row require(UUID id) {
        return rows.find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.setup")));
    }

    private static SetupForm form(String id) {
        return SetupForms.find(id)
                .orElseThrow(
                        () -> new DomainProblem.Invalid("form", Sentence.of("instruments.unknownSetup", "kind", id)));
    }
}
